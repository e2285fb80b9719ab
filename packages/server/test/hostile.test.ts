import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync, mkdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { jest } from '@jest/globals';
import fc from 'fast-check';
import { USUAL_LIMITS } from '../src/http/limits.js';
import { checkStore, createApp, storesOn } from '../src/index.js';
import { emptyJob, ownSource } from './support/api.js';
import { anyHostile, answersTo } from './support/hostile.js';

/** As many as the long run asks for. */
const REQUESTS = Number(process.env['HOSTILE_REQUESTS'] ?? 1_500);

test(
  `what clients do wrong is told to them: of ${REQUESTS} hostile requests none is answered with a fault of the server`,
  async () => {
    const { source, drop } = await ownSource('amber_hostile_test');
    const webRoot = mkdtempSync(join(tmpdir(), 'amber-web-'));
    mkdirSync(join(webRoot, 'assets'));
    writeFileSync(join(webRoot, 'index.html'), '<!doctype html>');
    writeFileSync(join(webRoot, 'assets', 'here.js'), 'x');
    const silent = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    try {
      const stores = storesOn(source);
      await stores.store.create(emptyJob('fuzz-job'), randomUUID());
      const app = createApp({
        ...{ ...stores, webRoot },
        // All of them come from here.
        limits: { ...USUAL_LIMITS, perClient: 1e9 },
      });
      const { answered, failed } = await answersTo(
        app,
        fc.sample(anyHostile, { seed: 2203, numRuns: REQUESTS }),
      );
      expect(
        failed
          .slice(0, 3)
          .map(({ asked, status }) => ({ status, ...asked, body: asked.body.toString().slice(0, 300) })),
      ).toEqual([]);
      expect(answered).toBeGreaterThan(REQUESTS * 0.9);
      // What was kept is whole, and the server goes on.
      expect(await checkStore(source)).toEqual([]);
      const { store } = stores;
      if (!(await store.isThere('fuzz-job'))) await store.restore('fuzz-job');
      expect((await store.open('fuzz-job')).kind).toBe('open');
    } finally {
      silent.mockRestore();
      rmSync(webRoot, { recursive: true });
      await drop();
    }
  },
  REQUESTS * 20,
);
