import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import type { generate as Generate } from 'selfsigned';

/** In PEM format. */
export interface KeyPair {
  readonly cert: string;
  readonly key: string;
}

const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** What phones accept at most of a certificate whose authority was put on by hand. */
const SERVER_DAYS = 800;
/** One that ends sooner is made anew. */
const RENEW_DAYS = 30;

/**
 * The venue's own authority and the certificate of its server, in files that only their owner reads. Made where they are
 * not there; the certificate again where it is about to end or lacks one of the names. What phones trust is the
 * authority, so that a new certificate asks nothing of them.
 *
 * @param names host names and addresses by which the server is called
 * @throws Error where the files cannot be read or written
 */
export async function ownCertificate(
  folder: string,
  names: readonly string[],
  now: Date,
): Promise<KeyPair & { readonly authority: string }> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority = stored(folder, 'authority') ?? keep(folder, 'authority', await newAuthority(now));
  const own = stored(folder, 'server');
  const good = own && isGood(own, authority, names, now);
  const server = good ? own : keep(folder, 'server', await newCertificate(authority, names, now));
  return { ...server, authority: authority.cert };
}

function newAuthority(now: Date): Promise<KeyPair> {
  return made(`Joy Lap authority ${now.toISOString().slice(0, 10)}`, now, AUTHORITY_DAYS, {
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
}

function newCertificate(authority: KeyPair, names: readonly string[], now: Date): Promise<KeyPair> {
  const altNames = names.map((name) =>
    isIP(name) ? ({ type: 7, ip: name } as const) : ({ type: 2, value: name } as const),
  );
  return made('Joy Lap', now, SERVER_DAYS, {
    ca: authority,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames },
    ],
  });
}

type Options = NonNullable<Parameters<typeof Generate>[1]>;

async function made(name: string, now: Date, days: number, more: Options): Promise<KeyPair> {
  // Read only where one is made, which is once in two years or so.
  const { generate } = await import('selfsigned');
  const { cert, private: key } = await generate([{ name: 'commonName', value: name }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    // A phone's clock may be a little behind.
    notBeforeDate: new Date(now.getTime() - DAY_MS),
    notAfterDate: new Date(now.getTime() + days * DAY_MS),
    ...more,
  });
  return { cert, key };
}

function isGood(own: KeyPair, authority: KeyPair, names: readonly string[], now: Date): boolean {
  const [certificate, issuer] = [new X509Certificate(own.cert), new X509Certificate(authority.cert)];
  return (
    certificate.verify(issuer.publicKey) &&
    Date.parse(certificate.validTo) - now.getTime() > RENEW_DAYS * DAY_MS &&
    names.every((name) => (isIP(name) ? certificate.checkIP(name) : certificate.checkHost(name)) !== undefined)
  );
}

function stored(folder: string, name: string): KeyPair | undefined {
  const [cert, key] = [join(folder, `${name}.crt`), join(folder, `${name}.key`)];
  if (!existsSync(cert) || !existsSync(key)) return undefined;
  return { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') };
}

function keep(folder: string, name: string, pair: KeyPair): KeyPair {
  writeFileSync(join(folder, `${name}.key`), pair.key, { mode: 0o600 });
  writeFileSync(join(folder, `${name}.crt`), pair.cert);
  return pair;
}
