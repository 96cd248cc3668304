import { describe, expect, test } from '@jest/globals';
import { shelfOfDemo, stateOfDemo, NOW } from '@tests/support/demo-brief';
import type { Chemistry } from '@/core/paint/chemistry';
import { chemistryNotes } from './chemistry-notes';
import { deriveBrief } from '@/core/derive/derive';

/** The demo with its chosen paints of these chemistries, by code. */
function withChemistries(chemistries: Record<string, Chemistry>) {
  const shelf = shelfOfDemo();
  const state = stateOfDemo(shelf);
  const codeOf = new Map(shelf.codes.map(({ id, code }) => [id, code]));
  shelf.paints = shelf.paints.map((paint) => {
    const chosen = state.choices.find(({ paintId }) => paintId === paint.id);
    const chemistry = chosen && chemistries[codeOf.get(chosen.codeId)!];
    return chemistry ? { ...paint, chemistry } : paint;
  });
  return deriveBrief(state, shelf, { nowUtc: NOW, effort: 0 });
}

const plain = withChemistries({});
const painted = plain.calls.filter(({ choice }) => choice?.paint.kind === 'solid').map(({ code }) => code);
const [one, other] = painted as [string, string];
const edge = [{ a: one, b: other }];

describe('chemistry at a call', () => {
  test('a lacquer whose edge lies over an enamel neighbour is told at both, with the remedy', () => {
    const both = [withChemistries({ [one]: 'EN', [other]: 'AL' }), withChemistries({ [one]: 'AL', [other]: 'EN' })];
    // Whichever is sprayed later lies over the other: one of the two ways is the bad one.
    const grave = both.map((view) =>
      [one, other].map((code) => (chemistryNotes(view, edge).get(code) ?? []).filter((note) => note.grave)),
    );
    const bad = grave.find(([first]) => first!.some(({ says }) => says.startsWith('Where they meet')))!;
    expect(bad).toBeDefined();
    for (const notes of bad)
      expect(notes.find(({ says }) => says.startsWith('Where they meet'))!.says).toMatch(/wrinkles it.*Seal it first/);
  });
  test('the clear over an enamel colour is told to wait until that has cured', () => {
    const outside = new Set(
      plain.outline.zones.filter(({ group }) => ['wings', 'fuselage', 'tail'].includes(group)).map(({ key }) => key),
    );
    const belly = plain.calls.find(({ zones, choice }) => choice && zones.every((zone) => outside.has(zone)))!.code;
    const notes = chemistryNotes(withChemistries({ [belly]: 'EN' }), []).get(belly) ?? [];
    const says = notes.map((note) => note.says);
    expect(says.some((text) => /^Hask 143 Clear gloss .* over .*enamel.*Wait until it has cured/.test(text))).toBe(
      true,
    );
  });
  test('paints of one water-based chemistry over lacquer primer have nothing to say', () => {
    const all = Object.fromEntries(painted.map((code) => [code, 'WA' as const]));
    expect(chemistryNotes(withChemistries(all), edge).get(one) ?? []).toEqual([]);
  });
});
