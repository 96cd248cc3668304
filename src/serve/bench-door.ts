import { X509Certificate } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { createServer, type Server } from 'node:https';
import { escape } from 'html-escaper';
import { deviceOf, noteSeen, pairDevice } from '@/data/bench-devices';
import { CLOSED_POLICY, refusalOf, secured } from '@/wall/wall';
import { DEVICE_HEADER } from '@/wall/device';
import type { BenchCertificate } from './certificate';

/**
 * The door of the bench to the local network, over TLS: whoever is not paired finds the page that pairs, and nothing else; a paired device
 * finds the Bench and the Log, and what those two ask for.
 */

const COOKIE = '__Host-bench';
const A_YEAR_S = 365 * 24 * 3600;
const MOST_FORM_BYTES = 4096;

const ID = '[0-9a-f-]{36}';
/** What the Bench and the Log are, and what they ask for. */
const OPEN: readonly RegExp[] = [
  new RegExp(`^/briefs/${ID}/(now/)?(bench|log)$`),
  new RegExp(`^/briefs/${ID}/log/(lines|learned|falls/${ID})$`),
  new RegExp(`^/briefs/${ID}/(sum-facts|revision|acts|undo|film|history)$`),
  new RegExp(`^/briefs/${ID}/made/[\\w-]+$`),
  new RegExp(`^/briefs/${ID}/record\\.(pdf|html)$`),
  /^\/_next\/static\//,
  /^\/pictures(\/[0-9a-f]{64})?$/,
  /^\/(outbox|sw\.js|health|icon\.svg|manifest\.webmanifest|offline\/files)$/,
];

/** What may be sent without an action of a page being named. */
const SENT = /^\/(outbox|pictures)$/;

/** Actions by the identity that a browser calls them by: the file of each, and its name there. */
export type KnownActions = Readonly<Record<string, { filename: string; exportedName: string }>>;
/** Files of the actions of the Bench and the Log, and what those two use of the records. */
const ACTION_FILES = /^src\/actions\/(bench|mishaps|techniques|weathering)\.ts$/;
const RECORD_ACTIONS = /^(save|remove|undo|redo)$/;

/** Whether a device may call an action. Without a name it is none that a page of the Bench or the Log would call. */
function isOfBench(known: KnownActions, id: string | string[] | undefined): boolean {
  const action = typeof id === 'string' && Object.hasOwn(known, id) ? known[id]! : null;
  if (!action) return false;
  return (
    ACTION_FILES.test(action.filename) ||
    (action.filename === 'src/actions/records.ts' && RECORD_ACTIONS.test(action.exportedName))
  );
}

export interface BenchDoor {
  certificate: BenchCertificate;
  /** Names under which this computer is reached. */
  hosts: readonly string[];
  /** Where a device goes that asks for nothing in particular; null while there is no brief. */
  home: () => Promise<string | null>;
  actions: KnownActions;
  /** Answers what may be answered. */
  answer: (request: IncomingMessage, response: ServerResponse) => void;
}

export function benchDoor({ certificate, hosts, home, actions, answer }: BenchDoor): Server {
  const { key, cert, root } = certificate;
  const server = createServer({ key, cert: `${cert}\n${root}` }, (request, response) => {
    void (async () => {
      secured(response);
      // What comes from outside never says who it is.
      delete request.headers[DEVICE_HEADER];
      const { host, origin } = request.headers;
      const refusal = refusalOf({ method: request.method, host, origin, url: request.url }, hosts);
      if (refusal) return say(response, refusal.status, refusal.says);
      const url = new URL(request.url!, `https://${host}`);
      if (url.pathname === '/pair/root.crt') {
        response.writeHead(200, {
          'content-type': 'application/x-x509-ca-cert',
          'content-disposition': 'attachment; filename="build-brief-bench.crt"',
        });
        return response.end(root);
      }
      if (url.pathname === '/pair/trust') return trusting(response, root);
      if (url.pathname === '/pair') return await pairing(request, response, url, home);
      const device = await deviceOf(tokenIn(request));
      if (!device) return goPair(request, response);
      void noteSeen(device.id).catch(() => undefined);
      if (url.pathname === '/') {
        const to = await home();
        response.writeHead(to ? 302 : 404, to ? { location: to } : {});
        return response.end();
      }
      if (!OPEN.some((path) => path.test(url.pathname)))
        return say(response, 403, 'This device is paired for the Bench and the Log; the rest is on the computer.\n');
      const isRead = request.method === 'GET' || request.method === 'HEAD';
      if (!isRead && !SENT.test(url.pathname) && !isOfBench(actions, request.headers['next-action']))
        return say(response, 403, 'This is done on the computer.\n');
      request.headers[DEVICE_HEADER] = device.id;
      return answer(request, response);
    })().catch((error: unknown) => {
      console.error(error);
      if (!response.headersSent) say(response, 500, 'The server could not do it.\n');
      else response.end();
    });
  });
  server.on('clientError', (_, socket) => socket.destroy());
  server.on('tlsClientError', (_, socket) => socket.destroy());
  return server;
}

function say(response: ServerResponse, status: number, says: string): void {
  response.writeHead(status, {
    'content-type': 'text/plain; charset=utf-8',
    'content-security-policy': CLOSED_POLICY,
    connection: 'close',
  });
  response.end(says);
}

function tokenIn({ headers }: IncomingMessage): string {
  const found = (headers.cookie ?? '').split(';').map((one) => one.trim().split('='));
  return found.find(([name]) => name === COOKIE)?.[1] ?? '';
}

function goPair(request: IncomingMessage, response: ServerResponse): void {
  const isPage = request.method === 'GET' && (request.headers.accept ?? '').includes('text/html');
  if (!isPage) return say(response, 401, 'This device was let go: pair it again.\n');
  response.writeHead(302, { location: '/pair' });
  response.end();
}

async function pairing(
  request: IncomingMessage,
  response: ServerResponse,
  url: URL,
  home: BenchDoor['home'],
): Promise<void> {
  const brief = new RegExp(`^${ID}$`).exec(url.searchParams.get('brief') ?? '')?.[0] ?? null;
  if (request.method !== 'POST') return page(response, 200, url.searchParams.get('code') ?? '', brief, '');
  const form = await formOf(request);
  if (!form) return say(response, 413, 'This is too much for a code.\n');
  const host = request.socket.remoteAddress ?? '';
  const paired = await pairDevice(form.get('code') ?? '', form.get('name') ?? '', host);
  if ('refused' in paired)
    return page(
      response,
      paired.refused === 'wrong' ? 403 : 429,
      '',
      brief,
      paired.refused === 'wrong'
        ? 'This code is not the one on the computer, or it has run out: have a new one shown there.'
        : 'Too many wrong codes. Nothing is listened to for ten minutes.',
    );
  response.writeHead(303, {
    'set-cookie': `${COOKIE}=${paired.token}; Path=/; Max-Age=${A_YEAR_S}; Secure; HttpOnly; SameSite=Lax`,
    location: brief ? `/briefs/${brief}/bench` : ((await home()) ?? '/pair'),
  });
  response.end();
}

/** The form as it came; null where it is larger than a code and a name. */
async function formOf(request: IncomingMessage): Promise<URLSearchParams | null> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request) {
    size += (chunk as Buffer).length;
    if (size > MOST_FORM_BYTES) return null;
    chunks.push(chunk as Buffer);
  }
  return new URLSearchParams(Buffer.concat(chunks).toString('utf8'));
}

function page(response: ServerResponse, status: number, code: string, brief: string | null, fault: string): void {
  html(
    response,
    status,
    'Pair this device',
    `<p>On the computer: Bench, then “Phone”. It shows a code that holds for ten minutes, and why this device may have warned of this page.</p>
${fault ? `<p role="alert">✕ ${escape(fault)}</p>` : ''}
<form method="post" action="/pair${brief ? `?brief=${escape(brief)}` : ''}">
<label>Code<input name="code" required autocomplete="off" autocapitalize="characters" maxlength="12" value="${escape(code.slice(0, 12))}"></label>
<label>What this device is called<input name="name" maxlength="60" placeholder="Phone at the bench"></label>
<button>Pair it</button></form>
<p>If you like: <a href="/pair/root.crt">the seal of this house</a> (its root certificate). A device that is told to trust it does not warn any more, and keeps the Bench for when the computer is away. It is not needed: without it all works while the computer answers. <a href="/pair/trust">What trusting it means</a></p>`,
  );
}

/** What a builder takes on who installs the root on a phone. */
function trusting(response: ServerResponse, root: string): void {
  const { validTo } = new X509Certificate(root);
  html(
    response,
    200,
    'What trusting this root means',
    `<p>A root certificate says to this device: believe whatever its holder signs. Its holder is the computer on which Build Brief runs, and its key lies there, in a file that only its owner reads.</p>
<p><strong>What it can sign.</strong> Only this computer’s own name and private addresses (10., 172.16 to 172.31, 192.168., 169.254., 127.): that stands in the certificate itself, and devices refuse anything else that it would sign. Who took the key could not pose as your bank, only as a machine in your own network.</p>
<p><strong>How long.</strong> A year, until ${escape(new Date(validTo).toISOString().slice(0, 10))}. In its last month the computer makes another at its next start, and this page offers that: install it then, and take the old one off. It makes another too where the computer is called otherwise.</p>
<p><strong>Without it</strong> the browser warns each time, and the Bench works only while the computer answers. Nothing else is missing.</p>
<p><strong>To take it back</strong>, take it off this device (Settings, certificates or profiles), or on the computer delete the folder .data/bench: at the next start there is another root, and this one signs nothing any more.</p>
<p><a href="/pair/root.crt">The root certificate</a> · <a href="/pair">Pair this device</a></p>`,
  );
}

function html(response: ServerResponse, status: number, title: string, body: string): void {
  const nonce = btoa(crypto.randomUUID());
  response.writeHead(status, {
    'content-type': 'text/html; charset=utf-8',
    'cache-control': 'no-store',
    'content-security-policy': `default-src 'none'; style-src 'nonce-${nonce}'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'`,
  });
  response.end(`<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>${title}</title><style nonce="${nonce}">
body{font:18px/1.4 sans-serif;background:#e8e8e8;color:#1c1c1c;margin:0 auto;padding:20px;max-width:34em}
input,button{font:inherit;width:100%;box-sizing:border-box;min-height:52px;padding:6px 12px;border:1px solid #1c1c1c;margin:4px 0 14px;border-radius:0}
input[name=code]{font-size:28px;letter-spacing:4px;text-transform:uppercase}button{background:#1c1c1c;color:#fff}
[role=alert]{border-left:5px solid #7a1414;padding-left:10px}</style></head><body>
<h1>${title}</h1>
${body}
</body></html>`);
}
