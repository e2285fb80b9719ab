import { isNeutralColour } from '../model/colours.js';
import { listed } from '../words/lists.js';
import { placeName } from '../words/places.js';
import { colourWord } from '../words/wires.js';
import { linksOf, tapeKey, type Stub, type Tape, type WireReading } from './found.js';
import type { EndTold } from './identify.js';
import type { UsualDuty } from './usual.js';
import { joinedWord, pairWord, stubAt, tapeWord, type WiresSubject } from './words.js';

const END_WORDS = {
  panel: 'brings the power',
  onward: 'goes on to something that is not open here, or brings the power of another circuit',
};

/** What is written on the tape of a cable's end; what is not told says so. */
export const tagOfWire = ({ job }: Pick<WiresSubject, 'job'>, told: EndTold): string => {
  if (told.state === 'cable') return `To ${placeName(job, told.to.box)}, ${told.to.number}`;
  if (told.state === 'elsewhere') return told.feed === true ? 'FEED' : 'Leads elsewhere: take for live';
  return 'Not told: take for live';
};

/** What is told of a cable's end, in a sentence; wires that look alike go by the names of that end that is told first. */
export const sayEnd = (
  { job }: Pick<WiresSubject, 'job'>,
  stub: Stub,
  told: EndTold,
  hot: Stub['wires'],
): string => {
  if (told.state === 'cable') {
    const turned = told.across.filter(({ a, b }) => b !== a);
    const open = turned.filter(({ b }) => b === null).map(({ a }) => colourWord(a));
    const known = turned.flatMap(({ a, b }) =>
      b === null ? [] : [`${colourWord(a)} is ${colourWord(b)} there`],
    );
    return [
      `The other end is ${tapeWord(told.to)} of ${placeName(job, told.to.box)}`,
      ...(known.length > 0
        ? [`${listed(known)}${tapeKey(stub) < tapeKey(told.to) ? '' : ': mark it so here too'}`]
        : []),
      ...(open.length > 0 ? [`which is which of ${listed(open)} is not told`] : []),
    ].join('; ');
  }
  if (told.state === 'elsewhere') {
    if (told.feed === true)
      return hot.length > 0
        ? `It ${END_WORDS.panel}; ${listed(hot.map(colourWord))} ${hot.length > 1 ? 'are' : 'is'} hot`
        : `It ${END_WORDS.panel}; which of its wires is hot is not told`;
    return told.feed === false
      ? `It ${END_WORDS.onward}`
      : `It ${END_WORDS.panel}, ${END_WORDS.onward}: no dead reading in these boxes tells which`;
  }
  const places = told.mayBe.map((stub) => `${tapeWord(stub)} of ${placeName(job, stub.box)}`);
  return `Not told: ${listed([...places, ...(told.elsewhere ? ['a place that is not open here'] : [])]).replace(/ and ([^,]*)$/, ' or $1')}`;
};

const DUTY_WORDS: Record<UsualDuty['duty'], string> = {
  hot: 'hot',
  neutral: 'neutral',
  traveler: 'traveler',
  switchLeg: 'switch leg',
  spare: 'not used',
};

/** What the wires of a cable usually are, in a sentence: a proposal, no fact. A white that is no neutral is re-identified. */
export const sayUsual = (duties: readonly UsualDuty[]): string =>
  duties
    .map(({ wire, duty }) => {
      const isMarked = isNeutralColour(wire) && !['neutral', 'spare'].includes(duty);
      return `${colourWord(wire)}: ${DUTY_WORDS[duty]}${isMarked ? ', re-identified' : ''}`;
    })
    .join('; ');

/** A reading that was made, in a sentence. */
export const sayWireReading = (subject: WiresSubject, { question, answer }: WireReading): string => {
  const { job, found } = subject;
  const name = (box: string) => placeName(job, box as Tape['box']);
  const at = (tape: Tape) => `${name(tape.box)}, ${tapeWord(stubAt(found, tape))}`;
  const on = linksOf(question);
  const linked = on
    ? `links at ${name(on.box)} on ${on.links.map(({ number, pair }) => `${number}: ${joinedWord(pair)}`).join('; ')}`
    : 'no link on';
  const read = (() => {
    switch (answer.kind) {
      case 'cannot':
        return 'could not be read';
      case 'pairs':
        return answer.shown.length === 0
          ? 'no continuity anywhere'
          : listed(answer.shown.map(({ number, pair }) => `${number}: ${pairWord(pair)}`));
      case 'pair':
        return answer.pair === null ? 'none' : pairWord(answer.pair);
      case 'wire':
        return answer.wire === null ? 'none' : colourWord(answer.wire);
      case 'shows':
        return answer.shows ? 'continuity' : 'none';
      case 'hot':
        return answer.wires.length === 0 ? 'no wire live' : `${listed(answer.wires.map(colourWord))} live`;
    }
  })();
  switch (question.kind) {
    case 'rest':
      return `${name(question.box)}, ${linked}: ${read}.`;
    case 'far':
    case 'alike':
      return `${at(question.at)}, ${linked}: ${read}.`;
    case 'panel':
      return `The panel, ${linked}: ${read}.`;
    case 'live':
      return `${at(question.at)}, breaker on: ${read}.`;
  }
};
