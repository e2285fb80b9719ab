import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { needBuild, needPackages } from './lib/needs.mjs';
import { root } from './lib/paths.mjs';
import { run, say } from './lib/say.mjs';

/** Writes docs/formats.md, docs/rules.md, the JSON Schemas and the worked examples from the core. */
await run(async () => {
  needPackages();
  needBuild();
  const core = await import('@amber/core');
  const cli = await import('../packages/cli/dist/run.js');
  const { generatedDocs } = await import('./lib/generatedDocs.mjs');
  for (const folder of ['schemas', 'examples'])
    rmSync(join(root, 'docs', folder), { recursive: true, force: true });
  const files = generatedDocs(core, cli.run);
  for (const [path, text] of files) {
    const file = join(root, 'docs', path);
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, text);
  }
  say(`${files.size} files written under docs.`);
});
