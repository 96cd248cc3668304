import { describe, expect, test } from '@jest/globals';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import type { BriefState } from '@/core/kept/state';
import type { CoatRole } from '@/core/paint/coat-roles';
import { dryingTime, STANDARD_CLIMATE } from '@/core/paint/drying';
import { conflictsByPair } from '@/core/laid/guard';
import { shelfOfDemo, viewOfDemo } from '@tests/support/demo-brief';
import { coatRows } from './coat-rows';
import { insteadInWords } from './coat-words';
import { turnedBetween } from './turned';

const shelf = shelfOfDemo();
const { view } = viewOfDemo();
const productOf = (line: string, number: string) =>
  shelf.paints.find((paint) => paint.line === line && paint.number === number)!;
const settings = { nowUtc: '2026-12-01T18:00:00Z', effort: 0 };
/** The demo's brief before anything was sprayed, with other products. */
const withCoats = (
  coats: readonly (readonly [CoatRole, string, string, BriefState['coats'][number]['way']?, string[]?])[],
): BriefView =>
  deriveBrief(
    {
      ...view.state,
      log: [],
      mishaps: [],
      plans: [],
      coats: coats.map(([role, line, number, way = '', zones = []], i) => ({
        id: `${role} ${i}`,
        version: 1,
        role,
        paintId: productOf(line, number).id,
        way,
        zones,
      })),
    },
    shelf,
    settings,
  );
const rowOf = (of: BriefView, role: CoatRole) => coatRows(of, shelf.tools, 1).find((row) => row.role === role)!;
const lagInto = (of: BriefView, from: string, to: string) =>
  of.route.links.find((link) => link.from === from && link.to === to)?.minLag;

const none = withCoats([]);

describe('primer and clears of a chosen product', () => {
  test('are told with what is laid, where, how often and how much; what is not laid takes nothing', () => {
    const chosen = withCoats([['primer', 'Quoin', '350']]);
    const primer = rowOf(chosen, 'primer');
    expect(primer.laid).toBe('Quoin 350 Ash primer');
    expect(primer.where).not.toBe('');
    expect(primer.neededMl).toBeGreaterThan(1);
    expect(rowOf(none, 'primer')).toMatchObject({ record: null, laid: 'Grey primer' });
    // One side is ruled satin in the demo.
    expect(rowOf(none, 'satin')).toMatchObject({ where: 'the port side of the mid fuselage', times: 1 });
    const { state } = none;
    const finishes = new Set(state.questions.flatMap(({ id, aspect }) => (aspect === 'finish' ? [id] : [])));
    const unruled = { ...state, rulings: state.rulings.filter(({ questionId }) => !finishes.has(questionId)) };
    expect(rowOf(deriveBrief(unruled, shelf, settings), 'satin')).toMatchObject({ where: '', times: 0, neededMl: 0 });
  });

  test('are what the steps lay, by name and chemistry, and what the log will keep', () => {
    const chosen = withCoats([
      ['primer', 'Brammel', 'BM50'],
      ['gloss', 'Quoin', '341'],
    ]);
    const step = (key: string) => chosen.route.steps.find((one) => one.key === key)!;
    expect(step('prime').lays[0]).toMatchObject({
      what: 'primer',
      paint: 'Brammel BM50 Slate primer',
      chemistry: 'EN',
    });
    expect(step('gloss').lays[0]).toMatchObject({ paint: 'Quoin 341 Clear gloss', chemistry: 'AL' });
    expect(step('matt').lays[0]).toMatchObject({ paint: 'Matt clear' });
  });

  test('dry by their own word: a slow primer is handled later', () => {
    const slow = withCoats([['primer', 'Brammel', 'BM50']]);
    expect(lagInto(slow, 'prime', 'inspect')).toBe(dryingTime({ chemistry: 'EN' }, 'handle', none.state.brief));
    expect(lagInto(none, 'prime', 'inspect')).toBe(dryingTime({ chemistry: 'AL' }, 'handle', none.state.brief));
  });

  test('warn where what goes over them bites, and only there', () => {
    const grave = (of: BriefView) =>
      conflictsByPair(of.standing.stacks).filter(({ under }) => under.what === 'primer' && under.code === null);
    // The demo's colours are water-based and bite nothing; an enamel gloss over them is no matter of the primer.
    expect(grave(withCoats([['primer', 'Hask', '150']])).filter(({ over }) => over.chemistry === 'WA')).toEqual([]);
    const hot = withCoats([['gloss', 'Quoin', '341']]);
    expect(conflictsByPair(hot.standing.stacks).some(({ over }) => over.paint === 'Quoin 341 Clear gloss')).toBe(true);
    expect(conflictsByPair(none.standing.stacks).some(({ over }) => over.paint === 'Clear')).toBe(false);
  });

  test('go on by their own way: a can needs no cleaning out', () => {
    const canned = withCoats([['primer', 'Quoin', '350', 'spray can']]);
    expect(canned.route.steps.find(({ key }) => key === 'prime')).toMatchObject({
      title: 'Prime, from the can',
      load: null,
      booth: true,
    });
    expect(canned.route.steps.find(({ key }) => key === 'gloss')!.load).not.toBeNull();
  });

  describe('on some zones only', () => {
    const nose = none.route.steps.find(({ key }) => key === 'prime')!.zones[0]!;
    const split = withCoats([
      ['primer', 'Quoin', '350'],
      ['primer', 'Brammel', 'BM50', '', [nose]],
    ]);
    const primes = ['prime', `prime:on ${nose}`].map((key) => split.route.steps.find((step) => step.key === key)!);

    test('are steps of their own, each named by its places, and together prime what was primed before', () => {
      expect(primes.map(({ lays }) => lays[0]!.paint)).toEqual(['Quoin 350 Ash primer', 'Brammel BM50 Slate primer']);
      expect(primes[1]!.zones).toEqual([nose]);
      const whole = none.route.steps.find(({ key }) => key === 'prime')!;
      expect(primes.flatMap(({ zones }) => zones).sort()).toEqual([...whole.zones].sort());
      expect(new Set(split.route.steps.map(({ title }) => title)).size).toBe(split.route.steps.length);
      // Every step that was there is there still, by its own key.
      const keys = new Set(split.route.steps.map(({ key }) => key));
      expect(none.route.steps.filter(({ key }) => !keys.has(key))).toEqual([]);
    });

    test('dry by their own word, and are what lies on their zones', () => {
      const lag = (key: string) => lagInto(split, key, 'inspect');
      expect(lag('prime')).toBe(dryingTime({ chemistry: 'AL' }, 'handle', none.state.brief));
      expect(lag(primes[1]!.key)).toBe(dryingTime({ chemistry: 'EN' }, 'handle', none.state.brief));
      const primed = (zone: string) => [
        ...new Set(
          split.standing.stacks.get(zone)!.flatMap(({ what, chemistry }) => (what === 'primer' ? [chemistry] : [])),
        ),
      ];
      expect(primed(nose)).toEqual(['EN']);
      expect(primed(primes[0]!.zones[0]!)).toEqual(['AL']);
    });

    test('have a row each, with where and how much; what is laid nowhere else takes the step as it is', () => {
      const rows = coatRows(split, shelf.tools, 1).filter(({ role }) => role === 'primer');
      expect(rows.map(({ laid }) => laid)).toEqual(['Quoin 350 Ash primer', 'Brammel BM50 Slate primer']);
      expect([rows[0]!.on, rows[1]!.on]).toEqual(['', rows[1]!.where]);
      expect(rows[1]!.neededMl).toBeGreaterThan(0);
      const [all] = coatRows(withCoats([['primer', 'Quoin', '350']]), shelf.tools, 1);
      expect(rows[0]!.neededMl).toBeLessThan(all!.neededMl);
      const [gloss] = none.route.steps.filter(({ key }) => key === 'gloss');
      const everywhere = withCoats([['gloss', 'Quoin', '341', '', gloss!.zones]]);
      const laid = everywhere.route.steps.filter(({ key }) => key === 'gloss' || key.startsWith('gloss:'));
      expect(laid.map(({ key, title, lays }) => [key, title, lays[0]!.chemistry])).toEqual([
        ['gloss', gloss!.title, 'AL'],
      ]);
    });
  });

  test('another product changes its own waits and nothing of the colours; what it attacks is told with what helps', () => {
    const [one, other] = [withCoats([['primer', 'Quoin', '350']]), withCoats([['primer', 'Brammel', 'BM50']])];
    const said = turnedBetween(one, other);
    expect(said.filter(({ at }) => at === 'evidence' || at === 'markings')).toEqual([]);
    expect(other.calls).toEqual(one.calls);
    // Under alcohol-thinned colours as on the demo's nose, a lacquer clear bites.
    const thinned = {
      ...none.state,
      choices: none.state.choices.map((choice) => ({
        ...choice,
        recipeId: null,
        paintId: productOf('Osprel', '701').id,
      })),
    };
    const [mild, hot] = (['Hask 143', 'Quoin 341'] as const).map((product) => {
      const [line, number] = product.split(' ') as [string, string];
      const coat = {
        id: 'c',
        version: 1,
        role: 'gloss' as const,
        paintId: productOf(line, number).id,
        way: '' as const,
        zones: [],
      };
      return deriveBrief({ ...thinned, coats: [coat] }, shelf, settings);
    });
    const told = turnedBetween(mild!, hot!).map(({ says }) => says);
    expect(told.some((says) => /^▲ Acrylic lacquer over alcohol-thinned acrylic: .*\. Let it cure/.test(says))).toBe(
      true,
    );
    expect(
      turnedBetween(hot!, mild!)
        .map(({ says }) => says)
        .join(' '),
    ).toContain('No more of this: acrylic lacquer over');
  });
});

describe('another product in words', () => {
  const coat = (chemistry: 'AL' | 'EN' | 'WA', recoat?: number) => ({
    chemistry,
    dries: recoat === undefined ? {} : { recoat },
  });
  test('says how it differs in kind and in waits', () => {
    expect(insteadInWords(coat('EN'), coat('AL'), STANDARD_CLIMATE)).toBe(
      'enamel, not acrylic lacquer; 12 h to the next coat instead of 15 min; 24 h until it may be handled instead of 3 h; 48 h until it bears tape instead of 3 h',
    );
    expect(insteadInWords(coat('WA', 1440), coat('WA', 60), STANDARD_CLIMATE)).toBe(
      '24 h to the next coat instead of 1 h',
    );
  });
  test('says that nothing changes where nothing does', () => {
    expect(insteadInWords(coat('AL'), coat('AL'), STANDARD_CLIMATE)).toBe('dries as the one before; nothing changes');
  });
});
