import express, { Router } from 'express';
import { CONTRACT, FILE_PATHS, jobIdSchema } from '@amber/core';
import { packShared, readShared, SHARED_BYTES, SharedFault } from '../share/sharedFile.js';
import type { ShareStore } from '../share/shareStore.js';
import { fileName } from './fileName.js';
import { missing, Refusal } from './problems.js';
import { answer } from './route.js';

/** A job with its pictures and records as one file, out and in. */
export const shareRoutes = (shares: ShareStore): Router => {
  const routes = Router();
  routes.get(FILE_PATHS.shared, async (request, response) => {
    const id = jobIdSchema.safeParse(request.params.id);
    const shared = id.success ? await shares.give(id.data) : null;
    if (!shared) throw missing(request.params.id);
    response.attachment(fileName(shared.job.name, 'zip')).type('application/zip').send(packShared(shared));
  });
  routes.use('/shared-jobs', express.raw({ limit: SHARED_BYTES, type: 'application/zip' }));
  answer(
    routes,
    CONTRACT.takeIn,
    async ({ http }) => {
      const bytes: unknown = http.body;
      if (!Buffer.isBuffer(bytes))
        throw new Refusal(415, 'not-a-file', 'Send the file as application/zip.', '');
      try {
        return await shares.takeIn(readShared(bytes));
      } catch (error) {
        if (error instanceof SharedFault)
          throw new Refusal(422, 'not-a-file', error.message, error.faults[0]?.path ?? '', {
            faults: error.faults,
          });
        throw error;
      }
    },
    { status: 201 },
  );
  return routes;
};
