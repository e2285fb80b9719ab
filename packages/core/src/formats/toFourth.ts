import { isRaw, listOf, type Raw } from './raw.js';

/**
 * To 4: a job has one existing wiring. The first that it had is that one; any other was a second look, and is called found. What is new
 * beside it (which ends are only assumed, how a size was read, what a cable is made of) nobody had told, and has its defaults.
 */
export const toFourth = (document: Raw): Raw => {
  const wirings = listOf(document, 'wirings');
  const isExisting = (one: unknown): one is Raw => isRaw(one) && one['kind'] === 'existing';
  const first = wirings.find(isExisting);
  return {
    ...document,
    ...(Array.isArray(document['wirings'])
      ? {
          wirings: wirings.map((one) =>
            isExisting(one) && one !== first
              ? { ...one, kind: 'found', basedOn: one['basedOn'] ?? first?.['id'] ?? null }
              : one,
          ),
        }
      : {}),
    format: 4,
  };
};
