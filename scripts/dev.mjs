import { DATABASE_PACKAGE, startDatabase } from './lib/database.mjs';
import { needDebian, needPackages } from './lib/needs.mjs';
import { join } from 'node:path';
import { dataFolder, root } from './lib/paths.mjs';
import { aborted, endChild, exited, runShown, spawnApart, stopAsked } from './lib/process.mjs';
import { run, say, Stop } from './lib/say.mjs';

const WEB_PORT = Number(process.env.PORT ?? 4747);
const API_PORT = WEB_PORT + 1;

/** For developers: the server and the pages reload as their sources change. */
await run(async () => {
  needDebian(...DATABASE_PACKAGE);
  needPackages();
  if (runShown('node', ['node_modules/tsc7/bin/tsc', '-b', 'packages/core']) !== 0)
    throw new Stop('The core does not compile.', 'Read what the compiler said above.');
  const stopping = stopAsked();
  const database = await startDatabase(dataFolder(), stopping);
  const env = {
    ...process.env,
    DATABASE_URL: database.url,
    PORT: String(API_PORT),
    DEMO_JOB: join(root, 'demo/heron-yard.json'),
    WEB_PORT: String(WEB_PORT),
  };
  const children = [
    ['node_modules/tsc7/bin/tsc', '-b', 'packages/core', '--watch', '--preserveWatchOutput'],
    ['node_modules/tsx/dist/cli.mjs', 'watch', 'packages/server/src/main.ts'],
    ['node_modules/vite/bin/vite.js', 'packages/web'],
  ].map((args) => spawnApart('node', args, { env, stdio: ['ignore', 'inherit', 'inherit'] }));
  say(`Pages at http://127.0.0.1:${WEB_PORT}, API at http://127.0.0.1:${API_PORT}. Ctrl-C stops both.`);
  await Promise.race([aborted(stopping), ...children.map(exited)]);
  await Promise.all(children.map((child) => endChild(child, 2)));
  await database.stop();
});
