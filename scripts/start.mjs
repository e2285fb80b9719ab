import { join } from 'node:path';
import { DATABASE_PACKAGE, startDatabase } from './lib/database.mjs';
import { needBuild, needDebian, needPackages } from './lib/needs.mjs';
import { backupFolder } from './lib/keep.mjs';
import { dataFolder, root } from './lib/paths.mjs';
import { aborted, endChild, exited, portIsFree, spawnApart, stopAsked } from './lib/process.mjs';
import { holderOf, sayHeld } from './lib/holder.mjs';
import { run, say, Stop } from './lib/say.mjs';
import { openShare, shareAsked } from './lib/share.mjs';
import { startServer } from './lib/server.mjs';

const DEFAULT_PORT = 4747;

const askedPort = () => {
  const text = process.env.PORT ?? String(DEFAULT_PORT);
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Stop(
      `PORT is "${text}", which is no port.`,
      'Set it to a number from 1024 to 65535, or leave it out.',
    );
  return port;
};

const HOUR = 3_600_000;

/** A backup of each day, asked for once an hour; the last seven are kept. An outside database is backed up by whoever keeps it. Gives a way to end it. */
const daily = (url) => {
  const folder = backupFolder();
  say(`A backup of each day is kept in ${folder}; npm run restore FILE takes one back.`);
  let child = null;
  let stopped = false;
  const ask = () => {
    child = spawnApart('node', [join(root, 'packages/server/dist/keep/main.js'), 'daily', folder], {
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, DATABASE_URL: url },
    });
    child.once('exit', (code) => {
      if (code !== 0 && !stopped) say('Today has no backup yet: it is tried again in an hour.');
    });
  };
  ask();
  const timer = setInterval(ask, HOUR);
  return async () => {
    stopped = true;
    clearInterval(timer);
    // What it was writing has no name yet: the next one begins anew.
    await endChild(child, 0.5);
  };
};

await run(async () => {
  const port = askedPort();
  const outside = process.env.DATABASE_URL;
  const folder = outside ? null : dataFolder();
  const held = folder && holderOf(folder);
  if (held) throw sayHeld(folder, held);
  if (!(await portIsFree(port)))
    throw new Stop(
      `Port ${port} is taken by another program.`,
      `Stop that program, or choose another port: PORT=${port + 1} npm start`,
    );
  if (!outside) needDebian(...DATABASE_PACKAGE);
  needPackages();
  needBuild();

  const share = shareAsked() === null ? null : await openShare(folder ?? dataFolder(), port);
  const stopping = stopAsked();
  const database = folder === null ? null : await startDatabase(folder, stopping);
  try {
    const server = await startServer({
      databaseUrl: outside ?? database.url,
      port,
      stopping,
      env: share?.env,
    });
    database?.answersAt(server.address);
    say(`\nAmber Junction is ready at ${server.address}\nPress Ctrl-C to stop.`);
    await share?.print();
    const endDaily = database ? daily(database.url) : async () => {};
    const ended = await Promise.race([
      aborted(stopping).then(() => null),
      exited(server.process).then(() => 'The server ended by itself.'),
      ...(database ? [exited(database.process).then(() => 'The database ended by itself.')] : []),
    ]);
    say('\nStopping ...');
    // The server first: it finishes the saves it has begun while the database still takes them.
    await Promise.all([server.stop(), endDaily()]);
    if (ended) throw new Stop(ended, 'Nothing that was saved is lost. Start again with npm start.');
  } finally {
    await database?.stop();
  }
  say('Stopped.');
});
