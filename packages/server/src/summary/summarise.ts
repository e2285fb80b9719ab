import { summariseJob } from '@amber/core';
import { readPacked } from '../store/packed.js';

/** The summary of a stored document, as JSON; null where this program cannot read it. */
export const summariseDocument = (document: Uint8Array): string | null => {
  const read = readPacked(document);
  return read.ok ? JSON.stringify(summariseJob(read.job)) : null;
};

/** Works out summaries: in this thread, or in one of its own. */
export type Summarise = (document: Uint8Array) => Promise<string | null>;

export const summariseHere: Summarise = async (document) => {
  // Whoever asks for several lets others be served between them.
  await new Promise((resolve) => setImmediate(resolve));
  return summariseDocument(document);
};
