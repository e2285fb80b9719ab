import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readJob, standardStock, wireAll, type Job } from '@amber/core';

const ROOT = fileURLToPath(new URL('../../../../', import.meta.url));
const FILE = join(ROOT, 'demo/heron-yard.json');

/** The boat yard, as its file has it. */
export const yardFile = (): Job => {
  const read = readJob({
    stock: standardStock(),
    ...(JSON.parse(readFileSync(FILE, 'utf8')) as object),
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.job;
};

/** Of everything that the planned yard hangs on: its file, and every source of the core. */
const sumOfSources = (): string => {
  const sum = createHash('sha256').update(readFileSync(FILE));
  const folder = join(ROOT, 'packages/core/src');
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((one) =>
    one.endsWith('.ts'),
  );
  for (const file of files.sort()) sum.update(file).update(readFileSync(join(folder, file)));
  return sum.digest('hex').slice(0, 20);
};

/**
 * The same as it is loaded: planned as a master would. Nearly a hundred test files begin with it, so it is planned once for each state of the
 * sources, and kept as text.
 */
export const yard = (): Job => {
  const kept = join(ROOT, `.cache/yard-${sumOfSources()}.json`);
  if (existsSync(kept)) return JSON.parse(readFileSync(kept, 'utf8')) as Job;
  const planned = wireAll(yardFile());
  mkdirSync(join(ROOT, '.cache'), { recursive: true });
  // Under its name only once it is whole: another file may be looking for it.
  const begun = `${kept}.${process.pid}`;
  writeFileSync(begun, JSON.stringify(planned));
  renameSync(begun, kept);
  return planned;
};
