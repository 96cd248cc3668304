import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { alsoDone } from '@/core/workshop/how-made';
import { WAYS, type Way } from '@/core/kit/applying';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import type { BriefState } from '@/core/kept/state';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { cardOf, type BenchCard } from './cards';
import { hurryingOf } from './hurrying';
import { isOther, otherWorkKey } from './other-work';
import { handlingOf } from './way-lore';

const NO_EVENING = { among: new Set<string>(), begins: 0, ends: new Map<string, number>() };

function cardsOf(change: (state: BriefState) => void = () => undefined): BenchCard[] {
  const { view } = viewOfDemo(change);
  return view.plan.work.map((item) => cardOf(view, item, NO_EVENING));
}
const brought = (way: Way) => (state: BriefState) => {
  state.choices = state.choices.map((choice) => ({ ...choice, way }));
};

describe('a card of a colour that is not sprayed', () => {
  test.each(['brush', 'spray can', 'sponge'] as const)('by %s says how that is done, and no pressure', (way) => {
    const cards = cardsOf(brought(way)).filter(({ way: by }) => by?.name === way);
    expect(cards.length).toBeGreaterThan(0);
    for (const card of cards) {
      expect(card.way!.facts.length).toBeGreaterThan(0);
      expect(card.lore.look).toBe(handlingOf(way, 0)!.lore.look);
      expect(card.spray).toBeNull();
    }
  });
  test('by airbrush it has pressure, needle and distance', () => {
    expect(cardsOf().filter(({ spray, way }) => spray && !way).length).toBeGreaterThan(0);
    expect(handlingOf('airbrush', 100)).toBeNull();
  });
  test('a larger area takes a broader brush, up to the broadest that there is', () => {
    const brush = (area: number) => Number(/(\d+) mm/.exec(handlingOf('brush', area)!.facts[0]!.says)![1]);
    expect(brush(2)).toBeLessThan(brush(30));
    expect(brush(30)).toBeLessThan(brush(80));
    expect(brush(10_000)).toBe(20);
  });
  test('each way has its own failure', () => {
    const failures = WAYS.flatMap((way) => handlingOf(way, 50)?.lore.failure ?? []);
    expect(new Set(failures).size).toBe(WAYS.length - 1);
  });
});

describe('what a card says of its step', () => {
  test('a colour that is masked for says how; the one that is sprayed first says nothing', () => {
    const cards = cardsOf();
    const of = (key: string) => cards.find((card) => card.key === key)!;
    expect(of('spray:TCS 27').masked.join()).toMatch(/^Mask .* off for Peat: .*seal it/);
    expect(of('spray:TCS 14').masked).toEqual([]);
  });
  test('the school that it follows, as it was chosen', () => {
    const washes = (washOver: 'gloss' | 'matt') =>
      cardsOf((state) => {
        state.brief = { ...state.brief, options: { ...state.brief.options, washOver } };
      }).filter(({ key }) => key.startsWith('wash:'));
    for (const choice of ['gloss', 'matt'] as const) {
      expect(washes(choice).length).toBeGreaterThan(0);
      for (const { schools } of washes(choice)) expect(schools.map((one) => one.choice)).toEqual([choice]);
    }
    expect(cardsOf().find(({ key }) => key === 'degrease')!.schools).toEqual([]);
  });
});

describe('drying that is hurried', () => {
  const cold = { tempC: 14, humidity: 60 };
  test('is offered where it gains something, with what to mind; a warm box never above what styrene bears', () => {
    for (const chemistry of CHEMISTRY_NAMES)
      for (const { factor, caution } of hurryingOf(chemistry, cold)) {
        expect(factor).toBeGreaterThan(0);
        expect(factor).toBeLessThanOrEqual(0.9);
        expect(caution).not.toBe('');
      }
    expect(hurryingOf('WA', cold)[0]!.caution).toContain('45 °C');
  });
  test('gains more in the cold, and nothing where it is as warm already', () => {
    const box = (tempC: number) =>
      hurryingOf('AL', { tempC, humidity: 40 }).find(({ name }) => name.startsWith('warm box'))?.factor ?? 1;
    expect(box(14)).toBeLessThan(box(20));
    expect(box(36)).toBe(1);
  });
  test('enamel and oil are warned of their skin', () => {
    for (const chemistry of ['EN', 'OI'] as const)
      expect(hurryingOf(chemistry, cold).some(({ caution }) => caution.includes('skins over'))).toBe(true);
  });
  test('no card offers it that has nothing but windows or nothing that dries', () => {
    for (const card of cardsOf())
      if (card.hurrying.length > 0) expect(card.timers.some(({ closes }) => closes === null)).toBe(true);
  });
});

describe('test pieces on the card', () => {
  const piece = (over: object) => ({
    id: 'x',
    version: 1,
    title: 'On a spare wing',
    stepKey: '',
    onDay: '2026-11-01',
    paint: '',
    chemistry: '' as const,
    mixed: null,
    pressureBar: 1.2,
    undercoat: '',
    result: 'too dark' as const,
    note: '',
    pictureId: null,
    ...over,
  });
  const sprayed = cardsOf().find(({ paint, spray }) => paint && spray)!;
  test('stand on the step that they prove, and on those of the same paint, the newest first', () => {
    const cards = cardsOf((state) => {
      state.sprayOuts = [
        piece({ id: 'old', stepKey: sprayed.key }),
        piece({ id: 'new', onDay: '2026-11-05', stepKey: sprayed.key, result: 'as wanted' }),
        piece({ id: 'paint', onDay: '2026-10-01', paint: `${sprayed.paint!.label}, 1 : 2` }),
        piece({ id: 'elsewhere', stepKey: 'no such step', paint: sprayed.paint!.label }),
      ];
    });
    expect(cards.find(({ key }) => key === sprayed.key)!.tried.map(({ id }) => id)).toEqual(['new', 'old', 'paint']);
    expect(cards.flatMap(({ tried }) => tried).some(({ id }) => id === 'elsewhere')).toBe(false);
  });
});

describe('work that is no step of the route', () => {
  test('is found again at its zone, and moves no plan', () => {
    const entry = {
      ...BLANK_LOG_ENTRY,
      id: 'own',
      version: 1,
      stepKey: otherWorkKey('abc'),
      title: 'Scratch polished out',
      lane: '',
      plannedMinutes: null,
      actualMinutes: 10,
      startedAt: '2026-11-20T18:00:00.000Z',
      endedAt: '2026-11-20T18:10:00.000Z',
      zones: ['fin-port'],
    };
    const [without, { view }] = [
      viewOfDemo().view,
      viewOfDemo((state) => {
        state.log = [...state.log, entry];
      }),
    ];
    expect(isOther(entry)).toBe(true);
    expect(alsoDone(view, 'fin-port').map(({ title }) => title)).toEqual(['Scratch polished out']);
    expect(alsoDone(view, 'fin-starboard')).toEqual([]);
    expect(view.plan.finish).toBe(without.plan.finish);
    expect(view.plan.work.length).toBe(without.plan.work.length);
  });
});
