import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { partOf } from '@tests/support/part';
import { partJobs } from './part-work';
import { inBoxOrder, keyOfNumber, keyOfPart, readBulk, registerFaults, type Part } from './parts';

const part = partOf;

describe('many parts said at once', () => {
  test('a sprue, its numbers, and what they are', () => {
    expect(readBulk('sprue C: 1-4 sound')).toEqual({ sprue: 'C', numbers: ['1', '2', '3', '4'], condition: 'sound' });
    expect(readBulk('c 1-2, 7 flash')).toEqual({ sprue: 'C', numbers: ['1', '2', '7'], condition: 'flash' });
    expect(readBulk('R: 1–3 resin on stick')).toEqual({
      sprue: 'R',
      numbers: ['1', '2', '3'],
      origin: 'resin',
      painted: 'stick',
    });
    expect(readBulk('PE 12a, 12b etched')).toEqual({ sprue: 'PE', numbers: ['12a', '12b'], origin: 'etched' });
  });
  test.each([
    ['sound', /Say it as/],
    ['C: 9-2 sound', /backwards/],
    ['C: 1-9999 sound', /500 numbers/],
    ['C: 1-4 fine', /"fine"/],
  ])('"%s" is refused with what to write', (text, says) => {
    expect(() => readBulk(text)).toThrow(says);
  });
  test('every range holds all its numbers once', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 0, max: 120 }), (from, more) => {
        const { numbers } = readBulk(`A ${from}-${from + more} sound`);
        expect(numbers).toHaveLength(more + 1);
        expect(new Set(numbers).size).toBe(more + 1);
      }),
    );
  });
});

describe('numbers', () => {
  test('are the same however they are written; other sprues are others', () => {
    expect(keyOfNumber('c012')).toBe(keyOfPart({ sprue: 'C', number: '12' }));
    expect(keyOfNumber('C 12')).toBe(keyOfPart({ sprue: 'c', number: '012' }));
    expect(keyOfPart({ sprue: 'C1', number: '2' })).not.toBe(keyOfPart({ sprue: 'C', number: '12' }));
    expect(keyOfNumber('12')).toBe(keyOfPart({ sprue: '', number: '12' }));
  });
  test('stand in the order of the box', () => {
    const parts = [part({ number: '10' }), part({ number: '9' }), part({ sprue: 'A', number: '30' })];
    expect(inBoxOrder(parts).map(({ sprue, number }) => `${sprue}${number}`)).toEqual(['A30', 'C9', 'C10']);
  });
});

describe('a register that cannot be', () => {
  const says = (parts: Part[], boughtOn: string | null = null) =>
    registerFaults(parts, boughtOn).map((fault) => fault.says);
  test('doubled numbers are named', () => {
    expect(says([part(), part({ id: 'b', number: '01' })])).toEqual(['C 01 is in the register already']);
  });
  test('a part that replaces itself, and parts that replace one another in a circle', () => {
    expect(says([part({ replacesIds: ['a'] })])).toEqual(['C 1 cannot replace itself']);
    expect(says([part({ replacesIds: ['b'] }), part({ id: 'b', number: '2', replacesIds: ['a'] })])[0]).toBe(
      'C 1 replaces C 2 replaces C 1: a circle',
    );
    expect(says([part({ replacesIds: ['gone'] })])).toEqual(['C 1 replaces a part that is gone']);
    expect(
      says([
        part({ replacesIds: ['b', 'c'] }),
        part({ id: 'b', number: '2' }),
        part({ id: 'c', number: '3', replacesIds: ['a'] }),
      ])[0],
    ).toBe('C 1 replaces C 3 replaces C 1: a circle');
    expect(says([part({ replacesIds: ['b'] }), part({ id: 'b', number: '2' })])).toEqual([]);
  });
  test('a circle is told though what leads to it stands before it', () => {
    const leading = part({ replacesIds: ['b'] });
    const circle = [
      part({ id: 'b', number: '2', replacesIds: ['c'] }),
      part({ id: 'c', number: '3', replacesIds: ['b'] }),
    ];
    const told = ['C 2 replaces C 3 replaces C 2: a circle', 'C 3 replaces C 2 replaces C 3: a circle'];
    expect(says([leading, ...circle])).toEqual(told);
    expect(says([...circle, leading])).toEqual(told);
  });
  test('a circle is told at each of its parts and at no other', () => {
    const links = fc.array(fc.tuple(fc.nat(7), fc.nat(7)), { maxLength: 14 });
    fc.assert(
      fc.property(links, (all) => {
        const replaced = (i: number) => [
          ...new Set(all.flatMap(([user, old]) => (user === i && old !== i ? [old] : []))),
        ];
        const comesTo = (i: number, seen = new Set<number>()): Set<number> => {
          for (const old of replaced(i)) if (!seen.has(old)) comesTo(old, seen.add(old));
          return seen;
        };
        const eight = Array.from({ length: 8 }, (_, i) => i);
        const parts = eight.map((i) =>
          part({ id: `p${i}`, number: String(i + 1), replacesIds: replaced(i).map((old) => `p${old}`) }),
        );
        const inCircles = eight.filter((i) => comesTo(i).has(i)).map((i) => `p${i}`);
        expect(registerFaults(parts, null).map(({ id }) => id)).toEqual(inCircles);
      }),
    );
  });
  test('what would arrive before the kit was bought', () => {
    expect(says([part({ orderedUntil: '2026-01-01' })], '2026-02-01')[0]).toMatch(/before the kit was bought/);
    expect(says([part({ orderedUntil: '2026-03-01' })], '2026-02-01')).toEqual([]);
  });
  test('a long chain is looked at in time that grows with it, not with its square', () => {
    const chain = Array.from({ length: 3000 }, (_, i) =>
      part({ id: `p${i}`, number: String(i), replacesIds: i < 2999 ? [`p${i + 1}`] : [] }),
    );
    expect(says(chain)).toEqual([]);
  });
});

describe('the work that parts make', () => {
  test('alike work of one zone is one job, with minutes for each further one', () => {
    const jobs = partJobs(
      [1, 2, 3, 4].map((n) => part({ id: `f${n}`, number: String(n), condition: 'flash', zone: 'cockpit' })),
    );
    expect(jobs).toHaveLength(1);
    expect(jobs[0]).toMatchObject({
      key: 'box:scrape:cockpit',
      minutes: 11,
      title: 'Scrape flash and mould lines off 4 parts',
    });
  });
  test('a missing part that is on order is unpacked, not made', () => {
    expect(partJobs([part({ condition: 'missing', orderedUntil: '2026-12-01' })]).map(({ job }) => job)).toEqual([
      'unpack',
    ]);
    expect(partJobs([part({ condition: 'missing' })]).map(({ job }) => job)).toEqual(['make', 'fit', 'cement']);
  });
  test('parts painted on the sprue or a stick are painted by colour, before they are assembled', () => {
    const jobs = partJobs([
      part({ codes: ['TCS 24'], painted: 'stick', zone: 'cockpit' }),
      part({ id: 'b', number: '2', codes: ['TCS 24'], painted: 'stick', zone: 'cockpit' }),
      part({ id: 'c', number: '3', codes: ['TCS 24'], painted: 'assembly', zone: 'cockpit' }),
    ]);
    expect(jobs.map(({ key, code, parts }) => [key, code, parts])).toEqual([
      ['box:paint TCS 24 on a stick:cockpit', 'TCS 24', ['a', 'b']],
    ]);
  });
});
