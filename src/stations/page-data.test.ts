import { waitFor } from '@/core/paint/drying';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import { describe, expect, test } from '@jest/globals';
import { tonightOf } from '@/core/bench/tonight';
import { sheetData } from '@/sheet/sheet-data';
import { NOW, viewOfDemo, workedUntil } from '../../tests/support/demo-brief';
import { briefPaper } from '@/paper/paper-data';
import { printed } from '@tests/support/paper';
import { needFrom } from './colours/explanations';
import { coloursPage } from './colours/page-data';
import { evidencePage, questionSupport } from './evidence/page-data';
import { routePage } from './route/page-data';

const { view, shelf } = viewOfDemo();

describe('what Evidence is told', () => {
  const data = evidencePage(view, shelf);
  test('which sources lie in the target window', () => {
    const inside = data.sources.filter((source) => source.inWindow).map((source) => source.title);
    expect(inside.sort()).toEqual(['Apron, port side', 'Hangar row', 'Taxiing, film still']);
  });
  test('the factors behind each weight multiply to it', () => {
    for (const { id } of data.questions)
      for (const { weight, factors } of questionSupport(view, id)!.contributions)
        expect(weight).toBeCloseTo(factors.kind * factors.clarity * factors.dateFit * factors.grade, 12);
  });
  test('a photograph from before the repaint of the fin weighs nothing', () => {
    const fin = data.questions.find((q) => q.zone === 'fin-starboard' && q.aspect === 'colour')!;
    const delivery = data.sources.find((source) => source.title === 'Delivery flight')!.id;
    expect(questionSupport(view, fin.id)!.contributions.find((c) => c.source === delivery)!.weight).toBe(0);
    expect(fin.state).toBe('contested');
  });
});

describe('what Colours is told', () => {
  const data = coloursPage(view, shelf, '1', NOW);
  test('matches stand drawer first, then claims, then the rest, each sorted', () => {
    const groupOf = (match: (typeof data.calls)[number]['matches'][number]) =>
      match.inDrawer ? 0 : match.claimed ? 1 : 2;
    for (const { code } of data.calls) {
      const opened = coloursPage(view, shelf, '1', NOW, code).calls.find((call) => call.code === code)!;
      const { matches, record } = opened;
      expect(matches.length).toBeGreaterThan(3);
      const groups = matches.map(groupOf);
      expect(groups).toEqual([...groups].sort());
      if (record!.kind === 'metallic') continue;
      for (const group of [0, 1, 2]) {
        const own = matches.filter((match) => groupOf(match) === group).map((match) => match.dE00);
        expect(own).toEqual([...own].sort((a, b) => a - b));
      }
    }
  });
  test('every call with a paint says how far off it is, and how much is needed', () => {
    const chosen = data.calls.filter((call) => call.chosen);
    expect(chosen.length).toBeGreaterThan(4);
    for (const call of chosen) {
      expect(call.chosen!.dE00).toBeGreaterThanOrEqual(0);
      expect(call.areaCm2).toBeGreaterThan(0);
      expect(call.cup!.paintMl).toBeGreaterThan(0);
      expect(call.cup!.paintMl).toBeLessThan(20);
    }
  });
  test('the underside of the whole model is of the order of a hand: 100 to 200 cm2 at 1/48', () => {
    const sleet = data.calls.find((call) => call.code === 'TCS 14')!;
    expect(sleet.areaCm2).toBeGreaterThan(100);
    expect(sleet.areaCm2).toBeLessThan(200);
  });
});

describe('what the Route is told', () => {
  const data = routePage(view);
  test('steps are numbered in the order of their start', () => {
    expect(data.work.map((work) => work.number)).toEqual(data.work.map((_, i) => i + 1));
    const starts = data.work.map((work) => work.segments[0]![0]);
    expect(starts).toEqual([...starts].sort((a, b) => a - b));
  });
  test('one person: no two steps at the same time', () => {
    const pieces = data.work.flatMap((work) => work.segments).sort((a, b) => a[0] - b[0]);
    pieces.slice(1).forEach(([start], i) => expect(start).toBeGreaterThanOrEqual(pieces[i]![1]));
  });
  test('the gate of the fuselage carries the open bay; the wash has its wet window', () => {
    expect(data.gates.find((gate) => gate.title === 'Close the fuselage')!.open).toEqual(['Nose-wheel bay, colour']);
    // A wash is wiped between 15 and 40 min at 20 °C; this bench has its own temperature.
    const wet = waitFor('washWindow', view.state.brief);
    expect(data.work.find((work) => work.key === 'wash:upper')!.wet).toEqual([wet.minutes, wet.most]);
  });
  test('spray steps only in sessions where spraying is possible', () => {
    const booths = new Map(data.sessions.map((session) => [session.id, session.booth]));
    for (const work of data.work.filter((item) => item.key.startsWith('spray:')))
      expect(booths.get(work.session!)).toBe(true);
  });
});

describe('what the sheet is told', () => {
  test('the ruled colour of a zone is that of the chosen paint, else the official one, else none', () => {
    const data = sheetData(view);
    const colour = (key: string) => data.zones.find((zone) => zone.key === key)!.colour;
    expect(colour('fin-starboard')).toBeNull();
    expect(colour('fuselage-lower')).toMatch(/^#[0-9a-f]{6}$/);
    expect(data.titleBlock.find(({ label }) => label === 'Depicts')!.value).toBe('8–14 May 1951');
    expect(data.titleBlock.find(({ label }) => label === 'Span at scale')!.value).toBe('231.3 mm');
  });
  test('progress follows the log', () => {
    const step = view.route.steps.find((item) => item.key === 'part:TCS 05')!;
    const { view: worked } = viewOfDemo((state) => {
      state.log.push({
        ...BLANK_LOG_ENTRY,
        id: 'l',
        version: 1,
        stepKey: step.key,
        title: step.title,
        lane: step.lane,
        plannedMinutes: 15,
        actualMinutes: 15,
        startedAt: '2026-11-22T10:00:00Z',
        endedAt: '2026-11-22T10:15:00Z',
      });
    });
    const progress = (data: ReturnType<typeof sheetData>) =>
      data.zones.find((zone) => zone.key === 'spinner')!.progress;
    expect(progress(sheetData(view))).toBe(0);
    const { progress: steps } = worked.standing;
    const there = worked.route.steps.filter(({ zones }) => zones.includes('spinner'));
    expect(steps.get(step.key)!.done).toContain('spinner');
    expect(progress(sheetData(worked))).toBeCloseTo(1 / there.length, 6);
    const { view: ready } = viewOfDemo((state) => {
      state.log = workedUntil(state, view, 'last-look').log;
    });
    expect(progress(sheetData(ready))).toBe(1);
  });
});

describe('how much of a colour it takes', () => {
  const callsOf = (change: Parameters<typeof viewOfDemo>[0]) => {
    const { view: changed, shelf: of } = viewOfDemo(change);
    return { calls: coloursPage(changed, of, '1', NOW).calls, view: changed };
  };
  test('follows the area, and opens into area, coats, what lands and what is lost', () => {
    const { calls } = callsOf(() => undefined);
    const sprayed = calls.filter(({ cup }) => cup).sort((a, b) => a.areaCm2 - b.areaCm2);
    const [small, large] = [sprayed[0]!, sprayed.at(-1)!];
    expect(large.areaCm2).toBeGreaterThan(2 * small.areaCm2);
    expect(large.cup!.sprayedMl).toBeGreaterThan(small.cup!.sprayedMl);
    expect(needFrom(large, 1)).toContain(`${large.areaCm2.toFixed(0)} cm²`);
    expect(needFrom(large, 1)).toContain(large.coats!.because);
  });
  test('and the coats that were chosen at Layers, as the bench and the route do', () => {
    const with4 = callsOf((state) => {
      state.choices = state.choices.map((choice) => ({ ...choice, coats: 4, ground: 'pink' as const }));
    });
    const plain = callsOf(() => undefined);
    const pairs = with4.calls.flatMap((call, i) => (call.cup ? [[plain.calls[i]!, call] as const] : []));
    for (const [before, after] of pairs) {
      expect(after.coats!.coats).toBe(4);
      if (before.coats!.coats < 4) expect(after.cup!.sprayedMl).toBeGreaterThan(before.cup!.sprayedMl);
      expect(after.laid.groundTitle).toBe('Pink');
    }
    const step = with4.view.route.steps.find(({ key }) => key === 'part:TCS 05')!;
    expect(step.lays[0]!.coats).toBe(4);
    expect(with4.view.route.steps.map(({ key }) => key)).toContain('part:TCS 05:ground');
  });
});

describe('the cards of the bench', () => {
  test('a spray card tells paint, thinner and pressure; every card its cautions', () => {
    const { cards } = tonightOf(view);
    expect(cards.length).toBeGreaterThan(0);
    for (const card of cards) {
      expect(card.spray === null).toBe(card.paint === null);
      if (card.spray) expect(card.spray.pressureBar).toBeGreaterThan(0.5);
    }
  });
});

describe('the printed brief', () => {
  const data = briefPaper(view, shelf, NOW);
  test('holds every source, ruling and call, what is open, and each caution once', () => {
    expect(data.dossier.sources).toHaveLength(view.state.sources.length);
    expect(data.dossier.questions).toHaveLength(view.state.questions.length);
    expect(data.colours).toHaveLength(view.calls.length);
    expect(data.open.map((item) => item.question)).toContain('Nose-wheel bay, colour');
    expect(new Set(data.cautions.map((caution) => caution.says)).size).toBe(data.cautions.length);
    // A step that is split over two sessions is printed in both, the second time as going on.
    const titles = data.sessions.flatMap((session) => session.steps.map((step) => step.title));
    const begun = titles.filter((title) => !title.endsWith(', goes on'));
    expect(begun.sort()).toEqual(
      view.plan.work
        .filter((item) => !item.done)
        .map((item) => item.step.title)
        .sort(),
    );
    const split = view.plan.work.filter(({ done, segments }) => !done && segments.length > 1).length;
    expect(titles.length).toBe(begun.length + split);
  });
  test('becomes a PDF with its fonts inside', async () => {
    const bytes = await printed({ kind: 'brief', data });
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(bytes.includes('BarlowCondensed')).toBe(true);
    expect(bytes.includes('AtkinsonHyperlegible')).toBe(true);
    expect((bytes.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length).toBeGreaterThanOrEqual(4);
  }, 60_000);
});
