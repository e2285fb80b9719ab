import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { parseJobFile, reviewJob } from '@amber/core';
import { packetDocument, writePdf } from '@amber/packet';
import { runPacket } from '../src/packet.js';

const example = readFileSync(new URL('../../../docs/examples/tar-store.job.json', import.meta.url), 'utf8');

const ran = async (args: string[], text = example) => {
  const said: string[] = [];
  const written = new Map<string, Uint8Array>();
  const code = await runPacket(args, {
    read: () => text,
    write: (file, bytes) => {
      if (file === '/full.pdf') throw new Error('no space left');
      written.set(file, bytes);
    },
    out: (line) => said.push(line),
    error: (line) => said.push(line),
  });
  return { code, said: said.join('\n'), written };
};

test('the command line writes the very bytes that any other place would of the same job and day', async () => {
  const { code, said, written } = await ran([
    'job.json',
    '--out',
    'a.pdf',
    '--made',
    '2026-01-05',
    '--sections',
    'cover,cuts',
  ]);
  expect([code, said]).toEqual([0, expect.stringMatching(/^a\.pdf: [\d,]+ bytes\.$/)]);
  const read = parseJobFile(example);
  if (!read.ok) throw new Error('bad example');
  const { resolve } = createRequire(import.meta.url);
  const face = (name: string) => new Uint8Array(readFileSync(resolve(`dejavu-fonts-ttf/ttf/${name}.ttf`)));
  const pdf = await writePdf(
    packetDocument({
      ...{
        review: reviewJob(read.job),
        records: [],
        sections: ['cover', 'cuts'],
        paper: 'letter',
        circuit: null,
      },
      ...{ made: new Date('2026-01-05'), state: 'from a file' },
    }),
    { regular: face('DejaVuSansCondensed'), bold: face('DejaVuSansCondensed-Bold') },
  );
  expect(Buffer.compare(Buffer.from(written.get('a.pdf') ?? []), Buffer.from(pdf))).toBe(0);
});

test.each([
  [['job.json'], /amber packet \[FILE\] --out/],
  [['job.json', '--out', 'a.pdf', '--sections', 'cover,index'], /no section "index"; there are cover, plans/],
  [['job.json', '--out', 'a.pdf', '--paper', 'a9'], /no paper "a9"; there are letter and a4/],
  [['job.json', '--out', 'a.pdf', '--made', 'soon'], /"soon" is no day/],
  [['job.json', '--out', 'a.pdf', '--circuit', 'attic'], /no circuit "attic"; it has "Tar store"/],
  [['job.json', '--out', '/full.pdf', '--sections', 'cover'], /full\.pdf cannot be written: no space left/],
  [['job.json', '--nonsense'], /amber packet \[FILE\]/],
])('%j is refused with what is wrong and how to mend it', async (args, words) => {
  const { code, said, written } = await ran(args);
  expect(code).toBe(2);
  expect(said).toMatch(words);
  expect(written.size).toBe(0);
});

test('what is no job file is refused by its fault', async () => {
  const { code, said } = await ran(['job.json', '--out', 'a.pdf'], '{');
  expect(code).toBe(2);
  expect(said).toMatch(/JSON/);
});
