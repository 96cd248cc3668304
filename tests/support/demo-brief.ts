import { readFileSync } from 'node:fs';
import path from 'node:path';
import { dunlin } from '@demo/dunlin';
import { demoShelfFrom } from '@demo/tables';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import { inOrder } from '@/core/laid/stack';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { briefFileSchema, stateOfFile } from '@/core/interchange/brief-file';
import { matchSingle } from '@/core/match/single';
import { officialColours } from '@/core/codes/official';
import { bottleOf, paintOf } from './paints';

/** The demo without a database: its shelf and its main brief, for tests of what is computed from them. */
const read = (name: string) => readFileSync(path.join(process.cwd(), 'demo', name), 'utf8');

export function shelfOfDemo(): ColourShelf {
  const { systems, codes, relations, lines } = demoShelfFrom(read);
  return {
    systems: systems.map((system) => ({ ...system, id: `system ${system.name}`, version: 1 })),
    relations: relations.map(({ code, other, ...relation }, i) => ({
      ...relation,
      codeId: `code ${code}`,
      otherId: `code ${other}`,
      id: `relation ${i}`,
      version: 1,
    })),
    codes: codes.map(({ code }) => ({ ...code, id: `code ${code.code}`, version: 1 })),
    chips: codes.flatMap(({ code, chips }) =>
      chips.map((chip, i) => ({ ...chip, codeId: `code ${code.code}`, id: `chip ${code.code} ${i}`, version: 1 })),
    ),
    decalSheets: [],
    sets: lines.flatMap(({ line, sets = [] }) =>
      sets.map((set) => ({
        ...set,
        line: line.name,
        lineId: line.name,
        id: `set ${line.name} ${set.number}`,
        version: 1,
      })),
    ),
    tools: [],
    techniques: [],
    house: [],
    paints: lines.flatMap(({ line, paints }) =>
      paints.map(({ paint, bottle }) =>
        paintOf({
          ...paint,
          id: `${line.name} ${paint.number}`,
          line: line.name,
          chemistry: line.chemistry,
          bottles: bottle ? [bottleOf({ ...bottle, id: `bottle ${line.name} ${paint.number}` })] : [],
          ownedMl: bottle?.mlLeft ?? 0,
        }),
      ),
    ),
  };
}

/** The main brief with the nearest paint chosen for the codes that the demo chooses. */
export function stateOfDemo(shelf: ColourShelf): BriefState {
  const { file, chosen } = dunlin('2026-11-10');
  const official = officialColours(shelf.codes, shelf.chips);
  const choices = chosen.flatMap((code) => {
    const { lab, sd, record } = official.get(code)!;
    const [best] = matchSingle({ lab: lab!, sd, code, finish: record.finish, kind: record.kind }, shelf.paints, 1);
    return best ? [{ code, line: best.paint.line, number: best.paint.number }] : [];
  });
  return stateOfFile(briefFileSchema.parse({ ...file, choices }), shelf);
}

export const NOW = '2026-11-23T12:00:00Z';

interface Derived {
  view: BriefView;
  shelf: ColourShelf;
}
const asRead = once(() => {
  const shelf = shelfOfDemo();
  return { shelf, state: stateOfDemo(shelf) };
});
/** Tests only read it. */
const unchanged = once(() => derived());

/** The demo, or what it becomes where something of it is changed. */
export const viewOfDemo = (change?: (state: BriefState) => void): Derived => (change ? derived(change) : unchanged());

function derived(change: (state: BriefState) => void = () => undefined): Derived {
  const { shelf, state } = structuredClone(asRead());
  change(state);
  return { view: deriveBrief(state, shelf, { nowUtc: NOW, effort: 0 }), shelf };
}

function once<T>(make: () => T): () => T {
  let made: { is: T } | null = null;
  return () => (made ??= { is: make() }).is;
}

/** A brief whose log holds all steps up to one, in the order of the network, an hour apart, each sprayed as tried. */
export function workedUntil(state: BriefState, { route }: BriefView, until: string): BriefState {
  const steps = inOrder(route);
  const last = steps.findIndex(({ key }) => key === until);
  const known = new Set(state.log.map(({ stepKey }) => stepKey));
  const at = (i: number, minutes: number) =>
    new Date(Date.parse('2026-10-01T18:00:00Z') + i * 3_600_000 + minutes * 60_000).toISOString();
  const log = steps.slice(0, last + 1).flatMap((step, i) =>
    known.has(step.key)
      ? []
      : [
          {
            ...BLANK_LOG_ENTRY,
            id: `worked ${step.key}`,
            version: 1,
            stepKey: step.key,
            stepKind: step.kind,
            what: step.lays[0]?.what ?? ('' as const),
            code: step.code ?? '',
            paint: step.lays[0]?.paint ?? '',
            chemistry: step.lays[0]?.chemistry ?? ('' as const),
            title: step.title,
            lane: step.lane,
            zones: step.zones,
            plannedMinutes: step.minutes,
            actualMinutes: step.minutes,
            mixed: step.load ? { parts: [{ label: 'as tried', drops: 3 }], thinner: 1.5 } : null,
            startedAt: at(i, 0),
            endedAt: at(i, 30),
          },
        ],
  );
  return { ...state, log: [...state.log, ...log] };
}
