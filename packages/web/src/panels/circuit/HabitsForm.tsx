import type { Preferences } from '@amber/core';
import { Field } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';

/** Habits that are one of a few words, with the words; the first of each is the usual one. */
const HABITS: {
  [K in keyof Preferences]?: { label: string; words: Partial<Record<Preferences[K] & string, string>> };
} = {
  connectors: {
    label: 'Connectors',
    words: { lever: 'lever', pushIn: 'push-in', twistOn: 'twist-on' },
  },
  preTwist: {
    label: 'Before a twist-on',
    words: { asInstructed: 'as its instructions say', always: 'twist the wires first' },
  },
  groundConnectors: {
    label: 'Connectors for grounds',
    words: { same: 'the same', groundingTwistOn: 'green twist-on with a tail hole', crimp: 'crimp sleeve' },
  },
  groundTail: {
    label: 'Ground tail',
    words: { pigtail: 'a tail of its own', leftLong: 'one ground left long' },
  },
  groundTailColour: {
    label: 'Ground tails are',
    words: { bare: 'bare', green: 'green, insulated' },
  },
  boxGround: {
    label: 'Ground of a steel box',
    words: { tail: 'a tail to its screw', looped: 'one ground looped round its screw' },
  },
  boxBonding: {
    label: 'Devices in steel boxes',
    words: {
      pigtails: 'a ground tail to each',
      selfGroundingYoke: 'grounded by their yokes',
      both: 'a tail to each, and their yokes too',
    },
  },
  reidentify: {
    label: 'A white that is hot is marked',
    words: { black: 'black tape', red: 'red tape', marker: 'black marker' },
  },
  unusedNeutral: {
    label: 'A neutral kept for later, under a twist-on',
    words: { unstripped: 'capped unstripped', stripped: 'stripped and capped' },
  },
  tailsFirst: {
    label: 'Tails of a device',
    words: { splice: 'in the splice first', device: 'on the device before it meets the box' },
  },
  deviceLanding: {
    label: 'Wires on a device',
    words: { hook: 'hooked under the screw', clamp: 'pushed under the clamp' },
  },
  firstOnDevice: {
    label: 'First on a device',
    words: { ground: 'the ground', hots: 'the hots' },
  },
  singlePoleLanding: {
    label: 'A plain single-pole',
    words: { loadOnTop: 'load on the upper screw', any: 'no matter' },
  },
  travelers: {
    label: 'Travelers',
    words: { sameSide: 'each on the same side at every switch', any: 'on either brass screw' },
  },
  switchUp: {
    label: 'Three- and four-ways sit',
    words: { alike: 'all the same way up', any: 'no matter' },
  },
  deviceTape: {
    label: 'Tape round the screws',
    words: { none: 'none', wrapped: 'one or two wraps' },
  },
  receptacles: {
    label: 'What goes on from a receptacle',
    words: { pigtailed: 'from splices, the receptacle on tails', through: 'through its screws' },
  },
  wideCable: {
    label: 'Cable of four conductors',
    words: { any: 'where it is best', none: 'not in the truck: never' },
  },
  madeUp: {
    label: 'Boxes are made up',
    words: { afterCheck: 'after the rough-in check', beforeCheck: 'before the rough-in check' },
  },
  boxOrder: {
    label: 'Order of the boxes',
    words: { fromFeed: 'from the feed outwards', fromLuminaire: 'from the luminaire back' },
  },
  switchLegs: {
    label: 'Switch legs',
    words: { asItComes: 'whatever colour the cable gives', tagged: 'tagged at both ends' },
  },
  plasticLuminaire: {
    label: 'Ground where a luminaire has none',
    words: { capped: 'capped and folded back', pigtailLeft: 'a tail left for a later luminaire' },
  },
};

/** Where good electricians differ: one of the schools for each, of a job or of the shop. */
export const HabitsForm = ({
  preferences,
  onSet,
}: {
  preferences: Preferences;
  /** What is chosen, and what it is about, in words. */
  onSet: (more: Partial<Preferences>, what: string) => void;
}) => (
  <>
    {(Object.entries(HABITS) as [keyof Preferences, { label: string; words: Record<string, string> }][]).map(
      ([key, { label, words }]) => (
        <Field key={key} label={label}>
          <WordSelect
            words={words}
            value={String(preferences[key])}
            onPick={(value) => value !== null && onSet({ [key]: value }, label.toLowerCase())}
          />
        </Field>
      ),
    )}
    <Field label="Free conductor past the sheath">
      <WordSelect
        words={{ 6: '6 in, the least', 8: '8 in' }}
        value={String(preferences.freeConductor)}
        onPick={(value) => onSet({ freeConductor: value === '8' ? 8 : 6 }, 'free conductor')}
      />
    </Field>
    <Field label="Room left free in new boxes">
      <WordSelect
        words={{
          0: 'none: as small as the code allows',
          1: 'for one more two-wire cable',
          2: 'for two more two-wire cables',
        }}
        value={String(preferences.roomToSpare)}
        onPick={(value) =>
          onSet({ roomToSpare: value === '0' ? 0 : value === '2' ? 2 : 1 }, 'room left free')
        }
      />
    </Field>
    <label className="flex min-h-10 items-center gap-2.5">
      <input
        type="checkbox"
        className="size-5 accent-ink"
        checked={preferences.sparePort}
        onChange={() => onSet({ sparePort: !preferences.sparePort }, 'a port left free')}
      />
      A port left free in each lever or push-in connector
    </label>
  </>
);
