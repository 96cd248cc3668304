import { createServer, type IncomingMessage, type Server } from 'node:http';
import { text } from 'node:stream/consumers';
import { describe, expect, jest, test } from '@jest/globals';
import { STATIONS } from '@/core/kept/act';
import { warmUp } from './warm-up';

const BRIEF = '6a0f2f2e-7d3b-4a4e-9a51-0c3f8f6f7a11';
const ACTIONS = {
  a1: { filename: 'src/actions/kit.ts', exportedName: 'chooseOption' },
  b2: { filename: 'src/actions/weighing.ts', exportedName: 'weighOption' },
};

interface Asked {
  method: string;
  url: string;
  action: string | null;
  body: string;
}

/** Warms up a server that answers with `page`, and tells what it was asked. */
async function askedOf(page: (request: IncomingMessage) => string): Promise<{ asked: Asked[]; server: Server }> {
  const asked: Asked[] = [];
  const server = createServer((request, response) => {
    void (async () => {
      const { method = '', url = '', headers } = request;
      const action = headers['next-action'];
      asked.push({ method, url, action: typeof action === 'string' ? action : null, body: await text(request) });
      response.end(page(request));
    })();
  });
  await warmUp(server, ACTIONS, () => Promise.resolve(3));
  return { asked, server };
}

describe('before the front door opens', () => {
  test('every station of the newest brief is asked for, as a page and as what changed of it', async () => {
    const { asked, server } = await askedOf(() => `<a href="/briefs/${BRIEF}/kit">`);
    const gets = asked.flatMap(({ method, url }) => (method === 'GET' ? [url] : []));
    for (const station of STATIONS) {
      expect(gets).toContain(`/briefs/${BRIEF}/${station}`);
      expect(gets.some((url) => url.startsWith(`/briefs/${BRIEF}/now/${station}?`))).toBe(true);
    }
    expect(server.listening).toBe(false);
  });

  test('what is sent are trials, each of another choice, of the version that stands', async () => {
    const { asked } = await askedOf(() => `<a href="/briefs/${BRIEF}/kit">`);
    const sent = asked.filter(({ method }) => method !== 'GET');
    expect(sent.length).toBeGreaterThan(3);
    const trials = sent.filter(({ url }) => url.startsWith(`/briefs/${BRIEF}`));
    expect(new Set(trials.map(({ action }) => action))).toEqual(new Set(['b2']));
    // Besides them an act without anything in it, which nobody can take.
    expect(sent.filter((one) => !trials.includes(one)).map(({ body }) => body)).toEqual(['{}']);
    const tried = trials.map(
      ({ body }) => (JSON.parse(body) as [{ version: number; option: string; choice: string; act: { id: string } }])[0],
    );
    expect(new Set(tried.map(({ version }) => version))).toEqual(new Set([3]));
    expect(new Set(tried.map(({ option, choice }) => `${option} ${choice}`)).size).toBe(tried.length);
    expect(new Set(tried.map(({ act }) => act.id)).size).toBe(tried.length);
  });

  test('a house without a brief is asked for its start page alone', async () => {
    const { asked } = await askedOf(() => 'Nothing here yet');
    expect(asked.map(({ url }) => url)).toEqual(['/']);
  });

  test('a page that breaks off keeps nobody from coming in', async () => {
    const told = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const { server } = await askedOf((request) => {
      request.socket.destroy();
      return '';
    });
    expect(server.listening).toBe(false);
    expect(told).toHaveBeenCalled();
    told.mockRestore();
  });
});
