import { describe, expect, test } from '@jest/globals';
import { refusalOf, type Asked } from './wall';

const own: Asked = { method: 'GET', host: '127.0.0.1:3000', origin: undefined, url: '/briefs/1/evidence?code=1' };
const status = (given: Partial<Asked>, more: string[] = []) => refusalOf({ ...own, ...given }, more)?.status ?? 200;

describe('the wall', () => {
  test.each([
    ['our own name', '127.0.0.1:3000', 200],
    ['another of our names', 'LOCALHOST:3000', 200],
    ['the loopback of the newer protocol', '[::1]:3000', 200],
    ['no name at all', '', 421],
    ['a name that begins like ours', '127.0.0.1.elsewhere.example', 421],
    ['a name that was pointed at loopback', 'rebound.example:3000', 421],
  ])('a host of %s', (_, host, expected) => {
    expect(status({ host })).toBe(expected);
  });
  test('a host that the house was told of', () => {
    expect(status({ host: 'bench.example' }, ['bench.example'])).toBe(200);
    expect(status({ host: 'bench.example' })).toBe(421);
  });
  test.each(['TRACE', 'PUT', 'DELETE', 'CONNECT', 'PATCH'])('%s is not served', (method) => {
    expect(status({ method, origin: 'http://127.0.0.1:3000' })).toBe(405);
  });
  test.each([
    ['without an origin', undefined, 403],
    ['from another port', 'http://127.0.0.1:4000', 403],
    ['from nowhere', 'null', 403],
    ['from our own pages', 'http://127.0.0.1:3000', 200],
  ])('writing %s', (_, origin, expected) => {
    expect(status({ method: 'POST', origin })).toBe(expected);
  });
  test.each([['/%E0%A4%A'], ['/a%00b'], [`/${'x'.repeat(9000)}`]])('an address that cannot be read: %.20s', (url) => {
    expect(status({ url })).toBe(400);
  });
});
