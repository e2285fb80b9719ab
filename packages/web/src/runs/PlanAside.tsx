import { LEFT_OUT, type PlanSet, type Relaxed } from '@amber/core';
import { SafetyNote } from '../shared/ui.js';

const Proof = ({ proved, gap }: { proved: boolean; gap: number }) => (
  <span className={proved ? 'text-pass' : 'text-caution'}>
    {proved ? 'proved' : `best found, at most ${gap < 0.1 ? '0.1' : gap.toFixed(1)} % above the least`}
  </span>
);

const heading = 'text-[15px] font-bold';

/** What was made small, how far it is proved, which familiar ways cannot be wired, and what another brief would give. */
export const PlanAside = ({ found }: { found: PlanSet }) => {
  const barred = found.familiar.filter((one) => one.letter === null);
  return (
    <aside
      aria-label="About the plans"
      className="flex shrink-0 flex-col gap-5 border-line bg-sheet p-4 max-lg:border-t lg:w-86 lg:overflow-y-auto lg:border-l"
    >
      {found.notes.map((note) => (
        <p key={note} className="border-l-3 border-caution pl-3 text-[13.5px]">
          {note}
        </p>
      ))}
      {found.relaxed.length > 0 ? <Otherwise relaxed={found.relaxed} /> : null}
      {found.profiles.length > 0 ? (
        <section aria-labelledby="made-small">
          <h2 id="made-small" className={heading}>
            What was sought
          </h2>
          <dl className="mt-1.5 flex flex-col gap-2.5">
            {found.profiles.map((profile) => (
              <div key={profile.id}>
                <dt className="text-[14px] font-semibold">
                  {profile.title}: {profile.letter ? `plan ${profile.letter}` : 'no plan'}
                  {profile.letter ? (
                    <>
                      , <Proof proved={profile.proved} gap={profile.gap} />
                    </>
                  ) : null}
                </dt>
                <dd className="text-[13px] text-quiet">{profile.objective}</dd>
              </div>
            ))}
          </dl>
          <p className="mt-2.5 text-[13px] text-quiet">{LEFT_OUT}</p>
        </section>
      ) : null}
      {barred.length > 0 ? (
        <section aria-labelledby="barred">
          <h2 id="barred" className={heading}>
            Cannot be wired
          </h2>
          <dl className="mt-1.5 flex flex-col gap-2">
            {barred.map((one) => (
              <div key={one.id}>
                <dt className="text-[14px] font-semibold">{one.title}</dt>
                <dd className="text-[13px] text-quiet">{one.problems.join('. ')}</dd>
              </div>
            ))}
          </dl>
        </section>
      ) : null}
      <SafetyNote className="border-t border-line pt-3" />
    </aside>
  );
};

const Otherwise = ({ relaxed }: { relaxed: readonly Relaxed[] }) => (
  <section aria-labelledby="otherwise">
    <h2 id="otherwise" className={heading}>
      What would make it cheaper
    </h2>
    <ul className="mt-1.5 flex list-disc flex-col gap-1.5 pl-4 text-[13.5px]">
      {relaxed.map((one) => (
        <li key={one.sentence}>{one.sentence}</li>
      ))}
    </ul>
  </section>
);
