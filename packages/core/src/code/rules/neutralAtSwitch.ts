import type { BoxId } from '../../model/ids.js';
import { findBox, findRoom } from '../../model/lookup.js';
import type { Group } from '../../model/job.js';
import { neutralRequirement, type NeutralRequirement } from '../../nec/neutralRequirement.js';
import { unseenBoxes } from '../../model/existing.js';
import { mayBeNeutralIn, neutralIn } from '../neutralIn.js';
import { questionOf } from '../questions.js';
import { eraWord } from '../../words/eras.js';
import { builtByAt, createUntouched } from '../touched.js';
import { defineRule, type Breach } from '../rule.js';

type Found =
  | { kind: 'missing'; boxes: BoxId[]; group: Group; requirement: NeutralRequirement; isKnown: boolean }
  | { kind: 'strict'; group: Group; requirement: NeutralRequirement }
  | { kind: 'literal'; group: Group; has: boolean };

const WHY =
  'Electronic switches need a neutral to run on; without one they are tempted to return current on the ground.';

/** 404.2(C): a neutral at the switch locations that the edition names. */
export const neutralAtSwitch = defineRule<Found>({
  id: 'neutral-at-switch',
  stage: 'roughIn',
  title: 'A neutral at the switch locations that the edition names',
  rests:
    'From 2011. Which rooms count, which boxes are excepted, and whether one of several will do, differs by edition.',
  section: () => '404.2(C)',
  since: 2011,
  severities: ['violation', 'caution', 'verify'],
  asks: ['room.wholeFloorVisible', 'box.accessible', 'box.neutralException'],
  check: (inspected) =>
    inspected.job.groups.flatMap((group): Breach<Found>[] => {
      const { job } = inspected;
      const slots = job.slots.filter((slot) => slot.group === group.id);
      const fitted = slots.filter((slot) =>
        inspected.wiring.devices.some((device) => device.slot === slot.id),
      );
      if (fitted.length === 0) return [];
      const requirement = neutralRequirement(job, group, inspected.edition);
      const at = { circuit: group.circuit, group: group.id };
      const boxes = [
        ...new Set(slots.filter((slot) => requirement.slots.includes(slot.id)).map((slot) => slot.box)),
      ];
      const without = boxes.filter((box) => !neutralIn(inspected, box, group.circuit));
      const missing =
        requirement.need === 'each'
          ? without
          : requirement.need === 'one' && without.length === boxes.length
            ? without
            : [];
      if (missing.length > 0) {
        const questions = missing.flatMap((id) => {
          const box = findBox(job, id);
          return [
            ...(box?.accessible === 'unknown' ? [questionOf(job, 'box.accessible', id)] : []),
            ...(box?.neutralException === 'unknown' ? [questionOf(job, 'box.neutralException', id)] : []),
          ];
        });
        // Of old work that nobody touches it is not known yet whether an exception holds; new work is planned as though none did.
        const untouched = createUntouched(job, inspected.wiring);
        const isOpen =
          questions.length > 0 &&
          missing.every((box) => untouched({ box }) && builtByAt(job, inspected.wiring, { box }) === null);
        const isKnown = !missing.some((box) => mayBeNeutralIn(inspected, box));
        return [
          {
            severity: isOpen || !isKnown ? 'verify' : 'violation',
            at: { ...at, ...(missing[0] === undefined ? {} : { box: missing[0] }) },
            data: { kind: 'missing', boxes: missing, group, requirement, isKnown },
            questions,
          },
        ];
      }
      if (requirement.readLiterally) {
        const having = fitted.filter(({ box }) => neutralIn(inspected, box, group.circuit));
        // Where each has one no reading asks for more.
        return having.length === fitted.length
          ? []
          : [{ severity: 'caution', at, data: { kind: 'literal', group, has: having.length > 0 } }];
      }
      if (requirement.takenStrictly.length > 0)
        return [
          {
            severity: 'verify',
            at,
            data: { kind: 'strict', group, requirement },
            questions: requirement.takenStrictly.flatMap((fact) =>
              fact === 'wholeFloorVisible'
                ? [questionOf(job, 'room.wholeFloorVisible', group.room)]
                : boxes
                    .filter((id) => findBox(job, id)?.accessible === 'unknown')
                    .map((id) => questionOf(job, 'box.accessible', id)),
            ),
          },
        ];
      return [];
    }),
  say: (found, { job, wiring, place, edition }) => {
    const room = findRoom(job, found.group.room)?.name ?? '';
    if (found.kind === 'literal')
      return {
        where: found.group.name,
        what: found.has
          ? 'a neutral at some of its switches, and none asked for, read literally'
          : 'no neutral asked for, read literally',
        reason: `The 2014 edition excepts several locations that see the whole floor of ${room}; an authority may read it as one neutral at least.`,
        remedy: found.has ? 'Ask the authority.' : 'Ask the authority, or bring a neutral to one switch.',
      };
    if (found.kind === 'strict') {
      const visible = found.requirement.takenStrictly.includes('wholeFloorVisible');
      return {
        what: visible
          ? `Is the whole floor of ${room} visible from the switches?`
          : `${found.group.name}: can a cable be added later without opening the wall?`,
        reason: visible
          ? `Not answered, so it is taken as no and each switch gets a neutral. If the whole floor is visible, ${eraWord(edition)} asks for ${edition === 2014 ? 'none' : 'one location only'}.`
          : 'Not answered, so it is taken as no and a neutral is brought to the switch.',
        remedy: 'Answer it under the room facts of the circuit, and see it on site.',
      };
    }
    // Where not all of an old box was seen, a cable with a neutral may be in it.
    const unseen = new Set<string>(unseenBoxes(job, wiring));
    const named = found.boxes.map(
      (box) => `${place(box)}${unseen.has(box) ? ' (not all of it was seen)' : ''}`,
    );
    const none = found.isKnown ? 'No neutral' : 'No neutral that was seen';
    return {
      what:
        found.requirement.need === 'one'
          ? `${none} at any switch of ${found.group.name}: ${named.join(', ')}`
          : `${none} at ${named.join(', ')}`,
      reason: `${WHY} It is asked for ${found.requirement.need === 'one' ? 'at one location' : 'here'} by ${eraWord(edition)}.`,
      remedy: `${found.isKnown ? '' : 'Look first: a wire there may be one. '}Bring a cable with a neutral, or show that another cable can be added later without removing finish.`,
    };
  },
  fixes: ({ data }) =>
    data.kind === 'missing'
      ? [
          {
            words: 'Let the program bring the neutrals that are asked for',
            job: (job) => ({
              ...job,
              choices: job.choices.map((choice) => {
                if (choice.circuit !== data.group.circuit) return choice;
                const { neutralAt: _pinned, ...rest } = choice;
                return rest;
              }),
            }),
          },
        ]
      : [],
});
