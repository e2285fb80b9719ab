import { articleOf } from '../../model/articles.js';
import { hueOf, isNeutralColour, type Colour } from '../../model/colours.js';
import { createUnknown, endKey, type Cable, type End, type Wiring } from '../../model/wiring.js';
import { conductorKey } from '../../circuit/keys.js';
import { defineRule, type Breach } from '../rule.js';

type Found = { kind: 'return' | 'unmarked' | 'traveler' | 'markedNeutral'; cable: Cable; colour: Colour };

/**
 * 200.7(C)(1), from 1999 on: a white or gray used as a hot is marked at both ends. It never is the return from the switch, which older
 * editions asked for too.
 */
export const reidentifiedWhite = defineRule<Found>({
  id: 'reidentified-white',
  stage: 'makeUp',
  title: 'A white used as a hot is marked at both ends and is never the return from the switch',
  rests: 'Any colour but white, gray and green, all round, at terminations and wherever visible.',
  section: (edition) => (edition >= 2011 ? '200.7(C)(1)' : '200.7(C)(2)'),
  severities: ['violation', 'caution'],
  check: ({ job, wiring, compiled, roles, edition, unknown }) => {
    const isUnseen = createUnknown(wiring);
    // Before 1999 a white that brought the supply to a switch, or went on as a traveler, was not marked.
    const asksForMarks = edition >= 2008;
    const marked = new Set(wiring.marks.map((mark) => endKey(mark.end)));
    const judge = (cable: Cable, colour: Colour): Breach<Found>[] => {
      const net = compiled.netOf(conductorKey(cable.id, colour));
      const role = net === undefined ? undefined : roles[net];
      const at = { cable: cable.id, box: cable.to };
      const ends = (['from', 'to'] as const).map((side) => ({ cable: cable.id, side, colour }));
      const marks = ends.filter((end) => marked.has(endKey(end)));
      // At an end that nobody has looked at there may be one.
      const mayBeMarked = ends.filter((end) => marked.has(endKey(end)) || isUnseen(end));
      const found = (kind: Found['kind'], severity: 'violation' | 'caution') => [
        { severity, at, data: { kind, cable, colour } },
      ];
      if (role === 'neutral') return marks.length > 0 ? found('markedNeutral', 'violation') : [];
      // What brings the supply to a luminaire may be what nobody has looked at.
      if (role === 'switchLeg') return unknown.has(net ?? -1) ? [] : found('return', 'violation');
      if (role !== 'hot' && role !== 'traveler') return [];
      const isMarked = mayBeMarked.length === 2 || (cable.from === 'panel' && mayBeMarked.length === 1);
      if (asksForMarks && !isMarked) return found('unmarked', 'violation');
      return role === 'traveler' ? found('traveler', 'caution') : [];
    };
    return wiring.cables.flatMap((cable) =>
      articleOf(job.stock, 'cable', cable.article)
        .insulated.filter(isNeutralColour)
        .flatMap((colour) => judge(cable, colour)),
    );
  },
  say: ({ kind, cable, colour }, { place }) => {
    const run = `${place(cable.from)} to ${place(cable.to)}`;
    const hue = hueOf(colour);
    switch (kind) {
      case 'return':
        return {
          where: run,
          what: `the ${hue} is the switch leg`,
          reason:
            'A white may bring the supply to a switch, marked as a hot; the return to the luminaire must not be white, or the next person takes it for the neutral.',
          remedy: 'Carry the switch leg on a colour and let the white carry the supply or a traveler.',
        };
      case 'unmarked':
        return {
          where: run,
          what: `the ${hue} is hot and not marked at both ends`,
          reason: 'Whoever opens the box next takes an unmarked white for a neutral.',
          remedy:
            'Mark it all round with tape, paint or marker at both ends and wherever it is visible: any colour but white, gray or green.',
        };
      case 'traveler':
        return {
          where: run,
          what: `a traveler runs on the re-identified ${hue}`,
          reason:
            'It still is supply toward the next switch, and common practice; some authorities see it otherwise.',
          remedy: 'Ask the authority, or choose an order that keeps the white for supply or neutral.',
        };
      case 'markedNeutral':
        return {
          where: run,
          what: 'a neutral is marked as a hot',
          reason: 'A marked white says it is hot; this one is the neutral.',
          remedy: 'Take the marking off.',
        };
    }
  },
  mendsWiring: true,
  fixes: ({ data: { kind, cable, colour } }, { job }) => {
    const mine = (end: End) => end.cable === cable.id && end.colour === colour;
    const bare = (wiring: Wiring) => wiring.marks.filter((mark) => !mine(mark.end));
    if (kind === 'markedNeutral')
      return [{ words: 'Take the marking off', wiring: (wiring) => ({ ...wiring, marks: bare(wiring) }) }];
    if (kind !== 'unmarked') return [];
    const tape = job.preferences.reidentify === 'red' ? ('red' as const) : ('black' as const);
    const marks = (['from', 'to'] as const).map((side) => ({
      end: { cable: cable.id, side, colour },
      colour: tape,
    }));
    return [
      {
        words: 'Mark it at both ends',
        wiring: (wiring) => ({ ...wiring, marks: [...bare(wiring), ...marks] }),
      },
    ];
  },
});
