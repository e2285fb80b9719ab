import { createConnection } from 'mysql2/promise';
import { openBrowser } from './browser.mjs';
import { pause } from './process.mjs';
import { say } from './say.mjs';

const JOBS = 5_000;
const CLIENTS = 50;
/** Milliseconds for which all clients save, and for which one rests between two saves, as the pages do. */
const LONG = 15_000;
const REST = 1_500;

const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
const show = (what, times, aim) => {
  const sorted = [...times].sort((one, other) => one - other);
  say(
    `${what.padEnd(60)} ${String(sorted.length).padStart(5)} times   median ${at(sorted, 0.5).toFixed(0)} ms   95th ${at(sorted, 0.95).toFixed(0)} ms   worst ${sorted.at(-1).toFixed(0)} ms   aim ${aim}`,
  );
};

const timed = async (work) => {
  const began = performance.now();
  await work();
  return performance.now() - began;
};

const asked = async (address, method = 'GET', body = undefined) => {
  const answer = await fetch(address, {
    method,
    ...(body === undefined
      ? {}
      : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
  });
  if (!answer.ok)
    throw new Error(`${method} ${address} was answered ${answer.status}: ${await answer.text()}`);
  return answer.json();
};

/** So many clients, each with a job of its own as large as the demo, save it again and again; gives the times of all. */
const savings = async (address, jobs, rest) => {
  const times = [];
  const until = performance.now() + LONG;
  await Promise.all(
    jobs.map(async (job, i) => {
      await pause((rest * i) / jobs.length);
      for (let n = 0; performance.now() < until; n++) {
        const document = { ...job.document, name: `Client ${i}, ${n}` };
        const body = { saveId: `${rest}-${i}-${n}`, parent: job.revision, document };
        times.push(
          await timed(
            async () =>
              (job.revision = (await asked(`${address}/api/jobs/${document.id}`, 'PUT', body)).revision),
          ),
        );
        await pause(rest);
      }
    }),
  );
  return times;
};

/** Prints what one machine carries: many who save at once, and a list of thousands of jobs. The demo has to be loaded. */
export const manyJobs = async ({ address, databaseUrl }) => {
  const { document } = await asked(`${address}/api/jobs/heron-yard`);
  const jobs = [];
  for (let i = 0; i < CLIENTS; i++) {
    const copy = { ...document, id: `client-${i}`, name: `Client ${i}` };
    await asked(`${address}/api/jobs`, 'POST', { saveId: 'made', document: copy });
    jobs.push({ revision: 1, document: copy });
  }
  const size = (JSON.stringify(document).length / 1000).toFixed(0);
  show(
    `server: ${CLIENTS} clients save jobs of ${size} kB, rest 1.5 s`,
    await savings(address, jobs, REST),
    'p95 under 500 ms',
  );
  show(`server: ${CLIENTS} clients save them without rest`, await savings(address, jobs, 0), 'none');
  const connection = await createConnection(databaseUrl);
  const [columns] = await connection.query(
    "SHOW COLUMNS FROM jobs WHERE Field NOT IN ('id', 'name', 'updated_at')",
  );
  const others = columns.map(({ Field }) => `\`${Field}\``).join(', ');
  await connection.query(
    `INSERT INTO jobs (id, name, updated_at, ${others})
     SELECT CONCAT('many-', seq), CONCAT('House ', seq), NOW(3) - INTERVAL seq MINUTE, ${others}
     FROM jobs JOIN seq_1_to_${JOBS} WHERE id = 'heron-yard'`,
  );
  await connection.end();
  // What lists show of the jobs that were just saved is worked out first, as it is a few seconds after any save.
  while ((await asked(`${address}/api/jobs?count=100`)).jobs.some(({ pending }) => pending)) await pause(500);
  const times = async (query) => {
    const all = [];
    for (let i = 0; i < 20; i++) all.push(await timed(() => asked(`${address}/api/jobs?${query}`)));
    return all;
  };
  show(`server: first page of ${JOBS} jobs`, await times('count=30'), 'under 300 ms');
  show(`server: a page in the middle of them`, await times('from=2400&count=30'), 'under 300 ms');
  show(`server: searched among them`, await times('search=House%204321&count=30'), 'under 300 ms');
  const browser = await openBrowser();
  try {
    const cold = [];
    for (let i = 0; i < 5; i++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      cold.push(
        await timed(async () => {
          await page.goto(address);
          await page.getByRole('heading', { level: 2 }).first().waitFor();
        }),
      );
      await context.close();
    }
    show(`web: cold load to a list of ${JOBS} jobs`, cold, 'under 1000 ms');
  } finally {
    await browser.close();
  }
};
