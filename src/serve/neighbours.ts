import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { Agent, createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import path from 'node:path';
import { createProxyServer } from 'httpxy';

/**
 * Requests of one brief are answered by one web process, whichever they arrive at: what it remembers of the brief is then what the last act
 * left. Each process has an inner door, a socket in a folder of this house that nobody else may enter.
 */

/** The web processes of a house: how many, which of them this one is, and the folder of their inner doors. */
export interface Neighbours {
  folder: string;
  count: number;
  own: number;
}

type Answer = (request: IncomingMessage, response: ServerResponse) => void;

/** An address within a brief, or what is sent from its bench. */
const BRIEF = /^(?:\/briefs\/|\/outbox\?brief=)([0-9a-f-]{36})(?:[/?]|$)/i;

/** Which of `count` processes answers for an address, from 0; null where any may. */
export function processOf(url: string, count: number): number | null {
  const brief = BRIEF.exec(url)?.[1]?.toLowerCase();
  return brief === undefined ? null : createHash('sha1').update(brief).digest().readUInt32BE() % count;
}

export const doorOf = (folder: string, number: number): string => path.join(folder, `${number}.sock`);

/** The neighbours that whoever started this process told it of; null where it is alone. */
export function knownNeighbours({
  HOUSE_DOORS: folder,
  HOUSE_COUNT: count,
  HOUSE_NUMBER: own,
}: Partial<Record<string, string>>): Neighbours | null {
  return folder && Number(count) > 1 ? { folder, count: Number(count), own: Number(own) } : null;
}

/** Opens the inner door of this process. Whoever comes by it was let in at another door of the house. */
export function openInnerDoor({ folder, own }: Neighbours, answer: Answer): Promise<Server> {
  const server = createServer(answer);
  // Lines between processes stay open: one that is shut just as it is used would be an act that fails.
  server.keepAliveTimeout = 0;
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen({ path: doorOf(folder, own), exclusive: true }, () => resolve(server));
  });
}

/**
 * Passes a request on to the process that answers for its brief; false where that is this one, or where any may answer. While the other is
 * not there, this one answers: it only remembers less.
 */
export function passOn({
  folder,
  count,
  own,
}: Neighbours): (request: IncomingMessage, response: ServerResponse) => boolean {
  const proxy = createProxyServer({ agent: new Agent({ keepAlive: true }), proxyTimeout: 0 });
  return (request, response) => {
    const whose = processOf(request.url ?? '', count);
    if (whose === null || whose === own) return false;
    const door = doorOf(folder, whose);
    if (!existsSync(door)) return false;
    // Behind the inner door nobody sees that it came over TLS.
    if ('encrypted' in request.socket) request.headers['x-forwarded-proto'] = 'https';
    proxy.web(request, response, { target: { socketPath: door } }).catch(() => {
      if (response.headersSent) return response.destroy();
      response.writeHead(503, { 'content-type': 'text/plain', 'retry-after': '1' });
      response.end('The process of this brief has just ended; ask again.\n');
    });
    return true;
  };
}
