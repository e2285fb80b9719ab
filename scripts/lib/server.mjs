import { join } from 'node:path';
import { root } from './paths.mjs';
import { endChild, spawnApart } from './process.mjs';
import { Stop } from './say.mjs';

/** Seconds that the server is given to end what it has begun. */
const END_SECONDS = 2.5;

/** Starts the built server and waits until it serves. Gives its address and a function that stops it. */
export const startServer = async ({ databaseUrl, port, stopping, env = {} }) => {
  const child = spawnApart('node', ['--enable-source-maps', join(root, 'packages/server/dist/main.js')], {
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      WEB_ROOT: join(root, 'packages/web/dist'),
      DEMO_JOB: join(root, 'demo/heron-yard.json'),
      ...env,
    },
  });
  const message = await new Promise((resolve) => {
    child.once('message', resolve);
    child.once('exit', (code) => resolve({ problem: `The server ended at once (code ${code}).` }));
    stopping?.addEventListener('abort', () =>
      resolve({ problem: 'Stopped while it was starting.', wayOut: 'Nothing is lost.' }),
    );
  });
  if (message.problem) {
    await endChild(child, END_SECONDS);
    throw new Stop(message.problem, message.wayOut ?? 'Read what it printed above.');
  }
  return { address: message.address, process: child, stop: () => endChild(child, END_SECONDS) };
};
