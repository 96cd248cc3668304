import { describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/derive/derive';
import { alsoDone, madeOf } from '@/core/workshop/how-made';
import { linesOf } from '@/core/workshop/log-book';
import type { BriefState } from '@/core/kept/state';
import { briefFileSchema, toBriefFile } from '@/core/interchange/brief-file';
import { planIcs } from '@/core/interchange/plan-ics';
import { repairedFile } from '@/core/interchange/repair';
import { dossierPaper } from '@/paper/dossier-data';
import { briefPaper } from '@/paper/paper-data';
import { recordPaper } from '@/paper/record-data';
import { sheetData } from '@/sheet/sheet-data';
import { benchPage } from '@/stations/bench/page-data';
import { briefPage } from '@/stations/brief/page-data';
import { coloursPage } from '@/stations/colours/page-data';
import { evidencePage } from '@/stations/evidence/page-data';
import { kitPage } from '@/stations/kit/page-data';
import { logPage } from '@/stations/log/page-data';
import { markingsPage } from '@/stations/markings/page-data';
import { routePage } from '@/stations/route/page-data';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import { NOW, shelfOfDemo, stateOfDemo, workedUntil } from '@tests/support/demo-brief';

/** Logs outlive rules, zones and subjects: whatever they name that is gone, everything opens. */

const shelf = shelfOfDemo();
const view = (state: BriefState) => deriveBrief(state, shelf, { nowUtc: NOW, effort: 0 });
const worked = (() => {
  const state = stateOfDemo(shelf);
  return workedUntil(state, view(state), 'gate:fuselage');
})();

function opens(state: BriefState) {
  const seen = view(state);
  expect(kitPage(seen, shelf, 1).briefId).toBe(state.brief.id);
  evidencePage(seen, shelf);
  coloursPage(seen, shelf, '1', NOW);
  markingsPage(seen, shelf);
  routePage(seen);
  benchPage(seen, shelf);
  briefPage(seen);
  sheetData(seen);
  briefPaper(seen, shelf, NOW);
  dossierPaper(seen, NOW);
  recordPaper(seen, NOW);
  planIcs(seen.plan, seen.route, { title: 'x', briefId: 'b', stamp: NOW });
  for (const { key } of [...seen.outline.zones, { key: 'gone-zone' }]) {
    madeOf(seen, key);
    alsoDone(seen, key);
  }
  // What was done stays told, whatever became of what it was done to.
  expect(logPage(seen, 1)).toBeDefined();
  expect(linesOf(seen)).toHaveLength(state.log.length + state.mishaps.length + state.sprayOuts.length);
  const file = repairedFile(toBriefFile(state, shelf, []), []);
  expect(briefFileSchema.safeParse(file).error?.issues).toBeUndefined();
  expect(file.log).toHaveLength(state.log.length);
}

const renamed = <T extends object>(records: readonly T[], change: (record: T) => Partial<T>): T[] =>
  records.map((record) => ({ ...record, ...change(record) }));
const GONE: [string, (state: BriefState) => BriefState][] = [
  [
    'steps that no rule makes',
    (state) => ({ ...state, log: renamed(state.log, (e) => ({ stepKey: `gone:${e.stepKey}` })) }),
  ],
  [
    'zones that the machine has not',
    (state) => ({ ...state, log: renamed(state.log, () => ({ zones: ['gone-port'] })) }),
  ],
  ['a code that no standard knows', (state) => ({ ...state, log: renamed(state.log, () => ({ code: 'GONE 1' })) })],
  [
    'a subject that was taken out',
    (state) => ({
      ...state,
      log: [
        ...state.log,
        {
          ...BLANK_LOG_ENTRY,
          id: 'of a subject',
          version: 1,
          stepKey: 'subject:pilot:paint',
          title: 'Paint the pilot',
          lane: 'Base',
          zones: ['pilot/face'],
          plannedMinutes: 20,
          actualMinutes: 20,
          startedAt: '2026-11-01T10:00:00.000Z',
          endedAt: '2026-11-01T10:20:00.000Z',
        },
      ],
    }),
  ],
  [
    'edits and a plan of steps that are gone',
    (state) => ({
      ...state,
      edits: [
        { id: 'e1', version: 1, rank: 1, edit: { kind: 'off', step: 'gone:a' } },
        { id: 'e2', version: 1, rank: 2, edit: { kind: 'merge', steps: ['gone:a', 'gone:b'], title: 'Both' } },
        { id: 'e3', version: 1, rank: 3, edit: { kind: 'order', first: 'gone:a', then: 'wash', wait: 60 } },
      ],
      plans: [{ id: 'p', version: 1, laid: [{ key: 'gone:a', title: 'Gone', segments: [[29_000_000, 29_000_060]] }] }],
    }),
  ],
  [
    'a run of work and a mishap over layers that are gone',
    (state) => {
      const run = {
        steps: [
          {
            key: 'technique:old:1',
            title: 'Old technique',
            kind: 'fit' as const,
            lane: 'Whole' as const,
            minutes: 10,
            zones: ['gone-zone'],
            afterMin: 0,
            afterMost: null,
            because: '',
            lays: null,
            load: null,
            mixed: null,
            cautions: [],
          },
        ],
        lost: [{ step: 'gone:a', zones: ['gone-zone'] }],
        after: ['gone:a'],
        before: ['gone:b'],
      };
      return {
        ...state,
        runs: [{ id: 'r', version: 1, origin: 'technique', title: 'Old', zones: ['gone-zone'], run }],
        mishaps: [
          {
            id: 'm',
            version: 1,
            kind: 'dust',
            zones: ['gone-zone'],
            cure: 'A cure that nobody knows',
            down: null,
            happenedAt: '2026-11-01T10:00:00.000Z',
            note: '',
            pictureId: null,
            run: { ...run, steps: [{ ...run.steps[0]!, key: 'rework:old:1' }] },
          },
        ],
      };
    },
  ],
];

describe.each(GONE)('a brief that names %s', (_, change) => {
  test('opens everywhere and goes out', () => opens(change(worked)));
});
