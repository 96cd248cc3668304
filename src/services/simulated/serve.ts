import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { z } from 'zod';
import { CLOSED_POLICY, refusalOf, SECURITY_HEADERS } from '@/wall/wall';
import { benchClimate } from './bench-sensor';
import { DeviceFault, SimulatedColorimeter } from './colorimeter';
import { shopsAt } from './shops';

/** The simulated instruments and shops as a small service of their own on loopback, so that the drivers speak to them as to real ones. */

const lab = z.tuple([z.number().min(0).max(100), z.number().min(-128).max(128), z.number().min(-128).max(128)]);
const asked = z.object({
  paints: z
    .array(
      z.object({ paintId: z.string(), label: z.string(), priceCents: z.number().int().min(0), currency: z.string() }),
    )
    .max(2000),
});
const MOST_BYTES = 1_000_000;

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  let text = '';
  for await (const chunk of request) {
    text += chunk;
    if (text.length > MOST_BYTES) throw new RangeError('too much');
  }
  return text === '' ? {} : JSON.parse(text);
}

const send = (response: ServerResponse, status: number, body: unknown) =>
  response
    .writeHead(status, {
      'content-type': 'application/json',
      ...SECURITY_HEADERS,
      'content-security-policy': CLOSED_POLICY,
    })
    .end(JSON.stringify(body));

/** Starts the service on a free port of 127.0.0.1; its address comes back with it. */
export async function serveSimulated(clock: () => number = Date.now): Promise<{ url: string; server: Server }> {
  const device = new SimulatedColorimeter('pocket');
  const answer = async (request: IncomingMessage): Promise<unknown> => {
    const body = await bodyOf(request);
    switch (`${request.method} ${request.url}`) {
      case 'POST /colorimeter/on':
        return device.switchOn(clock());
      case 'POST /colorimeter/tile':
        device.setOnTile(clock());
        return {};
      case 'POST /colorimeter/read':
        return device.read(z.object({ under: lab }).parse(body).under, clock());
      case 'POST /bench/read':
        return benchClimate('bench', clock());
      case 'POST /shops':
        return shopsAt(asked.parse(body).paints, clock());
      default:
        return null;
    }
  };
  const server = createServer((request, response) => {
    const { host, origin } = request.headers;
    // The drivers of the house name no origin; a page of anybody else's would.
    const from = origin ?? (host ? `http://${host}` : undefined);
    const refusal = refusalOf({ method: request.method, host, origin: from, url: request.url });
    if (refusal) {
      send(response, refusal.status, { says: refusal.says.trim() });
      return;
    }
    answer(request).then(
      (found) =>
        found === null ? send(response, 404, { says: 'there is no such thing' }) : send(response, 200, found),
      (error: unknown) =>
        error instanceof DeviceFault
          ? send(response, 409, { says: error.message })
          : send(response, 400, { says: 'not understood' }),
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  server.unref();
  return { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, server };
}
