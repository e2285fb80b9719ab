import {
  articleOf,
  boxesOfCircuit,
  cablesIn,
  findBox,
  hueOf,
  numbered,
  type BoxId,
  type CircuitId,
  type Hue,
  type Job,
  type Stub,
  type Wiring,
} from '@amber/core';

/** A cable or a loose wire as it is told, before it has its tape. */
export interface DraftStub {
  hues: Hue[];
  ground: Stub['ground'];
  loose: boolean;
}

export interface DraftBox {
  box: BoxId;
  stubs: DraftStub[];
}

/** What comes into boxes as a rule. */
export const USUAL: Record<string, { words: string; stub: DraftStub }> = {
  two: {
    words: 'Cable: black, white, bare',
    stub: { hues: ['black', 'white'], ground: 'bare', loose: false },
  },
  three: {
    words: 'Cable: black, white, red, bare',
    stub: { hues: ['black', 'white', 'red'], ground: 'bare', loose: false },
  },
  four: {
    words: 'Cable: black, white, red, blue, bare',
    stub: { hues: ['black', 'white', 'red', 'blue'], ground: 'bare', loose: false },
  },
  twoOld: {
    words: 'Cable: black, white, no ground',
    stub: { hues: ['black', 'white'], ground: 'none', loose: false },
  },
  looseBlack: {
    words: 'One wire of a raceway: black',
    stub: { hues: ['black'], ground: 'raceway', loose: true },
  },
  looseRed: { words: 'One wire of a raceway: red', stub: { hues: ['red'], ground: 'raceway', loose: true } },
  looseWhite: {
    words: 'One wire of a raceway: white',
    stub: { hues: ['white'], ground: 'raceway', loose: true },
  },
};

export const kindOfDraft = (stub: DraftStub): string | null =>
  Object.entries(USUAL).find(([, one]) => JSON.stringify(one.stub) === JSON.stringify(stub))?.[0] ?? null;

/** What is on file of a circuit's boxes, for a start: each is held against what is seen there. */
export const draftOf = (job: Job, wiring: Wiring, circuit: CircuitId): DraftBox[] =>
  boxesOfCircuit(job, circuit)
    .filter((box) => findBox(job, box)?.work !== 'beyond')
    .map((box) => ({
      box,
      stubs: cablesIn(wiring, box).flatMap(({ cable }): DraftStub[] => {
        const { insulated, ground, sheath } = articleOf(job.stock, 'cable', cable.article);
        const hues = insulated.map((one) => hueOf(one) as Hue);
        return sheath === 'raceway'
          ? hues.map((hue) => ({ hues: [hue], ground, loose: true }))
          : [{ hues, ground, loose: false }];
      }),
    }));

/** With a number on each; null where a cable has no wire, or more of one colour than can be told. */
export const stubsOf = (boxes: readonly DraftBox[]): Stub[] | null => {
  const stubs = boxes.flatMap(({ box, stubs: drafts }) =>
    drafts.map(({ hues, ground, loose }, i): Stub | null => {
      const wires = numbered(hues);
      return wires && wires.length > 0 ? { box, number: i + 1, wires, ground, loose } : null;
    }),
  );
  return stubs.includes(null) || stubs.length === 0 ? null : (stubs as Stub[]);
};
