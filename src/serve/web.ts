import { readFile } from 'node:fs/promises';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { Server as SecureServer } from 'node:https';
import compression from 'compression';
import next from 'next';
import sirv from 'sirv';
import { latestBrief, versionOfBrief } from '@/data/briefs';
import { CLOSED_POLICY, hostsBeside, policyOf, refusalOf, secured } from '@/wall/wall';
import { DEVICE_HEADER } from '@/wall/device';
import { benchDoor, type KnownActions } from './bench-door';
import { BENCH_FOLDER, benchCertificate, localNames } from './certificate';
import { knownNeighbours, openInnerDoor, passOn } from './neighbours';
import { warmUp } from './warm-up';

/** Longer than a browser keeps a line that it does not use. */
const KEPT_OPEN_MS = 6 * 60_000;

/** Starts one web process: the wall, then what the build made, then the application. */
export async function listen(port: number, dev: boolean): Promise<void> {
  const app = next({ dev, hostname: '127.0.0.1', port });
  const handle = app.getRequestHandler();
  await app.prepare();
  const upgrade = app.getUpgradeHandler();
  const moreHosts = hostsBeside();
  const compress = compression({ level: 3, filter: (_, response) => isText(response as unknown as ServerResponse) });
  const loads = builtLoads(dev);

  const serve = (request: IncomingMessage, response: ServerResponse) => {
    // Pages say more exactly what they may load, each with its nonce; everything else says it here.
    response.setHeader('content-security-policy', policyOf(request.url ?? ''));
    if (request.headers['next-action']) unreadableIsRefused(response);
    if (loads(request, response)) return;
    compress(request as never, response as never, () => {
      handle(request, response).catch((error: unknown) => {
        console.error(error);
        if (!response.headersSent) response.writeHead(500, { 'content-type': 'text/plain' });
        response.end('The server could not do it.\n');
      });
    });
  };
  const neighbours = dev ? null : knownNeighbours(process.env);
  const isPassedOn = neighbours ? passOn(neighbours) : () => false;
  let isWarm = false;
  /** For whoever was let in at a door of this process. */
  const welcome = (request: IncomingMessage, response: ServerResponse) => {
    if (!isWarm || !isPassedOn(request, response)) serve(request, response);
  };
  const server = createServer((request, response) => {
    secured(response);
    // Only the door of the bench says this.
    delete request.headers[DEVICE_HEADER];
    const { host, origin } = request.headers;
    const refusal = refusalOf({ method: request.method, host, origin, url: request.url }, moreHosts);
    if (!refusal) return welcome(request, response);
    response.writeHead(refusal.status, {
      'content-type': 'text/plain; charset=utf-8',
      'content-security-policy': CLOSED_POLICY,
      connection: 'close',
    });
    response.end(refusal.says);
  });
  server.on('upgrade', (request, socket, head) => {
    const { host, origin } = request.headers;
    if (!dev || refusalOf({ method: 'GET', host, origin, url: request.url }, moreHosts)) socket.destroy();
    else void upgrade(request, socket, head);
  });
  // A browser that pauses finds its line open still: one that is shut just as it asks would be a page that fails.
  server.keepAliveTimeout = KEPT_OPEN_MS;
  // What is not HTTP at all gets a short word instead of a stack.
  server.on('clientError', (_, socket) => {
    if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nconnection: close\r\n\r\n');
  });
  if (!dev) await warmUp(server, await knownActions(), versionOfBrief);
  isWarm = true;
  if (neighbours)
    await openInnerDoor(neighbours, (request, response) => {
      secured(response);
      serve(request, response);
    });
  await opened(server, port, '127.0.0.1');
  const benchPort = Number(process.env.BENCH_PORT ?? 0);
  if (benchPort > 0) await openBench(benchPort, dev, welcome);
}

/** Whether what is answered grows smaller when it is compressed. The framework says of what kind it is in a list of one. */
const isText = (response: ServerResponse): boolean =>
  /^text\/|\b(json|javascript|xml)\b/.test([response.getHeader('content-type') ?? ''].flat().join());

const BUILT = '/_next/static/';

/** Answers for what browsers load of the build, as it was compressed with it; false where something else is asked for. */
function builtLoads(dev: boolean): (request: IncomingMessage, response: ServerResponse) => boolean {
  if (dev) return () => false;
  const files = sirv('.next/static', { brotli: true, immutable: true, maxAge: 365 * 24 * 60 * 60 });
  return (request, response) => {
    const { url = '' } = request;
    if (!url.startsWith(BUILT)) return false;
    request.url = url.slice(BUILT.length - 1);
    files(request, response, () => {
      response.writeHead(404, { 'content-type': 'text/plain; charset=utf-8' });
      response.end('No such file.\n');
    });
    return true;
  };
}

/** Listens on a port. Throws where it is in other hands. */
const opened = (server: Server | SecureServer, port: number, host: string): Promise<void> =>
  new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      server.off('error', reject);
      resolve();
    });
  });

/** Opens the door of the bench to the local network; while the application is developed, pages can be read there only. */
async function openBench(
  port: number,
  dev: boolean,
  answer: (request: IncomingMessage, response: ServerResponse) => void,
) {
  const hosts = localNames();
  const door = benchDoor({
    certificate: await benchCertificate(BENCH_FOLDER, hosts),
    hosts,
    home: async () => {
      const latest = await latestBrief();
      return latest && `/briefs/${latest}/bench`;
    },
    actions: dev ? {} : await knownActions(),
    answer,
  });
  await opened(door, port, '0.0.0.0');
}

/** The actions of the built application, as the build lists them. */
async function knownActions(): Promise<KnownActions> {
  const list = await readFile('.next/server/server-reference-manifest.json', 'utf8');
  return (JSON.parse(list) as { node: KnownActions }).node;
}

/** Actions of the house never throw: where one ends in a fault of the server, what was sent could not be read. */
function unreadableIsRefused(response: ServerResponse): void {
  const { writeHead } = response;
  response.writeHead = function (this: ServerResponse, status: number, ...rest: unknown[]) {
    const real = status === 500 || this.statusCode === 500 ? 400 : status;
    return (writeHead as (...given: unknown[]) => ServerResponse).call(this, real, ...rest);
  } as typeof writeHead;
}
