import { DATABASE_PACKAGE } from './database.mjs';
import { needDebian } from './needs.mjs';
import { run } from './say.mjs';

/** A program of its own, so that it can run while the packages of npm are installed. */
await run(() => {
  needDebian(...DATABASE_PACKAGE);
  needDebian('chromium', 'chromium');
  needDebian('ngspice', 'ngspice');
});
