import { keep } from './lib/keep.mjs';
import { run } from './lib/say.mjs';

/** Is every revision readable, and does all that is referred to exist? npm run check names what is damaged. */
await run(async () => {
  process.exitCode = await keep(['check']);
});
