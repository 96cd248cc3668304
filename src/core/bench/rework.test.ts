import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CHEMISTRY_NAMES, type Chemistry } from '@/core/paint/chemistry';
import { dryingTime, STANDARD_CLIMATE } from '@/core/paint/drying';
import { LAYER_KINDS, type LayerKind } from '@/core/work/kinds';
import { DEPTHS, staying, type Depth } from './depth';
import { MISHAP_NAMES, MISHAPS } from './mishaps';
import { reworkOf, type Damage, type LaidLayer, type Rework } from './rework';

const layer = (step: string, what: LayerKind, chemistry: Chemistry, over: Partial<LaidLayer> = {}): LaidLayer => ({
  step,
  what,
  chemistry,
  recipe: `${step}, 3 : 2`,
  minutes: 30,
  coats: 2,
  done: true,
  ...over,
});

const NOSE = [
  layer('prime', 'primer', 'AL'),
  layer('grey', 'colour', 'WA'),
  layer('gloss', 'clear', 'WA'),
  layer('letters', 'decal', 'WA'),
  layer('seal', 'clear', 'WA'),
  layer('matt', 'clear', 'WA', { done: false }),
];
const SIDE = [layer('prime', 'primer', 'AL'), layer('grey', 'colour', 'WA'), layer('gloss', 'clear', 'WA')];
const BELLY = [layer('prime', 'primer', 'AL'), layer('blue', 'colour', 'WA')];
const STACK = { nose: NOSE, side: SIDE, belly: BELLY };

const rework = (
  damage: Partial<Damage> & Pick<Damage, 'down'>,
  stack: Record<string, LaidLayer[]> = STACK,
  masks = [] as { step: string; zones: string[] }[],
) => reworkOf(stack, { kind: 'glue', zones: ['nose'], ...damage }, masks, STANDARD_CLIMATE);

/** What is laid again, in order. */
const again = ({ steps }: Rework) => steps.flatMap((step) => (step.layer ? [`${step.do} ${step.again}`] : []));
const doing = ({ steps }: Rework) => steps.map((step) => step.do);

/** The stacks after the rework: what stayed, and what was laid again on it. */
function after(stack: Record<string, LaidLayer[]>, { steps, lost }: Rework): Record<string, string[]> {
  const said = (laid: Pick<LaidLayer, 'what' | 'chemistry' | 'recipe'>) =>
    `${laid.what} ${laid.chemistry} ${laid.recipe}`;
  return Object.fromEntries(
    Object.entries(stack).map(([zone, layers]) => {
      const gone = lost.filter((one) => one.zone === zone).length;
      const done = layers.filter((one) => one.done);
      const laid = steps.flatMap((step) => (step.layer && step.zones.includes(zone) ? [said(step.layer)] : []));
      return [zone, [...done.slice(0, done.length - gone).map(said), ...laid]];
    }),
  );
}

describe('how deep damage reaches', () => {
  test('the named layer is the last that stays', () => {
    const lostAt = (down: Depth) => rework({ down }).lost.map(({ step }) => step);
    expect(lostAt('plastic')).toEqual(['prime', 'grey', 'gloss', 'letters', 'seal']);
    expect(lostAt('primer')).toEqual(['grey', 'gloss', 'letters', 'seal']);
    expect(lostAt('colour')).toEqual(['gloss', 'letters', 'seal']);
    expect(lostAt('clear')).toEqual([]);
  });
  test('where there is no layer of that name, the next kind beneath it stays', () => {
    expect(staying([{ what: 'primer' }, { what: 'colour' }, { what: 'wash' }], 'clear')).toBe(2);
    expect(staying([{ what: 'primer' }, { what: 'undercoat' }, { what: 'wash' }], 'colour')).toBe(2);
    expect(staying([{ what: 'colour' }], 'primer')).toBe(0);
  });
});

describe('what is done again', () => {
  test('the cause first, then the lost layers in their old order with the recipes as logged', () => {
    const result = rework({ down: 'primer' });
    expect(result.steps[0]).toMatchObject({ do: 'repair', again: null, zones: ['nose'] });
    expect(again(result)).toEqual(['spray grey', 'seal gloss', 'apply letters', 'seal seal']);
    expect(result.steps.flatMap((step) => step.recipe ?? [])).toEqual(
      ['grey', 'gloss', 'letters', 'seal'].map((step) => `${step}, 3 : 2`),
    );
  });
  test('layers that were never laid are left to the route', () => {
    expect(again(rework({ down: 'plastic' })).join()).not.toContain('matt');
  });
  test('neighbours that the same passes coloured are masked and not sprayed; tape comes off after each run of sprays', () => {
    const { steps } = rework({ down: 'primer' });
    const mask = steps.find((step) => step.do === 'mask')!;
    expect(mask.zones).toEqual(['side']);
    expect(steps.filter((step) => step.layer).flatMap((step) => step.zones)).not.toContain('side');
    expect(doing(rework({ down: 'primer' }))).toEqual(['repair', 'mask', 'spray', 'seal', 'unmask', 'apply', 'seal']);
    // Primer lies on the belly too.
    const toPlastic = rework({ down: 'plastic' }).steps.filter((step) => step.do === 'mask');
    expect(toPlastic.flatMap(({ zones }) => zones)).toEqual(['side', 'belly']);
  });
  test('a mask of old is done again by its own name, without the zones that are mended', () => {
    const { steps } = rework({ down: 'primer' }, STACK, [
      { step: 'mask:grey', zones: ['nose', 'belly'] },
      { step: 'mask:far', zones: ['fin'] },
    ]);
    const masks = steps.filter((step) => step.do === 'mask');
    // Those of the first run; the last clear wants its own.
    expect(masks.slice(0, 2).map(({ again: key, zones }) => [key, zones])).toEqual([
      ['mask:grey', ['belly']],
      ['grey', ['side']],
    ]);
  });
  test('one pass lays on all named zones what one step laid on them', () => {
    const result = rework({ down: 'primer', zones: ['side', 'nose'] });
    const grey = result.steps.find((step) => step.again === 'grey' && step.layer)!;
    expect(grey.zones).toEqual(['side', 'nose']);
    expect(result.steps.filter((step) => step.again === 'gloss' && step.layer)).toHaveLength(1);
  });
  test('each waits for what it lies on, by its chemistry; the first waits for the mended place', () => {
    const { steps } = rework({ down: 'primer' });
    const wait = (key: string) => steps.find((step) => step.again === key && step.layer)!.afterMin;
    expect(wait('grey')).toBeGreaterThan(0);
    expect(wait('gloss')).toBe(dryingTime({ chemistry: 'WA' }, 'recoat', STANDARD_CLIMATE));
    // A decal dries over night before it is sealed.
    expect(wait('seal')).toBe(12 * 60);
  });
  test('hours are those at the bench', () => {
    const { steps, hours } = rework({ down: 'plastic' });
    expect(hours).toBeCloseTo(steps.reduce((sum, { minutes }) => sum + minutes, 0) / 60, 12);
  });
  test('a zone without a stack is refused', () => {
    expect(() => rework({ down: 'clear', zones: ['fin'] })).toThrow(RangeError);
  });
});

describe('on any stack', () => {
  const zones = ['a', 'b', 'c', 'd'];
  const stacks = fc
    .array(
      fc.record({
        what: fc.constantFrom(...LAYER_KINDS),
        chemistry: fc.constantFrom(...CHEMISTRY_NAMES),
        on: fc.subarray(zones, { minLength: 1 }),
        done: fc.boolean(),
        minutes: fc.integer({ min: 1, max: 200 }),
      }),
      { maxLength: 14 },
    )
    .map((steps) =>
      Object.fromEntries(
        zones.map((zone) => [
          zone,
          steps.flatMap(({ on, ...own }, i) =>
            on.includes(zone) ? [layer(`s${i}`, own.what, own.chemistry, { ...own, recipe: `r${i}` })] : [],
          ),
        ]),
      ),
    );
  const damages = fc.record({
    kind: fc.constantFrom(...MISHAP_NAMES),
    zones: fc.subarray(zones, { minLength: 1 }),
    down: fc.constantFrom(...DEPTHS),
  });
  const masks = fc.array(
    fc.record({ step: fc.constantFrom('m1', 'm2'), zones: fc.subarray(zones, { minLength: 1 }) }),
    {
      maxLength: 3,
    },
  );
  test('afterwards each zone carries what it carried before, and no other zone was touched', () => {
    fc.assert(
      fc.property(stacks, damages, masks, (stack, damage, known) => {
        const result = reworkOf(stack, damage, known, STANDARD_CLIMATE);
        const before = after(stack, { steps: [], lost: [], hours: 0 });
        expect(after(stack, result)).toEqual(before);
        for (const step of result.steps) {
          if (step.layer) expect(step.zones.every((zone) => damage.zones.includes(zone))).toBe(true);
          expect(step.afterMin).toBeGreaterThanOrEqual(0);
        }
      }),
    );
  });
  test('no zone is under tape while it is sprayed, every tape comes off, and what shared the pass is under it', () => {
    fc.assert(
      fc.property(stacks, damages, masks, (stack, damage, known) => {
        const taped = new Set<string>();
        for (const step of reworkOf(stack, damage, known, STANDARD_CLIMATE).steps) {
          if (step.do === 'mask') step.zones.forEach((zone) => taped.add(zone));
          if (step.do === 'unmask') step.zones.forEach((zone) => taped.delete(zone));
          if (step.do !== 'prime' && step.do !== 'spray' && step.do !== 'seal') continue;
          const sharing = zones.filter((zone) => stack[zone]!.some((own) => own.done && own.step === step.again));
          for (const zone of sharing) expect(taped.has(zone)).toBe(!step.zones.includes(zone));
        }
        expect([...taped]).toEqual([]);
      }),
    );
  });
});

describe('the kinds of mishap', () => {
  test('cures come least first: each takes off at least as much as the one before it', () => {
    const rank = (down: Depth | null) => (down === null ? -1 : DEPTHS.indexOf(down));
    for (const { ladder } of Object.values(MISHAPS)) {
      const ranks = ladder.map(({ down }) => rank(down));
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
      expect(ladder.length).toBeGreaterThan(1);
    }
  });
});
