import 'reflect-metadata';
import { X509Certificate, webcrypto } from 'node:crypto';
import { chmod, mkdir, readFile, writeFile } from 'node:fs/promises';
import { hostname, networkInterfaces } from 'node:os';
import path from 'node:path';
import { AsnConvert } from '@peculiar/asn1-schema';
import { GeneralName, GeneralSubtree, GeneralSubtrees, NameConstraints } from '@peculiar/asn1-x509';
import * as x509 from '@peculiar/x509';
import { machineMs } from '@/clock/now';

/** The certificate of the bench's door: signed by an authority of this house alone, whose root a phone may install. */
export interface BenchCertificate {
  key: string;
  cert: string;
  root: string;
}

/** What the root may sign for beside this house's names: addresses that no other network reaches (RFC 1918, 3927). */
const PRIVATE = ['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16', '127.0.0.0/8'];
const isPrivate = (address: string): boolean =>
  /^(10\.|127\.|192\.168\.|169\.254\.|172\.(1[6-9]|2\d|3[01])\.)/.test(address);
const isAddress = (name: string): boolean => /^[\d.]+$/.test(name);

/** Private addresses and names under which this computer is found in its own network. */
export function localNames(): string[] {
  const addresses = Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ family, internal, address }) => family === 'IPv4' && !internal && isPrivate(address))
    .map(({ address }) => address);
  const name = hostname().toLowerCase();
  return [...new Set([...addresses, name, `${name.replace(/\.local$/, '')}.local`])];
}

/** Where it is kept, for this computer's own user alone. */
export const BENCH_FOLDER = path.join(process.cwd(), '.data', 'bench');

const A_YEAR = 365;
const RENEW_DAYS = 30;
const A_DAY = 86_400_000;

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
x509.cryptoProvider.set(webcrypto as unknown as Crypto);

/**
 * Reads the certificate, or makes it: where there is none, where it runs out within a month, or where this computer is called otherwise by now.
 * The root is made anew with it where it does not cover the names: then phones have to install it again.
 */
export async function benchCertificate(folder: string, names: readonly string[]): Promise<BenchCertificate> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const read = (name: string) => readFile(path.join(folder, name), 'utf8').catch(() => null);
  const keep = async (name: string, text: string) => {
    await writeFile(path.join(folder, name), text, { mode: 0o600 });
    await chmod(path.join(folder, name), 0o600);
  };
  const known = [
    ...new Set([...names.filter((name) => !isAddress(name) || isPrivate(name)), 'localhost', '127.0.0.1']),
  ];
  const hosts = known.filter((name) => !isAddress(name)).sort();
  let [rootKey, root] = await Promise.all([read('root.key'), read('root.crt')]);
  if (!rootKey || !root || !lasts(root) || !mayName(root, hosts)) {
    const made = await madeRoot(hosts);
    [rootKey, root] = [made.key, made.cert];
    await keep('root.key', rootKey);
    await keep('root.crt', root);
  }
  const [key, cert] = await Promise.all([read('bench.key'), read('bench.crt')]);
  if (key && cert && lasts(cert) && isFor(cert, known) && isSignedBy(cert, root)) return { key, cert, root };
  const made = await madeLeaf({ key: rootKey, cert: root }, known);
  await keep('bench.key', made.key);
  await keep('bench.crt', made.cert);
  return { key: made.key, cert: made.cert, root };
}

interface Pair {
  key: string;
  cert: string;
}

const inDays = (days: number) => new Date(machineMs() + days * A_DAY);
/** A clock that is a little behind takes it too. */
const notBefore = () => new Date(machineMs() - A_DAY / 24);
const pemOf = async (keys: webcrypto.CryptoKeyPair): Promise<string> =>
  x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', keys.privateKey), 'PRIVATE KEY');
const newKeys = () =>
  webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']) as Promise<webcrypto.CryptoKeyPair>;

/** A root that can sign for these names and for private addresses, and for nothing else in the world: whoever took its key could pose as no other. */
async function madeRoot(hosts: readonly string[]): Promise<Pair> {
  const keys = await newKeys();
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    name: `CN=Build Brief bench of ${hostname().replace(/[^\w.-]/g, '')}, O=Build Brief bench`,
    notBefore: notBefore(),
    notAfter: inDays(A_YEAR),
    signingAlgorithm: ALGORITHM,
    keys: keys as unknown as CryptoKeyPair,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      new x509.ExtendedKeyUsageExtension(['1.3.6.1.5.5.7.3.1']),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey as unknown as CryptoKey),
      namesOnly(hosts),
    ],
  });
  return { key: await pemOf(keys), cert: certificate.toString('pem') };
}

const NAME_CONSTRAINTS = '2.5.29.30';

/** RFC 5280, 4.2.1.10: critical, so that whoever does not understand it trusts nothing that it signed. */
function namesOnly(hosts: readonly string[]): x509.Extension {
  const subtree = (name: ConstructorParameters<typeof GeneralName>[0]) =>
    new GeneralSubtree({ base: new GeneralName(name) });
  const permitted = new GeneralSubtrees([
    ...hosts.map((host) => subtree({ dNSName: host })),
    ...PRIVATE.map((range) => subtree({ iPAddress: range })),
  ]);
  return new x509.Extension(
    NAME_CONSTRAINTS,
    true,
    AsnConvert.serialize(new NameConstraints({ permittedSubtrees: permitted })),
  );
}

/** A certificate for some names, signed by a root: worth nothing to whoever asks for a name that the root may not sign for. */
export async function madeLeaf(root: Pair, names: readonly string[]): Promise<Pair> {
  const [keys, issuer] = [await newKeys(), new x509.X509Certificate(root.cert)];
  const signingKey = await webcrypto.subtle.importKey(
    'pkcs8',
    x509.PemConverter.decodeFirst(root.key),
    ALGORITHM,
    false,
    ['sign'],
  );
  const certificate = await x509.X509CertificateGenerator.create({
    subject: 'CN=Build Brief bench',
    issuer: issuer.subject,
    notBefore: notBefore(),
    // Never longer than what signed it.
    notAfter: new Date(Math.min(inDays(A_YEAR).getTime(), issuer.notAfter.getTime())),
    signingAlgorithm: ALGORITHM,
    publicKey: keys.publicKey as unknown as CryptoKey,
    signingKey: signingKey as unknown as CryptoKey,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension(['1.3.6.1.5.5.7.3.1']),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isAddress(value) ? ('ip' as const) : ('dns' as const), value })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(issuer),
    ],
  });
  return { key: await pemOf(keys), cert: certificate.toString('pem') };
}

/** Whether a root may sign for these names, and for those alone. */
function mayName(pem: string, hosts: readonly string[]): boolean {
  const found = new x509.X509Certificate(pem).getExtension(NAME_CONSTRAINTS);
  if (!found) return false;
  const { permittedSubtrees } = AsnConvert.parse(found.value, NameConstraints);
  const named = (permittedSubtrees ?? []).flatMap(({ base }) => base.dNSName ?? []).sort();
  return named.join() === hosts.join();
}

const lasts = (pem: string): boolean => Date.parse(new X509Certificate(pem).validTo) > machineMs() + RENEW_DAYS * A_DAY;

const isSignedBy = (pem: string, root: string): boolean =>
  new X509Certificate(pem).verify(new X509Certificate(root).publicKey);

function isFor(pem: string, names: readonly string[]): boolean {
  const cert = new X509Certificate(pem);
  return names.every((name) => (isAddress(name) ? cert.checkIP(name) : cert.checkHost(name)) !== undefined);
}
