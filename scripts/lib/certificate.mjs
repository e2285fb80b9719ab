import { randomBytes, webcrypto, X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { Stop } from './say.mjs';

const DAY = 24 * 3_600_000;
/** Days for which a certificate that the program makes for itself holds, and how long before its end it makes another. */
const HOLDS = 730;
const BEFORE = 30;

/** Does a certificate hold for all these names, and for some time yet? */
const holdsFor = (file, names) => {
  if (!existsSync(file)) return false;
  try {
    const certificate = new X509Certificate(readFileSync(file));
    return (
      new Date(certificate.validTo).getTime() > Date.now() + BEFORE * DAY &&
      names.every((name) => (isIP(name) ? certificate.checkIP(name) : certificate.checkHost(name)))
    );
  } catch {
    // Cut by a full disk, or no certificate at all: another is made.
    return false;
  }
};

/** One value of a certificate: its tag, its length, what is in it. */
const der = (tag, ...parts) => {
  const content = Buffer.concat(parts.map((part) => Buffer.from(part)));
  const length = content.length < 128 ? [content.length] : [0x82, content.length >> 8, content.length & 0xff];
  return Buffer.concat([Buffer.from([tag, ...length]), content]);
};

const SEQUENCE = 0x30;
const NAME_CONSTRAINTS = '2.5.29.30';

/** The names that it may vouch for, as RFC 5280, 4.2.1.10, writes them: of an address all of its bits, and of a name itself. */
const onlyFor = (names) =>
  der(
    SEQUENCE,
    der(
      0xa0,
      ...names.map((name) =>
        der(
          SEQUENCE,
          isIP(name)
            ? der(0x87, [...name.split('.').map(Number), 255, 255, 255, 255])
            : der(0x82, Buffer.from(name)),
        ),
      ),
    ),
  );

const pem = (label, bytes) =>
  `-----BEGIN ${label}-----\n${Buffer.from(bytes)
    .toString('base64')
    .replace(/(.{64})/g, '$1\n')
    .trim()}\n-----END ${label}-----\n`;

/**
 * A certificate for these names and addresses (IPv4), and its key, as PEM. A device that trusts it trusts whoever has the key: so it vouches for these names and for no
 * others, and what else were signed by it would be refused.
 */
export const makeCertificate = async (names) => {
  await import('reflect-metadata');
  const x509 = await import('@peculiar/x509');
  x509.cryptoProvider.set(webcrypto);
  const algorithm = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
  const keys = await webcrypto.subtle.generateKey(algorithm, true, ['sign', 'verify']);
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: `00${randomBytes(15).toString('hex')}`,
    name: 'CN=Amber Junction on this machine',
    notBefore: new Date(Date.now() - DAY),
    notAfter: new Date(Date.now() + HOLDS * DAY),
    signingAlgorithm: algorithm,
    keys,
    extensions: [
      // A device that is to trust it by itself wants one that may stand at the top.
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature | x509.KeyUsageFlags.keyCertSign, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((name) => ({ type: isIP(name) ? 'ip' : 'dns', value: name })),
      ),
      new x509.Extension(NAME_CONSTRAINTS, true, onlyFor(names)),
    ],
  });
  return {
    certificate: certificate.toString('pem'),
    key: pem('PRIVATE KEY', await webcrypto.subtle.exportKey('pkcs8', keys.privateKey)),
  };
};

/** The files of TLS: those that TLS_CERT and TLS_KEY name, or one that the program makes for itself and keeps in a data folder. */
export const certificateIn = async (folder, names) => {
  const { TLS_CERT: cert, TLS_KEY: key } = process.env;
  if (cert || key) {
    for (const [name, file] of [
      ['TLS_CERT', cert],
      ['TLS_KEY', key],
    ])
      if (!file || !existsSync(file))
        throw new Stop(
          `${name} names no file: ${file ?? '(nothing)'}.`,
          'Name both files, or neither: then the program makes its own.',
        );
    return { cert, key, selfMade: false };
  }
  const home = join(folder, 'share');
  mkdirSync(home, { recursive: true, mode: 0o700 });
  const files = { cert: join(home, 'certificate.pem'), key: join(home, 'key.pem'), selfMade: true };
  if (!existsSync(files.key) || !holdsFor(files.cert, names)) {
    const made = await makeCertificate(names);
    writeFileSync(files.key, made.key, { mode: 0o600 });
    writeFileSync(files.cert, made.certificate);
  }
  return files;
};
