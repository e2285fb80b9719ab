import type { PlannedChange } from '@amber/core';
import type { Subject } from '../../wiring/useSubject.js';
import { ChangeParts } from './ChangeParts.js';

/** Before and after of a chosen change, at the bench: what is opened, and each wire from where it is to where it goes. */
export const WhatChanges = ({ subject, change }: { subject: Subject; change: PlannedChange }) => (
  <div className="flex flex-col gap-2.5">
    <ChangeParts job={subject.job} wiring={subject.wiring} change={change} />
  </div>
);
