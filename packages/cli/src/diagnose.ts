import {
  ANSWERS,
  createFinder,
  findDevice,
  handleName,
  HISTORIES,
  positionName,
  questionKey,
  seenSchema,
  tellDiagnosis,
  type Asking,
  type FaultQuestion,
  type Finder,
  type History,
  type LuminaireId,
  type Observation,
  type QuestionTold,
  type Reply,
  type ReviewedWiring,
  type SeenLight,
} from '@amber/core';
import type { Command, Refused } from './report.js';

const isSeen = (word: string): word is SeenLight => seenSchema.safeParse(word).success;
const refused = (line: string): Refused => ({ refused: [line] });

const handlesOf = ({ scope }: Finder) => scope.groups.flatMap(({ devices }) => devices);

/** The words by which a question is answered: "up,down" for a flip, "look Yard end", "breaker", "lamp Ridge 1"; of a reading its key. */
const nameOf = (subject: ReviewedWiring, finder: Finder, question: FaultQuestion): string => {
  const { job } = subject;
  switch (question.kind) {
    case 'flip':
      return handlesOf(finder)
        .map((id) => positionName(subject, id, question.positions[id] ?? 0))
        .join(',');
    case 'look':
      return `look ${job.boxes.find(({ id }) => id === question.box)?.name ?? question.box}`;
    case 'lamp':
      return `lamp ${job.luminaires.find(({ id }) => id === question.luminaire)?.name ?? question.luminaire}`;
    case 'hint':
      return `hint ${job.luminaires.find(({ id }) => id === question.luminaire)?.name ?? question.luminaire}`;
    case 'hums':
      return `hums ${handleName(subject, question.device)}`;
    case 'breaker':
    case 'panel':
      return question.kind;
    default:
      return questionKey(question);
  }
};

/** A flip by the words of its positions, handle by handle. */
const flipOf = (subject: ReviewedWiring, finder: Finder, words: string): FaultQuestion | null => {
  const named = words.split(',').map((one) => one.trim());
  const handles = handlesOf(finder);
  if (named.length !== handles.length) return null;
  const positions: Record<string, number> = {};
  for (const [i, id] of handles.entries()) {
    const article = findDevice(subject.wiring, id)?.article;
    const device = subject.job.stock.find((one) => one.id === article);
    const at = device?.kind === 'device' ? device.positions.findIndex(({ name }) => name === named[i]) : -1;
    if (at < 0) return null;
    positions[id] = at;
  }
  return { kind: 'flip', positions };
};

/** What loads did: one word for all of them, or "First bay lit; Last bay dark". */
const lightsOf = (subject: ReviewedWiring, finder: Finder, words: string): Reply | null => {
  if (words === 'tripped') return { kind: 'tripped' };
  if (words === 'tripped later') return { kind: 'tripped', when: 'later' };
  const loads = finder.scope.luminaires;
  if (isSeen(words)) return { kind: 'lights', seen: Object.fromEntries(loads.map((id) => [id, words])) };
  const seen: [LuminaireId, SeenLight][] = [];
  for (const part of words.split(';').map((one) => one.trim())) {
    const [, name, what] = /^(.*) (\w+)$/.exec(part) ?? [];
    const load = loads.find((id) => subject.job.luminaires.some((one) => one.id === id && one.name === name));
    if (!load || what === undefined || !isSeen(what)) return null;
    seen.push([load, what]);
  }
  return { kind: 'lights', seen: Object.fromEntries(seen) };
};

/** What was seen, in the order in which it was told. */
const observed = (
  subject: ReviewedWiring,
  finder: Finder,
  told: readonly string[],
  asking: Asking,
): Observation[] | Refused => {
  const observations: Observation[] = [];
  for (const text of told) {
    const cut = text.lastIndexOf('=');
    const [left, right] = [text.slice(0, cut).trim(), text.slice(cut + 1).trim()];
    if (cut < 1) return refused(`--seen "${text}": tell it as QUESTION=ANSWER, such as up,down=dark.`);
    const now = finder.at(observations, asking);
    const questions = [...now.questions, ...now.hints];
    const question =
      flipOf(subject, finder, left) ??
      questions.map((one) => one.question).find((one) => nameOf(subject, finder, one) === left);
    if (!question) {
      const names = questions.map((one) => `"${nameOf(subject, finder, one.question)}"`).join(', ');
      return refused(
        `--seen "${text}": nothing is asked so. The handles are ${handlesOf(finder)
          .map((id) => handleName(subject, id))
          .join(', ')}, in this order; what may be answered now is ${names || 'nothing'}.`,
      );
    }
    const words: readonly string[] = question.kind === 'flip' ? [] : ANSWERS[question.kind];
    const answer: Reply | null =
      right === 'cannot'
        ? { kind: 'cannot' }
        : question.kind === 'flip'
          ? lightsOf(subject, finder, right)
          : words.includes(right)
            ? { kind: 'is', word: right }
            : null;
    if (!answer)
      return refused(
        `--seen "${text}": "${right}" is no answer to that. ${
          question.kind === 'flip'
            ? 'Tell lit, dim, dark, flickers, tripped or tripped later, or each load by its name: "First bay lit; Last bay dark".'
            : `There are ${words.join(', ')} and cannot.`
        }`,
      );
    observations.push({ question, answer });
  }
  return observations;
};

const percent = (share: number): string => `${Math.round(share * 100)} %`;

const questionLines = (subject: ReviewedWiring, finder: Finder, told: QuestionTold): string[] => [
  ...told.cautions.map((one) => `  CAUTION: ${one}`),
  ...told.steps.map((one) => `  ${one}`),
  `  ${told.ask}  Answer with --seen "${nameOf(subject, finder, told.question)}=..."`,
  ...told.answers.map(
    ({ label, share, then }) =>
      `    ${label} (${percent(share)})${then.length > 0 ? `: then most likely ${then.join(', ')}` : ''}`,
  ),
];

/** Looks for what is wrong with a circuit: from what was seen so far, the next thing to try and what is still possible. */
export const diagnose: Command = (subject, { circuit, diagnosis }) => {
  if (!circuit) return refused('Name the circuit that does not work with --circuit.');
  const history = diagnosis.history ?? 'new';
  if (!HISTORIES.some((one) => one === history))
    return refused(`There is no --history "${history}"; there are ${HISTORIES.join(', ')}.`);
  const finder = createFinder(subject, circuit.id);
  if (finder.scope.groups.length === 0)
    return refused(`${circuit.name} has no switch that is wired: there is nothing to try.`);
  const asking: Asking = {
    ...{ positions: {}, history: history as History, isElectrician: diagnosis.electrician },
  };
  const observations = observed(subject, finder, diagnosis.seen, asking);
  if ('refused' in observations) return observations;
  const flips = observations.flatMap(({ question }) =>
    question.kind === 'flip' ? [question.positions] : [],
  );
  const told = tellDiagnosis(subject, finder, observations, { ...asking, positions: flips.at(-1) ?? {} });
  return {
    lines: [
      ...told.seen.map((one) => `Seen: ${one}`),
      ...(told.fits
        ? []
        : [
            'Nothing on the list fits all of that: more than two things are wrong, or it is wired otherwise.',
          ]),
      ...(told.state === 'found' && told.at ? [`It is at ${told.at.name}.`] : []),
      ...(told.state === 'nothingSeen'
        ? ['Every handle does what it should. What no handle shows stands under where a box bites.']
        : []),
      ...(told.state === 'looking' && told.next
        ? [
            told.again === null ? 'Next:' : `Once more, as this fits nothing else: ${told.again}`,
            ...questionLines(subject, finder, told.next),
          ]
        : []),
      'Where it may be:',
      ...told.places.map(({ name, share }) => `  ${name}  ${percent(share)}`),
      `What it may be, the likeliest of ${told.possible}:`,
      ...told.suspects.flatMap(({ what, where, places, share, mend }) => [
        `  ${places.every(({ kind }) => kind === 'box' || kind === 'panel') ? `${where.join(' and ')}: ` : ''}${what.join('; and ')}  ${percent(share)}`,
        ...(told.state === 'found' ? mend.map((one) => `      ${one}`) : []),
      ]),
    ],
    data: told,
    violates: false,
  };
};
