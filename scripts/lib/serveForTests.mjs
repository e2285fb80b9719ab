import { startServer } from './server.mjs';
import { startTestDatabase } from './testDatabase.mjs';
import { aborted, stopAsked } from './process.mjs';
import { run } from './say.mjs';

/** The built application on a database that is thrown away; for the browser tests. */
await run(async () => {
  const stopping = stopAsked();
  const database = await startTestDatabase();
  try {
    const server = await startServer({ databaseUrl: database.url, port: Number(process.env.PORT) });
    await aborted(stopping);
    await server.stop();
  } finally {
    await database.stop();
  }
});
