import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { outlineFor } from '@tests/support/outline-for';
import { DEFAULT_OPTIONS, type Options } from '@/core/kit/options';
import { buildOutline } from '@/core/outline/outline';
import { PRESET_NAMES, PRESETS, type PresetName } from '@/core/outline/presets';
import { bornQuestions, notAsked } from './born';
import { dayContradictions } from './day-contradictions';
import { leaveIt } from './leave-it';
import { onlyWords, uncontradicted } from './word-of-source';

const MARKS = { codeLetters: 'TK-G', serial: 'C 417', name: 'Marsh Hen' };
const born = (over: Partial<Options> = {}, marks = MARKS, preset: PresetName = 'single') => {
  const options = { ...DEFAULT_OPTIONS, landing: PRESETS[preset].landing, ...over };
  const outline = outlineFor(options, preset);
  return { ...bornQuestions(outline, options, marks), outline };
};
const asks = ({ questions }: ReturnType<typeof born>, aspect: string, item = '') =>
  questions.filter((one) => one.aspect === aspect && one.item === item).map(({ zone }) => zone);

describe('the questions that a build raises', () => {
  test('the colour of every zone that is seen, port and starboard apart', () => {
    const made = born();
    expect(asks(made, 'colour')).toEqual(made.outline.zones.map(({ key }) => key));
    expect(asks(made, 'colour')).toEqual(
      expect.arrayContaining(['fin-port', 'fin-starboard', 'well-nose', 'seat', 'propeller']),
    );
  });
  test('boundaries, finish, insignia, seams and wear beside them: enough to be surprised, few enough to be read', () => {
    const made = born();
    for (const [aspect, item] of [
      ['boundary', ''],
      ['finish', ''],
      ['marking', 'insignia'],
      ['seam', 'spine'],
      ['wear', 'exhaust stains'],
    ])
      expect(asks(made, aspect!, item).length).toBeGreaterThan(0);
    expect(made.questions.length).toBeGreaterThan(45);
    expect(made.questions.length).toBeLessThan(90);
  });
  test.each([
    ['single', ['cowling-port', 'cowling-starboard']],
    ['twin', ['nacelle-port', 'nacelle-starboard']],
    ['podded-jet', ['nacelle-port', 'nacelle-starboard']],
    ['tail-jet', ['nacelle-port', 'nacelle-starboard']],
    ['jet', ['fuselage-rear-port', 'fuselage-rear-starboard']],
    ['rotorcraft', ['fuselage-mid-port', 'fuselage-mid-starboard']],
    ['glider', []],
  ] as const)('stains of the exhausts of a %s are asked of where they are', (preset, zones) =>
    expect(asks(born({ weathering: 'in service' }, MARKS, preset), 'wear', 'exhaust stains')).toEqual(zones),
  );
  test('letters, serial and name are asked about only where there are some', () => {
    expect(asks(born(), 'style', 'code letters')).toHaveLength(2);
    const bare = born({}, { codeLetters: '', serial: '', name: '' });
    expect(asks(bare, 'style', 'code letters')).toEqual([]);
    expect(asks(bare, 'marking', 'serial')).toEqual([]);
  });
  test('what the options hide is left out, with the reason', () => {
    const up = born({ gear: 'up', stand: 'a rod' });
    expect(asks(up, 'colour')).not.toContain('gear-main');
    expect(asks(up, 'gearCover')).toEqual([]);
    expect(up.leftOut).toContainEqual({
      zone: 'well-nose',
      title: 'Nose-wheel bay',
      because: 'the doors are closed over it',
    });
  });
  test('nobody is asked about a bay that the machine has not got, nor about its spinner', () => {
    const options = { ...DEFAULT_OPTIONS };
    const { dimensions } = PRESETS['tail-wheel'];
    const asked = (own: object) => {
      const outline = buildOutline({ preset: 'tail-wheel', dimensions, landing: 'wheels', folded: false, ...own });
      return new Set(bornQuestions(outline, options, MARKS).questions.map(({ zone }) => zone));
    };
    expect([...asked({})]).toEqual(expect.arrayContaining(['well-main-port', 'spinner']));
    const plain = asked({ gear: 'fixed', spinner: false });
    expect([...plain].filter((zone) => zone.startsWith('well-') || zone === 'spinner')).toEqual([]);
    expect(plain.has('gear-main')).toBe(true);
  });

  test('options raise questions of their own', () => {
    expect(asks(born({ crew: 'aboard' }), 'fit', 'crew')).toEqual(['cockpit']);
    expect(asks(born({ doors: 'open' }), 'door')).toEqual(['fuselage-mid-port']);
    expect(asks(born({ state: 'derelict' }), 'fit', 'what is missing')).toHaveLength(2);
  });
  test.each(PRESET_NAMES)('%s: each question once, and of zones that it has', (preset) => {
    const { questions, outline } = born({}, MARKS, preset);
    const keys = questions.map(({ zone, aspect, item }) => `${zone} ${aspect} ${item}`);
    expect(new Set(keys).size).toBe(keys.length);
    for (const { zone } of questions) expect(outline.zones.some(({ key }) => key === zone)).toBe(true);
  });
  test('those that are asked already are not asked again', () => {
    const { questions } = born();
    expect(notAsked(questions, questions.slice(3))).toEqual(questions.slice(0, 3));
  });
});

describe('the word of one source', () => {
  const { view } = viewOfDemo((state) => {
    state.rulings = [];
  });
  const source = (start: string) => view.state.sources.find(({ title }) => title.startsWith(start))!.id;
  test('counts where nobody says anything else, and is not taken where somebody does', () => {
    const words = uncontradicted(view.questions, source('Kit sheet'));
    expect(words.length).toBeGreaterThan(0);
    for (const { question, value } of words)
      for (const one of question.weighed.contributions) expect([one.sense, String(one.value)]).toEqual(['for', value]);
    expect(words.length).toBeLessThan(view.questions.length);
  });
  test('is counted for every source as it would be taken', () => {
    const counts = onlyWords(view.questions);
    for (const { id } of view.state.sources)
      expect(counts.get(id) ?? 0).toBe(uncontradicted(view.questions, id).length);
  });
});

describe('a zone with a day of its own', () => {
  const withDay = (zone: string, day: string) =>
    viewOfDemo((state) => {
      state.zoneDays = [{ id: 'd', version: 1, zone, fromDay: day, toDay: day, reason: 'the only picture' }];
    }).view;
  const says = (view: ReturnType<typeof withDay>) =>
    dayContradictions(view.state, view.outline, (day) => day).map((one) => one.says);
  test('its sources are weighed by that day', () => {
    const zone = 'wing-lower-starboard';
    const of = (view: ReturnType<typeof withDay>) =>
      view.questions
        .find(({ record }) => record.zone === zone && record.aspect === 'colour')!
        .weighed.contributions.map(({ factors }) => factors.dateFit);
    expect(of(withDay(zone, '1949-12-01'))).not.toEqual(of(viewOfDemo().view));
  });
  test('names what happened between that day and the rest', () => {
    expect(says(withDay('wing-lower-port', '1951-12-01')).join()).toMatch(/underside is shown as after .*1951-11-05/);
    expect(says(withDay('spinner', '1951-12-01')).join()).toMatch(/never seen together.*1951-11-05/);
  });
  test('names a day after the loss of the machine', () => {
    expect(says(withDay('spinner', '1954-01-01'))[0]).toMatch(/lost on 1953-02-11/);
  });
  test('has none where nothing happened between', () => {
    expect(says(withDay('spinner', '1951-05-20'))).toEqual([]);
  });
});

describe('work that nobody will see', () => {
  const offered = (over: Partial<Options>, left: string[] = []) => {
    const { view } = viewOfDemo((state) => {
      state.brief = { ...state.brief, leftOut: left, options: { ...state.brief.options, ...over } };
    });
    return leaveIt(view);
  };
  test('is offered behind closed glass with the minutes that it saves, and not where one looks in', () => {
    const closed = offered({ canopy: 'closed', doors: 'closed' });
    expect(closed.map(({ rule }) => rule)).toContain('ejector-marks');
    const { view } = viewOfDemo();
    const marks = view.route.steps.find(({ key }) => key === 'ejector-marks')!;
    expect(closed.find(({ rule }) => rule === 'ejector-marks')!.minutes).toBe(marks.minutes);
    expect(offered({ canopy: 'open' })).toEqual([]);
  });
  test('is offered at a scale at which neither eye nor hand makes it out', () => {
    const at = (denominator: number) =>
      leaveIt(
        viewOfDemo((state) => {
          state.brief = { ...state.brief, denominator, options: { ...state.brief.options, canopy: 'open' } };
        }).view,
      );
    expect(at(144).map(({ rule }) => rule)).toEqual(expect.arrayContaining(['dials', 'belts', 'chocks']));
    expect(at(144).every(({ minutes, because }) => minutes > 0 && /1\/144/.test(because))).toBe(true);
    expect(at(72)).toEqual([]);
  });
  test('covers over the glass hide more than glass', () => {
    expect(offered({ canopy: 'closed', state: 'stored' }).length).toBeGreaterThan(offered({ canopy: 'closed' }).length);
  });
  test('what was left out can be taken up again', () => {
    expect(offered({ canopy: 'open' }, ['dials'])).toMatchObject([{ rule: 'dials', left: true }]);
  });
});
