import { VIEWS, type View } from '@/core/outline/zones';
import type { SheetCondition } from './decal-sheet';
import { proportionsOf } from './drawn';
import type { PlaceableMarking } from './placing';

/** Decals in the order in which they go on: side by side of the model, each dry before it is turned over. */

export interface DecalSheetFacts {
  id: string;
  title: string;
  filmUm: number | null;
  condition: SheetCondition;
}

export interface DecalItem {
  marking: string;
  title: string;
  pieces: number;
  /** Lengths that a long one is cut into, mm; none for one that goes on whole. */
  lengthsMm: number[];
  sheet: string | null;
}

export interface DecalBatch {
  side: View;
  title: string;
  items: DecalItem[];
  pieces: number;
  minutes: number;
  says: string[];
}

/** Longer than this a strip twists in the water and is cut, mm. */
const LONGEST_MM = 45;
/** In and out of the water, slid and pressed, minutes; what stencils take less, being many. */
const MINUTES = { decal: 6, stencil: 2.5 };
/** Softener works and is left alone before the next pass, minutes. */
const SOFTENER_WAIT = 20;

const SIDES: Record<View, string> = {
  upper: 'Upper surfaces, lying on its wheels',
  lower: 'Lower surfaces, lying on its back',
  port: 'Port side, lying on starboard',
  starboard: 'Starboard side, lying on port',
};

/** The lengths that a strip is cut into: as few as keep each within what can be handled, all alike. */
export function cutLengths(mm: number): number[] {
  if (mm <= LONGEST_MM) return [];
  const pieces = Math.ceil(mm / LONGEST_MM);
  return Array.from({ length: pieces }, () => mm / pieces);
}

/** The lengths that a marking is cut into, mm on the model: between the windows where the builder cuts its strip, else as can be handled. */
export function lengthsOf(marking: PlaceableMarking, denominator: number): number[] {
  const high = marking.heightMm / denominator;
  const { aspect, gap, count, cuts } = marking.design;
  const after = [...new Set(cuts)].filter((cut) => cut < count).sort((a, b) => a - b);
  if (marking.kind !== 'window strip' || after.length === 0) return cutLengths(proportionsOf(marking).width * high);
  const windows = [...after, count].map((cut, i) => cut - (after[i - 1] ?? 0));
  return windows.map((panes) => (panes * aspect + (panes - 1) * gap) * high);
}

/** What holds for all batches alike, in order, to be said once. */
export const saidOfAll = (batches: readonly DecalBatch[]): string[] =>
  (batches[0]?.says ?? []).filter((line) => batches.every(({ says }) => says.includes(line)));

/** Batches by the side that has to dry, larger decals before stencils; `crossesOf` counts lines to cut over. */
export function decalPlan(
  markings: readonly (PlaceableMarking & {
    title: string;
    method: string;
    sheetId: string | null;
    piecesEach: number;
  })[],
  sheets: readonly DecalSheetFacts[],
  denominator: number,
  crossesOf: (marking: string, place: number) => number,
): DecalBatch[] {
  const wet = markings.filter(({ method }) => method === 'decal' || method === 'own decal');
  return VIEWS.flatMap((side): DecalBatch[] => {
    const here = wet.flatMap((marking) => {
      const places = marking.places.flatMap((place, i) => (place.view === side ? [i] : []));
      return places.length > 0 ? [{ marking, places }] : [];
    });
    if (here.length === 0) return [];
    here.sort(
      (a, b) =>
        Number(a.marking.kind === 'stencil') - Number(b.marking.kind === 'stencil') ||
        b.marking.heightMm - a.marking.heightMm,
    );
    let minutes = 0;
    const used = new Set<DecalSheetFacts>();
    const items = here.map(({ marking, places }): DecalItem => {
      const lengthsMm = lengthsOf(marking, denominator);
      const pieces = places.length * Math.max(marking.piecesEach, lengthsMm.length);
      const sheet = sheets.find(({ id }) => id === marking.sheetId) ?? null;
      if (sheet) used.add(sheet);
      const lines = places.reduce((sum, place) => sum + crossesOf(marking.id, place), 0);
      minutes += pieces * (marking.kind === 'stencil' ? MINUTES.stencil : MINUTES.decal) + lines * 2;
      return { marking: marking.id, title: marking.title, pieces, lengthsMm, sheet: sheet?.title ?? null };
    });
    const crossing = here.some(({ marking, places }) => places.some((place) => crossesOf(marking.id, place) > 0));
    return [
      {
        side,
        title: SIDES[side],
        items,
        pieces: items.reduce((sum, { pieces }) => sum + pieces, 0),
        minutes: Math.round(minutes),
        says: [
          'Over gloss that is dry right through; trim the film close, warm water, setting fluid, place, press out from the centre.',
          `Softener in thin passes, ${SOFTENER_WAIT} minutes apart, and left alone while it wrinkles; never left overnight in a puddle.`,
          ...(crossing
            ? ['Cut along hinges and prick bubbles between two passes, then once more softener into the cut.']
            : []),
          ...[...used].flatMap(({ title, filmUm, condition }) => [
            ...(condition === 'brittle' || condition === 'untried'
              ? [
                  `“${title}”: a spare into the water first; if it breaks, a film of clear over the sheet before the next.`,
                ]
              : []),
            ...(condition === 'yellowed' ? [`“${title}”: days in a sunny window before it is wetted.`] : []),
            ...((filmUm ?? 0) > 15
              ? [`“${title}”: thick film takes two passes more; test the stronger softener on its edge.`]
              : []),
          ]),
          'A night to dry, wash off the glue, then the clear over them; washes only after that.',
        ],
      },
    ];
  });
}
