import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import {
  beforePower,
  bitesOf,
  bitesTogether,
  cubicInches,
  drawBox,
  estimate,
  feetInches,
  makeUpSteps,
  newJob,
  reviewJob,
  sheetOf,
  signedHash,
  standardStock,
  type CircuitId,
  type JobId,
  type SiteRecord,
} from '@amber/core';
import { yard } from '../../core/test/support/yard.js';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { ALL_SECTIONS, packetDocument, writePdf, type Asked } from '../src/index.js';
import { materialOf } from '../src/asked.js';
import { boxPicture } from '../src/boxPicture.js';
import { createSpots } from '../src/freeSpots.js';
import { escaped } from '../src/svg.js';

const { resolve } = createRequire(import.meta.url);
const face = (name: string) => new Uint8Array(readFileSync(resolve(`dejavu-fonts-ttf/ttf/${name}.ttf`)));
const faces = () => ({ regular: face('DejaVuSansCondensed'), bold: face('DejaVuSansCondensed-Bold') });

const review = reviewJob(yard());
const asked = (more: Partial<Asked> = {}): Asked => ({
  ...{ review, records: [], sections: ALL_SECTIONS, paper: 'letter', state: 'revision 3', circuit: null },
  made: new Date('2026-01-05T08:00:00Z'),
  ...more,
});
const galley = (more: Partial<Asked> = {}) => asked({ circuit: 'galley-lights' as CircuitId, ...more });

/** The text of each page as it is read back, its spaces as one. */
const readBack = async (pdf: Uint8Array): Promise<string[]> => {
  const document = await getDocument({ data: pdf.slice(), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let i = 1; i <= document.numPages; i++) {
    const { items } = await (await document.getPage(i)).getTextContent();
    pages.push(
      items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/\s+/g, ' '),
    );
  }
  await document.destroy();
  return pages;
};

const squeezed = (text: string): string => text.replace(/\s+/g, '');

test('what is read back from the packet of a circuit is what the data says: boxes, cuts, tags, lists, steps, positions', async () => {
  const pages = await readBack(await writePdf(packetDocument(galley()), faces()));
  const all = squeezed(pages.join(' '));
  const material = materialOf(galley());
  const { job } = material;
  const has = (text: string) => expect([text, all.includes(squeezed(text))]).toEqual([text, true]);
  expect(material.boxes.length).toBe(5);
  const dead = beforePower(review, 'galley-lights' as CircuitId);
  if (typeof dead === 'string') throw new Error(dead);
  for (const { link, step } of dead.readings) {
    has(step);
    if (link !== null) has(link);
  }
  for (const id of material.boxes) {
    for (const { what, reading } of bitesTogether(bitesOf(review, id) ?? [])) {
      has(what.slice(1));
      has(reading);
    }
    has(job.boxes.find((box) => box.id === id)?.name ?? '');
    for (const { text } of makeUpSteps(job, review.wiring, review.drawn, id).steps) has(text);
  }
  expect(material.cuts.length).toBe(5);
  for (const cut of material.cuts) {
    has(`${material.numbers.get(cut.cable)} ${cut.name}`);
    if (cut.length) has(feetInches(cut.length.cut));
    has(cut.tags.from);
    has(cut.tags.to);
  }
  for (const { name, how } of material.order.lines) {
    has(name);
    has(how);
  }
  has('2-gang nonmetallic 32 in³');
  has(cubicInches(200_000));
  // Positions of the handles, and what is expected of each luminaire.
  has('Test sheet');
  has('on lit');
  has('off dark');
  // Of two handles in one box it is told which: by its gang, and by what it controls.
  has('Galley door, gang 1, Pendants');
  has('Galley door, gang 2, Shelf light');
  // Safety on the first page, the state of the job and the number of the page on each.
  expect(pages[0]).toMatch(/Work dead: breaker off, locked or tagged/);
  for (const [i, page] of pages.entries())
    expect(page).toMatch(new RegExp(`revision 3 · 2026-01-05.*page ${i + 1} of ${pages.length}`));
}, 60_000);

test('the same packet is the same bytes, and only the parts that are asked for are in it', async () => {
  const few = galley({ sections: ['takeOff', 'cuts'], paper: 'a4' });
  const [one, two] = [
    await writePdf(packetDocument(few), faces()),
    await writePdf(packetDocument(few), faces()),
  ];
  expect(Buffer.compare(Buffer.from(one), Buffer.from(two))).toBe(0);
  const pages = await readBack(one);
  // In their own order, whatever the order they were asked for in.
  expect(pages[0]).toMatch(/^Cut list, in the order of pulling/);
  expect(pages.join(' ')).toMatch(/Take- ?off/);
  expect(pages.join(' ')).not.toMatch(/Test sheet|Schedule of boxes/);
  const later = await writePdf(packetDocument({ ...few, made: new Date('2026-01-06T08:00:00Z') }), faces());
  expect(Buffer.compare(Buffer.from(one), Buffer.from(later))).not.toBe(0);
}, 60_000);

test('every section of the whole job is written, each box on a page of its own, and told as it goes', () => {
  const told: string[] = [];
  const { content } = packetDocument(asked(), (section) => told.push(section));
  expect(told).toEqual(ALL_SECTIONS);
  const text = JSON.stringify(content);
  for (const { name } of estimate(review.job, review.wiring, review.drawn).takeOff.lines)
    expect(text).toContain(name);
  for (const id of materialOf(asked()).boxes)
    expect(text).toContain(`"${review.job.boxes.find((box) => box.id === id)?.name}`);
  // What nobody has looked into is never told as known.
  expect(text).toContain('not known: what nobody has looked at in it');
  expect(text).toContain('2 old boxes were not looked into');
});

test.each([
  ['letter', null],
  ['a4', 'ropewalk-lights' as CircuitId],
] as const)(
  'on %s a box whose steps stand in two columns is all on its page, and most boxes are',
  async (paper, circuit) => {
    const document = packetDocument(asked({ sections: ['boxes'], paper, circuit }));
    const pages = (await readBack(await writePdf(document, faces()))).map(squeezed);
    // Each box begins with its head.
    const parts: object[][] = [];
    for (const one of document.content as { fontSize?: number }[])
      if (one.fontSize === 17) parts.push([one]);
      else parts.at(-1)?.push(one);
    const boxes = materialOf(asked({ circuit })).boxes;
    expect(parts).toHaveLength(boxes.length);
    let inColumns = 0;
    boxes.forEach((id, i) => {
      if (!parts[i]!.some((one) => 'columnGap' in one && one.columnGap !== 0)) return;
      inColumns += 1;
      const { steps } = makeUpSteps(review.job, review.wiring, review.drawn, id);
      const texts = steps.map(({ text }) => squeezed(text));
      const on = pages.filter((page) => texts.every((text) => page.includes(text)));
      expect({ id, on: on.length > 0 }).toEqual({ id, on: true });
    });
    expect(inColumns).toBeGreaterThan(boxes.length * 0.8);
    expect(pages.length).toBeLessThan(boxes.length + 6);
  },
  60_000,
);

test('of a box that nobody has looked into the page says so, and its picture draws what is assumed broken', () => {
  const one = (id: string) => {
    const text = JSON.stringify(packetDocument(asked({ sections: ['boxes'] })).content);
    const name = review.job.boxes.find((box) => box.id === id)?.name ?? '';
    const from = text.indexOf(`"${name}, `);
    return text.slice(from, text.indexOf('"pageBreak"', text.indexOf('"svg"', from)));
  };
  expect(one('stair-head')).toContain('NOBODY HAS LOOKED INTO THIS BOX');
  expect(one('creek-end')).not.toMatch(/NOBODY HAS LOOKED|IN PART ALONE/);
  const broken = (id: string) =>
    boxPicture(review, id as never).svg.match(/stroke-dasharray="9 5"/g)?.length ?? 0;
  expect(broken('creek-end')).toBe(0);
  expect(broken('stair-head')).toBeGreaterThan(0);
});

test('the test sheet is blank, or says what was recorded, by whom and when; what changed since is asked again', () => {
  const sheet = sheetOf(review, 'galley-lights' as CircuitId);
  const [one, two, three] = sheet.groups.flatMap(({ rows }) => rows);
  const record = (row: typeof one, met: boolean, hash = row!.hash): SiteRecord => ({
    ...{ id: row!.id, kind: 'testStep', version: 1, retracts: null, by: 'JS' },
    ...{ at: '2026-11-30T08:00:00.000Z', body: { expected: row!.expect, met, saw: met ? '' : 'flickers' } },
    about: { kind: 'fact', id: row!.id, wiring: review.id, revision: 1, hash },
  });
  const signed: SiteRecord = {
    ...record(one, true),
    ...{ id: 'sign', kind: 'signOff', body: { stage: 'final', initials: 'AB' } },
    about: {
      ...{ kind: 'circuit', id: 'galley-lights', wiring: review.id, revision: 1 },
      hash: signedHash(review, 'galley-lights' as CircuitId),
    },
  };
  const told = (records: SiteRecord[]) =>
    JSON.stringify(packetDocument(galley({ sections: ['tests'], records })).content);
  const blank = told([]);
  for (const { name } of sheet.points) expect(blank).toContain(name);
  expect(blank).toContain('for qualified people alone');
  expect(blank).not.toMatch(/as expected, |stands/);
  const filled = told([
    record(one, true),
    record(two, false),
    record(three, true, '0123456789abcdef'),
    signed,
  ]);
  expect(filled).toContain('as expected, JS 2026-11-30');
  expect(filled).toContain('NOT: flickers, JS 2026-11-30');
  expect(filled).toContain('tried before something changed: try again, JS 2026-11-30');
  expect(filled).toMatch(/"AB".*"2026-11-30".*"stands"/);
});

test('for the apprentice each position is drawn, each luminaire as it is in it, live conductors thick', () => {
  const { content } = packetDocument(galley({ sections: ['why'] }));
  const pictures = [...JSON.stringify(content).matchAll(/"svg":"(.*?)","width"/g)].map(
    ([, svg]) => svg ?? '',
  );
  // Two switches, each on its own, in both of its positions; the handle of the other stays on.
  expect(pictures).toHaveLength(4);
  const counted = (svg: string, word: string) => svg.match(new RegExp(`>${word}<`, 'g'))?.length ?? 0;
  expect(pictures.map((svg) => [counted(svg, 'lit'), counted(svg, 'dark')])).toEqual([
    [4, 0],
    [1, 3],
    [4, 0],
    [3, 1],
  ]);
  const thick = pictures.map((svg) => svg.match(/stroke-width=\\"3\.2\\"/g)?.length ?? 0);
  // With a light off, its switch leg is dead in every run that it goes through.
  expect(thick[1]).toBeLessThan(thick[0] ?? 0);
  expect(thick[3]).toBeLessThan(thick[2] ?? 0);
  // Of old work that nobody has looked into it is not known, and drawn so.
  const old = packetDocument(asked({ sections: ['why'], circuit: 'rope-stair-light' as CircuitId }));
  expect(JSON.stringify(old.content)).toMatch(/>\?</);
});

test('the short packet of an everyday circuit is two pages: its cables and boxes, then what goes where, and what stands open', async () => {
  const pages = await readBack(await writePdf(packetDocument(galley({ sections: ['brief'] })), faces()));
  expect(pages).toHaveLength(2);
  expect(pages[0]).toMatch(/^Galley bench/);
  expect(pages[0]).toMatch(/Work dead: breaker off/);
  expect(squeezed(pages[0] ?? '')).toContain(squeezed('18 14/3 Galley door Pendant 1 15\'-6"'));
  for (const id of materialOf(galley()).boxes)
    for (const { text, phase } of makeUpSteps(review.job, review.wiring, review.drawn, id).steps)
      if (['grounds', 'neutrals', 'hots', 'devices'].includes(phase))
        expect(squeezed(pages[1] ?? '')).toContain(squeezed(text));
  const stair = JSON.stringify(
    packetDocument(asked({ sections: ['brief'], circuit: 'rope-stair-light' as CircuitId })).content,
  );
  expect(stair).toContain('VIOLATION: Stair ceiling to Stair foot: the white is the switch leg');
  expect(stair).toContain('NOBODY HAS LOOKED INTO THIS BOX');
}, 60_000);

test('an empty job has a packet too, that says so', async () => {
  const empty = reviewJob(newJob('empty' as JobId, 'Nothing <yet> & "more"', standardStock()));
  const pages = await readBack(await writePdf(packetDocument(asked({ review: empty })), faces()));
  expect(pages[0]).toMatch(/Nothing <yet> & "more"/);
  expect(pages.join(' ')).toMatch(/Nothing of this job is placed on a plan/);
}, 60_000);

test('the printed picture holds every cable, connector, wire and screw of the drawing, each by its letters', () => {
  for (const { id } of review.job.boxes) {
    const drawing = drawBox(review.job, review.wiring, id, { compiled: review.drawn });
    const { svg } = boxPicture(review, id);
    for (const { lines } of drawing.cables) for (const line of lines) expect(svg).toContain(escaped(line));
    for (const { lines } of drawing.connectors)
      for (const line of lines) expect(svg).toContain(escaped(line));
    for (const { title } of drawing.fixtures) for (const line of title) expect(svg).toContain(escaped(line));
    const labels = drawing.wires.reduce((sum, { labels: at }) => sum + at.length, 0);
    expect(svg.match(/rx="3"/g)?.length ?? 0).toBeGreaterThanOrEqual(labels);
    expect(svg).not.toMatch(/NaN|undefined/);
  }
});

test('a label takes the first of its spots that covers nothing, else the one that covers the least', () => {
  const spots = createSpots();
  spots.take({ x: 0, y: 0, wide: 10, high: 10 });
  const at = (x: number) => ({ x, y: 0, wide: 5, high: 5 });
  expect(spots.place([at(0), at(30), at(60)])).toEqual(at(30));
  expect(spots.place([at(30), at(1), at(26)])).toEqual(at(26));
  expect(spots.place([])).toBeNull();
});
