import { findingKey, isGrave, type Finding } from '@amber/core';

/** Findings that stand for themselves, and those that most likely go with one of them, by its key. */
export const foldedOf = (
  findings: readonly Finding[],
): { roots: Finding[]; following: ReadonlyMap<string, readonly Finding[]> } => {
  const keys = new Set(findings.map(findingKey));
  const following = new Map<string, Finding[]>();
  const roots = findings.filter((one) => {
    if (one.follows === null || !keys.has(one.follows)) return true;
    following.set(one.follows, [...(following.get(one.follows) ?? []), one]);
    return false;
  });
  return { roots, following };
};

/** Findings that differ in their place alone: from two on they are told once, with their places. */
export const alikeOf = (findings: readonly Finding[]): { alike: Finding[][]; single: Finding[] } => {
  const groups = new Map<string, Finding[]>();
  for (const one of findings) {
    const key = JSON.stringify([one.rule, one.severity, one.reason, one.remedy, one.amendment, one.builtBy]);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  const alike = [...groups.values()].filter((group) => group.length > 1);
  return { alike, single: findings.filter((one) => !alike.some((group) => group.includes(one))) };
};

/** What is wrong at all of them, where it is said in the same words; null where it is not. */
export const commonWhat = (group: readonly Finding[]): string | null => {
  const [first, ...others] = group;
  const isCommon =
    first && first.where !== null && others.every(({ where, what }) => where !== null && what === first.what);
  return isCommon ? first.what : null;
};

/** Which groups are told before what stands alone, and which after: nothing milder comes before what is grave. */
export const inOrder = (
  alike: readonly Finding[][],
  single: readonly Finding[],
): { first: Finding[][]; last: Finding[][] } => {
  if (!single.some(isGrave)) return { first: [...alike], last: [] };
  return {
    first: alike.filter((group) => group.some(isGrave)),
    last: alike.filter((group) => !group.some(isGrave)),
  };
};
