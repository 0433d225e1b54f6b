import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate } from 'selfsigned';

/** What a listener encrypts with. */
export interface Certificate {
  readonly key: string;
  readonly cert: string;
  /** What a phone has to trust first; nothing for a certificate that was given. */
  readonly authority: string | null;
}

/** A certificate that can’t be used: the message says why. */
export class BadCertificate extends Error {
  override readonly name = 'BadCertificate';
}

/** Days a made certificate lasts: phones take no longer ones from an authority of one’s own. Days before its end it is made anew. */
const [LASTS, RENEWED] = [800, 30] as const;
const DAY = 24 * 60 * 60 * 1000;

/**
 * A certificate given as files.
 * @throws BadCertificate
 */
export function givenCertificate(certFile: string, keyFile: string): Certificate {
  try {
    const [cert, key] = [readFileSync(certFile, 'utf8'), readFileSync(keyFile, 'utf8')];
    const end = new Date(new X509Certificate(cert).validTo);
    if (end.getTime() < Date.now()) {
      throw new BadCertificate(`The certificate in ${certFile} ended on ${end.toISOString().slice(0, 10)}.`);
    }
    return { key, cert, authority: null };
  } catch (error) {
    if (error instanceof BadCertificate) throw error;
    throw new BadCertificate(
      `The certificate can’t be read (${(error as Error).message}); expected --cert and --key with PEM files.`,
    );
  }
}

/**
 * A certificate for this machine’s names, made once and kept in a folder; made anew when the names are others or it ends
 * soon. It is signed by an authority whose key is thrown away at once: whoever trusts that trusts these names alone.
 * @param names host names and addresses it is opened by
 */
export async function madeCertificate(folder: string, names: ReadonlySet<string>): Promise<Certificate> {
  const file = join(folder, 'certificate.json');
  const kept = readKept(file);
  if (kept && vouchesFor(kept.cert, names)) return kept;
  const made = await make(names);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(`${file}.new`, JSON.stringify(made), { mode: 0o600 });
  renameSync(`${file}.new`, file);
  return made;
}

function readKept(file: string): Certificate | null {
  if (!existsSync(file)) return null;
  try {
    const { key, cert, authority } = JSON.parse(readFileSync(file, 'utf8'));
    return typeof key === 'string' && typeof cert === 'string' ? { key, cert, authority } : null;
  } catch {
    // Damaged: made anew.
    return null;
  }
}

function vouchesFor(cert: string, names: ReadonlySet<string>): boolean {
  try {
    const certificate = new X509Certificate(cert);
    const holds = (name: string) =>
      isIP(name) ? certificate.checkIP(name) !== undefined : certificate.checkHost(name) !== undefined;
    return (
      new Date(certificate.validTo).getTime() - Date.now() > RENEWED * DAY &&
      [...names].every((name) => holds(bare(name)))
    );
  } catch {
    return false;
  }
}

/** An address without the brackets it has in a link. */
const bare = (name: string): string => name.replace(/^\[|\]$/g, '');

async function make(names: ReadonlySet<string>): Promise<Certificate> {
  const now = Date.now();
  // A clock that is a little behind takes it too.
  const lasts = { notBeforeDate: new Date(now - DAY), notAfterDate: new Date(now + LASTS * DAY) };
  const authority = await generate([{ name: 'commonName', value: 'Warm Ladder in this studio' }], {
    ...lasts,
    keyType: 'ec',
    algorithm: 'sha256',
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, critical: true },
    ],
  });
  const own = await generate([{ name: 'commonName', value: 'Warm Ladder' }], {
    ...lasts,
    keyType: 'ec',
    algorithm: 'sha256',
    ca: { key: authority.private, cert: authority.cert },
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: [...names].map(bare).map((name) => (isIP(name) ? { type: 7, ip: name } : { type: 2, value: name })),
      },
    ],
  });
  return { key: own.private, cert: `${own.cert.trim()}\n${authority.cert.trim()}\n`, authority: authority.cert };
}
