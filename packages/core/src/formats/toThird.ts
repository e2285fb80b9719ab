import { otherFacesOf, withFace, withFaceOfBefore } from './facesOfBefore.js';
import { eachOf, isRaw, listOf, type Raw } from './raw.js';

const isDevice = (article: unknown): article is Raw => isRaw(article) && article['kind'] === 'device';

/** The devices of wirings by their slot, the planned wiring first: what a slot of unknown article holds. */
const articlesBySlot = (document: Raw): Map<unknown, unknown> => {
  const wirings = listOf(document, 'wirings').filter(isRaw);
  const rank = (one: Raw) => (one['kind'] === 'planned' ? 0 : 1);
  const found = new Map<unknown, unknown>();
  for (const { wiring } of [...wirings].sort((a, b) => rank(a) - rank(b)))
    if (isRaw(wiring))
      for (const device of listOf(wiring, 'devices').filter(isRaw))
        if (!found.has(device['slot'])) found.set(device['slot'], device['article']);
  return found;
};

/**
 * To 3: where the screws of a device sit is said by its article. A slot whose screws sat otherwise gets an article of its own with
 * that face; where nobody has told which device it holds, it has to be picked again.
 */
export const toThird = (document: Raw): Raw => {
  const stock = listOf(document, 'stock');
  const bySlot = articlesBySlot(document);
  const articleIds = new Set(stock.filter(isRaw).map((one) => one['id']));
  /** Slots whose screws sat otherwise, with the article of before and the one that takes its place. */
  const turned = new Map<unknown, { before: unknown; now: string }>();
  for (const slot of listOf(document, 'slots').filter(isRaw)) {
    if (slot['screws'] !== 'otherwise') continue;
    const before = slot['article'] ?? bySlot.get(slot['id']);
    const device = stock.filter(isDevice).find((one) => one['id'] === before);
    if (!device || device['letter'] === null) continue;
    turned.set(slot['id'], { before, now: `${String(before)}-otherwise` });
  }
  const wanted = new Map([...turned.values()].map(({ before, now }) => [now, before]));
  const otherwise = [...wanted].flatMap(([now, before]) => {
    const device = stock.filter(isDevice).find((one) => one['id'] === before);
    if (!device || articleIds.has(now)) return [];
    const name = `${String(device['name']).slice(0, 150)}, screws otherwise`;
    return [withFace({ ...device, id: now, name }, 'otherwise')];
  });
  const faced = stock.map((article) => (isDevice(article) ? withFaceOfBefore(article) : article));
  const others = faced
    .filter(isDevice)
    .flatMap(otherFacesOf)
    .filter((one) => !articleIds.has(one['id']));
  const deviceOf = (device: Raw): Raw => {
    const turn = turned.get(device['slot']);
    return turn && turn.before === device['article'] ? { ...device, article: turn.now } : device;
  };
  return {
    ...document,
    ...(Array.isArray(document['stock']) ? { stock: [...faced, ...otherwise, ...others] } : {}),
    ...eachOf(document, 'slots', ({ screws, ...slot }) => {
      void screws;
      const turn = turned.get(slot['id']);
      return turn ? { ...slot, article: turn.now } : slot;
    }),
    ...eachOf(document, 'wirings', (one) => ({
      ...one,
      ...(isRaw(one['wiring'])
        ? { wiring: { ...one['wiring'], ...eachOf(one['wiring'], 'devices', deviceOf) } }
        : {}),
    })),
    format: 3,
  };
};
