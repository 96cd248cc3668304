import { createServer, get as ask, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { pageAsked, PageMemory } from './page-memory';
import { oneLine } from './quiet-console';

const ID = '3d3fa85c-09b5-476b-9c7f-04ddca3f26cd';

describe('pages from memory', () => {
  let server: Server;
  let base = '';
  let rendered = 0;
  let revision = 1;
  let status = 200;
  let content: string | null = null;
  let inTheMiddle: () => Promise<void> = async () => undefined;
  const memory = new PageMemory(1_000_000, () => `nonce${(nonces += 1)}`);
  let nonces = 0;

  const render = async (response: ServerResponse) => {
    rendered += 1;
    const nonce = `first${rendered}`;
    await new Promise((resolve) => setTimeout(resolve, 20));
    response.statusCode = status;
    response.setHeader('content-type', 'text/html; charset=utf-8');
    response.setHeader('content-security-policy', `script-src 'nonce-${nonce}'`);
    response.setHeader('link', `</a.css>; nonce="${nonce}"`);
    response.write(`<p>${revision}</p>`);
    await inTheMiddle();
    response.end(`<script nonce="${nonce}">ä</script>`);
  };
  beforeEach(async () => {
    [rendered, status, content] = [0, 200, null];
    inTheMiddle = async () => undefined;
    revision += 1;
    server = createServer((request, response) => {
      const from = { of: String(revision), content: () => Promise.resolve(content) };
      void memory.answer(request, response, from, () => render(response));
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/briefs/${ID}/evidence`;
  });
  afterEach(() => new Promise((resolve) => server.close(resolve)));
  const get = async (headers: Record<string, string> = {}) => {
    const response = await fetch(base, { headers });
    return { status: response.status, body: await response.text(), headers: response.headers };
  };

  test('a page is rendered once for as long as nothing changes, with a nonce of its own each time', async () => {
    const pages = [await get(), await get(), await get()];
    expect(rendered).toBe(1);
    const nonceOf = ({ body }: (typeof pages)[number]) => /nonce="(\w+)"/.exec(body)![1]!;
    expect(new Set(pages.map(nonceOf)).size).toBe(3);
    for (const page of pages) {
      expect(page.body).toBe(`<p>${revision}</p><script nonce="${nonceOf(page)}">ä</script>`);
      expect(page.headers.get('content-security-policy')).toBe(`script-src 'nonce-${nonceOf(page)}'`);
      expect(page.headers.get('link')).toContain(nonceOf(page));
    }
  });
  test('many who ask at once wait for the first of them', async () => {
    const pages = await Promise.all(Array.from({ length: 10 }, () => get()));
    expect(rendered).toBe(1);
    expect(pages.every(({ body }) => body.includes(`<p>${revision}</p>`))).toBe(true);
  });
  test('a change makes it anew; what is only a part of the page is another answer', async () => {
    await get();
    revision += 1;
    expect((await get()).body).toContain(`<p>${revision}</p>`);
    await get({ rsc: '1' });
    expect(rendered).toBe(3);
  });
  test('a revision after which it shows the same is answered from memory; one after which it does not is rendered', async () => {
    content = 'the same';
    const { body } = await get();
    revision += 1;
    expect((await get()).body.slice(0, 10)).toBe(body.slice(0, 10));
    expect(rendered).toBe(1);
    content = 'another';
    revision += 1;
    await get();
    expect(rendered).toBe(2);
  });
  test('a page that became another while it was rendered stands for neither', async () => {
    content = 'before';
    inTheMiddle = async () => void (content = 'after');
    await get();
    inTheMiddle = async () => undefined;
    for (const shows of ['before', 'after']) {
      [content, rendered] = [shows, 0];
      revision += 1;
      await get();
      expect(rendered).toBe(1);
    }
  });
  test('a page whose reader left in the middle is not remembered', async () => {
    // The reader leaves when the first words are there; the page is never ended.
    inTheMiddle = () => new Promise(() => undefined);
    await new Promise<void>((resolve) => {
      const asked = ask(base, (response) => response.once('data', () => asked.destroy()));
      asked.once('close', resolve).once('error', () => undefined);
    });
    inTheMiddle = async () => undefined;
    expect((await get()).body).toContain('<script');
  });
  test('what went wrong is not remembered', async () => {
    status = 500;
    await get();
    status = 200;
    expect((await get()).status).toBe(200);
    expect(rendered).toBe(2);
  });
});

describe('which requests are pages of a brief', () => {
  test.each([
    ['GET', `/briefs/${ID}/colours?code=TCS%2031`, ID],
    ['GET', `/briefs/${ID}/brief.pdf`, null],
    ['POST', `/briefs/${ID}/colours`, null],
    ['GET', '/briefs/none/colours', null],
    ['GET', '/', null],
  ])('%s %s', (method, url, expected) => {
    expect(pageAsked({ method, url, headers: {} })?.brief ?? null).toBe(expected);
  });
});

describe('a fault in the log', () => {
  test('is one line: what went wrong and where', () => {
    const line = oneLine(['could not', new TypeError('no\nnumber'), { a: 1 }]);
    expect(line).toMatch(/^could not TypeError: no number \(at .*\) \{"a":1\}$/);
    expect(line).not.toContain('\n');
  });
});
