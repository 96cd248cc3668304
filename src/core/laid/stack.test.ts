import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { CHEMISTRY_NAMES, layOver } from '@/core/paint/chemistry';
import { dryingTime, waitFor } from '@/core/paint/drying';
import { conflictsOf } from './guard';
import { RULES, STAGES, stageOfRule, stepNow } from '@/core/route/rules';
import type { StackLayer } from './stack';

const { view } = viewOfDemo();
const { stacks } = view.standing;

describe('what lies on a zone', () => {
  test('begins with primer and ends with the last clear, wherever the airframe is painted', () => {
    const painted = view.calls.flatMap(({ zones }) => zones).filter((zone) => zone.startsWith('fuselage'));
    expect(painted.length).toBeGreaterThan(0);
    for (const zone of painted) {
      const what = stacks.get(zone)!.map((layer) => layer.what);
      expect(what[0]).toBe('primer');
      expect(what.at(-1)).toBe('clear');
      expect(what).toContain('colour');
      expect(what.indexOf('colour')).toBeGreaterThan(what.lastIndexOf('primer'));
    }
  });
  test('is in the order in which the plan lays it', () => {
    const start = new Map(view.plan.work.map((work) => [work.key, work.segments[0]![0]]));
    for (const stack of stacks.values())
      for (const [i, layer] of stack.entries())
        if (i > 0) expect(start.get(layer.step)!).toBeGreaterThanOrEqual(start.get(stack[i - 1]!.step)!);
  });
  test('inside, the coats of the outside do not lie', () => {
    for (const { step } of stacks.get('cockpit') ?? []) expect(['prime', 'gloss', 'seal', 'matt']).not.toContain(step);
  });
  test('each layer knows with what it was laid', () => {
    const layer = [...stacks.values()].flat().find(({ what, code }) => what === 'colour' && code === 'TCS 31')!;
    expect(layer.coats).toBeGreaterThan(0);
    expect(layer.paint).not.toBe('');
  });
});

describe('the guard', () => {
  const film = (what: StackLayer['what'], chemistry: StackLayer['chemistry']): StackLayer => ({
    step: `${what} ${chemistry}`,
    what,
    chemistry,
    code: null,
    paint: '',
    coats: 1,
    laid: false,
    entry: null,
    comesOff: false,
  });
  test('names exactly the pairs of the chemistry table that are not in order', () => {
    for (const under of CHEMISTRY_NAMES)
      for (const over of CHEMISTRY_NAMES) {
        const found = conflictsOf(new Map([['fin-port', [film('colour', under), film('clear', over)]]]));
        const crazes = ['AL', 'ML'].includes(over) && under === 'ML';
        expect(found).toHaveLength(layOver(over, under).verdict === 'ok' && !crazes ? 0 : 1);
      }
  });
  test('looks at what lies directly under a film on that zone, past what is no film', () => {
    const stack = [film('colour', 'EN'), film('decal', 'WA'), film('clear', 'AL')];
    expect(conflictsOf(new Map([['fin-port', stack]]))).toMatchObject([
      { zone: 'fin-port', verdict: 'no', under: { chemistry: 'EN' }, over: { chemistry: 'AL' } },
    ]);
  });
});

describe('waits', () => {
  const cold = { tempC: 10, humidity: 50 };
  const warm = { tempC: 20, humidity: 50 };
  test('follow the bench’s temperature, of paint and of glue alike', () => {
    expect(waitFor('cement', cold).minutes).toBe(2 * waitFor('cement', warm).minutes);
    expect(dryingTime({ chemistry: 'AL' }, 'handle', cold)).toBe(2 * dryingTime({ chemistry: 'AL' }, 'handle', warm));
    expect(waitFor('decal', cold)).toEqual(waitFor('decal', warm));
  });
  test('a wash waits until the clear under it has cured, as long as that takes here', () => {
    const link = view.route.links.find(({ from, to }) => from === 'seal' && to === 'wash:upper')!;
    const { tempC, humidity } = view.state.brief;
    expect(link.minLag).toBe(dryingTime({ chemistry: 'WA' }, 'cure', { tempC, humidity }));
  });
});

describe('stages', () => {
  test('every rule stands in exactly one', () => {
    const keys = Object.values(STAGES).flatMap((rules) => rules.map(({ key }) => key));
    expect(keys.sort()).toEqual(RULES.map(({ key }) => key).sort());
    expect(new Set(keys).size).toBe(keys.length);
    // A former name leads to one rule, and is none of today.
    const former = RULES.flatMap(({ formerly = [] }) => formerly);
    expect(new Set([...former, ...keys]).size).toBe(former.length + keys.length);
    for (const { key, formerly = [] } of RULES) for (const name of [key, ...formerly]) expect(stepNow(name)).toBe(key);
    expect([stageOfRule('wash:upper'), stageOfRule('gate:wings')]).toEqual(['weathering', 'closing']);
  });
});
