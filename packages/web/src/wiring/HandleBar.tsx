import {
  findBox,
  handleName,
  LIGHT_WORDS,
  luminairesOfGroup,
  ofId,
  type DeviceId,
  type Group,
  type Positions,
} from '@amber/core';
import type { Subject } from './useSubject.js';

/** What the loads of a group do now, in a word each kind; where they differ, all of the words. */
const sayLights = (subject: Subject, group: Group): string => {
  const words = luminairesOfGroup(subject.job, group.id).flatMap(({ id, unit }) => {
    const state = subject.state.luminaires.find((one) => one.id === id);
    return state ? [LIGHT_WORDS[unit][state.light]] : [];
  });
  return [...new Set(words)].join(', ');
};

/** Amber where all of it has power; what nobody knows is not drawn as dark. */
const dotOf = (words: string): string =>
  words === LIGHT_WORDS.luminaire.lit || words === LIGHT_WORDS.fan.lit
    ? 'bg-amber-live'
    : words.includes(LIGHT_WORDS.luminaire.unknown)
      ? 'border-dashed bg-line'
      : 'bg-white';

/** Every handle of what is shown and what it switches, in one row under the thumb. */
export const HandleBar = ({
  subject,
  positions,
  onFlip,
}: {
  subject: Subject;
  positions: Positions;
  onFlip: (id: DeviceId) => void;
}) => {
  if (subject.devices.length === 0) return null;
  return (
    <section
      aria-label="Handles"
      className="flex shrink-0 items-stretch gap-2 overflow-x-auto border-t border-line bg-sheet px-2 py-1.5"
    >
      <ul
        aria-label="What is lit"
        className="flex shrink-0 flex-col justify-center text-[12.5px] leading-tight"
      >
        {subject.groups.map((group) => {
          const words = sayLights(subject, group);
          return words === '' ? null : (
            <li key={group.id} className="flex max-w-40 items-center gap-1.5">
              <span
                aria-hidden="true"
                className={`size-3 shrink-0 rounded-full border border-ink ${dotOf(words)}`}
              />
              <span className="truncate">
                {subject.groups.length > 1 ? `${group.name}: ` : ''}
                <strong>{words}</strong>
              </span>
            </li>
          );
        })}
      </ul>
      {subject.devices.map(({ id, box, letter, positions: words }) => {
        const at = ofId(positions, id) ?? 0;
        const name = findBox(subject.job, box)?.name ?? '';
        // Beside others in its box it is told by gang and group.
        const whole = handleName(subject, id);
        const which = whole === name ? letter : whole.slice(name.length + 2);
        return (
          <button
            key={id}
            type="button"
            aria-label={`${whole}, ${letter}: ${words[at] ?? ''}. Flip.`}
            onClick={() => onFlip(id)}
            className="flex min-h-12 shrink-0 items-center gap-2 rounded-md border-2 border-ink bg-white px-2 text-left active:bg-rail"
          >
            <span aria-hidden="true" className="relative block h-8 w-4 rounded bg-line">
              <span
                className={`absolute left-0 block h-4 w-4 rounded bg-ink ${at === 0 ? 'top-0' : 'top-4'}`}
              />
            </span>
            <span className="leading-tight">
              <span className="block max-w-28 truncate text-[13px] font-bold">{name}</span>
              <span className="block max-w-44 truncate text-[12px] text-quiet">
                {words[at]} · {which}
              </span>
            </span>
          </button>
        );
      })}
    </section>
  );
};
