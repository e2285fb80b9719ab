import { needBuild, needPackages } from './lib/needs.mjs';
import { run } from './lib/say.mjs';

await run(() => {
  needPackages();
  needBuild();
});
