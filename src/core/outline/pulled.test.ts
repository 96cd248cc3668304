import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { buildOutline, type OutlineSpec } from './outline';
import { PRESET_NAMES, PRESETS } from './presets';
import { outlineHandles, pulled } from './pulled';

const spec = (preset: (typeof PRESET_NAMES)[number] = 'single'): OutlineSpec => ({
  preset,
  dimensions: PRESETS[preset].dimensions,
  landing: PRESETS[preset].landing,
  folded: false,
});
const find = (own: OutlineSpec, id: string) => outlineHandles(own).find((handle) => handle.id === id)!;

describe('pulling the outline to a drawing', () => {
  test('a handle that is pulled to a place is found there', () => {
    for (const [id, dx, dy] of [
      ['top 4', 0, 0.1],
      ['bottom 5', 0, -0.05],
      ['width 4', 0, 0.08],
      ['root trailing', -0.2, 0],
      ['tip leading', 0.1, 0.4],
      ['tip trailing', -0.1, -0.3],
      ['underside', 0, 0.2],
      ['forward', 0.3, 0],
      ['rear', -0.4, 0],
    ] as const) {
      const before = find(spec(), id);
      const shape = pulled(spec(), id, [before.x + dx, before.y + dy])!;
      const after = find({ ...spec(), ...shape }, id);
      expect([id, after.x]).toEqual([id, expect.closeTo(before.x + dx, 2)]);
      if (!['forward', 'rear', 'root trailing'].includes(id))
        expect([id, after.y]).toEqual([id, expect.closeTo(before.y + dy, 2)]);
    }
  });
  test('the wing root is pulled without moving the tip', () => {
    const before = find(spec(), 'tip leading');
    const shape = pulled(spec(), 'root leading', [2.3, 0])!;
    const after = { ...spec(), ...shape };
    expect(find(after, 'tip leading').x).toBeCloseTo(before.x, 3);
    expect(find(after, 'root trailing').x).toBeCloseTo(find(spec(), 'root trailing').x, 3);
  });
  test('a station that is pulled moves the skin there', () => {
    const shape = pulled(spec(), 'top 5', [0, 2])!;
    const { regions } = buildOutline({ ...spec(), ...shape });
    const { chart } = regions.find((part) => part.chart.id === 'fuselage')!;
    const { x } = find(spec(), 'top 5');
    expect(chart.at([x, 0])[2]).toBeCloseTo(2, 2);
  });
  test('what no aircraft can have is refused: a top under its bottom, a chord below nothing', () => {
    expect(pulled(spec(), 'top 4', [0, -3])).toBeNull();
    expect(pulled(spec(), 'root trailing', [0.5, 0])).toBeNull();
    expect(pulled(spec(), 'tip leading', [Number.NaN, 3])).toBeNull();
  });
  test('wherever a handle is pulled, what comes out can be drawn', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PRESET_NAMES),
        fc.nat(60),
        fc.double({ min: -5, max: 25, noNaN: true }),
        fc.double({ min: -6, max: 15, noNaN: true }),
        (preset, which, x, y) => {
          const handles = outlineHandles(spec(preset));
          const shape = pulled(spec(preset), handles[which % handles.length]!.id, [x, y]);
          if (!shape) return;
          const { zones } = buildOutline({ ...spec(preset), ...shape });
          for (const { areaM2 } of zones) expect(Number.isFinite(areaM2) && areaM2 >= 0).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });
});
