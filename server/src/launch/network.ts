import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { toString as qrCode } from 'qrcode';
import { generate } from 'selfsigned';

/** Days that a certificate is made for: telephones refuse those that last longer than 825. */
const DAYS = 820;
/** Days before its end at which it is made anew. */
const RENEW = 30;
const DAY = 86_400_000;

const LOOPBACK = /^(localhost|127(\.\d+){3}|::1)$/;
export const isLoopback = (host: string) => LOOPBACK.test(host);

/** The addresses at which telephones of the same network find this machine when it listens on `host`. */
export function networkAddresses(host: string): string[] {
  if (isLoopback(host)) return [];
  if (host !== '0.0.0.0' && host !== '::') return [host];
  return Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((entry) => !entry.internal && entry.family === 'IPv4')
    .map((entry) => entry.address);
}

export interface Certificate {
  cert: string;
  key: string;
  /** What the browser shows of it, so that a person can compare. */
  fingerprint: string;
}

/** The certificate of this house for these addresses: made by itself, kept, and made anew when it ends or an address is new. */
export async function houseCertificate(folder: string, addresses: readonly string[], now: Date): Promise<Certificate> {
  const [certFile, keyFile] = [join(folder, 'cert.pem'), join(folder, 'key.pem')];
  const names = [...new Set([...addresses, hostname(), 'localhost', '127.0.0.1'])];
  if (existsSync(certFile) && existsSync(keyFile)) {
    const cert = readFileSync(certFile, 'utf8');
    if (covers(cert, names, now)) return told(cert, readFileSync(keyFile, 'utf8'));
  }
  const made = await generate([{ name: 'commonName', value: 'Aspecta of this workshop' }], {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    notBeforeDate: new Date(now.getTime() - DAY),
    notAfterDate: new Date(now.getTime() + DAYS * DAY),
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'keyUsage', digitalSignature: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((name) =>
          isIP(name) ? { type: 7 as const, ip: name } : { type: 2 as const, value: name },
        ),
      },
    ],
  });
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(keyFile, made.private, { mode: 0o600 });
  writeFileSync(certFile, made.cert);
  return told(made.cert, made.private);
}

function covers(pem: string, names: readonly string[], now: Date): boolean {
  try {
    const cert = new X509Certificate(pem);
    const lasts = new Date(cert.validTo).getTime() > now.getTime() + RENEW * DAY;
    return lasts && names.every((name) => (isIP(name) ? cert.checkIP(name) : cert.checkHost(name)) !== undefined);
  } catch {
    return false;
  }
}

const told = (cert: string, key: string): Certificate => ({
  cert,
  key,
  fingerprint: new X509Certificate(cert).fingerprint256,
});

/** What is said to the person who wants telephones at the car to reach the shop. */
export async function phoneText(
  addresses: readonly string[],
  port: number,
  tls: { port: number; fingerprint: string },
): Promise<string> {
  const [first] = addresses;
  if (first === undefined)
    return 'This machine is in no network at present, so no telephone can reach it; connect it and start again.';
  const secure = addresses.map((address) => `https://${bracketed(address)}:${tls.port}`);
  return [
    `Telephones in this network: ${secure.join('  or  ')}`,
    await qrCode(secure[0]!, { type: 'terminal', small: true }),
    'The browser warns once, because the certificate is the shop’s own. Its SHA-256 fingerprint:',
    `  ${tls.fingerprint}`,
    `Without https: http://${bracketed(first)}:${port} – everything is stored, but what is typed can be read by others in the`,
    'network, the screen goes dark in bench mode, and the page can be neither installed nor opened without network.',
  ].join('\n');
}

const bracketed = (address: string) => (isIP(address) === 6 ? `[${address}]` : address);
