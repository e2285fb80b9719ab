import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDatabase } from './database.mjs';
import { isRoot } from './paths.mjs';
import { exited, freePort, pause } from './process.mjs';
import { brokenChains, missingIn, savingClient } from './saving.mjs';
import { startServer } from './server.mjs';

const CLIENTS = 4;
/** Milliseconds of saving before something is killed: at least, and so many more at random. */
const SAVED = 150;
const MORE = 1_000;

/** Numbers from 0 to 1 that a seed settles, so that a run can be had again. */
const drawing = (seed) => () => {
  seed = (seed * 1_664_525 + 1_013_904_223) % 2 ** 32;
  return seed / 2 ** 32;
};

/** A machine that has much else to do may not answer in time: what is sent again under its name is made once. */
const TRIES = 5;

const post = async (address, document, tries = TRIES) => {
  const made = await fetch(`${address}/api/jobs`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ saveId: 'made', document }),
  });
  if (made.status === 503 && tries > 1) {
    await pause(500);
    return post(address, document, tries - 1);
  }
  if (!made.ok) throw new Error(`A job was answered ${made.status}.`);
};

/**
 * While several save, the server, its database or both are killed at a moment drawn by the seed; started again, all that was acknowledged has to be there. Gives how
 * many saves were acknowledged, and those that are lost.
 */
export const killTrial = async (times, seed = 22, told = () => {}) => {
  const draw = drawing(seed);
  const folder = mkdtempSync(join(tmpdir(), 'amber-kills-'));
  if (isRoot) chmodSync(folder, 0o755);
  let [acknowledged, lost] = [0, []];
  try {
    for (let i = 0; i < times; i++) {
      const database = await startDatabase(folder);
      const server = await startServer({ databaseUrl: database.url, port: await freePort() });
      const { document } = await (await fetch(`${server.address}/api/jobs/heron-yard`)).json();
      const clients = [];
      for (let n = 0; n < CLIENTS; n++) {
        const copy = { ...document, id: `kill-${i}-${n}`, name: `Kill ${i}` };
        await post(server.address, copy);
        clients.push(savingClient(copy, () => [server.address], `kill-${i}-${n}`));
      }
      await pause(SAVED + draw() * MORE);
      const which = draw();
      const victims = [which < 0.66 ? database.process : null, which > 0.33 ? server.process : null];
      for (const victim of victims) victim?.kill('SIGKILL');
      await Promise.all(victims.map((victim) => victim && exited(victim)));
      await pause(50);
      await Promise.all(clients.map(({ stop }) => stop()));
      await server.stop();
      await database.stop();
      const again = await startDatabase(folder);
      const saves = clients.flatMap((client) => client.acknowledged);
      lost.push(...(await missingIn(again.url, saves)), ...(await brokenChains(again.url)));
      acknowledged += saves.length;
      await again.stop();
      told(i + 1, acknowledged, lost.length);
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return { acknowledged, lost };
};
