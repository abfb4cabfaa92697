import { createCA, createCert } from 'mkcert';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const CA_DAYS = 3650;
/** Phones refuse one that is good for longer than 398 days (CA/Browser Forum, Baseline Requirements 6.3.2). */
const CERT_DAYS = 365;

/**
 * A certificate for some addresses, signed by an authority of this workshop's
 * own, which is made once and kept: a phone that trusts it takes later
 * certificates too.
 *
 * @returns the files: the authority for the phones, certificate and key for the server
 */
export async function makeCertificate(
  dir: string,
  hosts: readonly string[],
): Promise<{ readonly ca: string; readonly cert: string; readonly key: string }> {
  const path = (name: string) => join(dir, name);
  const [ca, caKey] = [path('authority.pem'), path('authority.key')];
  if (!existsSync(ca) || !existsSync(caKey)) {
    const made = await createCA({
      organization: 'Workshop',
      countryCode: 'XX',
      state: 'Workshop',
      locality: 'Workshop',
      validity: CA_DAYS,
    });
    writeFileSync(ca, made.cert);
    writeFileSync(caKey, made.key, { mode: 0o600 });
  }
  const signed = await createCert({
    ca: { cert: readFileSync(ca, 'utf8'), key: readFileSync(caKey, 'utf8') },
    domains: [...hosts],
    validity: CERT_DAYS,
  });
  const [cert, key] = [path('server.pem'), path('server.key')];
  writeFileSync(cert, signed.cert);
  writeFileSync(key, signed.key, { mode: 0o600 });
  return { ca, cert, key };
}
