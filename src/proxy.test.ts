import { describe, expect, test } from '@jest/globals';
import { NextRequest } from 'next/server.js';
import { proxy } from './proxy';

const request = (method: string, headers: Record<string, string>) =>
  new NextRequest('http://127.0.0.1:3000/briefs/import', { method, headers: { host: '127.0.0.1:3000', ...headers } });

describe('before every request', () => {
  test('reading is open to our own host names only', () => {
    expect(proxy(request('GET', {})).status).toBe(200);
    expect(proxy(request('GET', { host: 'localhost:3000' })).status).toBe(200);
    expect(proxy(request('GET', { host: '[::1]:3000' })).status).toBe(200);
    expect(proxy(request('GET', { host: '127.0.0.1.elsewhere.example' })).status).toBe(421);
    expect(proxy(request('GET', { host: 'rebound.example:3000' })).status).toBe(421);
  });

  test('a host of the house can be named', () => {
    process.env.ALLOWED_HOSTS = 'bench.example';
    expect(proxy(request('GET', { host: 'bench.example' })).status).toBe(200);
    delete process.env.ALLOWED_HOSTS;
    expect(proxy(request('GET', { host: 'bench.example' })).status).toBe(421);
  });

  test.each([
    ['without an origin', {}, 403],
    ['from another place', { origin: 'http://elsewhere.example' }, 403],
    ['from another port', { origin: 'http://127.0.0.1:4000' }, 403],
    ['with an origin that is none', { origin: 'null' }, 403],
    ['from our own pages', { origin: 'http://127.0.0.1:3000' }, 200],
  ])('writing %s', (_, headers, status) => {
    expect(proxy(request('POST', headers)).status).toBe(status);
  });

  test('each answer has a policy of its own, with a nonce and nothing unsafe for scripts', () => {
    const policy = () => proxy(request('GET', {})).headers.get('content-security-policy')!;
    const [one, two] = [policy(), policy()];
    const nonceOf = (text: string) => /script-src [^;]*'nonce-([^']+)'/.exec(text)![1];
    expect(nonceOf(one)).not.toBe(nonceOf(two));
    const script = one.split('; ').find((part) => part.startsWith('script-src'))!;
    expect(script).not.toMatch(/unsafe/);
    expect(one).toContain("object-src 'none'");
    expect(one).toContain("frame-ancestors 'none'");
  });
});
