import type { IncomingMessage, ServerResponse } from 'node:http';
import { STATIONS } from '@/core/kept/act';
import { DEVICE_HEADER } from '@/wall/device';

/**
 * Pages as they were rendered, remembered by what they were rendered from: a page of a brief is the same until the brief, the shelf or the
 * minute is another. Only the nonce of its content policy is made anew each time.
 */

const STATION = new RegExp(`^/briefs/([0-9a-f-]{36})/(${STATIONS.join('|')})(?:\\?(.*))?$`, 'i');
/** Headers by which one address has several answers: the whole page, or the parts that a change of station needs. */
const VARY = ['rsc', 'next-router-state-tree', 'next-router-prefetch', 'next-router-segment-prefetch', 'next-url'];
const KEPT_HEADERS = ['content-type', 'content-security-policy', 'cache-control', 'vary', 'link'];
const NONCE = /'nonce-([^']+)'/;

export interface PageAsked {
  brief: string;
  station: string;
  search: string;
}

/** Which page of a brief is asked for, where it may be remembered; null for every other request. */
export function pageAsked({
  method,
  url,
  headers,
}: Pick<IncomingMessage, 'method' | 'url' | 'headers'>): PageAsked | null {
  const found = method === 'GET' && !headers['next-action'] ? STATION.exec(url ?? '') : null;
  return found && { brief: found[1]!.toLowerCase(), station: found[2]!, search: found[3] ?? '' };
}

/** What a page is rendered from: the revisions and the minute, and a name for what it shows, which many revisions may share. */
export interface RenderedFrom {
  of: string;
  content: () => Promise<string | null>;
}

interface Page {
  of: string;
  content: string | null;
  headers: [string, string][];
  nonce: string;
  /** The body, cut where the nonce stands; as bytes, of which a text in memory would take twice as many. */
  parts: Buffer[];
  bytes: number;
}

export class PageMemory {
  private readonly pages = new Map<string, Page>();
  private readonly coming = new Map<string, Promise<void>>();
  private held = 0;

  constructor(
    private readonly mostBytes: number,
    private readonly makeNonce: () => string,
  ) {}

  /** Answers from memory, or lets `render` answer and remembers that. */
  async answer(
    request: IncomingMessage,
    response: ServerResponse,
    { of, content }: RenderedFrom,
    render: () => Promise<void>,
  ): Promise<void> {
    const key = keyOf(request);
    // Many who ask for the same page at once wait for the first of them.
    await this.coming.get(`${key} ${of}`);
    if (this.sendKnown(key, response, (page) => page.of === of)) return;
    let arrived: () => void = () => undefined;
    this.coming.set(`${key} ${of}`, new Promise((resolve) => (arrived = resolve)));
    try {
      const shows = await content();
      if (shows && this.sendKnown(key, response, (page) => page.content === shows, of)) return;
      const body = overheard(response);
      // Whoever asked may leave in the middle: those who wait for the page do not wait for that.
      const over = ended(response);
      await Promise.race([render(), over]);
      await over;
      // While it was rendered it may have become another: then nobody knows which of the two was drawn.
      const isSure = shows !== null && shows === (await content());
      this.remember(key, of, isSure ? shows : null, response, body());
    } finally {
      this.coming.delete(`${key} ${of}`);
      arrived();
    }
  }

  private sendKnown(key: string, response: ServerResponse, isIt: (page: Page) => boolean, of?: string): boolean {
    const known = this.pages.get(key);
    if (!known || !isIt(known)) return false;
    this.pages.delete(key);
    this.pages.set(key, of ? { ...known, of } : known);
    this.send(known, response);
    return true;
  }

  private send(page: Page, response: ServerResponse) {
    const nonce = this.makeNonce();
    for (const [name, value] of page.headers) response.setHeader(name, value.replaceAll(page.nonce, nonce));
    const between = Buffer.from(nonce);
    response.end(Buffer.concat(page.parts.flatMap((part, i) => (i === 0 ? [part] : [between, part]))));
  }

  private remember(key: string, of: string, content: string | null, response: ServerResponse, body: Buffer | null) {
    const policy = response.getHeader('content-security-policy');
    const nonce = typeof policy === 'string' ? NONCE.exec(policy)?.[1] : undefined;
    if (response.statusCode !== 200 || !body || !nonce) return;
    this.forget(key);
    const page: Page = {
      of,
      content,
      headers: KEPT_HEADERS.flatMap((name) => {
        const value = response.getHeader(name);
        return value === undefined ? [] : [[name, String(value)] as [string, string]];
      }),
      nonce,
      parts: cutAt(body, Buffer.from(nonce)),
      bytes: body.length,
    };
    this.pages.set(key, page);
    this.held += page.bytes;
    for (const oldest of this.pages.keys()) {
      if (this.held <= this.mostBytes) break;
      this.forget(oldest);
    }
  }

  private forget(key: string) {
    this.held -= this.pages.get(key)?.bytes ?? 0;
    this.pages.delete(key);
  }
}

function cutAt(body: Buffer, mark: Buffer): Buffer[] {
  const parts: Buffer[] = [];
  let from = 0;
  for (let at = body.indexOf(mark); at >= 0; at = body.indexOf(mark, from)) {
    parts.push(body.subarray(from, at));
    from = at + mark.length;
  }
  return [...parts, body.subarray(from)];
}

const keyOf = ({ url, headers }: IncomingMessage): string =>
  // A paired device finds fewer stations than this computer.
  [url, DEVICE_HEADER in headers, ...VARY.map((name) => String(headers[name] ?? ''))].join('\n');

/** Listens to what is written to a response; gives it back, or null where it is not text or whoever asked left before it was whole. */
function overheard(response: ServerResponse): () => Buffer | null {
  const chunks: Buffer[] = [];
  const { write, end } = response;
  let isWhole = false;
  const hear = (chunk: unknown, encoding: unknown) => {
    if (typeof chunk === 'string')
      chunks.push(Buffer.from(chunk, typeof encoding === 'string' ? (encoding as BufferEncoding) : 'utf8'));
    else if (chunk instanceof Uint8Array) chunks.push(Buffer.from(chunk));
  };
  response.write = function (this: ServerResponse, ...given: unknown[]) {
    hear(given[0], given[1]);
    return (write as (...rest: unknown[]) => boolean).apply(this, given);
  } as typeof write;
  response.end = function (this: ServerResponse, ...given: unknown[]) {
    hear(given[0], given[1]);
    isWhole = true;
    return (end as (...rest: unknown[]) => ServerResponse).apply(this, given);
  } as typeof end;
  return () => (isWhole && /^text\//.test(String(response.getHeader('content-type'))) ? Buffer.concat(chunks) : null);
}

const ended = (response: ServerResponse): Promise<void> =>
  response.writableEnded || response.destroyed
    ? Promise.resolve()
    : new Promise((resolve) => {
        response.once('finish', resolve);
        response.once('close', resolve);
      });
