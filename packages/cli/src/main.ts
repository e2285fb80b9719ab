#!/usr/bin/env node
import { readFileSync, writeFileSync } from 'node:fs';
import { run } from './run.js';

const args = process.argv.slice(2);
const surroundings = {
  read: (file: string | undefined) => readFileSync(file ?? 0, 'utf8'),
  out: (text: string) => console.log(text),
  error: (text: string) => console.error(text),
};

if (args[0] === 'packet') {
  // What sets type is large: nothing else waits for it.
  const { runPacket } = await import('./packet.js');
  process.exitCode = await runPacket(args.slice(1), {
    ...surroundings,
    write: (file, bytes) => writeFileSync(file, bytes),
  });
} else process.exitCode = run(args, surroundings);
