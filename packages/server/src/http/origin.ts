import type { IncomingHttpHeaders } from 'node:http';
import type { RequestHandler } from 'express';
import { Refusal } from './problems.js';

/** Names under which a page of this machine may reach the server. */
const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);

const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** Is a host that was asked one of this machine? */
export const isLoopbackName = (host: string): boolean => LOOPBACK.has(nameOf(host));

/**
 * Does the browser say that a page from elsewhere sent it? Another port of the same machine is elsewhere too: any program may
 * serve a page there. The whole origin is compared with the host that was asked, as far as the browser names it.
 */
const isForeign = ({ host, origin, 'sec-fetch-site': site }: IncomingHttpHeaders): boolean => {
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true;
  if (origin === undefined) return false;
  return !URL.canParse(origin) || new URL(origin).host !== host?.toLowerCase();
};

/** A link from elsewhere may lead to a page; nothing from elsewhere may ask or change anything. */
const isLink = (method: string, path: string, { 'sec-fetch-mode': mode }: IncomingHttpHeaders): boolean =>
  method === 'GET' && mode === 'navigate' && !path.startsWith('/api/');

/**
 * Host and Origin are checked, so that a page from elsewhere cannot reach a server on loopback through the browser,
 * neither by a foreign form nor by a name that was pointed at 127.0.0.1. `allowed` names further hosts.
 */
export const checkOrigin = (allowed: readonly string[]): RequestHandler => {
  const known = (name: string) => LOOPBACK.has(name) || allowed.includes(name);
  return ({ headers, method, path }, _response, next) => {
    const { host } = headers;
    if (!host || !known(nameOf(host)))
      throw new Refusal(
        403,
        'foreign-host',
        `This server does not answer to the name "${host ?? ''}".`,
        'host',
      );
    if (isForeign(headers) && !isLink(method, path, headers))
      throw new Refusal(403, 'foreign-origin', 'A page from elsewhere may not use this server.', 'origin');
    next();
  };
};
