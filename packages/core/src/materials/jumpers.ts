import { hueOf, isGroundColour, isNeutralColour, type Hue } from '../model/colours.js';
import { articleOf } from '../model/articles.js';
import type { Job } from '../model/job.js';
import type { Awg } from '../model/units.js';
import { endKey, type Joint, type Member, type Wiring } from '../model/wiring.js';
import { leadAwg } from '../model/lookup.js';

/** The size of what is joined, by its cable, its tail or its lead. */
export const createSizeOf = (job: Job, wiring: Wiring): ((member: Member) => Awg) => {
  const cables = new Map(
    wiring.cables.map(({ id, article }) => [id, articleOf(job.stock, 'cable', article).awg]),
  );
  return (member) => {
    if ('end' in member) return cables.get(member.end.cable) ?? 14;
    if ('pigtail' in member) return member.pigtail.awg;
    return leadAwg(job, wiring, member.lead);
  };
};

/**
 * The piece of wire between two chained connectors of a splice: as thick as the thickest that is joined (110.14(B)), bare among grounds, white
 * among neutrals, and never white where a hot is joined, be it on a marked white (200.6, 200.7).
 */
export const jumperOf = (
  wiring: Wiring,
  { members }: Joint,
  sizeOf: (member: Member) => Awg,
): { colour: Hue | 'bare'; awg: Awg } => {
  const awg = Math.min(...members.map(sizeOf)) as Awg;
  const marks = new Map(wiring.marks.map((mark) => [endKey(mark.end), mark.colour]));
  const seen = members.flatMap((member) => {
    if ('lead' in member) return [];
    if ('pigtail' in member) return [member.pigtail.colour];
    return [marks.get(endKey(member.end)) ?? member.end.colour];
  });
  if (seen.some(isGroundColour)) return { colour: 'bare', awg };
  const hot = seen.find((colour) => !isNeutralColour(colour));
  if (hot === undefined) return { colour: seen.length > 0 ? 'white' : 'black', awg };
  const hue = hueOf(hot);
  return { colour: hue === 'red' || hue === 'blue' ? hue : 'black', awg };
};
