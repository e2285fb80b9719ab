import { startServer } from './server.mjs';
import { startTestDatabase } from './testDatabase.mjs';
import { run } from './say.mjs';

/** The built application on a database that is thrown away; for the browser tests. */
await run(async () => {
  const database = await startTestDatabase();
  try {
    const server = await startServer({ databaseUrl: database.url, port: Number(process.env.PORT) });
    await new Promise((resolve) => {
      process.once('SIGTERM', resolve);
      process.once('SIGINT', resolve);
    });
    await server.stop();
  } finally {
    await database.stop();
  }
});
