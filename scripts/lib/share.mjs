import { randomInt } from 'node:crypto';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { certificateIn } from './certificate.mjs';
import { portIsFree } from './process.mjs';
import { say, Stop } from './say.mjs';

/** Signs that nobody takes for another. */
const SIGNS = 'ABCDEFGHJKMNPQRSTVWXYZ23456789';

const isLoopback = (host) => host === '::1' || host.startsWith('127.');

/** Is it asked for that other devices come in? By `--share`, or by an address in HOST; a HOST that is a name is what many shells set. */
export const shareAsked = () => {
  const host = process.env.HOST ?? '';
  const address = isIP(host) !== 0 && !isLoopback(host) ? host : null;
  return process.argv.includes('--share') || address !== null ? (address ?? '0.0.0.0') : null;
};

const newCode = () =>
  Array.from({ length: 2 }, () =>
    Array.from({ length: 4 }, () => SIGNS[randomInt(SIGNS.length)]).join(''),
  ).join('-');

/** Addresses of this machine in the networks that it is in. */
const addresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter((one) => one && !one.internal && one.family === 'IPv4')
    .map(({ address }) => address);

/** What the server is told so that other devices may come in, and what is printed for whoever lets them in. */
export const openShare = async (folder, port) => {
  const host = shareAsked();
  const sharePort = Number(process.env.SHARE_PORT ?? port + 1);
  if (!(await portIsFree(sharePort)))
    throw new Stop(
      `Port ${sharePort}, at which other devices come in, is taken by another program.`,
      `Choose another: SHARE_PORT=${sharePort + 1} npm start -- --share`,
    );
  const there = host === '0.0.0.0' ? addresses() : [host];
  if (there.length === 0)
    throw new Stop(
      'This machine is in no network, so that no other device can come in.',
      'Connect it, or start without --share.',
    );
  const names = [...there, hostname().toLowerCase(), 'localhost', '127.0.0.1'];
  const { cert, key, selfMade } = await certificateIn(folder, names);
  const codes = { full: newCode(), field: newCode() };
  return {
    env: {
      SHARE_HOST: host,
      SHARE_PORT: String(sharePort),
      ACCESS_CODE: codes.full,
      ACCESS_CODE_FIELD: codes.field,
      TLS_CERT: cert,
      TLS_KEY: key,
      ...(selfMade ? { TLS_SELF_MADE: '1' } : {}),
      ALLOWED_HOSTS: [process.env.ALLOWED_HOSTS, ...there, hostname().toLowerCase()]
        .filter(Boolean)
        .join(','),
    },
    print: async () => {
      const { default: qrcode } = await import('qrcode');
      const [address] = there.map((one) => `https://${one}:${sharePort}`);
      say(`\nOther devices come in at ${there.map((one) => `https://${one}:${sharePort}`).join(' or ')}`);
      say(`  with the code ${codes.full}, or for ticks, records and photographs alone ${codes.field}.`);
      say(
        '  Both hold until the program is stopped; a device that was let in stays so until it is put out (under Devices).',
      );
      if (selfMade)
        say(
          '  The device warns of the certificate once, as this program made it for itself: on the page that asks for the code it can be had, to be trusted for good.',
        );
      say(await qrcode.toString(`${address}/#code=${codes.full}`, { type: 'terminal', small: true }));
    },
  };
};
