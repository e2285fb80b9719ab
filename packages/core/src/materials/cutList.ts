import { articleOf, conductorsOf } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import type { ArticleId, CableId, Place } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { lengthRestOf, type LengthRest } from '../model/lookup.js';
import { endKey, type Cable, type Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import { circuitsByNet, rolesOf, type Role } from '../circuit/roles.js';
import { groupsByNet } from '../words/groupsByNet.js';
import { cableTold, otherPlace } from '../words/cables.js';
import { placeTag } from '../words/places.js';
import { cutLength, type CutLength } from './lengths.js';

/** One conductor of a cut and what it is for. */
export interface CutConductor {
  colour: Colour;
  role: Role;
  /** Names of the control groups whose switches or loads are on it; none for a hot, neutral or ground. */
  groups: string[];
  /** Marked as a hot at its ends. */
  marked: boolean;
}

/** One cable to cut, and the tags for its two ends, put on before it is pushed into the box. */
export interface Cut {
  cable: CableId;
  article: ArticleId;
  name: string;
  from: Place;
  to: Place;
  /** Null while the run has no length. */
  length: CutLength | null;
  lengthSource: Cable['lengthSource'];
  restsOn: LengthRest;
  tags: { from: string; to: string };
  conductors: CutConductor[];
}

/** Every new cable of a wiring with its cut length, both tags and the meaning of each conductor. */
export const cutList = (job: Job, wiring: Wiring, compiled: Compiled): Cut[] => {
  const roles = rolesOf(compiled);
  const circuits = circuitsByNet(compiled);
  const groups = groupsByNet(job, wiring, compiled);
  const marked = new Set(wiring.marks.map((mark) => endKey(mark.end)));
  const circuitNames = (ids: ReadonlySet<string>) =>
    job.circuits.filter((one) => ids.has(one.id)).map((one) => one.name);

  return wiring.cables
    .filter((cable) => !cable.existing)
    .map((cable): Cut => {
      const article = articleOf(job.stock, 'cable', cable.article);
      const netOf = (colour: Colour) => compiled.netOf(conductorKey(cable.id, colour)) ?? -1;
      const on = new Set(article.insulated.flatMap((colour) => [...(circuits[netOf(colour)] ?? [])]));
      const tag = (side: 'from' | 'to'): string => {
        const circuits = circuitNames(on);
        // What tells it from another of the same kind between the same places.
        const told = cableTold(job, wiring, cable, side).split(', ');
        const more = told.filter((part) => part !== '' && !circuits.includes(part));
        return [`to ${placeTag(job, otherPlace(cable, side))}`, article.name, ...circuits, ...more].join(
          ', ',
        );
      };
      return {
        cable: cable.id,
        article: article.id,
        name: article.name,
        from: cable.from,
        to: cable.to,
        length: cutLength(job, cable),
        lengthSource: cable.lengthSource,
        restsOn: lengthRestOf(job, cable),
        tags: { from: tag('from'), to: tag('to') },
        conductors: conductorsOf(article).map((colour): CutConductor => {
          const net = netOf(colour);
          return {
            colour,
            role: roles[net] ?? 'spare',
            groups: [...(groups[net] ?? [])],
            marked: (['from', 'to'] as const).some((side) =>
              marked.has(endKey({ cable: cable.id, side, colour })),
            ),
          };
        }),
      };
    });
};
