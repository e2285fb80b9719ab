import { killTrial } from '../lib/killTrial.mjs';

test('what was acknowledged is there after the server or its database was killed while several saved', async () => {
  const { acknowledged, lost } = await killTrial(4);
  expect(lost).toEqual([]);
  expect(acknowledged).toBeGreaterThan(20);
}, 120_000);
