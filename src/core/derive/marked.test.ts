import { describe, expect, test } from '@jest/globals';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import type { BriefState } from '@/core/kept/state';
import { MARKING_METHODS, type MarkingMethod } from '@/core/markings/kinds';
import { calledWhere } from '@/core/workshop/called-where';
import { NOW, shelfOfDemo, stateOfDemo } from '@tests/support/demo-brief';

const shelf = shelfOfDemo();
const demo = { ...stateOfDemo(shelf), log: [], mishaps: [], plans: [], edits: [], runs: [] };
const BAND = demo.markings.find(({ title }) => title === 'Fuselage band')!;
/** Codes that no skin of the demo wears. */
const [FIRST, SECOND] = ['TCS 06', 'TCS 10'] as const;
const withBand = (over: Partial<BriefState['markings'][number]>, state: Partial<BriefState> = {}): BriefView =>
  deriveBrief({ ...demo, markings: [{ ...BAND, codes: [FIRST], ...over }], ...state }, shelf, {
    nowUtc: NOW,
    effort: 0,
  });
const callIn = (view: BriefView, code: string) => view.calls.find((call) => call.code === code);
const skin = (view: BriefView) => view.calls.filter(({ zones }) => zones.length > 0).map(({ code }) => code);

describe('colours of markings', () => {
  test.each(MARKING_METHODS)('made by %s are calls where they are made here, and told by their marking', (method) => {
    const view = withBand({ method });
    const call = callIn(view, FIRST);
    const isBought = method === 'decal' || method === 'dry transfer';
    expect(call === undefined).toBe(isBought);
    if (!call) return;
    expect(call.zones).toEqual([]);
    expect(calledWhere(view.outline, call)).toContain('Fuselage band (');
    expect(call.painted).toBe(method === 'mask' || method === 'brush');
    // What is printed or penned takes nothing out of a bottle.
    expect(call.areaCm2 > 0).toBe(call.painted);
  });

  test('leave the colours of the skin as they are', () => {
    const none = deriveBrief({ ...demo, markings: [] }, shelf, { nowUtc: NOW, effort: 0 });
    const view = withBand({ method: 'mask', codes: [FIRST, SECOND] });
    expect(skin(view)).toEqual(skin(none));
    expect(view.wanted.calls).toEqual(none.wanted.calls);
  });

  test('have the area of their own fields: a band of one colour the whole of it, of two each its share', () => {
    const area = (codes: string[], code: string, count: number) =>
      callIn(withBand({ method: 'mask', codes, design: { ...BAND.design, count } }), code)!.areaCm2;
    const one = area([FIRST], FIRST, 1);
    // Round the fuselage once, 410 mm broad at 1/48.
    expect(one).toBeGreaterThan(5);
    expect(one).toBeLessThan(60);
    const [two, other] = [area([FIRST, SECOND], FIRST, 2), area([FIRST, SECOND], SECOND, 2)];
    // One lies a little ahead of the other, where the fuselage is thicker.
    for (const each of [two, other]) {
      expect(each / one).toBeGreaterThan(0.8);
      expect(each / one).toBeLessThan(1.2);
    }
  });

  test('on skin that wears the colour too are one call, with both areas', () => {
    const [worn] = skin(withBand({ method: 'mask' }));
    const [with_, without] = [
      withBand({ method: 'mask', codes: [worn!] }),
      withBand({ method: 'decal', codes: [worn!] }),
    ];
    const [more, less] = [callIn(with_, worn!)!, callIn(without, worn!)!];
    expect(more.zones).toEqual(less.zones);
    expect(more.areaCm2 - less.areaCm2).toBeCloseTo(callIn(withBand({ method: 'mask' }), FIRST)!.areaCm2, 6);
  });

  test('go on as their steps have it, and the cup at the bench is for them alone', () => {
    const wayOf = (method: MarkingMethod) => callIn(withBand({ method }), FIRST)!.way.way;
    expect([wayOf('mask'), wayOf('brush')]).toEqual(['airbrush', 'brush']);
    const view = withBand({ method: 'mask' });
    const spray = view.route.steps.find(({ code, marking }) => code === FIRST && marking === BAND.id)!;
    expect(spray.areaCm2).toBeCloseTo(callIn(view, FIRST)!.areaCm2, 6);
  });

  test('placed in several views at one station are one band', () => {
    const [first] = BAND.places;
    const all = callIn(withBand({ method: 'mask' }), FIRST)!.areaCm2;
    expect(BAND.places.length).toBeGreaterThan(1);
    expect(all).toBeCloseTo(callIn(withBand({ method: 'mask', places: [first!] }), FIRST)!.areaCm2, 6);
    const pieces = (over: Partial<BriefState['markings'][number]>) => withBand(over).wanted.markings[0]!.pieces;
    expect([pieces({}), pieces({ design: { ...BAND.design, count: 3 } })]).toEqual([1, 3]);
    expect(pieces({ kind: 'insignia' })).toBe(BAND.places.length);
  });
});
