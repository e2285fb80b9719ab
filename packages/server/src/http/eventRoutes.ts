import { Router } from 'express';
import { FILE_PATHS, jobIdSchema, presentSchema } from '@amber/core';
import { deviceOf } from '../access/guard.js';
import { missing, Refusal } from './problems.js';
import type { JobWatch } from './watch.js';

/** What becomes of a job, as events that the server sends as long as the page listens. */
export const eventRoutes = (watch: JobWatch): Router => {
  const routes = Router();
  // Whatever was changed through this server is told at once.
  routes.use('/jobs', ({ method }, response, next) => {
    if (method !== 'GET') response.on('finish', () => void watch.look());
    next();
  });
  routes.get(FILE_PATHS.events, (request, response) => {
    const id = jobIdSchema.safeParse(request.params.id);
    if (!id.success) throw missing(request.params.id);
    const who = presentSchema.safeParse({ browser: '', called: '', ...request.query });
    if (!who.success)
      throw new Refusal(
        400,
        'bad-request',
        'Say which page listens: its name as editor, up to 60 signs.',
        'editor',
      );
    // A page goes on without it: what it misses it is told when it saves.
    if (watch.isFull)
      throw new Refusal(503, 'busy', 'So many pages listen that there is no room for one more.', '');
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      // Nothing on the way may hold it back or press it together.
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    });
    response.flushHeaders();
    watch.listen(id.data, who.data, response, deviceOf(response)?.id ?? null);
  });
  return routes;
};
