import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import { chosenCoats } from '@/core/derive/general-coats';
import { briefFileSchema, stateOfFile } from '@/core/interchange/brief-file';
import type { ColourShelf } from '@/core/kept/state';
import { conflictsByPair } from '@/core/laid/guard';
import { TYPICAL_TOOL, type ToolKind } from '@/core/kit/tools';
import { formOf } from '@/core/outline/presets';
import { anyBrief } from '@tests/support/any-brief';
import { shelfOfDemo, NOW } from '@tests/support/demo-brief';

/** Routes of builds that nobody made by hand, as a builder would walk them: any machine, scale, options, chemistry, and what is owned. */

const shelf = shelfOfDemo();
const toolOf = (kind: ToolKind) => {
  const { reason: _, ...figures } = TYPICAL_TOOL[kind];
  return { ...figures, kind, id: kind, version: 1, name: kind, needleMm: null, keptFor: '' };
};

const anyBuild: fc.Arbitrary<{ told: string; view: BriefView }> = fc
  .record({
    file: anyBrief,
    denominator: fc.constantFrom(24, 32, 48, 72, 144, 350),
    owned: fc.subarray(['airbrush', 'spray can', 'brush'] as const),
  })
  .map(({ file, denominator, owned }) => {
    // At the scale of an aircraft a ship would be as long as the room.
    const scale = formOf(file.airframe.preset) === 'ship' ? 10 * denominator : denominator;
    const begun = { log: [], mishaps: [], plans: [], edits: [], runs: [] };
    const parsed = briefFileSchema.parse({
      ...file,
      ...begun,
      brief: { ...file.brief, denominator: Math.min(700, scale) },
    });
    const mine: ColourShelf = { ...shelf, tools: owned.map((kind) => toolOf(kind)) };
    return {
      told: `${file.airframe.preset} at 1/${parsed.brief.denominator} with ${owned.join(', ') || 'nothing listed'}`,
      view: deriveBrief(stateOfFile(parsed, mine), mine, { nowUtc: NOW, effort: 0 }),
    };
  });

// Derived once for all that is asked of them.
const builds = fc.sample(anyBuild, { numRuns: 24, seed: 27 });
const holds = (property: (build: BriefView) => unknown) => {
  for (const { told, view } of builds) expect([told, property(view)]).toEqual([told, []]);
};

describe('the route of any build', () => {
  test('has a day on which it is ready', () => {
    holds(({ plan }) => (plan.finish ? [] : plan.because));
  });

  test('calls no two jobs the same, and says of each where and what', () => {
    holds(({ route }) => {
      const titles = route.steps.map(({ title }) => title);
      return titles.filter((title, i) => titles.indexOf(title) !== i || /\b0 zones|undefined|null|: $/.test(title));
    });
  });

  test('lays nothing on no zone', () => {
    holds(({ route }) =>
      route.steps.flatMap(({ key, lays, zones }) => (lays.length > 0 && zones.length === 0 ? [key] : [])),
    );
  });

  test('has no coat that is longer than an evening', () => {
    holds(({ route, state }) => {
      const evening = Math.max(...state.sessions.map(({ minutes }) => minutes));
      return route.steps.flatMap(({ key, minutes, splittable }) => (minutes > evening && !splittable ? [key] : []));
    });
  });

  test('lays no oils over oils: what belongs to one sitting is one step', () => {
    holds(({ standing }) =>
      [...standing.stacks].flatMap(([zone, stack]) =>
        stack.some(({ what }, i) => what === 'oil' && stack[i + 1]?.what === 'oil') ? [zone] : [],
      ),
    );
  });

  test('warns of nothing that it laid itself: what the house assumed does not attack what it assumed', () => {
    holds(({ standing, state }) => {
      const chosen = new Set(chosenCoats(state.coats, shelf.paints).map(({ label }) => label));
      const isAssumed = ({ code, paint }: { code: string | null; paint: string }) =>
        code === null && !chosen.has(paint);
      return conflictsByPair(standing.stacks).flatMap(({ over, under, verdict }) =>
        isAssumed(over) && isAssumed(under) && verdict !== 'after cure' ? [[over.paint, under.paint]] : [],
      );
    });
  });
});
