import { cubicInches, feetInches, type Candidate, type Jacket, type Job } from '@amber/core';
import { RunMini } from '../../parts/RunMini.js';
import { placeName } from '../../parts/words.js';
import { JACKET_PAINT } from '../../parts/jackets.js';

/** A cable of a way by its kind: how much of it is cut, and what it looks like. Inches; null where nobody knows. */
interface Kind {
  name: string;
  jacket: Jacket;
  inches: number;
  /** Some of it is a guess, or has no length at all. */
  about: boolean;
}

const kindsOf = ({ runs }: Candidate): Kind[] => {
  const kinds = new Map<string, Kind>();
  for (const { cable, jacket, feet, guessed, existing } of runs) {
    const name = existing ? `${cable}, there already` : cable;
    const kind = kinds.get(name) ?? { name, jacket, inches: 0, about: false };
    kinds.set(name, {
      ...kind,
      inches: kind.inches + (feet ?? 0) * 12,
      about: kind.about || guessed || feet === null,
    });
  }
  return [...kinds.values()];
};

/** A bar of so much out of the most of all; what goes beyond its room is told in words, not only in red. */
const Bar = ({ part, paint, over = false }: { part: number; paint: string; over?: boolean }) => (
  <span
    aria-hidden="true"
    className={`block h-3.5 rounded-xs border ${over ? 'border-2 border-violation' : 'border-ink'}`}
    style={{ width: `${Math.max(1.5, part * 100)}%`, background: paint }}
  />
);

const Way = ({
  job,
  plan: { letter, sketch, measures, runs },
  kinds,
  longest,
  largest,
  other,
}: {
  job: Job;
  plan: Candidate;
  kinds: readonly Kind[];
  longest: number;
  largest: number;
  other: Candidate;
}) => {
  const elsewhere = new Map(other.measures.fills.map((fill) => [fill.box, fill]));
  return (
    <section aria-label={`${letter}, cables and boxes`} className="min-w-0">
      <h2 className="text-[15px] font-bold">
        {letter} <span className="text-[13px] font-normal text-quiet">{runs.length} cables</span>
      </h2>
      {sketch ? <RunMini run={sketch} label={`Run of plan ${letter}`} /> : null}
      <ul aria-label={`Cables of ${letter}`} className="mt-2 flex flex-col gap-1.5 text-[13px]">
        {kinds.map(({ name, jacket, inches, about }) => (
          <li key={name}>
            {name}: <strong>{`${about ? 'about ' : ''}${feetInches(Math.round(inches))}`}</strong>
            <Bar part={longest === 0 ? 0 : inches / longest} paint={JACKET_PAINT[jacket]} />
          </li>
        ))}
      </ul>
      <ul aria-label={`Boxes of ${letter}`} className="mt-3 flex flex-col gap-1.5 text-[13px]">
        {measures.fills.map(({ box, needed, available }) => {
          const there = elsewhere.get(box);
          const differs = there?.needed !== needed || there.available !== available;
          const over = available !== null && needed > available;
          return (
            <li key={box} className={differs ? 'font-semibold' : 'text-quiet'}>
              {placeName(job, box)}:{' '}
              {available === null
                ? `${cubicInches(needed)} and what nobody has told`
                : `${cubicInches(needed)} of ${cubicInches(available)}${over ? ', too full' : ''}`}
              {available === null ? null : (
                <span
                  className="mt-0.5 block rounded-xs border border-edge bg-white p-px"
                  style={{ width: `${Math.max(6, (available / largest) * 100)}%` }}
                >
                  <Bar
                    part={Math.min(1, needed / available)}
                    paint={over ? 'var(--color-violation)' : '#7d8a94'}
                    over={over}
                  />
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
};

/** Two ways as what they are made of: the cables in their jackets, to one scale, and the boxes with what they have to hold. */
export const CablesAndBoxes = ({
  job,
  plans: [first, other],
}: {
  job: Job;
  plans: [Candidate, Candidate];
}) => {
  const both = [first, other].map(kindsOf);
  const longest = Math.max(0, ...both.flat().map(({ inches }) => inches));
  const largest = Math.max(
    1,
    ...[first, other].flatMap(({ measures }) => measures.fills.map(({ available }) => available ?? 0)),
  );
  return (
    <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
      <Way job={job} plan={first} kinds={both[0] ?? []} longest={longest} largest={largest} other={other} />
      <Way job={job} plan={other} kinds={both[1] ?? []} longest={longest} largest={largest} other={first} />
    </div>
  );
};
