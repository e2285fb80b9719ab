import { DATABASE_PACKAGE } from './lib/database.mjs';
import { needBuild, needDebian, needDebianFile, needPackages } from './lib/needs.mjs';
import { freePort, pause } from './lib/process.mjs';
import { run, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

const NODES = 3;
const CLIENTS = 30;
/** Of so many jobs, each is saved by two, through any of the servers. */
const CONTESTED = 6;
const SECONDS = 10;

/**
 * Three nodes of a Galera cluster on loopback, a server before each. All start on the empty database at once; then many save, one node is killed on the way,
 * and comes back. Prints what was acknowledged and what of it is lost, on every node.
 */
await run(async () => {
  needDebian(...DATABASE_PACKAGE);
  needPackages();
  needBuild();
  const { PROVIDERS, startCluster } = await import('./lib/cluster.mjs');
  const { brokenChains, missingIn, savingClient } = await import('./lib/saving.mjs');
  needDebianFile('galera-4', ...PROVIDERS);
  say('Starting three nodes ...');
  const cluster = await startCluster(NODES);
  const servers = [];
  try {
    const began = performance.now();
    servers.push(
      ...(await Promise.all(
        cluster.urls.map(async (databaseUrl) => startServer({ databaseUrl, port: await freePort() })),
      )),
    );
    say(`Three servers at once made the database in ${((performance.now() - began) / 1000).toFixed(1)} s.`);
    const open = new Set(servers.map(({ address }) => address));
    const [first] = open;
    const list = await (await fetch(`${first}/api/jobs`)).json();
    say(`The demo was loaded ${list.total === 1 ? 'once' : `${list.total} times`}.`);
    const { document } = await (await fetch(`${first}/api/jobs/heron-yard`)).json();
    const clients = [];
    for (let i = 0; i < CLIENTS - CONTESTED; i++) {
      const copy = { ...document, id: `trial-${i}`, name: `Trial ${i}` };
      const made = await fetch(`${first}/api/jobs`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ saveId: 'made', document: copy }),
      });
      if (!made.ok) throw new Error(`A job was answered ${made.status}.`);
      for (let two = 0; two < (i < CONTESTED ? 2 : 1); two++)
        clients.push(savingClient(copy, () => [...open], `client-${i}-${two}`));
    }
    await pause(SECONDS * 1000);
    const last = NODES - 1;
    say('Killing one node ...');
    await cluster.kill(last);
    // Whoever stands before the servers takes out the one whose database is gone, as its health says.
    await pause(500);
    const health = await fetch(`${servers[last].address}/api/health`, { signal: AbortSignal.timeout(9_000) })
      .then(({ status }) => status)
      .catch(() => 'nothing');
    say(`The server before it says of its health: ${health}.`);
    open.delete(servers[last].address);
    await pause(SECONDS * 1000);
    say('It comes back ...');
    await cluster.rejoin(last);
    open.add(servers[last].address);
    await pause(SECONDS * 1000);
    await Promise.all(clients.map(({ stop }) => stop()));
    const acknowledged = clients.flatMap((client) => client.acknowledged);
    const sum = (key) => clients.reduce((total, { told }) => total + told[key], 0);
    say(
      `${acknowledged.length} saves acknowledged in ${3 * SECONDS} s of ${CLIENTS} clients; ${sum('lost')} told that somebody was first, ${sum('notAnswered')} sent again, ${sum('refused')} refused.`,
    );
    let lost = 0;
    for (const [i, url] of cluster.urls.entries()) {
      const [missing, broken] = [await missingIn(url, acknowledged), await brokenChains(url)];
      lost += missing.length + broken.length;
      say(`Node ${i + 1}: ${missing.length} of them lost, ${broken.length} jobs whose revisions have a gap.`);
    }
    if (lost > 0) process.exitCode = 1;
  } finally {
    await Promise.all(servers.map(({ stop }) => stop()));
    await cluster.stop();
  }
});
