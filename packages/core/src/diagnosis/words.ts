import type { BoxId } from '../model/ids.js';
import { ofId } from '../model/records.js';
import { circuitName, findBox, findLuminaire } from '../model/lookup.js';
import type { Positions } from '../circuit/parts.js';
import { reviewCircuit } from '../review/reviewJob.js';
import type { Subject as ReviewedWiring } from '../review/subject.js';
import { CONTINUITY, DEAD, isHigh, LADDER, LIVE, NO_GROUND, PANEL_CAUTION } from '../words/cautions.js';
import { handleName, positionName } from '../words/handles.js';
import { isFan, sayEach } from '../words/lights.js';
import { listed } from '../words/lists.js';
import { probePoints } from './points.js';
import type { Observation, Question } from './question.js';
import type { Scope } from './scope.js';

/** A question as it is put to whoever stands at the box. */
export interface QuestionWords {
  /** What is done first, each a sentence. */
  steps: string[];
  ask: string;
  /** Answers in words; none where each load is told by itself. */
  options: { word: string; label: string }[];
  /** Why this is asked. */
  why: string;
  /** What endangers here. */
  cautions: string[];
}

const CLOSED =
  'Power on for this: every box closed, every plate on, nobody at the wires. If the breaker trips, leave it off and say so.';
const ANSWER_WORDS = {
  breaker: { on: 'It is on', off: 'It is off' },
  lamp: { helped: 'Now it does', same: 'No change' },
  look: { asDrawn: 'All is as drawn', other: 'Something is otherwise' },
  panel: { asDrawn: 'All is as drawn', other: 'Something is otherwise' },
  continuity: { yes: 'Continuity', no: 'None' },
  volts: { '120': 'About 120 V', '0': 'About 0 V', between: 'Something between' },
  hint: { glows: 'It glows', dark: 'It stays dark' },
  hums: { yes: 'Yes', no: 'No' },
} as const;

const optionsOf = (words: Readonly<Record<string, string>>): QuestionWords['options'] =>
  Object.entries(words).map(([word, label]) => ({ word, label }));

/** Handles that are moved, each a sentence. */
const movesOf = (review: ReviewedWiring, scope: Scope, from: Positions, to: Positions): string[] =>
  scope.groups
    .flatMap(({ devices }) => devices)
    .filter((id) => (ofId(from, id) ?? 0) !== (ofId(to, id) ?? 0))
    .map(
      (id) =>
        `Move the handle at ${handleName(review, id)} to ${positionName(review, id, ofId(to, id) ?? 0)}.`,
    );

/** Circuits that come into a box: all of their breakers are off before it is opened. */
const breakersAt = (review: ReviewedWiring, box: BoxId): string[] =>
  review.job.circuits
    .filter(({ id }) => reviewCircuit(review, id).boxes.has(box))
    .map(({ id }) => circuitName(review.job, id));

const ladderAt = ({ job }: Scope, id: string | undefined): string[] => {
  const box = findBox(job, id);
  return box && isHigh(box) ? [LADDER] : [];
};

/** Cautions of an open box, that it is dead first. */
const openCautions = (review: ReviewedWiring, scope: Scope, box: BoxId): string[] => {
  const breakers = breakersAt(review, box);
  return [
    DEAD,
    ...(scope.assumed.has(box)
      ? [
          'Nobody has looked into this box: what is drawn is what is usual, and may not be so. Take every wire for live until it is proved dead.',
        ]
      : []),
    ...(breakers.length > 1
      ? [
          `${breakers.length} circuits come in here, ${listed(breakers)}: all of their breakers off. The neutral of one can be live with the other’s breaker off.`,
        ]
      : []),
    NO_GROUND,
    ...ladderAt(scope, box),
  ];
};

const pointName = (scope: Scope, box: BoxId, key: string): string =>
  probePoints(scope, box).find((one) => one.key === key)?.name ?? 'the other end';

/** A question in the words of the trade, from where the handles are. */
export const sayQuestion = (
  review: ReviewedWiring,
  scope: Scope,
  question: Question,
  positions: Positions,
): QuestionWords => {
  const { job } = scope;
  const options = question.kind === 'flip' ? [] : optionsOf(ANSWER_WORDS[question.kind]);
  switch (question.kind) {
    case 'flip': {
      const moves = movesOf(review, scope, positions, question.positions);
      return {
        steps: moves.length === 0 ? ['Move nothing: look at it as it is.'] : moves,
        ask: 'What do the loads do?',
        options,
        why: 'Moving a handle is free and safe, and parts what is still possible.',
        cautions: [CLOSED],
      };
    }
    case 'breaker':
      return {
        steps: [`Look at the breaker of ${circuitName(job, question.circuit)}. Touch nothing else there.`],
        ask: 'Is it on?',
        options,
        why: 'The plainest reason why everything is dark costs one look.',
        cautions: [
          'If it is off, find out why before you switch it on: somebody may be at the wires. One that has tripped is not switched on again to look.',
        ],
      };
    case 'lamp': {
      const luminaire = findLuminaire(job, question.luminaire);
      const name = luminaire?.name ?? 'the luminaire';
      const fan = isFan(luminaire);
      return {
        steps: [
          fan
            ? `Breaker off. Set ${name} to run by its own switch or chain, and see that nothing holds it.`
            : `Breaker off. Put a lamp that is known to be good into ${name}.`,
          ...movesOf(review, scope, positions, question.positions),
          'Breaker on.',
        ],
        ask: fan ? 'Does it run now?' : 'Does it light now?',
        options,
        why: 'This is done faster than a box is opened.',
        cautions: [CLOSED, ...ladderAt(scope, luminaire?.box)],
      };
    }
    case 'look':
      return {
        steps: [
          `Open ${findBox(job, question.box)?.name ?? 'the box'}, and pull nothing apart yet.`,
          'Hold it against the drawing, wire by wire. Tug every wire in its splice and under its screw.',
          'Try each switch across its screws with the continuity tester, in every position of its handle.',
        ],
        ask: 'Is anything otherwise than drawn?',
        options,
        why: 'Of all places this one shows it soonest, for the time it takes.',
        cautions: [...openCautions(review, scope, question.box), CONTINUITY],
      };
    case 'panel':
      return {
        steps: [
          `An electrician opens the panel and looks at the wires of ${circuitName(job, question.circuit)}: hot on its breaker, white and bare on their bars, tight.`,
        ],
        ask: 'Is anything otherwise than drawn?',
        options,
        why: 'Everything else has been looked at, or is less likely.',
        cautions: [PANEL_CAUTION],
      };
    case 'hint': {
      const luminaire = findLuminaire(job, question.luminaire);
      return {
        steps: [
          ...movesOf(review, scope, positions, question.positions),
          `Hold a non-contact tester, tried on a live wire just before, to ${luminaire?.name ?? 'the luminaire'} where its wires come in. Open nothing.`,
        ],
        ask: 'Does it glow?',
        options,
        why: 'It is a hint whether power comes that far, and no proof: a wire in the air beside a live one makes it glow too, and it may miss a live one.',
        cautions: [CLOSED, ...ladderAt(scope, luminaire?.box)],
      };
    }
    case 'hums':
      return {
        steps: [],
        ask: `Does the switch at ${handleName(review, question.device)} hum, crackle or grow warm?`,
        options,
        why: 'A loose wire or a worn contact is heard and felt before it fails for good.',
        cautions: [
          'Warm, crackling or smelling: breaker off now, and it stays off until that box is looked into.',
        ],
      };
    case 'continuity':
    case 'volts': {
      const [a, b] = [question.a, question.b].map((key) => pointName(scope, question.box, key));
      const isLive = question.kind === 'volts';
      return {
        steps: [
          ...movesOf(review, scope, positions, question.positions),
          `At ${findBox(job, question.box)?.name ?? 'the open box'}: ${isLive ? 'a two-pole tester' : 'a continuity tester'} between ${a ?? ''} and ${b ?? ''}.`,
        ],
        ask: isLive ? 'What does it read?' : 'Is there continuity?',
        options,
        why: isLive
          ? 'No dead reading is left that would tell as much.'
          : 'The box is open and dead: this tells what is in other boxes without opening them.',
        cautions: isLive
          ? [LIVE, ...ladderAt(scope, question.box)]
          : [...openCautions(review, scope, question.box), CONTINUITY],
      };
    }
  }
};

/** What was asked and what was answered, in one sentence. */
export const sayObservation = (
  review: ReviewedWiring,
  scope: Scope,
  { question, answer }: Observation,
): string => {
  const { job } = scope;
  const handles = (positions: Positions) =>
    listed(
      scope.groups
        .flatMap(({ devices }) => devices)
        .map((id) => `${handleName(review, id)} ${positionName(review, id, ofId(positions, id) ?? 0)}`),
    );
  const asked = ((): string => {
    switch (question.kind) {
      case 'flip':
        return handles(question.positions);
      case 'breaker':
        return `Breaker of ${circuitName(job, question.circuit)}`;
      case 'lamp':
        return `A good lamp in ${findLuminaire(job, question.luminaire)?.name ?? 'it'}`;
      case 'look':
        return `Looked into ${findBox(job, question.box)?.name ?? 'the box'}`;
      case 'hint':
        return `Non-contact tester at ${findLuminaire(job, question.luminaire)?.name ?? 'it'}, ${handles(question.positions)}`;
      case 'hums':
        return `The switch at ${handleName(review, question.device)} hums, crackles or grows warm`;
      case 'panel':
        return `Looked at ${circuitName(job, question.circuit)} in the panel`;
      default: {
        const [a, b] = [question.a, question.b].map((key) => pointName(scope, question.box, key));
        return `${findBox(job, question.box)?.name ?? 'Box'}, ${a ?? ''} to ${b ?? ''}`;
      }
    }
  })();
  const answered = ((): string => {
    if (answer.kind === 'cannot') return 'cannot be tried';
    if (answer.kind === 'tripped')
      return `the breaker tripped${answer.when === 'later' ? ' after a while' : answer.when === 'atOnce' ? ' at once' : ''}`;
    if (answer.kind === 'is') {
      const words: Readonly<Record<string, string>> =
        question.kind === 'flip' ? {} : ANSWER_WORDS[question.kind];
      return (words[answer.word] ?? answer.word).toLowerCase();
    }
    const seen = Object.entries(answer.seen).map(([id, words]) => ({
      name: findLuminaire(job, id)?.name ?? id,
      words,
    }));
    const isAlike = seen.length > 1 && new Set(seen.map(({ words }) => words)).size === 1;
    return `${isAlike ? 'all ' : ''}${sayEach(seen)}`;
  })();
  return `${asked}: ${answered}.`;
};
