import { isRaw, listOf, type Raw } from './raw.js';

const placesOf = (choice: Raw): Set<unknown> =>
  new Set(listOf(choice, 'runs').flatMap((run) => (isRaw(run) ? [run['from'], run['to']] : [])));

/**
 * To 5: an old cable that a plan takes out of its boxes is named by that plan, and stays in the list of what lies there. Files of before
 * dropped it from that list, while the existing wiring went on telling of it.
 */
export const toFifth = (document: Raw): Raw => {
  const lying = listOf(document, 'existingCables');
  const known = new Set(lying.flatMap((one) => (isRaw(one) ? [one['id']] : [])));
  const existing = listOf(document, 'wirings').find((one) => isRaw(one) && one['kind'] === 'existing');
  const wiring = isRaw(existing) ? existing['wiring'] : null;
  const dropped = (isRaw(wiring) ? listOf(wiring, 'cables') : []).filter(
    (one): one is Raw => isRaw(one) && !known.has(one['id']) && one['to'] !== 'place~unknown',
  );
  const choices = listOf(document, 'choices').filter(isRaw);
  const given = dropped.flatMap((cable) => {
    const choice = choices.find((one) => {
      const places = placesOf(one);
      return places.has(cable['from']) || places.has(cable['to']);
    });
    return choice ? [{ cable, choice }] : [];
  });
  if (given.length === 0) return { ...document, format: 5 };
  return {
    ...document,
    existingCables: [
      ...lying,
      ...given.map(({ cable: { id, article, from, to, length, via }, choice }) => ({
        ...{ id, article, length: length ?? null, via: via ?? [] },
        ...{ circuit: choice['circuit'], between: [from, to] },
      })),
    ],
    choices: choices.map((one) => {
      const mine = given.filter(({ choice }) => choice === one).map(({ cable }) => cable['id']);
      return mine.length === 0 ? one : { ...one, givenUp: mine };
    }),
    format: 5,
  };
};
