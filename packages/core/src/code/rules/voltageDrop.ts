import type { BoxId } from '../../model/ids.js';
import { groupIdsOf } from '../../model/lookup.js';
import { articleOf } from '../../model/articles.js';
import type { CableId, LuminaireId } from '../../model/ids.js';
import { BRANCH_VOLTS, feetInches, type Awg } from '../../model/units.js';
import { terminalKey } from '../../model/wiring.js';
import { createCableCurrents } from '../../circuit/cableCurrents.js';
import { evaluate } from '../../circuit/evaluate.js';
import { carrierOf } from '../../circuit/parts.js';
import { createTracer } from '../../circuit/trace.js';
import type { Inspected } from '../inspected.js';
import { defineRule, type Breach } from '../rule.js';

/** Ohms for 1000 ft of solid uncoated copper (Chapter 9, Table 8). */
const OHMS: Partial<Record<Awg, number>> = { 14: 3.07, 12: 1.93, 10: 1.21 };
/** Advised at the farthest outlet (210.19 note), percent. */
const ADVISED = 3;

interface Part {
  inches: number;
  awg: Awg;
  amperes: number;
  volts: number;
}
interface Found {
  name: string;
  parts: Part[];
  volts: number;
}

/** Every conductor between the panel and one terminal, with the current in it and what it costs. */
const partsOf = (
  inspected: Inspected,
  follow: ReturnType<typeof createTracer>,
  start: string,
  amperesIn: ReturnType<typeof currentsOf>,
): Part[] | null => {
  const { job } = inspected;
  const path = follow(start)?.source?.path ?? [];
  const parts: Part[] = [];
  for (const piece of path) {
    if (piece.kind !== 'conductor') continue;
    const { awg } = articleOf(job.stock, 'cable', piece.cable.article);
    if (piece.cable.length === null) return null;
    const amperes = Math.abs(amperesIn(piece.cable.id, piece.colour));
    const volts = (amperes * (OHMS[awg] ?? 0) * piece.cable.length) / 12_000;
    parts.push({ inches: piece.cable.length, awg, amperes, volts });
  }
  return parts;
};

const currentsOf = ({ job, wiring, compiled }: Inspected) => {
  const currents = createCableCurrents(wiring, job)({}, evaluate(compiled, {}));
  return (cable: CableId, colour: Parameters<NonNullable<ReturnType<typeof currents.get>>['get']>[0]) =>
    currents.get(cable)?.get(colour) ?? 0;
};

/** With all handles up, which in sound wiring is all on. Runs without a length are passed over, and said so elsewhere. */
export const voltageDrop = defineRule<Found>({
  id: 'voltage-drop',
  stage: 'roughIn',
  title: 'The voltage drop at the farthest outlet is small',
  rests: 'Advice, not a rule: 3 %. Copper, ohms for 1000 ft: 14 AWG 3.07, 12 AWG 1.93, 10 AWG 1.21.',
  section: () => '210.19 note',
  severities: ['caution'],
  check: (inspected) => {
    const { job, wiring } = inspected;
    const follow = createTracer(wiring, job, {});
    const amperesIn = currentsOf(inspected);
    return job.circuits.flatMap((circuit): Breach<Found>[] => {
      const groups = groupIdsOf(job, circuit.id);
      const drops = job.luminaires
        .filter((one) => groups.has(one.group))
        .flatMap(
          (luminaire): { id: LuminaireId; box: BoxId; name: string; parts: Part[]; volts: number }[] => {
            const there = partsOf(
              inspected,
              follow,
              terminalKey({ luminaire: luminaire.id, name: 'hot' }),
              amperesIn,
            );
            const back = partsOf(
              inspected,
              follow,
              terminalKey({ luminaire: carrierOf(luminaire), name: 'neutral' }),
              amperesIn,
            );
            if (!there || !back) return [];
            const parts = [...there, ...back];
            const volts = parts.reduce((sum, one) => sum + one.volts, 0);
            return [{ id: luminaire.id, box: luminaire.box, name: luminaire.name, parts, volts }];
          },
        );
      const [worst] = drops.sort((a, b) => b.volts - a.volts);
      if (!worst || (worst.volts / BRANCH_VOLTS) * 100 <= ADVISED) return [];
      const at = { circuit: circuit.id, box: worst.box, luminaire: worst.id };
      return [{ severity: 'caution', at, data: worst }];
    });
  },
  say: ({ name, parts, volts }) => ({
    where: name,
    what: `${((volts / BRANCH_VOLTS) * 100).toFixed(1)} % of the voltage is lost on the way`,
    reason: parts
      .map(
        (one) =>
          `${feetInches(one.inches)} of ${one.awg} AWG x ${OHMS[one.awg] ?? 0} ohm/1000 ft x ${one.amperes.toFixed(2)} A = ${one.volts.toFixed(2)} V`,
      )
      .concat(`together ${volts.toFixed(2)} V of ${BRANCH_VOLTS} V`)
      .join('; '),
    remedy: 'Use a larger conductor, or bring power in nearer to it.',
  }),
});
