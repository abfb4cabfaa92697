import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer, get } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeCertificate } from './certificate';

const dir = mkdtempSync(join(tmpdir(), 'brook-certificate-'));
afterAll(() => rmSync(dir, { recursive: true }));

/** Ask over TLS, trusting one authority. */
const ask = (port: number, host: string, ca: string) =>
  new Promise<string>((resolve, reject) => {
    get({ host: '127.0.0.1', port, servername: host, ca: readFileSync(ca), path: '/' }, (res) => {
      res.setEncoding('utf8').on('data', resolve);
    }).on('error', reject);
  });

test('whoever trusts the authority trusts the server under its name, and under no other', async () => {
  const { ca, cert, key } = await makeCertificate(dir, ['workshop.local', '127.0.0.1']);
  const server = createServer({ cert: readFileSync(cert), key: readFileSync(key) }, (_, res) =>
    res.end('there'),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  try {
    expect(await ask(port, 'workshop.local', ca)).toBe('there');
    await expect(ask(port, 'elsewhere.local', ca)).rejects.toThrow(/does not match/);
    expect(statSync(key).mode & 0o077).toBe(0);
    const days = Date.parse(new X509Certificate(readFileSync(cert)).validTo) - Date.now();
    expect(Math.round(days / 86_400_000)).toBeLessThanOrEqual(398);
    expect(new X509Certificate(readFileSync(cert)).checkIP('127.0.0.1')).toBe('127.0.0.1');
    // Made again for another address, the phones need nothing new.
    const before = readFileSync(ca, 'utf8');
    await makeCertificate(dir, ['other.local']);
    expect(readFileSync(ca, 'utf8')).toBe(before);
  } finally {
    server.close();
  }
});
