import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import * as core from '@amber/core';
import { run } from '../../packages/cli/src/run.ts';
import { generatedDocs } from '../lib/generatedDocs.mjs';
import { root } from '../lib/paths.mjs';

const docs = join(root, 'docs');

test('docs/formats.md, docs/rules.md, the schemas and the examples are what npm run docs makes', () => {
  const files = generatedDocs(core, run);
  for (const [path, text] of files)
    expect([path, readFileSync(join(docs, path), 'utf8')]).toEqual([path, text]);
  for (const folder of ['schemas', 'examples'])
    for (const name of readdirSync(join(docs, folder))) expect(files.has(`${folder}/${name}`)).toBe(true);
});

test('every worked example is of the format that it shows', () => {
  const files = generatedDocs(core, run);
  const check = (path, name) => {
    const read = core.FORMATS[name].schema.safeParse(JSON.parse(files.get(`examples/${path}`)));
    expect([path, read.error?.issues]).toEqual([path, undefined]);
  };
  check('tar-store.job.json', 'job');
  check('river-door.worksheet.json', 'worksheet');
  for (const name of ['simulate', 'fill', 'takeoff', 'inspect', 'compare', 'netlist', 'validate'])
    check(`tar-store.${name}.json`, name);
});
