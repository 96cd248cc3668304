/** The wall before everything that listens: which hosts are served, from where writes are taken, and what every answer carries. */

export interface Asked {
  method: string | undefined;
  host: string | undefined;
  origin: string | undefined;
  url: string | undefined;
}

export interface Refusal {
  status: number;
  says: string;
}

const METHODS = new Set(['GET', 'HEAD', 'POST', 'OPTIONS']);
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);
const OWN_HOSTS = ['127.0.0.1', 'localhost', '[::1]'];
const LONGEST_URL = 8000;

/** Names beside the house's own under which it is reached, as a proxy in front uses them. */
export const hostsBeside = (): string[] => (process.env.ALLOWED_HOSTS ?? '').toLowerCase().split(',').filter(Boolean);

/** Why a request is not taken; null when it is. `moreHosts` are names that a proxy in front of the house uses. */
export function refusalOf({ method, host, origin, url }: Asked, moreHosts: readonly string[] = []): Refusal | null {
  if (!method || !METHODS.has(method)) return { status: 405, says: 'This method is not served here.\n' };
  if (!isKnownHost(host, moreHosts)) return { status: 421, says: 'This host is not served here.\n' };
  if (!url || url.length > LONGEST_URL || !isDecodable(url))
    return { status: 400, says: 'This address cannot be read.\n' };
  if (!READING.has(method) && !isOwnOrigin(origin, host!))
    return { status: 403, says: 'Writes are only taken from this application itself.\n' };
  return null;
}

/** Only known hosts, so that no foreign name can be pointed at loopback. A request without a name is of none. */
function isKnownHost(host: string | undefined, moreHosts: readonly string[]): boolean {
  if (!host) return false;
  const name = host.toLowerCase().replace(/:\d{1,5}$/, '');
  return OWN_HOSTS.includes(name) || moreHosts.includes(name);
}

function isOwnOrigin(origin: string | undefined, host: string): boolean {
  if (!origin) return false;
  try {
    return new URL(origin).host === host.toLowerCase();
  } catch {
    return false;
  }
}

function isDecodable(url: string): boolean {
  try {
    const path = decodeURIComponent(url.split('?')[0]!);
    return !path.includes('\0');
  } catch {
    return false;
  }
}

/** On every answer: pages, refusals, files and the icon alike. */
export const SECURITY_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
};

/** Puts what every answer carries on one. */
export function secured(response: { setHeader: (name: string, value: string) => unknown }): void {
  for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
}

/** For an answer that is no page: it may load nothing at all. */
export const CLOSED_POLICY = "default-src 'none'; frame-ancestors 'none'";

/** For a script that runs by itself, in a thread or before the pages: it may load what is this house's own. */
const SCRIPT_POLICY = "default-src 'none'; script-src 'self'; connect-src 'self'; frame-ancestors 'none'";

/** What the answer at an address may load where nothing says it more exactly. */
export const policyOf = (url: string): string =>
  /^\/(_next\/static\/.*\.js|sw\.js)(\?|$)/.test(url) ? SCRIPT_POLICY : CLOSED_POLICY;
