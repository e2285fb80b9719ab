import { listed } from '../words/lists.js';
import type { Bite } from './bites.js';

/** Sentences that differ in their middle alone as one: "the metal of Ridge 1 and Ridge 2 would not be grounded". */
const merged = (sentences: readonly string[]): string => {
  const [first = [], ...others] = sentences.map((one) => one.split(' '));
  const isSame = (at: (words: readonly string[]) => string | undefined) =>
    others.every((one) => at(one) === at(first));
  const shortest = Math.min(first.length, ...others.map(({ length }) => length));
  let [start, end] = [0, 0];
  while (start < shortest && isSame((words) => words[start])) start++;
  while (end < shortest - start && isSame((words) => words[words.length - 1 - end])) end++;
  if (others.length === 0) return first.join(' ');
  const middles = [first, ...others].map((one) => one.slice(start, one.length - end).join(' '));
  return [
    ...first.slice(0, start),
    listed(middles.filter((one) => one !== '')),
    ...first.slice(first.length - end),
  ].join(' ');
};

/** Dangers of one kind that the same mistake brings, as one: a ground that slips out leaves all beyond it ungrounded. */
export const bitesTogether = (bites: readonly Bite[]): Bite[] => {
  const groups = new Map<string, Bite[]>();
  for (const bite of bites) {
    const key = JSON.stringify([bite.kind, bite.example]);
    groups.set(key, [...(groups.get(key) ?? []), bite]);
  }
  return [...groups.values()].flatMap((group) => {
    const [first] = group;
    if (!first) return [];
    return [
      {
        ...first,
        what: merged(group.map(({ what }) => what)),
        mistakes: Math.max(...group.map(({ mistakes }) => mistakes)),
      },
    ];
  });
};
