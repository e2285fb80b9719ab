import { CONTRACT } from '@amber/core';
import { ask, sayFailed } from './client.js';

const MOST_BYTES = 8 * 2 ** 20;

/** Keeps a picture (8 MB at most) by what is in it: the key that it is shown by, or in a sentence what is wrong and how to mend it. */
export const keepPicture = async (
  file: File,
  type: string,
): Promise<{ ok: true; hash: string } | { ok: false; said: string }> => {
  if (file.size > MOST_BYTES)
    return { ok: false, said: `${file.name} is larger than 8 MB. Save it smaller.` };
  const answer = await ask(CONTRACT.keepPicture, { raw: { type, body: new Blob([file], { type }) } });
  return answer.kind === 'ok'
    ? { ok: true, hash: answer.value.hash }
    : { ok: false, said: sayFailed(answer) };
};
