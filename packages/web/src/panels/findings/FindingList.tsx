import { findingKey, findingsByPlace, type Finding } from '@amber/core';
import { useAppDispatch } from '../../store/store.js';
import { boxChosen } from '../../store/wiringSlice.js';
import type { Subject } from '../../wiring/useSubject.js';
import { useFindingAction } from './useFindingAction.js';
import { alikeOf, commonWhat, foldedOf, inOrder } from './grouping.js';
import { FindingCard } from './FindingCard.js';
import { OwnRules } from './OwnRules.js';
import { QuestionList } from './QuestionList.js';
import { SiteChecks } from './SiteChecks.js';
import { useRemedies } from '../../worker/useRemedies.js';

/** Findings by place, what is to be answered, and what is left to see on site. */
export const FindingList = ({ subject, findings }: { subject: Subject; findings: readonly Finding[] }) => {
  const dispatch = useAppDispatch();
  const { job, circuit, readOnly } = subject;
  const remedies = useRemedies(readOnly ? null : job, findings);
  const perform = useFindingAction(job);
  const open = findings.filter((one) => one.questions.length > 0);
  const onSite = findings.filter((one) => one.severity === 'verify' && one.questions.length === 0);
  const { roots, following } = foldedOf(
    findings.filter((one) => !open.includes(one) && !onSite.includes(one)),
  );
  const followingOf = (group: readonly Finding[]) =>
    group.flatMap((one) => following.get(findingKey(one)) ?? []);
  const { alike, single } = alikeOf(roots);
  const show = (id: string) => dispatch(boxChosen(id as Subject['drawings'][number]['box']));
  const drawn = (id: string | undefined) => subject.drawings.some((drawing) => drawing.box === id);
  const { first, last } = inOrder(alike, single);
  const sections = (groups: readonly Finding[][]) =>
    groups.map((group) => {
      const [first] = group;
      return first ? (
        <section key={findingKey(first)} className="border-t border-line pt-3">
          <h2 className="mb-2 text-[13px] font-bold tracking-wide text-quiet">{group.length} places</h2>
          <ul>
            <FindingCard
              finding={first}
              what={commonWhat(group)}
              alike={group.map((one) => ({
                title: commonWhat(group) === null ? one.title : (one.where ?? one.title),
                onShow: one.at.box !== undefined && drawn(one.at.box) ? () => show(one.at.box ?? '') : null,
              }))}
              following={followingOf(group)}
              remedies={remedies.get(findingKey(first)) ?? []}
              onAction={null}
            />
          </ul>
        </section>
      ) : null;
    });
  return (
    <div className="flex flex-col gap-4">
      {sections(first)}
      {findingsByPlace(job, subject.wiring, single).map((place) => (
        <section key={`${place.kind} ${place.id}`} className="border-t border-line pt-3">
          <h2 className="mb-2 text-[13px] font-bold tracking-wide text-quiet">
            {place.kind === 'circuit' ? `Circuit ${place.name}` : place.name}
          </h2>
          <ul className="flex flex-col gap-3">
            {place.findings.map((finding, i) => (
              <FindingCard
                key={`${finding.rule} ${i}`}
                finding={finding}
                what={null}
                alike={[]}
                following={followingOf([finding])}
                remedies={remedies.get(findingKey(finding)) ?? []}
                onAction={readOnly ? null : perform}
              />
            ))}
          </ul>
          {place.kind === 'box' && drawn(place.id) ? (
            <button
              type="button"
              onClick={() => show(place.id)}
              className="mt-1 min-h-10 text-left font-semibold underline underline-offset-3"
            >
              Show {place.name}
            </button>
          ) : null}
        </section>
      ))}
      {sections(last)}
      {open.length > 0 ? <QuestionList job={job} findings={open} /> : null}
      {onSite.length > 0 ? <SiteChecks subject={subject} findings={onSite} /> : null}
      {readOnly ? null : <OwnRules job={job} circuit={circuit} />}
    </div>
  );
};
