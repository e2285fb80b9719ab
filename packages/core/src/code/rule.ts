import type { CableId } from '../model/ids.js';
import type { Job, Run } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { compile, type Compiled } from '../circuit/compile.js';
import { circuitsByCable, circuitsByNet, rolesOf, type Role } from '../circuit/roles.js';

/** violation, caution, or to be verified on site; unfinished where there is not enough to judge. */
export type Severity = 'violation' | 'caution' | 'verify' | 'unfinished';

/** Where a finding is, so that a screen can lead there. */
export interface At {
  circuit?: string;
  box?: string;
  cable?: string;
  device?: string;
  group?: string;
  /** A run that is asked for but not planned. */
  run?: Run;
}

export interface Finding {
  rule: string;
  severity: Severity;
  /** Section of the code, empty where the finding rests on the simulation or on the job itself. */
  section: string;
  at: At;
  title: string;
  reason: string;
  remedy: string;
}

/** What every rule reads: the job, the wiring, and what the simulator knows of it. */
export interface Inspected {
  job: Job;
  wiring: Wiring;
  compiled: Compiled;
  roles: readonly Role[];
  circuits: readonly ReadonlySet<string>[];
  /** The name of a box, or "the panel". */
  place: (id: string) => string;
  circuitsOfCable: (cable: CableId) => string[];
}

/** A rule gives findings as data; the words for them stand in the same file. */
export interface Rule {
  id: string;
  inspect: (inspected: Inspected) => Finding[];
}

/** What a check gives: data only. */
export interface Breach<T> {
  severity: Severity;
  at: At;
  data: T;
}

/** A title may begin with a place's name; it is a sentence all the same. */
const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Ties a check to its words, so that a check never composes text and the words never judge. */
export const defineRule = <T>(rule: {
  id: string;
  section: (edition: number) => string;
  check: (inspected: Inspected) => Breach<T>[];
  say: (data: T, inspected: Inspected) => { title: string; reason: string; remedy: string };
}): Rule => ({
  id: rule.id,
  inspect: (inspected) =>
    rule.check(inspected).map(({ severity, at, data }) => {
      const { title, reason, remedy } = rule.say(data, inspected);
      const section = rule.section(inspected.job.edition);
      return { rule: rule.id, severity, section, at, title: sentence(title), reason, remedy };
    }),
});

/** Prepares a wiring for inspection: compiles it once for all rules. */
export const inspectedOf = (job: Job, wiring: Wiring): Inspected => {
  const compiled = compile(wiring, job);
  const circuits = circuitsByNet(compiled);
  const byCable = circuitsByCable(wiring, job, compiled, circuits);
  return {
    job,
    wiring,
    compiled,
    roles: rolesOf(compiled),
    circuits,
    place: (id) => (id === 'panel' ? 'the panel' : (job.boxes.find((box) => box.id === id)?.name ?? id)),
    circuitsOfCable: (cable) => [...(byCable.get(cable) ?? [])],
  };
};
