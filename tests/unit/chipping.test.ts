import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import { briefFileSchema, stateOfFile, type BriefFile } from '@/core/interchange/brief-file';
import { formOf } from '@/core/outline/presets';
import { anyBrief } from '@tests/support/any-brief';
import { NOW, shelfOfDemo } from '@tests/support/demo-brief';

/** Chips by fluid, on builds that nobody made by hand: a local run inside its window. */

const shelf = shelfOfDemo();
const HOUR = 60;

function worn(file: BriefFile, denominator: number): BriefView {
  const begun = { log: [], mishaps: [], plans: [], edits: [], runs: [] };
  const options = { ...file.brief.options, chips: 'fluid beneath' as const, weathering: 'neglected' as const };
  // What is ruled to lie under a colour has fluid of its own.
  const questions = file.questions.filter(({ aspect }) => aspect !== 'layers');
  const rulings = file.rulings.filter(({ question }) => questions.some(({ ref }) => ref === question));
  const brief = { ...file.brief, denominator, options, schoolsAt: [] };
  const parsed = briefFileSchema.parse({ ...file, ...begun, questions, rulings, brief });
  return deriveBrief(stateOfFile(parsed, shelf), shelf, { nowUtc: NOW, effort: 0 });
}
/** A ship at such a scale would be as long as the room, and no base is chipped. */
const aircraft = anyBrief.filter(({ airframe }) => formOf(airframe.preset) === 'aircraft');
const samples = fc.sample(fc.tuple(aircraft, fc.constantFrom(32, 48, 72, 144)), { numRuns: 10, seed: 5 });
/** Of the last no colour is ruled: there is none that the fluid would work beneath. */
const views = [
  ...samples.map(([file, denominator]) => worn(file, denominator)),
  ...samples.slice(0, 1).map(([file, denominator]) => worn({ ...file, rulings: [], fields: [] }, denominator)),
];
const fluidIn = ({ route }: BriefView) => route.steps.find(({ key }) => key === 'chip-fluid');
const withFluid = views.filter((view) => fluidIn(view));

describe('chipping fluid', () => {
  test('either works beneath a colour, or the chips are sponged on: never both, never neither', () => {
    expect(withFluid.length).toBeGreaterThan(3);
    expect(withFluid.length).toBeLessThan(views.length);
    for (const { route } of views) {
      const keys = route.steps.map(({ key }) => key);
      expect(keys.includes('chip-fluid')).toBe(keys.includes('chip-wear'));
      expect(keys.includes('chip-fluid')).toBe(keys.includes('test-chips'));
      expect(keys.filter((key) => key === 'chip-fluid' || key === 'chips-for-fluid')).toHaveLength(1);
    }
  });

  test('is laid on some of the zones of one colour, never on all of the outside', () => {
    for (const view of withFluid) {
      const { zones } = fluidIn(view)!;
      expect(zones.length).toBeGreaterThan(0);
      expect(zones.length).toBeLessThan(view.route.covered.outside.length);
      const over = zones.map((zone) => {
        const stack = view.standing.stacks.get(zone)!;
        return stack[stack.findIndex(({ step }) => step === 'chip-fluid') + 1]!;
      });
      expect(new Set(over.map(({ code }) => code)).size).toBe(1);
      for (const { what, chemistry } of over) {
        expect(what).toBe('colour');
        // Water must reach it.
        expect(['WA', 'SA']).toContain(chemistry);
      }
    }
  });

  test('is painted over and chipped inside its windows', () => {
    for (const { plan, route } of withFluid) {
      const at = (key: string) => plan.work.find((item) => item.key === key)!;
      const [fluid, chip] = [at('chip-fluid'), at('chip-wear')];
      const link = route.links.find(({ from, maxLag }) => from === 'chip-fluid' && maxLag !== null)!;
      const over = at(link.to);
      const slow = 2.5;
      expect(over.segments[0]![0] - fluid.segments.at(-1)![1]).toBeLessThanOrEqual(slow * 4 * HOUR);
      expect(chip.segments[0]![0] - over.segments.at(-1)![1]).toBeLessThanOrEqual(slow * 12 * HOUR);
      expect(chip.segments[0]![0]).toBeGreaterThan(over.segments.at(-1)![1]);
    }
  });

  test('no tape and no metal comes over what shall chip', () => {
    for (const { plan, route } of withFluid) {
      const { zones } = route.steps.find(({ key }) => key === 'chip-fluid')!;
      const begins = plan.work.find(({ key }) => key === 'chip-fluid')!.segments[0]![0];
      for (const { step, segments } of plan.work) {
        if (segments[0]![0] < begins) continue;
        const edges = step.masking?.edges.flatMap(({ zone, meets }) => [zone, meets.zone]) ?? [];
        const taped = step.tape?.goes === 'on' && step.marking ? step.zones : edges;
        expect(taped.filter((zone) => zones.includes(zone))).toEqual([]);
        const isMetal = step.load?.kind === 'metallic';
        expect(isMetal && step.zones.some((zone) => zones.includes(zone))).toBe(false);
      }
    }
  });

  test('there is a day on which the model is ready', () => {
    for (const { plan } of views) expect([plan.finish !== null, plan.because]).toEqual([true, plan.because]);
  });
});
