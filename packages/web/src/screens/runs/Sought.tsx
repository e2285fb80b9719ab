import { LEFT_OUT, sayProof, type PlanSet } from '@amber/core';

const heading = 'text-[14px] font-bold';

/** What was made small and how far it is proved, what another brief would give, and which familiar ways cannot be wired. */
export const Sought = ({ found }: { found: PlanSet }) => {
  const barred = found.familiar.filter((one) => one.letter === null);
  return (
    <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
      <section aria-labelledby="made-small">
        <h2 id="made-small" className={heading}>
          Made as small as possible
        </h2>
        <dl className="mt-1.5 flex flex-col gap-2">
          {found.profiles.map((profile) => (
            <div key={profile.id}>
              <dt className="text-[14px] font-semibold">
                {profile.title}: {profile.letter ? `plan ${profile.letter}` : 'no plan'}
                {profile.letter ? (
                  <>
                    ,{' '}
                    <span className={profile.proved ? 'text-pass' : 'text-caution'}>{sayProof(profile)}</span>
                  </>
                ) : null}
              </dt>
              <dd className="text-[13px] text-quiet">
                {[`${profile.objective}.`, ...profile.notTried].join(' ')}
              </dd>
            </div>
          ))}
        </dl>
        <p className="mt-2 text-[13px] text-quiet">{LEFT_OUT}</p>
      </section>
      <div className="flex flex-col gap-4">
        {found.relaxed.length > 0 ? (
          <section aria-labelledby="otherwise">
            <h2 id="otherwise" className={heading}>
              What would make it cheaper
            </h2>
            <ul className="mt-1.5 flex list-disc flex-col gap-1.5 pl-4 text-[13.5px]">
              {found.relaxed.map((one) => (
                <li key={one.sentence}>{one.sentence}</li>
              ))}
            </ul>
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
      </div>
    </div>
  );
};
