#!/usr/bin/env node
import { readFileSync } from 'node:fs';
import { run } from './run.js';

process.exitCode = run(process.argv.slice(2), {
  read: (file) => readFileSync(file ?? 0, 'utf8'),
  out: (text) => console.log(text),
  error: (text) => console.error(text),
});
