import { articleOf } from '../model/articles.js';
import { createSizeOf, jumperOf } from '../materials/jumpers.js';
import type { BoxId, PigtailId } from '../model/ids.js';
import { findLuminaire } from '../model/lookup.js';
import { isLuminaireKept, wasThere } from '../model/there.js';
import { isConnectorUntold, isJumper, screwsOfTail, tailsOf } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { feetInches } from '../model/units.js';
import { endKey, type Joint, type Member, type Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { jointKey } from '../circuit/keys.js';
import type { Role } from '../circuit/roles.js';
import type { Apart } from './apart.js';
import { colourWord, endWord, leadWord, screwOf } from '../words/wires.js';
import { PHASES, type DraftStep, type Phase } from './step.js';

const PHASE_OF: Record<Role, Phase> = {
  ground: 'grounds',
  neutral: 'neutrals',
  hot: 'hots',
  traveler: 'hots',
  switchLeg: 'hots',
  spare: 'hots',
  conflict: 'hots',
};

export const NAME_OF: Record<Role, string> = {
  ground: 'grounds',
  neutral: 'neutrals',
  hot: 'hots',
  traveler: 'travelers',
  switchLeg: 'switch legs',
  spare: 'spare',
  conflict: 'wires',
};

/** Why a splice is there, by what it carries. */
const WHY: Record<Role, string> = {
  ground:
    'One path back to the panel for a fault on any metal part, so that the breaker opens. It does not run through a device.',
  neutral: 'The return of the luminaires passes on here. Neutrals of two circuits are never joined.',
  hot: 'Power goes on to the next box and to what needs it here. A tail lets one screw hold one wire.',
  traveler: 'A traveler only passes this box: it has to arrive at the next switch untouched.',
  switchLeg: 'Hot only while the switches say so: it leads to the luminaires.',
  spare: 'Nothing uses it now; bare copper at its end could touch something.',
  conflict: 'What is joined here does not belong together; see what the check says.',
};

const WHY_APART =
  'It goes on by its own cables. Joined to the other of its circuit in this box it would close a ring, and what a cable carries would no longer cancel in it.';

const SECTION: Record<Role, string> = {
  ground: '250.148',
  neutral: '110.14(B)',
  hot: '110.14(B)',
  traveler: '110.14(B)',
  switchLeg: '110.14(B)',
  spare: '110.14(B)',
  conflict: '110.14(B)',
};

const listed = (items: readonly string[]): string =>
  items.length < 2 ? items.join('') : `${items.slice(0, -1).join('; ')}; and ${items.at(-1) ?? ''}`;

/** How a neutral that is kept for later goes into its cap: a lever or a push-in holds bare copper alone, a twist-on may go over insulation. */
const neutralKept = (job: Job, joint: Joint): string => {
  const twisted = joint.connectors.some(
    ({ article }) => articleOf(job.stock, 'connector', article).family === 'twistOn',
  );
  if (!twisted) return ', stripped to its gauge,';
  return job.preferences.unusedNeutral === 'stripped' ? ', stripped,' : ', not stripped,';
};

/** Connectors of a splice, counted by kind. */
export const connectorsWord = (job: Job, joint: Joint, wiring?: Wiring): string => {
  const names = joint.connectors.map((one) => articleOf(job.stock, 'connector', one.article).name);
  const [name] = names;
  if (name === undefined)
    return wiring && isConnectorUntold(wiring, joint)
      ? 'a connector nobody has told'
      : 'a connector that takes them';
  return names.length === 1 ? `a ${name}` : `${names.length} chained ${name}`;
};

/** How wires go into a twist-on connector, by its instructions or by habit; nothing of any other. */
const twistWord = (job: Job, joint: Joint): string => {
  const twisted = joint.connectors.some(
    ({ article }) => articleOf(job.stock, 'connector', article).family === 'twistOn',
  );
  if (!twisted) return '';
  return job.preferences.preTwist === 'always'
    ? ' Twist them together clockwise first, then turn the connector on.'
    : ' Twisted first or not, as its instructions say; turned on until it is tight.';
};

/** Where the tail of a splice goes: to a screw, or looped over several; on to a luminaire that is not hung yet. */
const tailWord = (job: Job, wiring: Wiring, tail: PigtailId): string => {
  const screws = screwsOfTail(wiring, tail).map((terminal) => screwOf(job, wiring, terminal));
  return screws.length === 0 ? 'next luminaire' : screws.join(' and on to the ');
};

const memberWord = (job: Job, wiring: Wiring, member: Member): string => {
  if ('end' in member) return `the ${endWord(job, wiring, member.end)}`;
  if ('lead' in member) return `the ${leadWord(job, wiring, member.lead)}`;
  const { id, colour, awg } = member.pigtail;
  return `a ${feetInches(job.preferences.tail)} ${colourWord(colour)} ${awg} AWG tail to the ${tailWord(job, wiring, id)}`;
};

/** Which wires are in which of several connectors, each tied to the next by a piece of wire. */
const inChain = (job: Job, wiring: Wiring, joint: Joint, words: readonly string[]): string => {
  const { colour, awg } = jumperOf(wiring, joint, createSizeOf(job, wiring));
  const jumper = `a ${feetInches(job.preferences.tail)} ${colourWord(colour)} ${awg} AWG jumper`;
  const each = joint.connectors.map(
    ({ members }, i) =>
      `In the ${ORDINALS[i] ?? `${i + 1}th`} ${listed(members.map((member) => words[member] ?? ''))}`,
  );
  return `${each.join('. ')}. From each to the next ${jumper}`;
};

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth'];

/** Of a splice of grounds, the one that is left long and goes on to a screw; nothing where a tail does that. */
const leftLong = (job: Job, wiring: Wiring, joint: Joint): string => {
  for (const member of joint.members) {
    if (!('end' in member)) continue;
    const key = endKey(member.end);
    const on = wiring.landings.find(({ wire }) => 'end' in wire && endKey(wire.end) === key);
    if (on && !('box' in on.terminal))
      return ` Leave the ${endWord(job, wiring, member.end)} long: it goes on through the connector to the ${screwOf(job, wiring, on.terminal)}.`;
  }
  return '';
};

const LIVE_CAP =
  'It is live until its breaker is off: nothing here uses it, and nobody has taken it off at the panel.';

const spliceStep = (
  job: Job,
  wiring: Wiring,
  joint: Joint,
  role: Role,
  /** The neutral of this circuit that stays apart from it in the same box, and whose splice it is, in words. */
  { apart, of }: { apart: string | null; of: string },
): DraftStep => {
  const words = joint.members.map((member) => memberWord(job, wiring, member));
  const ids = new Set(tailsOf(joint).map(({ id }) => id));
  // Ends first, then what is there to be joined, tails last.
  const rankOf = (member: Member): number => ('end' in member ? 0 : 'lead' in member ? 1 : 2);
  const all = joint.members
    .map((member, i) => ({ rank: rankOf(member), word: words[i] ?? '' }))
    .sort((one, other) => one.rank - other.rank)
    .map(({ word }) => word);
  // What a lead of a luminaire that comes new is joined with is joined when it is hung.
  const hung = joint.members.some(
    (member) =>
      'lead' in member &&
      'luminaire' in member.lead &&
      !isLuminaireKept(
        job,
        findLuminaire(job, member.lead.luminaire) ?? { id: member.lead.luminaire, comesNew: false },
      ),
  );
  const phase = hung ? 'luminaire' : PHASE_OF[role];
  const fold = role === 'ground' ? ' Fold them to the back.' : apart === null ? '' : ` Not with ${apart}.`;
  const stays = wasThere(job, joint);
  const what =
    all.length === 1
      ? `the cap on ${all[0] ?? ''}`
      : `the splice of ${NAME_OF[role]}${of} as it is, ${all.length} together: ${listed(all)}`;
  const text = stays
    ? `Leave ${what}. See that a connector holds ${all.length === 1 ? 'it' : 'them'}, tight; tape alone does not.`
    : all.length === 1
      ? `Cap ${all[0] ?? ''}${role === 'neutral' ? neutralKept(job, joint) : ''} with ${connectorsWord(job, joint)} and fold it back.`
      : `Join the ${NAME_OF[role]}${of}, ${all.length} in ${connectorsWord(job, joint)}${joint.connectors.length > 1 ? '. ' : ': '}${joint.connectors.length > 1 ? inChain(job, wiring, joint, words) : listed(all)}.${twistWord(job, joint)}${leftLong(job, wiring, joint)}${fold}`;
  return {
    id: `${joint.box}/splice/${joint.id}`,
    rests: [
      joint.members,
      joint.connectors,
      wiring.landings.filter(({ wire }) => 'pigtail' in wire && ids.has(wire.pigtail)),
    ],
    phase,
    text,
    why: all.length === 1 ? WHY.spare : apart === null ? WHY[role] : WHY_APART,
    section: SECTION[role],
    caution: all.length === 1 && role === 'hot' ? LIVE_CAP : null,
    shows: jointKey(joint.id),
  };
};

/** The splices and caps of a box, one step each; a jumper is told where it is landed. */
export const spliceSteps = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  roles: readonly Role[],
  box: BoxId,
  apart: readonly Apart[],
  /** " of Slip light" for a net of it where several circuits meet; nothing elsewhere. */
  ofCircuit: (net: number | undefined) => string,
): DraftStep[] =>
  wiring.joints
    .filter((joint) => joint.box === box && !isJumper(joint))
    .map((joint) => {
      const others = apart
        .filter(({ parts }) => parts.some((part) => part.joint === joint))
        .flatMap(({ parts }) => parts.filter((part) => part.joint !== joint))
        .flatMap(({ words }) => words.map((one) => `the ${one}`));
      const net = compiled.netOf(jointKey(joint.id));
      const role = roles[net ?? -1] ?? 'spare';
      const words = {
        apart: others.length > 0 ? others.join(' or ') : null,
        of: role === 'ground' ? '' : ofCircuit(net),
      };
      const step = spliceStep(job, wiring, joint, role, words);
      return { step, rank: PHASES.indexOf(PHASE_OF[role]) };
    })
    // Grounds first, then neutrals, then hots, in every part of the work.
    .sort((a, b) => a.rank - b.rank)
    .map(({ step }) => step);
