import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { areasByColour, cellsOf, type PaintedField } from './cells';
import { contradictions } from './contradictions';
import { bordersOf, edgesByColour } from './edges';
import type { FieldShape, SchemeField } from './field';
import { fieldShape } from './field-shape';
import { layField } from './laid';
import { PATTERNS, type PatternName } from './patterns';

const outline = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const { length, span } = outline.spec.dimensions;
const grey = () => 'grey';
const field = (shape: FieldShape, over: Partial<SchemeField> = {}): SchemeField => ({
  id: over.title ?? 'f',
  title: 'f',
  code: 'green',
  shape,
  mirrored: false,
  keptTo: [],
  edge: 'hard',
  softMm: 0,
  rank: 0,
  ...over,
});
const lay = (fields: SchemeField[], placeOf = () => null as { x: number; y: number } | null): PaintedField[] =>
  fields.map((own) => ({ field: own, laid: layField(outline, own, placeOf) }));
const corner = (x: number, y: number, on: { marking: string; place: number } | null = null) => ({ x, y, on });
const box = (
  view: 'port' | 'starboard' | 'upper' | 'lower',
  a: number,
  b: number,
  c: number,
  d: number,
): FieldShape => ({
  kind: 'area',
  view,
  smooth: false,
  corners: [corner(a, b), corner(c, b), corner(c, d), corner(a, d)],
});
const areas = (painted: PaintedField[], base: (zone: string) => string | null = grey) => {
  const all = areasByColour(outline, base, cellsOf(outline, base, painted));
  return {
    all,
    of: (code: string, zone?: string) =>
      all
        .filter((one) => one.code === code && (!zone || one.zone === zone))
        .reduce((sum, { areaM2 }) => sum + areaM2, 0),
  };
};
const whole = outline.zones.reduce((sum, { areaM2 }) => sum + areaM2, 0);

describe('areas by colour', () => {
  test('without a field they are the zones', () => {
    expect(areas([]).of('grey')).toBeCloseTo(whole, 6);
  });
  test('whatever is drawn, they add up to the whole within 0.1 %', () => {
    const place = fc.double({ min: -2, max: 12, noNaN: true });
    const shape = fc.oneof(
      fc
        .tuple(
          fc.constantFrom('port', 'starboard', 'upper', 'lower'),
          fc.array(fc.tuple(place, fc.double({ min: -6, max: 6, noNaN: true })), { minLength: 3, maxLength: 7 }),
          fc.boolean(),
          fc.boolean(),
        )
        .map(([view, points, smooth, isMottle]): FieldShape => ({
          ...(isMottle
            ? { kind: 'mottle' as const, by: 'freehand' as const, density: 0.4, blotchMm: 200 }
            : { kind: 'area' as const }),
          view: view as 'port',
          smooth,
          corners: points.map(([x, y]) => corner(x, y)),
        })),
      fc
        .tuple(place, fc.double({ min: 0.1, max: 3, noNaN: true }))
        .map(([from, broad]): FieldShape => ({ kind: 'band', on: 'fuselage', from, to: from + broad })),
      fc
        .array(fc.tuple(place, fc.double({ min: 0, max: 2, noNaN: true })), { minLength: 2, maxLength: 5 })
        .map((points): FieldShape => ({
          kind: 'height',
          view: 'port',
          covers: 'below',
          smooth: true,
          corners: points.sort(([a], [b]) => a - b).map(([x, y]) => corner(x, y)),
        })),
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(shape, fc.boolean()), { minLength: 1, maxLength: 6 }), (drawn) => {
        const painted = lay(
          drawn.map(([own, mirrored], i) => field(own, { mirrored, id: `f${i}`, code: `c${i % 4}`, rank: i })),
        );
        const sum = areas(painted).all.reduce((total, { areaM2 }) => total + areaM2, 0);
        expect(Math.abs(sum / whole - 1)).toBeLessThan(1e-3);
      }),
      { numRuns: 40 },
    );
  });
  test('what is laid later hides what lies under it', () => {
    const under = field(box('upper', 0, -span, length, span), { id: 'a', code: 'green' });
    const over = field(box('upper', 0, -span, length, span), { id: 'b', code: 'brown', rank: 1 });
    const both = areas(lay([under, over]));
    expect(both.of('green')).toBeLessThan(0.01);
    expect(both.of('brown')).toBeCloseTo(areas(lay([under])).of('green'), 3);
  });
  test('a mirrored field is as large on the other side, and an unmirrored one only on its own', () => {
    const one = field(box('port', 4, 0, 7, 3));
    expect(areas(lay([one])).of('green', 'fuselage-mid-starboard')).toBe(0);
    const both = areas(lay([{ ...one, mirrored: true }]));
    expect(both.of('green', 'fuselage-mid-port')).toBeGreaterThan(0.5);
    expect(both.of('green', 'fuselage-mid-starboard')).toBeCloseTo(both.of('green', 'fuselage-mid-port'), 6);
  });
  test('blotches of 40 % cover 40 %, and leave the rest to what they lie on', () => {
    const mottle: FieldShape = {
      ...(box('port', -1, -3, 12, 5) as Extract<FieldShape, { kind: 'area' }>),
      kind: 'mottle',
      by: 'freehand',
      density: 0.4,
      blotchMm: 300,
    } as FieldShape;
    const { of } = areas(lay([field(mottle)]));
    const skin = outline.zones.find(({ key }) => key === 'fuselage-rear-port')!.areaM2;
    expect(of('green', 'fuselage-rear-port') / skin).toBeCloseTo(0.4, 3);
    expect(of('grey', 'fuselage-rear-port') / skin).toBeCloseTo(0.6, 3);
  });
  test('a field that is kept to some zones lies nowhere else', () => {
    const { all } = areas(lay([field(box('upper', 0, -span, length, span), { keptTo: ['wing-upper-outer-port'] })]));
    expect(all.filter(({ code }) => code === 'green').map(({ zone }) => zone)).toEqual(['wing-upper-outer-port']);
  });
  test('a corner that hangs on a marking goes with it', () => {
    const hung: FieldShape = {
      kind: 'area',
      view: 'upper',
      smooth: false,
      corners: [
        corner(-0.5, -0.5, { marking: 'm', place: 0 }),
        corner(0.5, -0.5, { marking: 'm', place: 0 }),
        corner(0.5, 0.5, { marking: 'm', place: 0 }),
        corner(-0.5, 0.5, { marking: 'm', place: 0 }),
      ],
    };
    const zoneOf = (y: number) =>
      areas(lay([field(hung)], () => ({ x: 3.8, y })))
        .all.filter(({ code }) => code === 'green')
        .map(({ zone }) => zone);
    expect(zoneOf(4)).toEqual(['wing-upper-outer-starboard']);
    expect(zoneOf(-4)).toEqual(['wing-upper-outer-port']);
  });
});

describe('edges between colours', () => {
  const edges = (painted: PaintedField[], base: (zone: string) => string | null = grey) =>
    edgesByColour(
      bordersOf(cellsOf(outline, base, painted)),
      ({ zone, field: of }) => (of === null ? base(zone) : painted.find(({ field: own }) => own.id === of)!.field.code),
      new Map(painted.map(({ field: own }) => [own.id, own])),
      () => false,
    );
  test('a band has two rings, each as long as the fuselage is round there', () => {
    const [edge, ...more] = edges(lay([field({ kind: 'band', on: 'fuselage', from: 6, to: 6.5 })]));
    expect(more).toEqual([]);
    const body = outline.regions.find(({ chart }) => chart.id === 'fuselage')!.chart;
    const round = (x: number) => {
      let sum = 0;
      for (let q = 0; q < 360; q += 1) {
        const [a, b] = [body.at([x, q]), body.at([x, q + 1])];
        sum += Math.hypot(a[1] - b[1], a[2] - b[2]);
      }
      return sum;
    };
    expect(edge!.lengthM / (round(6) + round(6.5))).toBeCloseTo(1, 2);
    expect(edge).toMatchObject({ a: 'green', b: 'grey', hard: true });
  });
  test('upper and lower faces of a wing in two colours meet round its edges', () => {
    const base = (zone: string) => (zone.startsWith('wing-lower') ? 'blue' : 'grey');
    const wing = edges([], base).find(({ a }) => a === 'blue')!;
    // Leading and trailing edge of both halves, a little more than twice the span.
    expect(wing.lengthM).toBeGreaterThan(1.8 * span);
    expect(wing.lengthM).toBeLessThan(2.4 * span);
  });
  test('a soft field makes soft edges, and zones in one colour none', () => {
    expect(edges([])).toEqual([]);
    const soft = edges(lay([field(box('upper', 3, 2, 5, 4), { edge: 'soft', softMm: 60 })]));
    expect(soft.map(({ hard }) => hard)).toEqual([false]);
    expect(soft[0]!.lengthM).toBeGreaterThan(4);
  });
});

describe('contradictions', () => {
  const faults = (painted: PaintedField[], ruled: (zone: string) => string | null = () => null) =>
    contradictions(outline, painted, cellsOf(outline, grey, painted), ruled).map(({ says }) => says);
  test('two views that give one skin two colours', () => {
    const side = field(box('port', 4, 0, 7, 3), { id: 'side', title: 'Side', code: 'green' });
    const top = field(box('upper', 4, -3, 7, 3), { id: 'top', title: 'Top', code: 'brown', rank: 1 });
    const [said] = faults(lay([side, top]));
    expect(said).toMatch(
      /“Side”, drawn from port, and “Top”, drawn from above, give \d.\d\d m² .* brown shows, green is hidden/,
    );
    expect(faults(lay([side, { ...top, code: 'green' }]))).toEqual([]);
  });
  test('a ruled colour that nothing is left of, and a field beside the machine', () => {
    expect(faults(lay([field(box('upper', 30, -3, 40, 3), { title: 'Lost' })]))[0]).toMatch(/“Lost” lies on no skin/);
    const all = lay([field({ kind: 'zones', zones: ['fin-port'] })]);
    expect(faults(all, (zone) => (zone === 'fin-port' ? 'grey' : null))[0]).toMatch(
      /fin and rudder, port is ruled grey at Evidence, but the scheme leaves nothing of it: it shows green/,
    );
  });
});

describe('patterns', () => {
  test.each(Object.keys(PATTERNS) as PatternName[])('%s: fields that pass their schema and paint something', (name) => {
    const pattern = PATTERNS[name];
    const drafts = pattern.fields(outline, ['one', 'two'].slice(0, pattern.colours.length) as never);
    expect(drafts.length).toBeGreaterThan(0);
    for (const { shape } of drafts) expect(fieldShape.safeParse(shape).error).toBeUndefined();
    const painted = lay(drafts.map((own, rank) => ({ ...own, id: `${rank}`, rank })));
    expect(areas(painted).of('one')).toBeGreaterThan(0.2);
    expect(areas(painted).of('grey')).toBeGreaterThan(5);
  });
});
