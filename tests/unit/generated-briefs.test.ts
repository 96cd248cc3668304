import { describe, expect, test } from '@jest/globals';
import { shelfOfDemo, NOW } from '@tests/support/demo-brief';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import { openCount } from '@/core/derive/open-count';
import { Stages } from '@/core/derive/stages';
import { codeBook } from '@/core/codes/official';
import { briefFileSchema, stateOfFile } from '@/core/interchange/brief-file';
import { isSeen } from '@/core/kit/seen';
import { dossierPaper } from '@/paper/dossier-data';
import { briefPaper } from '@/paper/paper-data';
import { sheetData } from '@/sheet/sheet-data';
import { benchPage } from '@/stations/bench/page-data';
import { briefPage } from '@/stations/brief/page-data';
import { coloursPage } from '@/stations/colours/page-data';
import { evidencePage, questionSupport } from '@/stations/evidence/page-data';
import { logPage } from '@/stations/log/page-data';
import { routePage } from '@/stations/route/page-data';
import { heavyBrief, type Weight } from '../../scripts/heavy-brief';

/** What holds of any brief, on briefs that nobody made by hand. */

const shelf = shelfOfDemo();
const derived = (weight: Weight, stages?: Stages): BriefView =>
  deriveBrief(
    stateOfFile(briefFileSchema.parse(heavyBrief(weight, '2026-11-10')), shelf),
    shelf,
    { nowUtc: NOW, effort: 0 },
    stages,
  );

const WEIGHTS: [string, Weight][] = [
  ['nothing but its sources', { questions: 1, sources: 3, sightings: 0, markings: 0, log: 0, parts: 0 }],
  ['a few questions', { questions: 12, sources: 8, sightings: 40, markings: 3, log: 5, parts: 5 }],
  [
    'every zone asked, several aspects',
    { questions: 90, sources: 30, sightings: 1400, markings: 12, log: 80, parts: 80 },
  ],
];

describe.each(WEIGHTS)('a brief of %s', (_, weight) => {
  const view = derived(weight);
  const evidence = evidencePage(view, shelf);

  test('a zone that will be seen has a ruling on its colour, an open question, or is named as not asked', () => {
    const asked = new Map(evidence.questions.filter((q) => q.aspect === 'colour').map((q) => [q.zone, q]));
    const unasked = new Set(view.unasked.map(({ key }) => key));
    for (const zone of view.outline.zones.filter((item) => isSeen(item, view.state.brief.options)))
      expect(asked.has(zone.key)).toBe(!unasked.has(zone.key));
    for (const q of evidence.questions) expect(q.open).toBe(q.ruling === null || q.reopened);
  });

  test('nothing that is open looks settled: not on the sheet, not in the brief, not on paper', () => {
    const colours = new Map(sheetData(view).zones.map((zone) => [zone.key, zone]));
    for (const { key } of view.unasked) {
      expect(colours.get(key)!.colour).toBeNull();
      expect(colours.get(key)!.certainty).not.toBe('settled');
    }
    const open = view.unasked.length + evidence.questions.filter((q) => q.open).length;
    expect(briefPage(view).open).toHaveLength(open);
    expect(briefPaper(view, shelf, NOW).open).toHaveLength(open);
    expect(openCount(view.state, codeBook(shelf))).toBe(open);
    const page = coloursPage(view, shelf, '1', NOW);
    expect(page.unasked + page.unruled).toBe(
      view.unasked.length + evidence.questions.filter((q) => q.open && q.aspect === 'colour').length,
    );
  });

  test('every gate names what has to be answered before it, and together they name all of it', () => {
    const route = routePage(view);
    const named = route.gates.flatMap((gate) => gate.open);
    for (const { title } of view.unasked) expect(named).toContain(`${title}, colour (nobody asked yet)`);
    const planned = new Set(evidence.gates.map(({ name }) => name));
    const waiting = view.questions.filter((q) => q.open && planned.has(q.gate));
    expect(named).toHaveLength(waiting.length + view.unasked.length);
    expect(new Set(named).size).toBe(named.length);
  });

  test('what a question rests on is what its cells show, weighed as shown, and support sums to one', () => {
    for (const { id, sightings, state } of evidence.questions) {
      const rests = questionSupport(view, id)!;
      expect(rests.contributions).toHaveLength(sightings.length);
      expect(rests.sightings.map((sighting) => sighting.id).sort()).toEqual(sightings.map((s) => s.id).sort());
      rests.contributions.forEach(({ source, value }, i) => {
        expect(source).toBe(rests.sightings[i]!.sourceId);
        expect(String(value)).toBe(rests.sightings[i]!.value);
      });
      const shares = Object.values(rests.support ?? {});
      if (shares.length > 0) expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
      else expect(['unseen', 'measured']).toContain(state);
    }
    expect(questionSupport(view, 'no such question')).toBeNull();
  });

  test('the paper lists every question and source once, and prints no more than twelve weights of one', () => {
    const paper = dossierPaper(view, NOW);
    expect(paper.questions).toHaveLength(view.questions.length);
    expect(paper.sources.map(({ title }) => title)).toEqual(view.state.sources.map(({ title }) => title));
    paper.questions.forEach(({ contributions }, i) => {
      const printed = contributions === '' ? [] : contributions.split('; ');
      expect(printed.length).toBe(Math.min(13, view.questions[i]!.weighed.contributions.length));
      if (view.questions[i]!.weighed.contributions.length > 12) expect(printed.at(-1)).toMatch(/^and \d+ that weigh/);
    });
  });

  test('no sentence speaks in keys: zones are said, numbers are numbers', () => {
    const keys = view.outline.zones.map(({ key }) => key).filter((key) => key.includes('-'));
    const titles = view.plan.work.map(({ step }) => step.title);
    for (const title of titles) expect(keys.filter((key) => title.includes(key))).toEqual([]);
    const said = JSON.stringify([
      briefPaper(view, shelf, NOW),
      logPage(view, 1),
      benchPage(view, shelf),
      routePage(view),
    ]);
    expect(said).not.toMatch(/NaN|Infinity|undefined|\[object/);
  });

  test('the log is compared lane by lane: its entries and their minutes add up', () => {
    const { all, done } = logPage(view, 1);
    expect(done).toBe(weight.log);
    expect(all.actual).toBe(view.state.log.reduce((sum, entry) => sum + entry.actualMinutes, 0));
  });

  test('with the memory of another brief’s stages it is derived as without', () => {
    const stages = new Stages();
    derived({ questions: 5, sources: 2, sightings: 5, markings: 1, log: 1, parts: 1 }, stages);
    expect(JSON.stringify(derived(weight, stages))).toBe(JSON.stringify(view));
  });
});
