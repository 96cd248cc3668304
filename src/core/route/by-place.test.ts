import { describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/derive/derive';
import { optionsAt, type SchoolAt } from '@/core/kit/options';
import type { Fields } from '@/core/kept/records';
import type { BriefState } from '@/core/kept/state';
import type { FieldShape } from '@/core/scheme/field';
import { STENCIL_HOLES } from '@/core/scheme/stencil';
import { coatRows } from '@/core/workshop/coat-rows';
import { cutSheets, sheetOffers } from '@/core/workshop/cut-sheets';
import { NOW, shelfOfDemo, stateOfDemo } from '@tests/support/demo-brief';
import { descendantsOf } from './behind';

const shelf = shelfOfDemo();
const demo: BriefState = { ...stateOfDemo(shelf), log: [], mishaps: [], plans: [], edits: [], runs: [], coats: [] };
const OPTIONS = {
  ...demo.brief.options,
  tonal: 'pre-shaded',
  chips: 'sponge on top',
  weathering: 'in service',
} as const;
const UNDER = ['wing-lower-port', 'wing-lower-starboard'];
const OVER = ['wing-upper-inner-port', 'wing-upper-inner-starboard'];

const viewOf = (over: Partial<BriefState>, brief: Partial<Fields<'brief'>> = {}) =>
  deriveBrief({ ...demo, ...over, brief: { ...demo.brief, options: OPTIONS, ...brief } }, shelf, {
    nowUtc: NOW,
    effort: 0,
  });
const stepsOf = ({ route }: ReturnType<typeof viewOf>, key: string) =>
  route.steps.filter((step) => step.key === key || step.key.startsWith(`${key}:on `));

describe('some zones are done by another school than the rest', () => {
  const at = (...schoolsAt: SchoolAt[]) =>
    viewOf({}, { schoolsAt: schoolsAt.map((own) => ({ ...own, zones: [...own.zones] })) });

  test('of two that name a zone the later holds', () => {
    const both: SchoolAt[] = [
      { school: 'tonal', value: 'plain', zones: UNDER },
      { school: 'tonal', value: 'black base', zones: UNDER.slice(0, 1) },
      { school: 'chips', value: 'none', zones: UNDER.slice(0, 1) },
    ];
    expect(optionsAt(OPTIONS, both, UNDER[0]!)).toEqual({ ...OPTIONS, tonal: 'black base', chips: 'none' });
    expect(optionsAt(OPTIONS, both, UNDER[1]!)).toEqual({ ...OPTIONS, tonal: 'plain' });
    expect(optionsAt(OPTIONS, both, OVER[0]!)).toBe(OPTIONS);
  });
  test('plain undersides are not pre-shaded, and the step says where it is', () => {
    const [everywhere] = stepsOf(viewOf({}), 'shade');
    const [shade] = stepsOf(at({ school: 'tonal', value: 'plain', zones: UNDER }), 'shade');
    expect(everywhere!.zones).toEqual(expect.arrayContaining([...UNDER, ...OVER]));
    expect(shade!.zones).toEqual(everywhere!.zones.filter((zone) => !UNDER.includes(zone)));
    expect(shade!.minutes).toBeLessThan(everywhere!.minutes);
    expect(shade!.title).toMatch(/^Pre-shade panel lines: /);
    expect(everywhere!.title).toBe('Pre-shade panel lines');
  });
  test('a black base on the wings alone is laid and marbled there, beside the pre-shade of the rest', () => {
    const view = at({ school: 'tonal', value: 'black base', zones: OVER });
    for (const key of ['black-base', 'marble'])
      expect(
        stepsOf(view, key)
          .flatMap(({ zones }) => zones)
          .sort(),
      ).toEqual([...OVER].sort());
    expect(stepsOf(view, 'shade')[0]!.zones).not.toEqual(expect.arrayContaining(OVER));
    expect(descendantsOf(view.route, ['marble'])).toContain(
      view.route.steps.find(({ joint }) => joint === 'colours')!.key,
    );
    const coatsOn = (of: typeof view, code: string) => of.calls.find((call) => call.code === code)!.coats?.coats ?? 0;
    const worn = view.calls.filter(({ zones, choice }) => choice && zones.some((zone) => OVER.includes(zone)));
    expect(worn.length).toBeGreaterThan(0);
    for (const { code } of worn) expect(coatsOn(view, code)).toBeGreaterThanOrEqual(coatsOn(viewOf({}), code));
  });
  test('no chips on some zones', () => {
    const [all] = stepsOf(viewOf({}), 'chips');
    const [few] = stepsOf(at({ school: 'chips', value: 'none', zones: OVER }), 'chips');
    expect(few!.zones).toEqual(all!.zones.filter((zone) => !OVER.includes(zone)));
  });
  test('a school that no zone follows any more makes no step', () => {
    const outside = viewOf({}).route.covered.outside;
    expect(stepsOf(at({ school: 'tonal', value: 'plain', zones: outside }), 'shade')).toEqual([]);
  });
});

describe('two or three darks by place', () => {
  const solids = shelf.paints.filter(({ kind }) => kind === 'solid');
  const coat = (i: number, zones: string[]): BriefState['coats'][number] => ({
    id: `coat ${i}`,
    version: 1,
    role: 'shade',
    paintId: solids[i]!.id,
    way: '',
    zones,
  });
  const view = viewOf({ coats: [coat(0, []), coat(1, UNDER), coat(2, OVER)] });

  test('each is a step of its own on its places, named by them', () => {
    const steps = stepsOf(view, 'shade');
    expect(steps).toHaveLength(3);
    expect(new Set(steps.map(({ load }) => load!.title)).size).toBe(3);
    expect(steps.flatMap(({ zones }) => zones).sort()).toEqual([...stepsOf(viewOf({}), 'shade')[0]!.zones].sort());
    expect(steps.find(({ zones }) => zones.includes(UNDER[0]!))!.zones.sort()).toEqual([...UNDER].sort());
  });
  test('each is counted and bought; of plain coats none is asked for', () => {
    const rows = coatRows(view, shelf.tools, 1).filter(({ role }) => role === 'shade');
    expect(rows.map(({ on }) => on === '')).toEqual([true, false, false]);
    for (const { neededMl } of rows) expect(neededMl).toBeGreaterThan(0);
    const plain = viewOf({}, { options: { ...OPTIONS, tonal: 'plain' } });
    expect(coatRows(plain, shelf.tools, 1).map(({ role }) => role)).not.toContain('shade');
  });
});

describe('blotches through a stencil', () => {
  const [first] = demo.fields;
  const area = demo.fields.find(({ shape }) => shape.kind === 'area')!.shape as Extract<FieldShape, { kind: 'area' }>;
  const mottled = (by: 'freehand' | 'stencil', blotchMm = 300) =>
    viewOf({
      fields: [
        ...demo.fields,
        {
          ...first!,
          id: 'mottle',
          title: 'Blotches',
          code: 'TCS 10',
          rank: 99,
          shape: { ...area, kind: 'mottle', density: 0.3, blotchMm, by },
        },
      ],
    });
  const [free, cut] = [mottled('freehand'), mottled('stencil')];

  test('a card is cut before the colour is sprayed, and laid on again and again', () => {
    const spray = (view: typeof free) => view.route.steps.find(({ key }) => key === 'spray:TCS 10')!;
    const card = cut.route.steps.find(({ key }) => key === 'stencil:mottle')!;
    expect(descendantsOf(cut.route, [card.key])).toContain(spray(cut).key);
    expect(card.title).toContain(`${(300 / demo.brief.denominator).toFixed(1)} mm`);
    expect(spray(cut).minutes).toBeGreaterThan(spray(free).minutes);
    expect(free.route.steps.some(({ key }) => key === 'stencil:mottle')).toBe(false);
  });
  test('smaller blotches are more of them', () => {
    const times = (view: typeof free) => view.wanted.stencils![0]!.times;
    expect(times(mottled('stencil', 150))).toBeGreaterThan(3 * times(cut));
  });
  test('its sheet has holes of the size at scale, none alike, within the card', () => {
    expect(sheetOffers(free).some(({ key }) => key === 'field-mottle')).toBe(false);
    const [sheet] = cutSheets(cut, ['field-mottle']);
    expect(sheet).toBeDefined();
    const size = (ring: readonly (readonly [number, number])[]) => {
      const xs = ring.map(([x]) => x);
      return Math.max(...xs) - Math.min(...xs);
    };
    const holes = sheet!.cuts.slice(0, STENCIL_HOLES);
    const mean = 300 / demo.brief.denominator;
    for (const hole of holes) {
      expect(size(hole)).toBeGreaterThanOrEqual(0.74 * mean);
      expect(size(hole)).toBeLessThanOrEqual(1.26 * mean);
    }
    expect(new Set(holes.map((hole) => size(hole).toFixed(4))).size).toBe(STENCIL_HOLES);
  });
});
