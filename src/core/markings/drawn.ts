import { difference, union, type Region } from '@/core/geometry/clip';
import { extentOf, rectangle, type Point } from '@/core/geometry/polygon';
import { remembering } from '@/core/units/remembered';
import { PLAIN_LETTERS, type BandEdge, type Design, type LetterFields } from './design';
import { figureFieldsOf, framed, HEXAGON, repeated, withBreaks, type Field } from './figures';
import type { MarkingKind } from './kinds';
import { blockLetters, facedLetters } from './lettering';

export interface DrawableMarking {
  kind: MarkingKind;
  text: string;
  design: Design;
  /** Stripes take them in turn. */
  codes?: readonly string[];
}

const drawnAs = ({ kind, text, design, codes = [] }: DrawableMarking): string =>
  JSON.stringify([kind, text, design, kind === 'band' ? codes.length : 0]);

const remember = remembering<Field[]>(300);

/**
 * The fields of a marking in units of its height, y up, about its middle, the first painted first. What goes round has none before it
 * lies there. Drawn ones are remembered: a marking is placed again at every redraw.
 */
export const fieldsOf = (marking: DrawableMarking): Field[] => remember(drawnAs(marking), () => draw(marking));

function draw({ kind, text, design, codes = [] }: DrawableMarking): Field[] {
  switch (kind) {
    case 'insignia':
      return figureFieldsOf(design.figures.length > 0 ? design.figures : HEXAGON);
    case 'lettering':
    case 'stencil':
      return letters(text, design.letters ?? PLAIN_LETTERS);
    case 'walkway':
      return [{ region: framed(design.aspect, Math.min(design.line, design.aspect / 2.2, 0.45)), colour: 0 }];
    case 'artwork':
      return design.artwork.length > 0
        ? design.artwork.map(({ rings, colour }) => ({ region: rings, colour }))
        : [{ region: [rectangle(-design.aspect / 2, -0.5, design.aspect / 2, 0.5)], colour: 0 }];
    case 'kill marks': {
      const one = figureFieldsOf(design.figures.length > 0 ? design.figures : [HEXAGON[0]!]);
      const { left, right } = extentOf(one.flatMap(({ region }) => region));
      const step: Point = [right - left + design.gap, 1 + design.gap];
      return one.map(({ region, colour }) => ({ region: repeated(region, design.count, design.perRow, step), colour }));
    }
    case 'window strip': {
      const { aspect, gap, count } = design;
      const pane = rectangle(-aspect / 2, -0.5, aspect / 2, 0.5);
      return [{ region: repeated([pane], count, Math.max(count, 1), [aspect + gap, 0]), colour: 0 }];
    }
    case 'band':
      return design.course === 'along' ? stripes(design, codes.length) : [];
  }
}

/** Stripes one over the other along their line, the lowest first, from their fore end on the left. */
function stripes({ aspect, count, gap, profile }: Design, colours: number): Field[] {
  const ends: BandEdge[] = [
    { at: 0, low: -0.5, high: 0.5 },
    { at: 1, low: -0.5, high: 0.5 },
  ];
  const edges = profile.length > 1 ? profile : ends;
  const along = edges.map(({ at }) => (at - 0.5) * aspect);
  return Array.from({ length: count }, (_, i): Field => {
    const up = (i - (count - 1) / 2) * (1 + gap);
    const lower = edges.map(({ low }, k): Point => [along[k]!, low + up]);
    const upper = edges.map(({ high }, k): Point => [along[k]!, high + up]);
    return { region: [[...lower, ...upper.reverse()]], colour: i % Math.max(1, colours) };
  });
}

function letters(text: string, given: LetterFields): Field[] {
  const upright = given.outline
    ? facedLetters(text, given.outline, given.spacing)
    : blockLetters(text, given.stroke, given.spacing).region;
  const lean = Math.tan((given.slant * Math.PI) / 180);
  const slanted: Region = upright.map((ring) => ring.map(([x, y]): Point => [x + y * lean, y]));
  return slanted.length > 0 ? [{ region: withBreaks(slanted, given.breaks), colour: 0 }] : [];
}

/** Breadth and height of a marking as shares of its height: those of its fields. */
export function proportionsOf(marking: DrawableMarking): { width: number; height: number } {
  const { left, right, top, bottom } = extentOf(fieldsOf(marking).flatMap(({ region }) => region));
  return { width: right - left, height: bottom - top };
}

const rememberSeen = remembering<Field[]>(300);

/** What is seen of each field, once what lies over it is taken off. Remembered, like the fields themselves. */
export const seenFields = (marking: DrawableMarking): Field[] =>
  rememberSeen(drawnAs(marking), () => uncovered(marking));

function uncovered(marking: DrawableMarking): Field[] {
  const fields = fieldsOf(marking);
  return fields
    .map(({ region, colour }, i) => {
      const over = fields.slice(i + 1).reduce<Region>((all, next) => union(all, next.region), []);
      return { colour, region: over.length > 0 ? difference(region, over) : region };
    })
    .filter(({ region }) => region.length > 0);
}

/** All that a marking covers, as one region. */
export const silhouetteOf = (marking: DrawableMarking): Region => {
  const fields = fieldsOf(marking);
  return fields.length < 2
    ? (fields[0]?.region ?? [])
    : fields.reduce<Region>((all, { region }) => union(all, region), []);
};
