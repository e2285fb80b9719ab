import {
  boxInWords,
  compile,
  drawBox,
  makeUpSteps,
  sayBoxLine,
  type Job,
  type Wiring,
} from '../src/index.js';
import { terminalKey, type Member } from '../src/model/wiring.js';
import { memberKey } from '../src/circuit/keys.js';
import { colourWord, endWord, leadWord, screwOf } from '../src/words/wires.js';

import { drawnBoxes } from './support/drawnBoxes.js';

/** Every word of a box with what it stands for; a word that stands for two things is no word. */
const dictionaryOf = (job: Job, wiring: Wiring, box: string): Map<string, string> => {
  const words = new Map<string, string>();
  const tell = (word: string, thing: string) => {
    const before = words.get(word);
    if (before !== undefined && before !== thing) throw new Error(`"${word}" is ${before} and ${thing}`);
    words.set(word, thing);
  };
  const isHere = (cable: string, side: 'from' | 'to') =>
    wiring.cables.find((one) => one.id === cable)?.[side] === box;
  for (const joint of wiring.joints)
    for (const member of joint.members)
      if (joint.box === box && 'end' in member) tell(endWord(job, wiring, member.end), memberKey(member));
      else if (joint.box === box && 'lead' in member)
        tell(leadWord(job, wiring, member.lead), memberKey(member));
  for (const { wire, terminal } of wiring.landings) {
    const pigtailHere =
      'pigtail' in wire &&
      wiring.joints.some(
        (joint) =>
          joint.box === box && joint.members.some((m) => 'pigtail' in m && m.pigtail.id === wire.pigtail),
      );
    if (!pigtailHere && !('end' in wire && isHere(wire.end.cable, wire.end.side))) continue;
    if ('end' in wire) tell(endWord(job, wiring, wire.end), memberKey(wire));
    tell(screwOf(job, wiring, terminal), terminalKey(terminal));
  }
  return words;
};

/** The relations of a box: what is joined with what, what is on which screw; tails by the screw that they lead to. */
const relationsOf = (wiring: Wiring, box: string): string[] => {
  const landed = (pigtail: string) =>
    wiring.landings.flatMap(({ wire, terminal }) =>
      'pigtail' in wire && wire.pigtail === pigtail ? [terminalKey(terminal)] : [],
    );
  const member = (one: Member): string[] => {
    if (!('pigtail' in one)) return [memberKey(one)];
    const screws = landed(one.pigtail.id);
    return screws.length === 0 ? ['tail'] : screws.map((screw) => `tail ${screw}`);
  };
  const joints = wiring.joints
    .filter((joint) => joint.box === box)
    .map((joint) => joint.members.flatMap(member).sort().join(' + '));
  const landings = wiring.landings.flatMap(({ wire, terminal }) => {
    if (!('end' in wire)) return [];
    const cable = wiring.cables.find((one) => one.id === wire.end.cable);
    return cable?.[wire.end.side] === box ? [`${memberKey(wire)} on ${terminalKey(terminal)}`] : [];
  });
  return [...joints, ...landings].sort();
};

test('what is said of a box in words rebuilds what is joined and landed in it, exactly', () => {
  for (const { drawing, job, wiring, name } of drawnBoxes) {
    const { box } = drawing;
    let dictionary: Map<string, string>;
    try {
      dictionary = dictionaryOf(job, wiring, box);
    } catch (error) {
      throw new Error(`${name}: ${String(error)}`, { cause: error });
    }
    const thing = (word: string): string => {
      const known = dictionary.get(word);
      if (known === undefined) throw new Error(`${name}: nothing is called "${word}"`);
      return known;
    };
    const tail = (part: string): string => {
      const led = / tail to the (.*)$/.exec(part)?.[1];
      if (led !== undefined) return `tail ${thing(led)}`;
      return / tail left for later$/.test(part) ? 'tail' : thing(part);
    };
    const rebuilt = boxInWords(job, wiring, compile(wiring, job), box).flatMap((line) => {
      const sentence = sayBoxLine(line);
      switch (line.kind) {
        case 'splice':
          return [
            sentence
              .slice(line.what.length + 2)
              .split('; ')
              .map(tail)
              .sort()
              .join(' + '),
          ];
        case 'cap':
          return [tail(sentence.slice(0, sentence.length - line.what.length - 2))];
        case 'landing': {
          if (line.what !== 'on a screw')
            return [
              line.parts
                .map((part) => `tail ${thing(part)}`)
                .sort()
                .join(' + '),
            ];
          const [wire = '', screw = ''] = line.parts;
          expect(sentence).toBe(`${wire} on the ${screw}`);
          return [`${thing(wire)} on ${thing(screw)}`];
        }
        case 'loose':
          return [];
      }
    });
    expect([name, ...rebuilt.sort()]).toEqual([name, ...relationsOf(wiring, box)]);
  }
});

test('a line leads to the step that makes it, and to a wire of the picture', () => {
  let [lines, found] = [0, 0];
  for (const { drawing, job, wiring } of drawnBoxes.filter(({ name }) => !name.includes('spoiled'))) {
    const compiled = compile(wiring, job);
    const { steps } = makeUpSteps(job, wiring, compiled, drawing.box);
    if (steps.some((one) => one.id.endsWith('/tell'))) continue;
    const ids = new Set(steps.map((one) => one.id));
    const { wires, connectors } = drawBox(job, wiring, drawing.box, { compiled });
    const shown = new Set([...wires, ...connectors].map((one) => one.key));
    for (const line of boxInWords(job, wiring, compiled, drawing.box)) {
      lines += 1;
      if (ids.has(line.step)) found += 1;
      expect(shown.has(line.shows)).toBe(true);
    }
  }
  // A raceway that meets its metal box by the fitting has no step of its own.
  expect(found / lines).toBeGreaterThan(0.97);
});

test('colours are said as people say them', () => {
  expect(colourWord('black-2')).toBe('black 2');
});
