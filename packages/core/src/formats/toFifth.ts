import { isRaw, listOf, type Raw } from './raw.js';

const placesOf = (choice: Raw): Set<unknown> =>
  new Set(listOf(choice, 'runs').flatMap((run) => (isRaw(run) ? [run['from'], run['to']] : [])));

/** The luminaires that the existing wiring has on a wire or names an article of. */
export const hungIn = (wiring: Raw): Set<unknown> =>
  new Set([
    ...listOf(wiring, 'luminaires').flatMap((one) => (isRaw(one) ? [one['id']] : [])),
    ...listOf(wiring, 'landings').flatMap((one) => {
      const terminal = isRaw(one) ? one['terminal'] : null;
      return isRaw(terminal) && 'luminaire' in terminal ? [terminal['luminaire']] : [];
    }),
    ...listOf(wiring, 'joints').flatMap((joint) =>
      (isRaw(joint) ? listOf(joint, 'members') : []).flatMap((one) => {
        const lead = isRaw(one) ? one['lead'] : null;
        return isRaw(lead) && 'luminaire' in lead ? [lead['luminaire']] : [];
      }),
    ),
  ]);

/** A luminaire that is told of is there. Files of before could not say that another comes in its place. */
const withHung = (document: Raw, wiring: unknown): Raw => {
  if (!isRaw(wiring) || !Array.isArray(document['luminaires'])) return document;
  const hung = hungIn(wiring);
  return {
    ...document,
    luminaires: listOf(document, 'luminaires').map((one) =>
      isRaw(one) && hung.has(one['id']) ? { ...one, existing: true } : one,
    ),
  };
};

/**
 * To 5: an old cable that a plan takes out of its boxes is named by that plan, and stays in the list of what lies there. Files of before
 * dropped it from that list, while the existing wiring went on telling of it.
 */
export const toFifth = (before: Raw): Raw => {
  const existing = listOf(before, 'wirings').find((one) => isRaw(one) && one['kind'] === 'existing');
  const wiring = isRaw(existing) ? existing['wiring'] : null;
  const document = withHung(before, wiring);
  const lying = listOf(document, 'existingCables');
  const known = new Set(lying.flatMap((one) => (isRaw(one) ? [one['id']] : [])));
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
