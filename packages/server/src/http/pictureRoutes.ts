import express, { Router } from 'express';
import { CONTRACT, FILE_PATHS } from '@amber/core';
import type { PictureStore } from '../store/pictures.js';
import { Refusal } from './problems.js';
import { answer } from './route.js';
import { svgFault } from './svgBounds.js';

const LIMIT = '8mb';

/** Is the file what it says it is? By its first bytes; an SVG is text with an svg element near its beginning. */
const SIGNS: Record<string, (bytes: Buffer) => boolean> = {
  'image/png': (bytes) => bytes.subarray(0, 8).toString('hex') === '89504e470d0a1a0a',
  'image/jpeg': (bytes) => bytes.subarray(0, 3).toString('hex') === 'ffd8ff',
  'image/svg+xml': (bytes) => /<svg[\s>]/.test(bytes.subarray(0, 4096).toString('utf8')),
};

/** Pictures that lie under a plan: SVG, PNG or JPEG, up to 8 MB, named by the SHA-256 of their bytes. */
export const pictureRoutes = (pictures: PictureStore): Router => {
  const routes = Router();
  routes.use('/pictures', express.raw({ limit: LIMIT, type: Object.keys(SIGNS) }));

  answer(
    routes,
    CONTRACT.keepPicture,
    async ({ http }) => {
      const type = http.headers['content-type']?.split(';')[0]?.trim() ?? '';
      const bytes: unknown = http.body;
      const looksRight = SIGNS[type];
      if (!looksRight || !Buffer.isBuffer(bytes))
        throw new Refusal(415, 'not-a-picture', 'Send an SVG, a PNG or a JPEG.', 'content-type');
      if (!looksRight(bytes))
        throw new Refusal(422, 'not-a-picture', `The file is not what it says it is, ${type}.`, '');
      const fault = type === 'image/svg+xml' ? svgFault(bytes.toString('utf8')) : null;
      if (fault) throw new Refusal(422, 'not-a-picture', `This picture is not taken. ${fault}`, '');
      return { hash: await pictures.keep(type, bytes) };
    },
    { status: 201 },
  );

  routes.get(FILE_PATHS.picture, async (request, response) => {
    const { hash } = request.params;
    const found = /^[0-9a-f]{64}$/.test(hash) ? await pictures.find(hash) : null;
    if (!found) throw new Refusal(404, 'missing', `There is no picture ${hash}.`, 'hash');
    response
      .type(found.type)
      // An SVG may hold a script; opened by itself, it is not to run here.
      .setHeader('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox")
      .setHeader('Cache-Control', 'public, max-age=31536000, immutable')
      .send(found.bytes);
  });

  return routes;
};
