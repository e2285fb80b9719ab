import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { Refusal } from './problems.js';

/** What one client, and what all of them, may ask at once. */
export interface Limits {
  /** Requests of one client in ten seconds. */
  perClient: number;
  /** Requests that are answered at the same time. */
  atOnce: number;
  /** Files of many megabytes that come in at the same time: each is held in memory. */
  largeAtOnce: number;
}

export const USUAL_LIMITS: Limits = { perClient: 6_000, atOnce: 300, largeAtOnce: 4 };

const WINDOW = 10_000;

export const limitEach = ({ perClient }: Limits): RequestHandler =>
  rateLimit({
    windowMs: WINDOW,
    limit: perClient,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    // The server stands behind no other by itself; whoever puts one before it limits there.
    validate: { xForwardedForHeader: false, forwardedHeader: false },
    handler: (_request, _response, next) =>
      next(
        new Refusal(
          429,
          'too-many',
          'This device asks too much at once. Wait ten seconds and try again.',
          '',
        ),
      ),
  });

/** Counts what is being answered, and refuses more than so much; what is refused may come again. */
const atOnce = (most: number): RequestHandler => {
  let going = 0;
  return (_request, response, next) => {
    if (going >= most) {
      response.setHeader('Retry-After', '2');
      throw new Refusal(503, 'busy', 'The server has more to do than it can. Try it again in a moment.', '');
    }
    going += 1;
    response.once('close', () => (going -= 1));
    next();
  };
};

export const limitAll = ({ atOnce: most }: Limits): RequestHandler => atOnce(most);
export const limitLarge = ({ largeAtOnce }: Limits): RequestHandler => {
  const limit = atOnce(largeAtOnce);
  return (request, response, next) => {
    if (request.method === 'GET') next();
    else limit(request, response, next);
  };
};
