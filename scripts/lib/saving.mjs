import { randomUUID } from 'node:crypto';
import { createConnection } from 'mysql2/promise';
import { pause } from './process.mjs';

/** Milliseconds after which a client takes a server for gone. */
const PATIENCE = 10_000;

const put = async (address, id, body) => {
  const answer = await fetch(`${address}/api/jobs/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(PATIENCE),
  });
  return { status: answer.status, told: await answer.json().catch(() => null) };
};

/**
 * One who saves a job again and again, as a page does: what was not answered is sent again under its name, of another server where there is one; what lost is put on
 * top of what won. `acknowledged` is every save that was answered as kept.
 */
export const savingClient = (document, addresses, name) => {
  const acknowledged = [];
  const told = { lost: 0, notAnswered: 0, refused: 0 };
  let stopped = false;
  const work = (async () => {
    let parent = 1;
    let at = Math.floor(Math.random() * addresses().length);
    for (let n = 0; !stopped; n++) {
      const saveId = `${name}-${n}-${randomUUID().slice(0, 8)}`;
      for (let tries = 0; !stopped; tries++) {
        const servers = addresses();
        if (servers.length === 0) {
          await pause(100);
          continue;
        }
        const body = { saveId, parent, document: { ...document, name: `${name}, ${n}` } };
        const answer = await put(servers[at % servers.length], document.id, body).catch(() => null);
        if (answer?.status === 200) {
          acknowledged.push({ job: document.id, saveId, revision: answer.told.revision });
          parent = answer.told.revision;
          break;
        }
        if (answer?.status === 409) {
          told.lost += 1;
          parent = answer.told.current.revision;
          // A save that lost is kept as one; the next state goes under a name of its own.
          break;
        }
        if (answer !== null && answer.status < 500) {
          told.refused += 1;
          break;
        }
        told.notAnswered += 1;
        at += 1;
        await pause(Math.min(1000, 50 * 2 ** tries));
      }
    }
  })();
  return {
    acknowledged,
    told,
    stop: () => {
      stopped = true;
      return work;
    },
  };
};

/** Acknowledged saves that a database does not have as it was said: by name, and as that revision. */
export const missingIn = async (url, acknowledged) => {
  const connection = await createConnection(url);
  try {
    const [rows] = await connection.query('SELECT job_id AS job, save_id AS saveId, revision FROM revisions');
    const kept = new Map(rows.map((row) => [`${row.job} ${row.saveId}`, row.revision]));
    return acknowledged.filter(({ job, saveId, revision }) => kept.get(`${job} ${saveId}`) !== revision);
  } finally {
    await connection.end();
  }
};

/** Heads of jobs that are not the newest of their revisions, or that skip one. */
export const brokenChains = async (url) => {
  const connection = await createConnection(url);
  try {
    const [rows] = await connection.query(
      `SELECT jobs.id, jobs.revision, MAX(revisions.revision) AS newest, COUNT(revisions.revision) AS count
       FROM jobs JOIN revisions ON revisions.job_id = jobs.id GROUP BY jobs.id, jobs.revision`,
    );
    return rows.filter((row) => row.revision !== row.newest || row.newest !== Number(row.count));
  } finally {
    await connection.end();
  }
};
