import {
  allPairsOf,
  findStub,
  groundWire,
  LAID,
  tapeKey,
  type Pair,
  type Stub,
  type Tape,
  type WirePoint,
  type WireQuestion,
  type WireReading,
  type WireReply,
} from '../identify/found.js';
import { identifyWires } from '../identify/identify.js';
import { sayWireReading } from '../identify/say.js';
import { hueOf } from '../model/colours.js';
import { cablesIn } from '../model/inBox.js';
import { articleOf } from '../model/articles.js';
import { PANEL } from '../model/ids.js';
import { wiringOrEmpty } from '../proving/works.js';
import { drawMakeUp, type MakeUp, type MakeUpAsked } from './makeUp.js';
import { picking } from './picking.js';

/** Where the other end of a cable is: the tape that is on it there, or the panel. */
export type Led = Tape | typeof PANEL;

/** Boxes of loose wires whose tags are lost: which end of a cable is the other of which? Every box is open, devices are off, ends parted, grounds met in each. */
export interface WhichWire extends MakeUp {
  stubs: Stub[];
  /** By the text key of a tape. For afterwards. */
  leads: Record<string, Led>;
}

/** A dead reading: two wires of one cable joined by the link, or no link on, and the tester on two wires of another. */
export interface LinkReading {
  link: { at: Tape; pair: Pair } | null;
  at: Tape;
  pair: Pair;
}

/** The cables of an exercise as `drawMakeUp` draws it, numbered in each box as they come to hand. */
export const drawWhichWire = (asked: MakeUpAsked): WhichWire => {
  const exercise = drawMakeUp(asked);
  const { job } = exercise;
  const wiring = wiringOrEmpty(job);
  const pick = picking(asked.seed + 4);
  const stubs: Stub[] = [];
  const taped = new Map<string, Tape[]>();
  for (const { id: box } of job.boxes) {
    const here = cablesIn(wiring, box);
    pick.some(here, here.length).forEach(({ cable }, i) => {
      const { insulated, ground } = articleOf(job.stock, 'cable', cable.article);
      const tape = { box, number: i + 1 };
      stubs.push({ ...tape, wires: [...insulated], ground, loose: false });
      taped.set(cable.id, [...(taped.get(cable.id) ?? []), tape]);
    });
  }
  const leads: Record<string, Led> = {};
  for (const [a, b] of taped.values()) {
    if (!a) continue;
    leads[tapeKey(a)] = b ?? PANEL;
    if (b) leads[tapeKey(b)] = a;
  }
  return { ...exercise, stubs, leads };
};

/** Sets of pieces of copper that are one. */
const copperOf = () => {
  const parents = new Map<string, string>();
  const rootOf = (piece: string): string => {
    const parent = parents.get(piece);
    return parent === undefined ? piece : rootOf(parent);
  };
  return {
    meet: (a: string, b: string) => {
      const [p, q] = [rootOf(a), rootOf(b)];
      if (p !== q) parents.set(p, q);
    },
    isOne: (a: string, b: string) => rootOf(a) === rootOf(b),
  };
};

const SERVICE = 'service';
const pieceOf = (tape: Tape, point: WirePoint): string => `${tapeKey(tape)}|${point}`;

/** Is there continuity at the tester? The breaker is off: its hot is open there, while white and ground of the feed are met at the service. */
export const readsThrough = (
  { stubs, leads }: Pick<WhichWire, 'stubs' | 'leads'>,
  asked: LinkReading,
): boolean => {
  const copper = copperOf();
  for (const stub of stubs) {
    const ground = groundWire(stub);
    if (ground !== null) copper.meet(pieceOf(stub, ground), `grounds of ${stub.box}`);
    const far = leads[tapeKey(stub)];
    for (const point of [...stub.wires, ...(ground === null ? [] : [ground])])
      if (far === PANEL) {
        if (point === ground || (point !== LAID && hueOf(point) === 'white'))
          copper.meet(pieceOf(stub, point), SERVICE);
      } else if (far) copper.meet(pieceOf(stub, point), pieceOf(far, point));
  }
  const { link, at, pair } = asked;
  if (link) copper.meet(pieceOf(link.at, link.pair[0]), pieceOf(link.at, link.pair[1]));
  return copper.isOne(pieceOf(at, pair[0]), pieceOf(at, pair[1]));
};

/** What is wrong with what somebody says of each tape; nothing where all is told rightly. */
export const judgeWhichWire = (
  { stubs, leads }: Pick<WhichWire, 'stubs' | 'leads'>,
  told: Readonly<Record<string, Led | undefined>>,
): { wrong: Stub[]; untold: Stub[] } => {
  const keyOf = (led: Led): string => (led === PANEL ? PANEL : tapeKey(led));
  const untold = stubs.filter((stub) => told[tapeKey(stub)] === undefined);
  const wrong = stubs.filter((stub) => {
    const said = told[tapeKey(stub)];
    const is = leads[tapeKey(stub)];
    return said !== undefined && is !== undefined && keyOf(said) !== keyOf(is);
  });
  return { wrong, untold };
};

const answerTo = (exercise: WhichWire, question: WireQuestion): WireReply => {
  const read = (reading: LinkReading) => readsThrough(exercise, reading);
  if (question.kind === 'rest') {
    const here = exercise.stubs.filter(({ box }) => box === question.box);
    return {
      kind: 'pairs',
      shown: here.flatMap((at) =>
        allPairsOf(at)
          .filter((pair) => read({ link: null, at, pair }))
          .map((pair) => ({ number: at.number, pair })),
      ),
    };
  }
  const at = question.kind === 'far' ? findStub({ stubs: exercise.stubs }, question.at) : undefined;
  if (question.kind !== 'far' || !at) return { kind: 'cannot' };
  const atRest = allPairsOf(at).filter((pair) => read({ link: null, at, pair }));
  const shows = allPairsOf(at).filter((pair) =>
    question.links.some(
      (link) =>
        !atRest.includes(pair) &&
        read({ link: { at: { box: question.box, number: link.number }, pair: link.pair }, at, pair }),
    ),
  );
  return { kind: 'pair', pair: shows[0] ?? null };
};

/** It gives up after so many readings. */
const MOST_READ = 60;

/** How the program would tell the wires of an exercise, reading by reading, in words. */
export const wiresWay = (exercise: WhichWire): string[] => {
  const { job, circuit, stubs } = exercise;
  const found = { stubs };
  const readings: WireReading[] = [];
  while (readings.length < MOST_READ) {
    const { next } = identifyWires(found, readings, { isElectrician: false });
    if (!next) break;
    readings.push({ question: next, answer: answerTo(exercise, next) });
  }
  return readings.map((one) => sayWireReading({ job, circuit, found }, one));
};
