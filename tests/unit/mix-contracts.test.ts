import { describe, expect, test } from '@jest/globals';
import { ContractFaults } from '@/core/interchange/contracts/contract';
import { layers } from '@/core/interchange/contracts/layers';
import { mix } from '@/core/interchange/contracts/mix';
import { scheme } from '@/core/interchange/contracts/scheme';

const faults = (run: () => unknown): string[] => {
  try {
    run();
  } catch (error) {
    if (error instanceof ContractFaults) return error.faults.map(({ path, says }) => `${path}: ${says}`);
    throw error;
  }
  return [];
};
const paints = [
  { id: 'light', lab: [90, 0, 4], opacity: 'opaque' },
  { id: 'dark', lab: [22, 0, -2], contrastRatio: 0.97 },
  { id: 'green', lab: [40, -22, 18] },
];

describe('mix', () => {
  test('answers with drops by paint, best first, and echoes what it assumed', () => {
    const out = mix.run({ target: { lab: [55, -8, 8] }, paints, top: 3 }) as {
      recipes: { drops: Record<string, number>; score: number }[];
      proven: boolean;
      assumed: object;
    };
    expect(out.recipes).toHaveLength(3);
    expect(out.proven).toBe(true);
    expect(Object.keys(out.recipes[0]!.drops).every((id) => paints.some((paint) => paint.id === id))).toBe(true);
    expect(out.assumed).toMatchObject({
      maxPaints: 3,
      maxDrops: 12,
      top: 3,
      perPaint: 0.2,
      perDrop: 0.01,
      limitMs: 500,
    });
  });
  test.each<[string, object, string]>([
    ['no paints', { paints: [] }, 'paints: must have at least one paint'],
    ['a paint without a colour', { paints: [{ id: 'x' }] }, 'paints[0]: must say what is known of its colour'],
    ['two paints of one id', { paints: [paints[0], paints[0]] }, 'paints[1].id: "light" is there twice'],
    ['a paint without an id', { paints: [{ lab: [50, 0, 0] }] }, 'paints[0].id: every paint needs an id'],
    [
      '30 bands',
      { paints: [{ id: 'x', K: Array(30).fill(1), S: Array(31).fill(1) }] },
      'paints[0].K: must be 31 values',
    ],
    [
      'a reflectance above 1',
      { paints: [{ id: 'x', reflectance: Array(31).fill(1.2) }] },
      'paints[0].reflectance[0]: a reflectance lies',
    ],
    ['five paints at once', { maxPaints: 5 }, 'maxPaints: must be at most 4'],
    ['an unknown field', { sorted: true }, 'sorted: unknown field'],
  ])('refuses %s', (_, change, says) => {
    const found = faults(() => mix.run({ target: { lab: [50, 0, 0] }, paints, ...change }));
    expect(found.some((fault) => fault.startsWith(says))).toBe(true);
  });
});

describe('layers', () => {
  const yellow = { lab: [82, 5, 78], opacity: 'semi' };
  test('gives the look after each coat and how many hide the ground', () => {
    const over = (lab: number[]) =>
      layers.run({
        under: { lab },
        coats: Array(4).fill({ paint: yellow, thickness: 0.5 }),
        target: { lab: [82, 5, 78] },
      }) as {
        after: { coat: number; hex: string; dE00ToMasstone: number; dE00ToTarget: number }[];
        coatsToHide: number;
      };
    const [black, white] = [over([15, 0, 0]), over([95, 0, 0])];
    expect(black.after.map(({ coat }) => coat)).toEqual([1, 2, 3, 4]);
    const off = black.after.map(({ dE00ToMasstone }) => dE00ToMasstone);
    expect(off).toEqual([...off].sort((a, b) => b - a));
    expect(black.coatsToHide).toBeGreaterThan(white.coatsToHide);
    expect(black.after[0]!.hex).toMatch(/^#[0-9a-f]{6}$/);
    expect(black.after[3]!.dE00ToTarget).toBeCloseTo(black.after[3]!.dE00ToMasstone, 1);
  });
  test('lays a paint over a paint; no thickness changes nothing', () => {
    const out = layers.run({
      under: { lab: [30, 10, 5], opacity: 'opaque' },
      coats: [{ paint: yellow, thickness: 0 }],
    }) as {
      after: { lab: number[] }[];
      coatsToHide: number | null;
    };
    [30, 10, 5].forEach((value, i) => expect(out.after[0]!.lab[i]).toBeCloseTo(value, 1));
    expect(out.coatsToHide).toBeNull();
  });
  test('refuses a ground that is no colour and a coat of less than nothing', () => {
    expect(
      faults(() => layers.run({ under: { lab: [150, 0, 0] }, coats: [{ paint: yellow, thickness: -1 }] })),
    ).toEqual(['under.lab: L must lie between 0 and 100', 'coats[0].thickness: a thickness is never below 0']);
    expect(faults(() => layers.run({ under: { lab: [50, 0, 0] }, coats: [] }))).toEqual([
      'coats: must have at least one coat',
    ]);
  });
});

describe('scheme', () => {
  const calls = [
    { id: 'top', target: { lab: [40, -8, 12] } },
    { id: 'side', target: { lab: [52, 2, 10] } },
  ];
  const candidates = [
    { id: 'a1', lab: [41, -8, 12], line: 'A', chemistry: 'WA', owned: true },
    { id: 'a2', lab: [55, 2, 10], line: 'A', chemistry: 'WA', owned: false },
    { id: 'b2', lab: [52, 2, 10], line: 'B', chemistry: 'AL', owned: false },
  ];
  type Out = {
    choice: Record<string, string> | null;
    F: number;
    proven: boolean;
    errors: Record<string, number>;
    pairs: { says: string }[];
  };
  const run = (more: object = {}) =>
    scheme.run({ calls, candidates, edges: [{ a: 'top', b: 'side' }], ...more }) as Out;

  test('chooses a paint for each call, with its errors and what becomes of neighbours', () => {
    const out = run();
    expect(out.choice).toEqual({ top: 'a1', side: 'b2' });
    expect(out.proven).toBe(true);
    expect(out.errors.side).toBeCloseTo(0, 1);
    expect(out.pairs).toMatchObject([{ a: 'top', b: 'side', says: 'the contrast is kept' }]);
  });
  test('takes one line where another costs more than it is nearer, or where only one may be', () => {
    expect(run({ perLine: 20 }).choice).toEqual({ top: 'a1', side: 'a2' });
    expect(run({ maxLines: 1 }).choice).toEqual({ top: 'a1', side: 'a2' });
    expect(run({ sameChemistry: true }).choice).toEqual({ top: 'a1', side: 'a2' });
  });
  test('says so when nothing keeps to what is asked', () => {
    const apart = [candidates[0], candidates[2]].map((paint, i) => ({ ...paint, id: `p${i}` }));
    const far = scheme.run({ calls, candidates: apart, maxLines: 1 }) as Out;
    // One paint for both is a choice, if a poor one.
    expect(new Set(Object.values(far.choice!)).size).toBe(1);
  });
  test('refuses neighbours that are not called, and doubles', () => {
    expect(faults(() => run({ edges: [{ a: 'top', b: 'belly' }] }))).toEqual(['edges[0].b: there is no call "belly"']);
    expect(faults(() => run({ edges: [{ a: 'top', b: 'top' }] }))).toEqual([
      'edges[0]: a call is no neighbour of itself',
    ]);
    expect(faults(() => run({ candidates: [candidates[0], candidates[0]] }))).toEqual([
      'candidates[1].id: "a1" is there twice',
    ]);
    expect(faults(() => run({ calls: [calls[0], calls[0]], edges: [] }))).toEqual([
      'calls[1].id: "top" is there twice',
    ]);
  });
  test('with mixtures, a call that no paint meets is mixed, and nothing is claimed to be proven', () => {
    const grey = [{ id: 'grey', target: { lab: [50, 0, 0] } }];
    const ends = [
      { id: 'w', lab: [95, 0, 0], line: 'A', chemistry: 'WA', owned: true },
      { id: 'k', lab: [15, 0, 0], line: 'A', chemistry: 'WA', owned: true },
    ];
    const out = run({ calls: grey, candidates: ends, edges: [], recipes: true });
    expect(Object.keys(out.choice!.grey!).sort()).toEqual(['k', 'w']);
    expect(out.errors.grey).toBeLessThan(2);
    expect(out.proven).toBe(false);
  });
});
