import { jest } from '@jest/globals';

/** A busy machine takes its time: a test that hangs is found all the same. */
jest.setTimeout(60_000);
