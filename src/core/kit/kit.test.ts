import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { coatsBy, figuresOfWay, suggestWay, WAYS } from './applying';
import { builtM, compare, rodLength } from './measuring';
import { figuresOf, TOOL_KINDS, type Tool } from './tools';

describe('what the kit makes of a dimension', () => {
  test('in metres of the real machine; of a pair the mean; a drawing makes nothing', () => {
    const measure = { of: 'part' as const, trueMm: 9600, measuredMm: 199, otherMm: 201 };
    expect(builtM(measure, 48)).toBeCloseTo(9.6, 9);
    expect(builtM({ ...measure, otherMm: null }, 72)).toBeCloseTo(14.328, 9);
    expect(builtM({ ...measure, of: 'drawing' }, 48)).toBeNull();
  });
});

describe('the kit against the real machine', () => {
  const of = (trueMm: number, measuredMm: number, otherMm: number | null = null) =>
    compare({ of: 'part', trueMm, measuredMm, otherMm }, 48);
  test('an error in mm and per cent of what it should measure at scale', () => {
    const { shouldMm, errorMm, errorPercent } = of(4800, 99.2);
    expect(shouldMm).toBe(100);
    expect(errorMm).toBeCloseTo(-0.8, 9);
    expect(errorPercent).toBeCloseTo(-0.8, 9);
  });
  test('what it means: leave it, shim it, replace it', () => {
    expect(of(4800, 99.2).says).toBe('0.8 % short: leave it');
    expect(of(1200, 23.5).says).toBe('6 % short: shim it, or replace it');
    expect(of(1200, 21).says).toMatch(/replace it$/);
    expect(of(480, 10.1).says).toMatch(/less than 0.25 mm/);
    expect(of(4800, 104).says).toMatch(/sand it down/);
  });
  test('left and right are compared with one another', () => {
    expect(of(4800, 99.9, 100.1).says).toMatch(/alike/);
    expect(of(4800, 99, 101).says).toMatch(/differ by 2 mm/);
    expect(of(4800, 99, 101).unlikeMm).toBe(2);
  });
  test('a drawing tells its scale, and by how much it is enlarged', () => {
    const { drawing, says } = compare({ of: 'drawing', trueMm: 7200, measuredMm: 100, otherMm: null }, 48);
    expect(drawing!.denominator).toBe(72);
    expect(drawing!.factor).toBe(1.5);
    expect(says).toMatch(/1\/72/);
  });
  test('enlarged by its factor a drawing is true to the scale of the kit', () => {
    const size = fc.double({ min: 1, max: 50_000, noNaN: true });
    fc.assert(
      fc.property(size, size, fc.integer({ min: 6, max: 700 }), (trueMm, measuredMm, denominator) => {
        const { drawing } = compare({ of: 'drawing', trueMm, measuredMm, otherMm: null }, denominator);
        expect(measuredMm * drawing!.factor).toBeCloseTo(trueMm / denominator, 6);
      }),
    );
  });
  test('a rod is as long as height and base stand over the sine of its angle, and its socket', () => {
    expect(rodLength(100, 20, 90, 15)).toBeCloseTo(135, 9);
    expect(rodLength(100, 20, 30, 0)).toBeCloseTo(240, 9);
  });
});

const tool = (kind: Tool['kind'], over: Partial<Tool> = {}): Tool => ({
  kind,
  name: kind,
  needleMm: null,
  lineMm: null,
  filmUm: null,
  wasteMl: null,
  minutes: null,
  ...over,
});

describe('tools', () => {
  test('what is not known of one is as usual; an airbrush draws as fine as its needle lets it', () => {
    expect(figuresOf(tool('airbrush', { needleMm: 0.2 })).lineMm).toBe(1);
    expect(figuresOf(tool('airbrush', { needleMm: 0.2, lineMm: 2 })).lineMm).toBe(2);
    for (const kind of TOOL_KINDS) expect(figuresOf(tool(kind)).minutes).not.toBeNull();
  });
});

describe('how a colour is brought on', () => {
  const job = (areaCm2: number, edge: 'hard' | 'soft' = 'hard') => ({ areaCm2, edge, metallic: false });
  test('with an airbrush it is sprayed, a spot with a hard edge is brushed', () => {
    const tools = [tool('airbrush'), tool('brush')];
    expect(suggestWay(job(40), tools).way).toBe('airbrush');
    expect(suggestWay(job(1), tools)).toMatchObject({ way: 'brush', because: expect.stringContaining('cleaning') });
    expect(suggestWay(job(40, 'soft'), tools).because).toMatch(/soft edge/);
  });
  test('without one: a can for the large, a sponge for the soft, a brush for the rest', () => {
    const tools = [tool('spray can'), tool('brush'), tool('sponge')];
    expect(suggestWay(job(150), tools).way).toBe('spray can');
    expect(suggestWay(job(20, 'soft'), tools).way).toBe('sponge');
    expect(suggestWay(job(20), tools).way).toBe('brush');
  });
  test('with a brush alone a can is bought for a large area of metal, unless its paint comes from a bottle', () => {
    const metal = (areaCm2: number, bottled = false) =>
      suggestWay({ ...job(areaCm2), metallic: true, bottled }, [tool('brush')]);
    expect(metal(150)).toMatchObject({ way: 'spray can', because: expect.stringContaining('bought') });
    expect(metal(20).way).toBe('brush');
    expect(metal(150, true).way).toBe('brush');
    expect(suggestWay(job(150), [tool('brush')]).way).toBe('brush');
  });
  test('a builder who lists no tools has an airbrush', () => {
    expect(suggestWay(job(1), []).way).toBe('airbrush');
  });
  test('a brush needs three or four thin coats, a can fewer than an airbrush', () => {
    expect(coatsBy('brush', 1)).toBe(3);
    expect(coatsBy('brush', 4)).toBe(4);
    expect(coatsBy('spray can', 3)).toBe(2);
    for (const way of WAYS) for (let n = 1; n <= 12; n += 1) expect(coatsBy(way, n)).toBeGreaterThan(0);
  });
  test('film and waste follow the tool that is owned', () => {
    expect(figuresOfWay('brush', [tool('brush', { filmUm: 40 })]).wetFilmUm).toBe(40);
    expect(figuresOfWay('brush', []).transfer).toBeGreaterThan(figuresOfWay('spray can', []).transfer);
  });
});
