import { articleOf } from '../model/articles.js';
import type { Job } from '../model/job.js';
import { findCircuit } from '../model/lookup.js';
import type { Cable, End, Wiring } from '../model/wiring.js';
import { cableTold, isUntoldFeed, otherPlace, tagNumberOf } from '../words/cables.js';
import { placeTag } from '../words/places.js';
import type { Words } from './layOut.js';
import type { Prepared, PreparedUnit } from './prepared.js';
import type { Scene } from './scene.js';
import { wrapWords } from './wrap.js';

/** Letters that a line of a sheath, of a connector, over a device holds. */
const LETTERS = { sheath: 14, connector: 11, fixture: 17 } as const;
/** What is written on a sheath: its type, where it goes, and what tells it from its fellows. */
const sheathWords = (job: Job, wiring: Wiring, cable: Cable, end: End['side']): string[] => {
  if (isUntoldFeed(job, cable)) return ['supply', ...wrapWords('cable as found', LETTERS.sheath)];
  const told = cableTold(job, wiring, cable, end);
  const way = end === 'to' ? 'from' : 'to';
  const number = tagNumberOf(job, cable);
  return [
    ...wrapWords(
      `${articleOf(job.stock, 'cable', cable.article).name}${number === null ? '' : `, no. ${number}`}`,
      LETTERS.sheath,
    ),
    ...wrapWords(`${way} ${placeTag(job, otherPlace(cable, end))}`, LETTERS.sheath),
    ...(told === '' ? [] : wrapWords(told, LETTERS.sheath)),
  ];
};

/** What is written on a connector: what it is, and where circuits or neutrals meet whose splice it is. */
const createUnitWords = (job: Job, scene: Scene) => {
  const circuitOf = ({ circuit }: Scene['units'][number]) =>
    circuit === null ? null : (findCircuit(job, circuit)?.name ?? 'unnamed breaker');
  const circuits = new Set(scene.units.map(circuitOf).filter((name) => name !== null));
  const neutrals = new Set(
    scene.units.flatMap((one) => (one.role === 'neutral' && one.joint ? [one.group] : [])),
  );
  return (unit: PreparedUnit): string[] => {
    if (unit.kind === 'piece') return [];
    const circuit = circuitOf(unit);
    const named = circuit !== null && circuits.size > 1 ? wrapWords(circuit, LETTERS.connector) : [];
    const apart =
      unit.role === 'neutral' && unit.joint && neutrals.size > 1 && circuits.size < 2 ? ['kept apart'] : [];
    const cap = unit.joint?.members.length === 1 && unit.kind === 'connector' ? 'cap: ' : '';
    return [...wrapWords(`${cap}${unit.name}`, LETTERS.connector), ...named, ...apart];
  };
};

/** All that is written in the picture of a box, in lines. */
export const wordsOf = (job: Job, wiring: Wiring, { scene, units }: Prepared): Words => ({
  sheaths: scene.entries.map(({ cable, side }) => sheathWords(job, wiring, cable, side)),
  units: units.map(createUnitWords(job, scene)),
  titles: scene.fixtures.map(({ title }) => wrapWords(title, LETTERS.fixture)),
});
