import { readFileSync } from 'node:fs';
import express, { Router, type Request, type RequestHandler, type Response } from 'express';
import { CONTRACT, FILE_PATHS, type PairedDevice } from '@amber/core';
import { Refusal } from '../http/problems.js';
import { isLoopbackName } from '../http/origin.js';
import { answer } from '../http/route.js';
import type { DeviceStore } from '../store/devices.js';
import type { AccessCodes } from './codes.js';

/** How devices beyond this machine are let in; none, and the server answers loopback alone. */
export interface Sharing {
  codes: AccessCodes;
  /** File of a certificate that the program made for itself, to be trusted by devices. */
  certificate?: string;
}

const COOKIE = 'amber-device';
const YEAR = 365 * 24 * 3600;
const LOOPBACK = /^(127\.\d+\.\d+\.\d+|::1|::ffff:127\.\d+\.\d+\.\d+)$/;

/** Is it a page of this machine that asks? By the connection and by the name that was asked; something between the two that passes on requests is none. */
const isHere = ({ socket, headers }: Request): boolean =>
  LOOPBACK.test(socket.remoteAddress ?? '') &&
  isLoopbackName(headers.host ?? '') &&
  headers['x-forwarded-for'] === undefined &&
  headers.forwarded === undefined;

const tokenOf = ({ headers }: Request): string | null => {
  for (const one of (headers.cookie ?? '').split(';')) {
    const [name, value] = one.trim().split('=');
    if (name === COOKIE && value) return value;
  }
  return null;
};

/** What a field view may send: records, photographs, and what was practised. It reads all of a job and changes none of it. */
const FIELD = [/^\/jobs\/[^/]+\/records\/?$/, /^\/pictures\/?$/, /^\/practice\/?$/];
/** What it does not ask for either: who else was let in, and all of a job to be taken away, which names the state that goes. Routes do not mind the case. */
const NOT_FIELD = /^\/access\/devices|^\/jobs\/[^/]+\/shared\/?$/i;
const mayField = ({ method, path }: Request): boolean =>
  ['GET', 'HEAD'].includes(method)
    ? !NOT_FIELD.test(path)
    : method === 'POST' && FIELD.some((one) => one.test(path));

/** Who asks; null of a page of this machine. */
export const deviceOf = (response: Response): PairedDevice | null =>
  (response.locals['device'] as PairedDevice | undefined) ?? null;

/** What is asked before anybody is let in. */
const OPEN = /^\/(health|access\/(me|pair|certificate))\/?$/;

/** Lets in pages of this machine, and devices that were let in by a code; to whoever else it says how. */
export const guard = (devices: DeviceStore, sharing: Sharing | null): RequestHandler => {
  return async (request, response, next) => {
    // Where nobody is let in by a code, whoever reaches it through this machine is of it.
    if (sharing === null || isHere(request)) return next();
    const token = tokenOf(request);
    const device = token === null ? null : await devices.byToken(token);
    if (device) response.locals['device'] = device;
    if (OPEN.test(request.path)) return next();
    if (!device)
      throw new Refusal(
        401,
        'no-access',
        'This device was not let in, or was put out. Type the access code.',
        '',
      );
    if (device.role === 'field' && !mayField(request))
      throw new Refusal(
        403,
        'field-view',
        'This device has the field view: it ticks, records and photographs, and changes nothing else.',
        '',
      );
    next();
  };
};

/** Letting devices in by a code, listing them, putting them out. */
export const accessRoutes = (
  devices: DeviceStore,
  sharing: Sharing | null,
  /** Ends what a device that was put out still hears. */
  silence: (device: string) => void,
): Router => {
  const routes = Router();
  routes.use('/access', express.json({ limit: '4kb' }));
  answer(routes, CONTRACT.me, ({ http }) => {
    const device = http.res ? deviceOf(http.res) : null;
    const here = sharing === null || isHere(http);
    return {
      shared: sharing !== null,
      device: device?.name ?? null,
      role: here ? ('full' as const) : (device?.role ?? null),
      certificate: sharing?.certificate !== undefined,
    };
  });
  answer(routes, CONTRACT.pair, async ({ request: { code, name }, http }) => {
    if (!sharing)
      throw new Refusal(403, 'no-access', 'Nobody is let in here: start the program with --share.', '');
    const tried = await sharing.codes.try(code, http.socket.remoteAddress ?? '');
    if (tried.kind === 'wait')
      throw new Refusal(
        429,
        'too-many',
        `Too many wrong codes. Wait ${tried.seconds} seconds and try again.`,
        'code',
      );
    if (tried.kind === 'wrong')
      throw new Refusal(
        403,
        'wrong-code',
        'This is not the code that the program printed when it was started.',
        'code',
      );
    const { device, token } = await devices.pair(name, tried.role);
    http.res?.setHeader(
      'Set-Cookie',
      `${COOKIE}=${token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${YEAR}; Secure`,
    );
    return { name: device.name, role: device.role };
  });
  answer(routes, CONTRACT.devices, async () => ({ devices: await devices.list() }));
  answer(routes, CONTRACT.putOut, async ({ http }) => {
    const id = String(http.params['device']);
    if (!(await devices.putOut(id)))
      throw new Refusal(404, 'missing', 'There is no such device: it was put out already.', 'device');
    silence(id);
    return { ok: true as const };
  });
  routes.get(FILE_PATHS.certificate, (_request, response) => {
    if (!sharing?.certificate)
      throw new Refusal(404, 'missing', 'There is no certificate to be trusted.', '');
    response
      .attachment('amber-junction.crt')
      .type('application/x-x509-ca-cert')
      .send(readFileSync(sharing.certificate));
  });
  return routes;
};
