import { killTrial } from '../lib/killTrial.mjs';

test('what was acknowledged is there after the server or its database was killed while several saved', async () => {
  const { acknowledged, lost } = await killTrial(3);
  expect(lost).toEqual([]);
  expect(acknowledged).toBeGreaterThan(12);
}, 120_000);
