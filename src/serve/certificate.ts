import { X509Certificate } from 'node:crypto';
import { chmod, mkdir, readFile, writeFile } from 'node:fs/promises';
import { hostname, networkInterfaces } from 'node:os';
import path from 'node:path';
import { createCA, createCert } from 'mkcert';

/** The certificate of the bench's door: signed by an authority of this house alone, whose root a phone may install. */
export interface BenchCertificate {
  key: string;
  cert: string;
  root: string;
}

/** Addresses and names under which this computer is found in its own network. */
export function localNames(): string[] {
  const addresses = Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);
  const name = hostname().toLowerCase();
  return [...new Set([...addresses, name, `${name.replace(/\.local$/, '')}.local`])];
}

/** Where it is kept, for this computer's own user alone. */
export const BENCH_FOLDER = path.join(process.cwd(), '.data', 'bench');

const ROOT_DAYS = 3650;
/** Phones refuse certificates of more than 825 days. */
const CERT_DAYS = 397;
const RENEW_DAYS = 30;
const A_DAY = 86_400_000;

/** Reads the certificate, or makes it: where there is none, where it runs out, or where this computer is called otherwise by now. */
export async function benchCertificate(folder: string, names: readonly string[]): Promise<BenchCertificate> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const read = (name: string) => readFile(path.join(folder, name), 'utf8').catch(() => null);
  const keep = async (name: string, text: string) => {
    await writeFile(path.join(folder, name), text, { mode: 0o600 });
    await chmod(path.join(folder, name), 0o600);
  };
  let [rootKey, root] = await Promise.all([read('root.key'), read('root.crt')]);
  if (!rootKey || !root || !lasts(root)) {
    const made = await createCA({
      organization: 'Build Brief bench',
      countryCode: 'XX',
      state: 'house',
      locality: hostname().slice(0, 40),
      validity: ROOT_DAYS,
    });
    [rootKey, root] = [made.key, made.cert];
    await keep('root.key', rootKey);
    await keep('root.crt', root);
  }
  const domains = [...new Set([...names, 'localhost', '127.0.0.1'])];
  const [key, cert] = await Promise.all([read('bench.key'), read('bench.crt')]);
  if (
    key &&
    cert &&
    lasts(cert) &&
    isFor(cert, domains) &&
    new X509Certificate(cert).verify(new X509Certificate(root).publicKey)
  )
    return { key, cert, root };
  const made = await createCert({ ca: { key: rootKey, cert: root }, domains, validity: CERT_DAYS });
  await keep('bench.key', made.key);
  await keep('bench.crt', made.cert);
  return { key: made.key, cert: made.cert, root };
}

const lasts = (pem: string): boolean => Date.parse(new X509Certificate(pem).validTo) > Date.now() + RENEW_DAYS * A_DAY;

function isFor(pem: string, domains: readonly string[]): boolean {
  const cert = new X509Certificate(pem);
  return domains.every((name) => (/^[\d.]+$/.test(name) ? cert.checkIP(name) : cert.checkHost(name)) !== undefined);
}
