import type { RequestHandler } from 'express';
/**
 * Host and Origin are checked, so that a page from elsewhere cannot reach a server on loopback through the browser,
 * neither by a foreign form nor by a name that was pointed at 127.0.0.1. `allowed` names further hosts.
 */
export declare const checkOrigin: (allowed: readonly string[]) => RequestHandler;
