import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ContractFaults } from '@/core/interchange/contracts/contract';
import { CONTRACTS } from '@/core/interchange/contracts/commands';

const faultsOf = (command: keyof typeof CONTRACTS, input: unknown): string[] => {
  try {
    CONTRACTS[command].run(input);
  } catch (error) {
    if (error instanceof ContractFaults) return error.faults.map(({ path, says }) => `${path}: ${says}`);
    throw error;
  }
  return [];
};
const answer = <T>(command: keyof typeof CONTRACTS, input: unknown) => CONTRACTS[command].run(input) as T;

describe('area', () => {
  type Areas = { areas: Record<string, { realMm2: number; modelCm2: number }>; total: { realMm2: number } };
  const cylinder = {
    id: 'boom',
    stations: [
      { x: 0, width: 100, height: 100 },
      { x: 900, width: 100, height: 100 },
    ],
  };
  const plate = { id: 'tail', root: { x: 0, chord: 800 }, tip: { x: 100, chord: 400 }, semispan: 1500 };
  test('each by its name, together, and on the model in cm2', () => {
    const { areas, total } = answer<Areas>('area', { bodies: [cylinder], surfaces: [plate], denominator: 10 });
    expect(areas.boom!.realMm2 / (Math.PI * 100 * 900)).toBeCloseTo(1, 3);
    expect(areas.tail!.realMm2).toBeCloseTo(2 * 600 * 1500, 3);
    expect(areas.tail!.modelCm2).toBeCloseTo(180, 6);
    expect(total.realMm2).toBeCloseTo(areas.boom!.realMm2 + areas.tail!.realMm2, 6);
  });
  test('a station that says its centre and its section in words of its own', () => {
    const slanted = { id: 'x', stations: cylinder.stations.map((one, i) => ({ ...one, z: 1200 * i, n: 2 })) };
    // Sections stay upright: the skin is that of a slanted cylinder, longer than the upright one.
    const { areas } = answer<Areas>('area', { bodies: [cylinder, slanted], denominator: 1 });
    expect(areas.x!.realMm2).toBeGreaterThan(areas.boom!.realMm2);
  });
  test.each<[string, object, RegExp]>([
    ['nothing to measure', { denominator: 48 }, /^bodies: neither/],
    ['a scale below 1', { bodies: [cylinder], denominator: 0.5 }, /^denominator: must be at least 1/],
    [
      'stations out of order',
      { bodies: [{ id: 'a', stations: [...cylinder.stations].reverse() }], denominator: 1 },
      /^bodies\[0\].stations\[1\].x: must lie aft/,
    ],
    ['a name twice', { bodies: [cylinder, cylinder], denominator: 1 }, /^bodies\[1\].id: "boom" is there twice/],
    [
      'a negative width',
      { bodies: [{ id: 'a', stations: [{ x: 0, width: -1, height: 1 }, cylinder.stations[1]] }], denominator: 1 },
      /^bodies\[0\].stations\[0\].width: must not be negative/,
    ],
    ['an unknown field', { surfaces: [{ ...plate, sweep: 3 }], denominator: 1 }, /^surfaces\[0\].sweep: unknown field/],
    [
      'a wing of no chord',
      { surfaces: [{ ...plate, root: { x: 0, chord: 0 }, tip: { x: 0, chord: 0 } }], denominator: 1 },
      /no chord has a length/,
    ],
  ])('%s is refused', (_, input, fault) => expect(faultsOf('area', input)[0]).toMatch(fault));
});

describe('unroll', () => {
  const drum = {
    stations: [
      { x: 0, width: 480, height: 480 },
      { x: 960, width: 480, height: 480 },
    ],
  };
  test('a side of a drum is as long as its arc, at scale', () => {
    const { outlineModelMm, areaModelMm2, errorPercent } = answer<{
      outlineModelMm: [number, number][];
      areaModelMm2: number;
      errorPercent: number;
    }>('unroll', { body: drum, from: { x: 0, angleDeg: 90 }, to: { x: 480, angleDeg: 180 }, denominator: 48 });
    const arc = (Math.PI / 2) * 5;
    expect(areaModelMm2 / (10 * arc)).toBeCloseTo(1, 3);
    expect(errorPercent).toBeLessThan(0.01);
    const vs = outlineModelMm.map(([, v]) => v);
    expect((Math.max(...vs) - Math.min(...vs)) / arc).toBeCloseTo(1, 3);
  });
  test('what cannot be laid flat says so, and how many gores it takes', () => {
    const ball = {
      stations: Array.from({ length: 21 }, (_, i) => {
        const d = 2 * Math.sqrt(i * 10 * (200 - i * 10));
        return { x: i * 10, width: d, height: d };
      }),
    };
    const { gores, says } = answer<{ gores: number; says: string[] }>('unroll', {
      body: ball,
      from: { x: 30, angleDeg: 0 },
      to: { x: 170, angleDeg: 120 },
      denominator: 1,
    });
    expect(gores).toBeGreaterThan(1);
    expect(says.join(' ')).toMatch(/curved both ways.*gores/);
  });
  test.each<[object, RegExp]>([
    [{ from: { x: 9, angleDeg: 0 }, to: { x: 5, angleDeg: 9 } }, /^to.x: must lie aft/],
    [{ from: { x: 1, angleDeg: 40 }, to: { x: 5, angleDeg: 9 } }, /^to.angleDeg: must be above/],
    [{ from: { x: 1, angleDeg: -40 }, to: { x: 5, angleDeg: 330 } }, /^to.angleDeg: goes more than once round/],
    [{ from: { x: -1, angleDeg: 0 }, to: { x: 5, angleDeg: 9 } }, /^from.x: lies before the first/],
    [{ from: { x: 0, angleDeg: 0 }, to: { x: 5000, angleDeg: 9 } }, /^to.x: lies behind the last/],
  ])('%j is refused', (patch, fault) =>
    expect(faultsOf('unroll', { body: drum, denominator: 1, ...patch })[0]).toMatch(fault),
  );
});

describe('fit', () => {
  type Fitted = {
    inside: boolean;
    overhangMm: number;
    clearanceMm: number;
    crosses: string[];
    overlaps: { id: string; areaMm2: number }[];
    errorPercent: number | null;
    equalsRealMm: number | null;
    leastDetailModelMm: number;
    visible: boolean;
    says: string[];
  };
  const square = (half: number) => [
    [-half, -half],
    [half, -half],
    [half, half],
    [-half, half],
  ];
  const run = (patch: object = {}, marking: object = {}) =>
    answer<Fitted>('fit', {
      denominator: 48,
      marking: { shape: square(300), ...marking },
      at: [0, 0],
      field: square(400),
      ...patch,
    });
  test('a square in a square has the room that is left, and turned less', () => {
    expect(run()).toMatchObject({ inside: true, overhangMm: 0, clearanceMm: 100, errorPercent: null });
    const turned = run({ turnDeg: 45 });
    expect(turned.inside).toBe(false);
    expect(turned.overhangMm).toBeCloseTo(300 * Math.SQRT2 - 400, 6);
    expect(turned.clearanceMm).toBeCloseTo(-turned.overhangMm, 9);
  });
  test('the size of the decal, in reality and in percent', () => {
    const decal = run({}, { printedModelMm: 15 });
    expect(decal.errorPercent).toBeCloseTo(20, 9);
    expect(decal.equalsRealMm).toBeCloseTo(720, 9);
    expect(decal.says[0]).toBe('printed 20 % too big');
  });
  test('lines that it crosses by kind, not those that it only touches', () => {
    const line = (id: string, kind: string, x: number) => ({
      id,
      kind,
      points: [
        [x, -900],
        [x, 900],
      ],
    });
    const { crosses, says } = run({
      lines: [
        line('aileron', 'hinge', 100),
        line('frame 7', 'panel', -50),
        line('rim', 'edge', 300),
        line('far', 'panel', 900),
      ],
    });
    expect(crosses).toEqual(['aileron', 'frame 7']);
    expect(says.join('; ')).toMatch(/hinge, to be cut there: aileron/);
  });
  test('what it lies over, by area', () => {
    const { overlaps } = run({
      others: [
        {
          id: 'letter',
          shape: [
            [200, -100],
            [500, -100],
            [500, 100],
            [200, 100],
          ],
        },
      ],
    });
    expect(overlaps).toHaveLength(1);
    expect(overlaps[0]!.areaMm2).toBeCloseTo(100 * 200, 2);
  });
  test('moving it any way by less than its room keeps it inside, by more takes it out', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: 0, max: 250, noNaN: true }),
        (deg, far) => {
          const a = (deg * Math.PI) / 180;
          const [x, y] = [far * Math.cos(a), far * Math.sin(a)];
          const over = Math.hypot(Math.max(0, Math.abs(x) - 100), Math.max(0, Math.abs(y) - 100));
          const { inside, overhangMm, clearanceMm } = run({ at: [x, y] });
          expect(overhangMm).toBeCloseTo(over, 5);
          expect(inside).toBe(over < 1e-6);
          if (inside) expect(clearanceMm).toBeCloseTo(100 - Math.max(Math.abs(x), Math.abs(y)), 6);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('a stroke of 3 mm at 1/48 is below what an eye sees from 300 mm; from 150 mm it is not', () => {
    const stroke = [
      [-300, -2],
      [300, -2],
      [300, 2],
      [-300, 2],
    ];
    const far = run({}, { shape: stroke });
    expect(far.leastDetailModelMm / (4 / 48)).toBeCloseTo(1, 2);
    expect(far.visible).toBe(false);
    expect(run({ eyeMm: 150 }, { shape: stroke }).visible).toBe(true);
  });
  test.each<[string, object, RegExp]>([
    [
      'a bow tie',
      { marking: { shape: [square(3)[0], square(3)[2], square(3)[1], square(3)[3]] } },
      /crosses itself at/,
    ],
    [
      'two points',
      {
        field: [
          [0, 0],
          [1, 1],
        ],
      },
      /^field: a shape needs at least three/,
    ],
    [
      'no size',
      {
        marking: {
          shape: [
            [1, 1],
            [1, 1],
            [1, 1],
          ],
        },
      },
      /no size/,
    ],
    [
      'a printed size of nought',
      { marking: { shape: square(3), printedModelMm: 0 } },
      /printedModelMm: must be above 0/,
    ],
    ['a place that is no number', { at: [null, 1] }, /^at\[0\]/],
    ['a kind of line that there is not', { lines: [{ id: 'a', kind: 'seam', points: [] }] }, /^lines\[0\].kind/],
  ])('%s is refused', (_, patch, fault) =>
    expect(
      faultsOf('fit', { denominator: 48, marking: { shape: square(3) }, at: [0, 0], field: square(9), ...patch })[0],
    ).toMatch(fault),
  );
});

describe('masks', () => {
  type Order = {
    order: string[];
    minutes: number;
    sessions: number;
    tapeMm: number;
    steps: { colour: string; tapeMm: number; softMm: number; minutes: number; against: string[] }[];
    compare: { lightToDark?: Order };
  };
  const job = fc
    .record({
      count: fc.integer({ min: 1, max: 6 }),
      edges: fc.array(fc.tuple(fc.nat(5), fc.nat(5), fc.integer({ min: 1, max: 400 }), fc.boolean()), {
        maxLength: 14,
      }),
      hides: fc.array(fc.tuple(fc.nat(5), fc.nat(5)), { maxLength: 8 }),
      before: fc.array(fc.tuple(fc.nat(5), fc.nat(5)), { maxLength: 3 }),
    })
    .map(({ count, edges, hides, before }) => {
      const colours = Array.from({ length: count }, (_, i) => `c${i}`);
      const name = (i: number) => colours[i % count]!;
      return {
        colours,
        regions: colours.map((colour) => ({ id: `r-${colour}`, colour })),
        edges: edges.map(([a, b, lengthMm, hard]) => ({ a: `r-${name(a)}`, b: `r-${name(b)}`, lengthMm, hard })),
        hides: hides.map(([a, b]) => [name(a), name(b)]),
        // Lower before higher: no circle.
        before: before
          .map(([a, b]) => [Math.min(a % count, b % count), Math.max(a % count, b % count)] as const)
          .filter(([a, b]) => a < b)
          .map(([a, b]) => [name(a), name(b)]),
        lightness: Object.fromEntries(colours.map((colour, i) => [colour, (i * 37) % 100])),
      };
    });
  type Job = typeof job extends fc.Arbitrary<infer T> ? T : never;

  /** The page's own sum over one order, written apart from what is tested. */
  const cost = ({ edges, hides }: Job, order: string[]) => {
    let [minutes, sessions] = [0, 0];
    order.forEach((colour, i) => {
      const before = order.slice(0, i);
      let [tape, soft] = [0, 0];
      for (const edge of edges) {
        const [a, b] = [edge.a.slice(2), edge.b.slice(2)];
        if (a === b || (a !== colour && b !== colour)) continue;
        const other = a === colour ? b : a;
        const isBefore = before.includes(other);
        if (edge.hard && (isBefore || !hides.some(([l, e]) => l === other && e === colour))) tape += edge.lengthMm;
        if (!edge.hard && isBefore) soft += edge.lengthMm;
      }
      minutes += (i ? 6 : 0) + (tape > 0 ? 20 : 0) + tape / 40 + soft / 60;
      if (tape > 0) sessions += 1;
    });
    return { minutes, sessions };
  };
  const orders = (items: string[]): string[][] =>
    items.length < 2
      ? [items]
      : items.flatMap((item) => orders(items.filter((o) => o !== item)).map((o) => [item, ...o]));

  test('no other order that keeps to what comes before takes less, and of equals the first by name is given', () => {
    fc.assert(
      fc.property(job, (given) => {
        const found = answer<Order>('masks', given);
        const allowed = orders(given.colours).filter((order) =>
          given.before.every(([a, b]) => order.indexOf(a!) < order.indexOf(b!)),
        );
        const ranked = allowed
          .map((order) => ({ order, ...cost(given, order) }))
          .sort(
            (a, b) =>
              (Math.abs(a.minutes - b.minutes) > 1e-7 ? a.minutes - b.minutes : 0) ||
              a.sessions - b.sessions ||
              (a.order.join() < b.order.join() ? -1 : 1),
          );
        expect(found.order).toEqual(ranked[0]!.order);
        expect(found.minutes).toBeCloseTo(ranked[0]!.minutes, 6);
        expect(found.sessions).toBe(ranked[0]!.sessions);
        const light = found.compare.lightToDark!;
        expect(light.minutes).toBeCloseTo(cost(given, light.order).minutes, 6);
        expect(light.minutes).toBeGreaterThanOrEqual(found.minutes - 1e-6);
      }),
      { numRuns: 60 },
    );
  });
  test('each step says its tape and against which colours', () => {
    const { steps, tapeMm, sessions } = answer<Order>('masks', {
      colours: ['grey', 'green'],
      regions: [
        { id: 'a', colour: 'grey' },
        { id: 'b', colour: 'green' },
      ],
      edges: [{ a: 'a', b: 'b', lengthMm: 180, hard: true }],
      hides: [['green', 'grey']],
    });
    expect(steps).toEqual([
      { colour: 'grey', tapeMm: 0, softMm: 0, minutes: 0, against: [] },
      { colour: 'green', tapeMm: 180, softMm: 0, minutes: 6 + 20 + 4.5, against: ['grey'] },
    ]);
    expect([tapeMm, sessions]).toEqual([180, 1]);
  });
  const two = {
    colours: ['a', 'b'],
    regions: [
      { id: 'r', colour: 'a' },
      { id: 's', colour: 'b' },
    ],
  };
  test.each<[string, object, RegExp]>([
    [
      'a circle',
      {
        before: [
          ['a', 'b'],
          ['b', 'a'],
        ],
      },
      /^before: goes in a circle: a before b before a/,
    ],
    ['itself before itself', { before: [['a', 'a']] }, /^before: goes in a circle: a before a/],
    [
      'a negative length',
      { edges: [{ a: 'r', b: 's', lengthMm: -1, hard: true }] },
      /^edges\[0\].lengthMm: must not be/,
    ],
    [
      'an unknown region',
      { edges: [{ a: 'r', b: 'x', lengthMm: 1, hard: true }] },
      /^edges\[0\].b: there is no region "x"/,
    ],
    ['an unknown colour', { hides: [['a', 'c']] }, /^hides\[0\]\[1\]: there is no colour "c"/],
    ['a colour without a region', { regions: [{ id: 'r', colour: 'a' }] }, /^colours\[1\]: "b" has no region/],
    ['a lightness that is missing', { lightness: { a: 5 } }, /^lightness.b: is missing/],
    ['seventeen colours', { colours: Array.from({ length: 17 }, (_, i) => `c${i}`) }, /more than 16 colours/],
  ])('%s is refused', (_, patch, fault) => expect(faultsOf('masks', { ...two, ...patch })[0]).toMatch(fault));
});

describe('sums', () => {
  const one = (sum: object) => answer<{ results: Record<string, unknown>[] }>('sums', { sums: [sum] }).results[0]!;
  const near = (value: number) => expect.closeTo(value, 6);
  test.each<[object, object]>([
    [{ kind: 'scale', realMm: 600, denominator: 48 }, { modelMm: near(12.5) }],
    [{ kind: 'scale', modelMm: 12.5, denominator: 48 }, { realMm: near(600) }],
    [{ kind: 'enlarge', drawnMm: 100, realMm: 9600, denominator: 48 }, { factor: near(2) }],
    [
      { kind: 'marking', realMm: 600, denominator: 48, printedMm: 13 },
      { modelMm: near(12.5), errorPercent: near(4), equalsRealMm: near(624) },
    ],
    // 100 g 10 mm behind, on an arm of 60 mm, by the usual quarter more.
    [
      { kind: 'noseWeight', massG: 100, cgMm: 90, mainWheelMm: 80, weightMm: 20, densityGPerMl: 10 },
      { grams: near(1250 / 60), ml: near(125 / 60) },
    ],
    [{ kind: 'noseWeight', massG: 100, cgMm: 70, mainWheelMm: 80, weightMm: 20 }, { grams: 0 }],
    [
      { kind: 'cup', totalMl: 2, paintParts: 1, thinnerParts: 2 },
      { paintMl: near(2 / 3), thinnerMl: near(4 / 3), paintDrops: 14, thinnerDrops: 28 },
    ],
    [
      { kind: 'cup', totalMl: 1, paintParts: 1, thinnerParts: 0 },
      { paintDrops: 20, thinnerDrops: 0 },
    ],
    [
      { kind: 'paint', areaCm2: 100, coats: 2 },
      { sprayedMl: near(1.4), paintMl: near(0.7) },
    ],
    [
      { kind: 'footprint', lengthMm: 100, spanMm: 200, angleDeg: 90, marginMm: 5 },
      { widthMm: near(210), depthMm: near(110) },
    ],
    [
      { kind: 'thread', threadMm: 0.1, denominator: 48, realMaxMm: 3 },
      { realMm: near(4.8), verdict: 'too thick: 60 % over' },
    ],
    [{ kind: 'propeller', diameterMm: 57, hubHeightMm: 27 }, { clearanceMm: near(-1.5) }],
  ])('%j', (sum, expected) => expect(one(sum)).toMatchObject(expected));
  test('drops keep the ratio and fill the cup, whatever it is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 0, max: 9 }),
        fc.integer({ min: 4, max: 100 }),
        (paintParts, thinnerParts, tenths) => {
          const { paintDrops, thinnerDrops } = one({ kind: 'cup', totalMl: tenths / 20, paintParts, thinnerParts }) as {
            paintDrops: number;
            thinnerDrops: number;
          };
          expect(paintDrops * thinnerParts).toBe(thinnerDrops * paintParts);
          expect((paintDrops + thinnerDrops) * 0.05).toBeGreaterThanOrEqual(tenths / 20 - 1e-9);
        },
      ),
    );
  });
  test('one bad sum refuses all, by its number', () => {
    expect(
      faultsOf('sums', {
        sums: [
          { kind: 'scale', realMm: 1, denominator: 2 },
          { kind: 'propeller', diameterMm: -2, hubHeightMm: 1 },
        ],
      }),
    ).toEqual(['sums[1].diameterMm: must not be negative']);
    expect(
      faultsOf('sums', { sums: [{ kind: 'noseWeight', massG: 1, cgMm: 9, mainWheelMm: 8, weightMm: 8 }] })[0],
    ).toMatch(/weightMm: the weight does not lie ahead/);
  });
});
