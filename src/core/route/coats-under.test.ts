import { describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/derive/derive';
import type { BriefState } from '@/core/kept/state';
import { calledWhere } from '@/core/workshop/called-where';
import { NOW, shelfOfDemo, stateOfDemo } from '@tests/support/demo-brief';
import { descendantsOf } from './behind';

const shelf = shelfOfDemo();
const demo = { ...stateOfDemo(shelf), log: [], mishaps: [], plans: [], edits: [], runs: [] };
/** Codes that no skin of the demo wears. */
const METAL = 'TCS 10';
const RED = 'TCS 11';

/** Rulings on zones, and on things of their own on them, beside those of the demo. */
function ruled(
  rulings: readonly { zone: string; aspect: 'colour' | 'layers'; item?: string; value: string }[],
  over: Partial<BriefState> = {},
) {
  const known = new Set(rulings.map(({ zone, aspect, item = '' }) => `${zone} ${aspect} ${item}`));
  const questions = demo.questions.filter(({ zone, aspect, item }) => !known.has(`${zone} ${aspect} ${item}`));
  const asked = rulings.map(({ zone, aspect, item = '' }, i) => ({ id: `asked ${i}`, version: 1, zone, aspect, item }));
  const made = rulings.map(({ value }, i) => ({
    ...demo.rulings[0]!,
    id: `ruled ${i}`,
    questionId: `asked ${i}`,
    value,
    basis: 'choice' as const,
    favoured: null,
  }));
  return deriveBrief(
    {
      ...demo,
      mirrors: [],
      markings: [],
      fields: [],
      questions: [...questions, ...asked],
      rulings: [...demo.rulings.filter((one) => questions.some(({ id }) => id === one.questionId)), ...made],
      ...over,
    },
    shelf,
    { nowUtc: NOW, effort: 0 },
  );
}
type View = ReturnType<typeof ruled>;

/** The steps that lay something on a zone, or wear it, in the order in which they have to come. */
function onZone({ route }: View, zone: string) {
  const own = route.steps.filter(
    ({ zones, family, general }) =>
      zones.includes(zone) && general === null && ['colour', 'earlier coat'].includes(family),
  );
  return own.sort((a, b) => (descendantsOf(route, [a.key]).has(b.key) ? -1 : 1));
}
const linkOf = ({ route }: View, from: string, to: string) =>
  route.links.find((link) => link.from === from && link.to === to)!;

describe.each(['cockpit', 'well-main-port', 'gear-main', 'wing-upper-inner-port'])(
  'a ruling in layers on %s',
  (zone) => {
    const of = (coats: string) =>
      ruled([
        { zone, aspect: 'colour', value: RED },
        { zone, aspect: 'layers', value: coats },
      ]);

    test('makes those steps, in that order: metal, fluid, colour, chipped while fluid dissolves', () => {
      const view = of(`${METAL} > chipping fluid > ${RED}`);
      const steps = onZone(view, zone);
      expect(steps.map(({ kind, code }) => (kind === 'chip' ? 'chip' : code))).toEqual([METAL, null, RED, 'chip']);
      expect(steps[1]!.title).toMatch(/^Chipping fluid/);
      const [, fluid, colour, chip] = steps;
      expect(linkOf(view, fluid!.key, colour!.key)).toMatchObject({
        minLag: expect.any(Number),
        maxLag: expect.any(Number),
      });
      expect(linkOf(view, colour!.key, chip!.key).maxLag).toBeGreaterThan(0);
    });
    test('that is only scratched through needs no fluid', () => {
      const view = of(`${METAL} > ${RED} > scratched through`);
      const steps = onZone(view, zone);
      expect(steps.map(({ code }) => code)).toEqual([METAL, RED, null]);
      expect(steps.at(-1)).toMatchObject({ kind: 'chip', title: expect.stringMatching(/^Scratch through/) });
    });
    test('has all its colours called, with what they cover', () => {
      const view = of(`${METAL} > ${RED}`);
      const under = view.calls.find(({ code }) => code === METAL)!;
      const over = view.calls.find(({ code }) => code === RED)!;
      expect(under).toMatchObject({ painted: true, zones: [], further: [zone] });
      expect(under.areaCm2).toBeCloseTo(over.areaCm2, 6);
      expect(calledWhere(view.outline, under)).toMatch(/further coat/);
    });
  },
);

test('zones with the same coats under one colour are laid together', () => {
  const zones = ['cockpit', 'seat'];
  const view = ruled(
    zones.flatMap((zone) => [
      { zone, aspect: 'colour' as const, value: RED },
      { zone, aspect: 'layers' as const, value: `${METAL} > fluid` },
    ]),
  );
  const under = view.route.steps.filter(({ code }) => code === METAL);
  expect(under).toHaveLength(1);
  expect([...under[0]!.zones].sort()).toEqual(zones);
});

test('a thing of its own has its coats by hand, and is scratched last', () => {
  const at = { zone: 'cockpit', item: 'seat pan' };
  const view = ruled([
    { ...at, aspect: 'colour', value: RED },
    { ...at, aspect: 'layers', value: `${METAL} > fluid > ${RED} > scratched` },
  ]);
  const own = view.route.steps.filter(({ title }) => title.includes('seat pan'));
  expect(own.map(({ kind }) => kind)).toEqual(['brush', 'brush', 'brush', 'chip']);
  own.slice(1).forEach((step, i) => expect(descendantsOf(view.route, [own[i]!.key])).toContain(step.key));
  expect(view.route.steps.filter(({ code, kind }) => code === METAL && kind === 'spray')).toEqual([]);
  expect(view.calls.find(({ code }) => code === METAL)!.areaCm2).toBeLessThan(2);
});

test('words that are no order of coats make no work', () => {
  const view = ruled([{ zone: 'cockpit', aspect: 'layers', value: 'grey over green, they say' }]);
  expect(view.wanted.coated).toEqual([]);
});

test('what the options hide is not layered', () => {
  const rulings = [
    { zone: 'cockpit', aspect: 'colour' as const, value: RED },
    { zone: 'cockpit', aspect: 'layers' as const, value: `${METAL} > ${RED}` },
  ];
  const options = { ...demo.brief.options, state: 'stored' as const };
  const view = ruled(rulings, { brief: { ...demo.brief, options } });
  const isSeen = view.route.covered.inside.includes('cockpit');
  expect(view.route.steps.some(({ code }) => code === METAL)).toBe(isSeen);
});
