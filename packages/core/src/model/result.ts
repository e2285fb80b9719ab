/**
 * What may go wrong as a matter of course is a value, by one of four names; throwing is for misuse.
 *
 * - **Fault**: a document is not what it says it is. A path and a sentence (`formats/documents.ts`).
 * - **Problem**: what is asked cannot be done as it stands. A code with data; its words are found elsewhere (`planning/problem.ts`,
 *   and of a request to the server `wire/contract.ts`).
 * - **Refusal**: a wish that nothing meets, in words, with the reason and the way out (`plans/refusal.ts`).
 * - **Finding**: something is wrong with what is there. It is kept, judged and told (`code/rule.ts`).
 */
export type Result<T, P> = { ok: true; value: T } | { ok: false; problems: P[] };

export const success = <T>(value: T): { ok: true; value: T } => ({ ok: true, value });
export const failure = <P>(...problems: P[]): { ok: false; problems: P[] } => ({ ok: false, problems });
