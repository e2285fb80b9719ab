import { CONTRACT } from '@amber/core';
import { picturePath } from '../parts/paths.js';
import { ask, mayComeBack, sayFailed } from './client.js';

const MOST_BYTES = 8 * 2 ** 20;

/** Pictures as they are shown, which the service worker answers from; and those that the server has not got yet, under the same addresses. */
const SHOWN = 'amber-pictures';
const TO_SEND = 'amber-pictures-to-send';

const hex = (bytes: ArrayBuffer): string =>
  [...new Uint8Array(bytes)].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/** Can this browser keep a picture by itself? On loopback and by TLS it can. */
const canKeep = (): boolean => typeof caches !== 'undefined' && typeof crypto.subtle !== 'undefined';

/** Keeps a picture here until the server can be reached. Null where there is no room, or no means. */
const keepHere = async (blob: Blob): Promise<string | null> => {
  if (!canKeep()) return null;
  try {
    const hash = hex(await crypto.subtle.digest('SHA-256', await blob.arrayBuffer()));
    for (const name of [TO_SEND, SHOWN])
      await (
        await caches.open(name)
      ).put(picturePath(hash), new Response(blob, { headers: { 'Content-Type': blob.type } }));
    return hash;
  } catch {
    return null;
  }
};

const send = (type: string, body: Blob) => ask(CONTRACT.keepPicture, { raw: { type, body } });

/**
 * Sends what is kept here. `away`: the server cannot be reached still. `refused`: why it takes some for good never, in sentences; these are shown by this browser alone, and
 * are not sent again.
 */
export const sendPictures = async (): Promise<{ away: boolean; refused: string[] }> => {
  const refused: string[] = [];
  if (!canKeep()) return { away: false, refused };
  const waiting = await caches.open(TO_SEND);
  for (const request of await waiting.keys()) {
    const kept = await waiting.match(request);
    if (!kept) continue;
    const blob = await kept.blob();
    const answer = await send(kept.headers.get('Content-Type') ?? blob.type, blob);
    if (answer.kind !== 'ok') {
      if (mayComeBack(answer)) return { away: true, refused };
      refused.push(sayFailed(answer));
    }
    await waiting.delete(request);
  }
  return { away: false, refused };
};

/**
 * Keeps a picture (8 MB at most) by what is in it: the key that it is shown by, or in a sentence what is wrong and how to mend it. Without a connection it is
 * kept in this browser, and sent before the record that shows it.
 */
export const keepPicture = async (
  file: File,
  type: string,
): Promise<{ ok: true; hash: string } | { ok: false; said: string }> => {
  if (file.size > MOST_BYTES)
    return { ok: false, said: `${file.name} is larger than 8 MB. Save it smaller.` };
  const blob = new Blob([file], { type });
  const answer = await send(type, blob);
  if (answer.kind === 'ok') return { ok: true, hash: answer.value.hash };
  const hash = mayComeBack(answer) ? await keepHere(blob) : null;
  return hash === null ? { ok: false, said: sayFailed(answer) } : { ok: true, hash };
};
