import { createHash } from 'node:crypto';
import { keepPicture, sendPictures } from '../src/server/pictures.js';
import { picturesGone } from '../src/store/picturesGone.js';
import { createStore } from '../src/store/store.js';
import { fakeServer, type Sent } from './support/server.js';

/** What a browser keeps answers in, by name and address. */
const fakeCaches = () => {
  const all = new Map<string, Map<string, Response>>();
  const open = (name: string) => {
    const kept = all.get(name) ?? new Map<string, Response>();
    all.set(name, kept);
    return Promise.resolve({
      put: (url: string, response: Response) => Promise.resolve(void kept.set(url, response)),
      match: (url: string) => Promise.resolve(kept.get(url)?.clone()),
      delete: (url: string) => Promise.resolve(kept.delete(url)),
      keys: () => Promise.resolve([...kept.keys()]),
    });
  };
  (globalThis as { caches?: unknown }).caches = { open };
  return { in: (name: string) => [...(all.get(name)?.keys() ?? [])] };
};

const bytes = Buffer.from('a picture of a box');
const file = new File([bytes], 'box.png', { type: 'image/png' });
const address = `/api/pictures/${createHash('sha256').update(bytes).digest('hex')}`;

let sent: Sent[];
let kept: ReturnType<typeof fakeCaches>;
beforeEach(() => {
  sent = fakeServer();
  kept = fakeCaches();
});
const turn = () => new Promise((resolve) => setTimeout(resolve, 10));

test('a picture without a connection is kept by what is in it, shown at once, and sent once when there is one', async () => {
  const keeping = keepPicture(file, 'image/png');
  sent[0]?.vanish();
  expect(await keeping).toEqual({ ok: true, hash: address.split('/').at(-1) });
  expect([kept.in('amber-pictures'), kept.in('amber-pictures-to-send')]).toEqual([[address], [address]]);
  const still = sendPictures();
  await turn();
  sent[1]?.vanish();
  expect(await still).toEqual({ away: true, refused: [] });
  const gone = sendPictures();
  await turn();
  sent[2]?.answer(201, { hash: 'a'.repeat(64) });
  expect(await gone).toEqual({ away: false, refused: [] });
  expect(kept.in('amber-pictures-to-send')).toEqual([]);
  await sendPictures();
  expect(sent).toHaveLength(3);
});

test('one that the server does not take is told, and what comes after it is not held up', async () => {
  const keeping = keepPicture(file, 'image/png');
  sent[0]?.vanish();
  await keeping;
  const store = createStore();
  const going = picturesGone(store.dispatch);
  await turn();
  sent[1]?.answer(422, { code: 'not-a-picture', message: 'It is no picture.', path: '' });
  expect(await going).toBe(true);
  expect(store.getState().notice.current).toMatchObject({
    tone: 'problem',
    text: 'A photograph was not kept. The server refused: It is no picture. Take it again.',
  });
  expect(kept.in('amber-pictures-to-send')).toEqual([]);
});

test('a picture that is too large is told before anything is sent', async () => {
  const large = new File([new Uint8Array(9 * 2 ** 20)], 'wall.png', { type: 'image/png' });
  expect(await keepPicture(large, 'image/png')).toEqual({
    ok: false,
    said: 'wall.png is larger than 8 MB. Save it smaller.',
  });
  expect(sent).toEqual([]);
});
