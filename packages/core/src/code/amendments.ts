import type { Amendment, Scope } from '../model/amendment.js';
import type { Job } from '../model/job.js';
import { findingOf, type At, type Finding } from './rule.js';

/** The room that a place of a finding belongs to: its own, its group's, or that of the box's groups. */
const roomsOf = (job: Job, at: At): Set<string> => {
  const groups = new Set<string>([
    ...(at.group === undefined ? [] : [at.group]),
    ...[...job.slots, ...job.luminaires].filter((one) => one.box === at.box).map((one) => one.group),
  ]);
  return new Set([
    ...(at.room === undefined ? [] : [at.room]),
    ...job.boxes.flatMap((box) => (box.id === at.box && box.room !== null ? [box.room] : [])),
    ...job.groups.filter((group) => groups.has(group.id)).map((group) => group.room),
  ]);
};

const covers = (job: Job, scope: Scope, at: At): boolean => {
  if (scope === 'job') return true;
  if ('room' in scope) return roomsOf(job, at).has(scope.room);
  if ('circuit' in scope)
    return (
      at.circuit === scope.circuit ||
      job.groups.some((one) => one.id === at.group && one.circuit === scope.circuit)
    );
  return at.box === scope.box;
};

/** A finding as the local authority judges it; the last amendment that covers it decides. */
export const amended = (job: Job, finding: Finding): Finding => {
  const own = job.amendments.filter(
    (one): one is Extract<Amendment, { kind: 'severity' }> =>
      one.kind === 'severity' && one.rule === finding.rule && covers(job, one.scope, finding.at),
  );
  const last = own.at(-1);
  return last ? { ...finding, severity: last.severity, amendment: last.note } : finding;
};

const scopeAt = (scope: Scope): At => (scope === 'job' ? {} : scope);

/** The rules of the local authority itself, each shown where it applies. */
export const ownRules = (job: Job): Finding[] =>
  job.amendments.flatMap((one): Finding[] =>
    one.kind === 'rule'
      ? [
          findingOf(
            {
              ...{ kind: 'local', rule: `local:${one.id}`, severity: one.severity, section: 'local' },
              // Nobody says when it is looked at: before the wall is closed it can still be met.
              ...{ at: scopeAt(one.scope), walk: 'roughIn', amendment: one.text },
            },
            { what: one.title, reason: one.text, remedy: 'As the local authority asks.' },
          ),
        ]
      : [],
  );
