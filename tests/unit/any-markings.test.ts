import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { canonicalIn } from '@/core/codes/system';
import { takesPaint } from '@/core/derive/marked';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import { briefFileSchema, stateOfFile } from '@/core/interchange/brief-file';
import { isSeen } from '@/core/kit/seen';
import { descendantsOf } from '@/core/route/behind';
import { FROM_A_SHEET } from '@/core/markings/kinds';
import { coatsOfMarkingIn } from '@/core/workshop/marking-minutes';
import { cutSheets, sheetOffers } from '@/core/workshop/cut-sheets';
import { anyBrief } from '@tests/support/any-brief';
import { NOW, shelfOfDemo } from '@tests/support/demo-brief';

/** What holds of the markings of any brief, however each is made. */

const shelf = shelfOfDemo();
const everyView = (holds: (view: BriefView) => void, numRuns: number) =>
  fc.assert(
    fc.property(anyBrief, (file) => {
      const fresh = { ...file, log: [], mishaps: [] };
      const state = stateOfFile(briefFileSchema.parse(fresh), shelf);
      holds(deriveBrief(state, shelf, { nowUtc: NOW, effort: 0 }));
    }),
    { numRuns, seed: 28 },
  );
/** Its zones that are seen: on the rest nothing is laid. */
const zonesOf = ({ wanted, outline, state }: BriefView, id: string) => {
  const seen = new Set(outline.zones.filter((zone) => isSeen(zone, state.brief.options)).map(({ key }) => key));
  return wanted.markings.find((one) => one.id === id)!.zones.filter((zone) => seen.has(zone));
};

describe('markings of any brief', () => {
  test('every code that a method lays is called with its area, bought, and in the layers that stay', () =>
    everyView((view) => {
      const calls = new Map(view.calls.map((call) => [call.code, call]));
      for (const { id, method, codes } of view.state.markings) {
        if (FROM_A_SHEET.has(method)) continue;
        const laid = new Set(
          view.route.steps.flatMap(({ marking, lays }) => (marking === id ? lays.map(({ code }) => code) : [])),
        );
        const isThere = zonesOf(view, id).length > 0;
        for (const code of codes.map((each) => canonicalIn(view.book, each))) {
          const call = calls.get(code)!;
          expect(call.markings.map((one) => one.id)).toContain(id);
          if (!takesPaint({ method })) continue;
          expect([code, call.painted, call.areaCm2 > 0]).toEqual([code, true, true]);
          expect([code, laid.has(code)]).toEqual([code, isThere]);
        }
      }
    }, 14));

  test('every place of a marking is in the stack of its zone, and no layer of it anywhere else', () =>
    everyView((view) => {
      const own = new Map(view.route.steps.flatMap(({ key, marking }) => (marking ? [[key, marking] as const] : [])));
      for (const { id } of view.state.markings) {
        const on = view.outline.zones.flatMap(({ key }) =>
          (view.standing.stacks.get(key) ?? []).some(({ step }) => own.get(step) === id) ? [key] : [],
        );
        expect([...on].sort()).toEqual([...zonesOf(view, id)].sort());
      }
    }, 14));

  test('what is printed at home is printed, sealed, cut and tried before it is placed', () =>
    everyView((view) => {
      const behind = descendantsOf(view.route, ['dip-prints']);
      for (const { id } of view.state.markings.filter(({ method }) => method === 'own decal'))
        if (zonesOf(view, id).length > 0) expect([id, behind.has(`marking:${id}`)]).toEqual([id, true]);
    }, 14));

  test('its steps lay the coats that its masks are cut for, one after the other', () =>
    everyView((view) => {
      for (const marking of view.state.markings.filter(({ method }) => method === 'mask' || method === 'brush')) {
        if (zonesOf(view, marking.id).length === 0) continue;
        const steps = view.route.steps.filter((step) => step.marking === marking.id && step.lays.length > 0);
        expect(steps.map(({ lays }) => (lays[0]!.what === 'undercoat' ? 'white' : 'colour'))).toEqual(
          coatsOfMarkingIn(view, marking).map(({ what }) => what),
        );
      }
    }, 8));

  test('every sheet of a marking can be cut or printed, and nothing of it lies off the sheet', () =>
    everyView((view) => {
      for (const { key } of sheetOffers(view).filter((offer) => /^(marking|print)/.test(offer.key))) {
        const sheets = cutSheets(view, [key]);
        expect([key, sheets.length <= 1]).toEqual([key, true]);
        for (const { cuts, fills, width, height } of sheets)
          for (const [x, y] of [...cuts, ...fills.flatMap(({ rings }) => rings)].flat()) {
            expect(x).toBeGreaterThanOrEqual(-1e-6);
            expect(y).toBeGreaterThanOrEqual(-1e-6);
            expect(x).toBeLessThanOrEqual(width + 1e-6);
            expect(y).toBeLessThanOrEqual(height + 1e-6);
          }
      }
    }, 3));
});
