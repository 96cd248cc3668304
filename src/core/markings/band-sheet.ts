import { intersection, type Region } from '@/core/geometry/clip';
import { extentOf, rectangle } from '@/core/geometry/polygon';
import { lengthOn, type Chart } from '@/core/outline/chart';
import { chordAt, spanwise } from '@/core/outline/lifting';
import type { Outline } from '@/core/outline/outline';
import { rememberedOf } from '@/core/units/remembered';
import { flatPiece, patches, pieceOf, ROW_MM, type ColourFacts, type CutPiece, type CutSheet } from './cut-sheet';
import { onSkin, type PlaceableMarking } from './placing';

/** Bands that go round what they lie on, and stripes along it, as strips to cut. */

/** Equal strips: one more for every so many. */
const SPARE_FOR = 4;
const sparesOf = (count: number): number => Math.ceil(count / SPARE_FOR);
/** Ends of a strip lie so far over one another, mm on the model. */
const OVERLAP_MM = 4;

/** A band as it goes round what it lies on. */
export interface Ring {
  /** Metres of the real machine. */
  length: number;
  /** Which of the marking's colours it has. */
  colour: number;
}

/** The bands of a marking at all of its places, each once: what is placed in several views at one station is one. Remembered for an outline. */
export const ringsOf = rememberedOf((outline: Outline, marking: PlaceableMarking): Ring[] => {
  const rings = new Map<string, Ring>();
  marking.places.forEach((_, place) => {
    const skin = onSkin(outline, marking, place);
    if (!skin) return;
    const { chart } = skin;
    skin.fields.forEach(({ region }, i) => {
      const [[x0], [x1]] = [region[0]![0]!, region[0]![1]!] as unknown as [[number], [number]];
      const middle = (x0 + x1) / 2;
      const name = `${chart.id} ${middle.toFixed(3)}`;
      if (rings.has(name)) return;
      const length =
        chart.on.kind === 'lifting'
          ? chordAt(chart.on.of, middle / chart.on.of.semispan).chord
          : lengthOn(chart, [
              [middle, 0],
              [middle, 360],
            ]);
      rings.set(name, { length, colour: i % Math.max(1, marking.codes.length) });
    });
  });
  return [...rings.values()];
});

/** Equal strips for the bands of a marking, at all of its places: each as long as it goes round, and spares of the longest, one for every four. */
export function bandSheet(
  outline: Outline,
  marking: PlaceableMarking & { title: string },
  denominator: number,
): CutSheet | null {
  const broad = marking.heightMm / denominator;
  const lengths = ringsOf(outline, marking).map(({ length }) => (length * 1000) / denominator + OVERLAP_MM);
  if (lengths.length === 0) return null;
  const spares = sparesOf(lengths.length);
  const strip = (label: string, long: number) => {
    const ring = rectangle(0, 0, long, broad);
    return pieceOf(label, [ring], [ring], false);
  };
  const longest = Math.max(...lengths);
  const [from, to] = [Math.min(...lengths).toFixed(1), longest.toFixed(1)];
  return {
    title: `${marking.title}: strips`,
    pieces: [
      ...lengths.map((long, i) => strip(`strip ${i + 1}`, long)),
      ...Array.from({ length: spares }, (_, i) => strip(`spare ${i + 1}`, longest)),
    ],
    notes: [
      `${lengths.length} of ${broad.toFixed(2)} mm, ${from === to ? to : `${from} to ${to}`} mm long (${OVERLAP_MM} mm to overlap), and ${spares} to spare.`,
    ],
  };
}

/** Longer than this, mm, a strip is cut in lengths. */
const LONGEST_MM = ROW_MM - 10;

/** A region of a surface in equal lengths along its longer way, which lie a little over one another; whole where it is short enough. */
function inLengths(chart: Chart, region: Region, denominator: number): Region[] {
  const onBody = chart.on.kind === 'body';
  const mm = 1000 / denominator;
  const { left, right, top, bottom } = extentOf(region);
  // Of a body the first of its coordinates is the station; of a wing the way out, and the station the other.
  const out = chart.on.kind === 'lifting' ? (right - left) * spanwise(chart.on.of) : 0;
  const isAcross = !onBody && bottom - top > out;
  const [from, to] = isAcross ? [top, bottom] : [left, right];
  const count = Math.ceil(((onBody || isAcross ? to - from : out) * mm) / LONGEST_MM);
  if (count < 2) return [region];
  const [step, over] = [(to - from) / count, OVERLAP_MM / mm];
  return Array.from({ length: count }, (_, i) => {
    const [a, b] = [from + i * step - (i > 0 ? over : 0), from + (i + 1) * step];
    const part = isAcross ? rectangle(left - 1, a, right + 1, b) : rectangle(a, top - 1, b, bottom + 1);
    return intersection(region, [part]);
  });
}

/** The stripes of a marking that run along a surface, each at every place, laid flat as the skin runs there; null while none lies on one. */
export function stripeSheet(
  outline: Outline,
  marking: PlaceableMarking & { title: string },
  denominator: number,
  { nameOf }: Pick<ColourFacts, 'nameOf'>,
): CutSheet | null {
  const notes: string[] = [];
  let number = 0;
  const strips = marking.places.flatMap(({ view }, place) => {
    const skin = onSkin(outline, marking, place);
    return (skin?.fields ?? []).map(({ region, code }, i) => {
      number += 1;
      const called = `${number}. ${code} ${nameOf(code)}`.trim();
      const lengths = inLengths(skin!.chart, region, denominator).map((part) => patches(skin!.chart, part));
      return lengths.flatMap((flat, k) =>
        flat.map(({ ring, put, errorPercent }): CutPiece => {
          const label = [
            `${called}, ${view}`,
            ...(marking.design.count > 1 ? [`stripe ${i + 1}`] : []),
            ...(lengths.length > 1 ? [`length ${k + 1} of ${lengths.length}`] : []),
          ].join(', ');
          if (errorPercent > 2)
            notes.push(
              `${label}: the skin is curved both ways (${errorPercent.toFixed(1)} %), slit it where it creases.`,
            );
          return flatPiece(label, skin!.chart, ring, put, denominator);
        }),
      );
    });
  });
  const [first] = strips;
  if (!first) return null;
  const high = (marking.heightMm / denominator).toFixed(2);
  const isCut = strips.some((pieces) => pieces.length > 1);
  // Of what is long and shaped nobody cuts another on the off chance.
  const isEven = marking.design.profile.length === 0 && !isCut;
  const spares = isEven ? sparesOf(strips.length) : 0;
  return {
    title: `${marking.title}: strips`,
    pieces: [
      ...strips.flat(),
      ...Array.from({ length: spares }, (_, i): CutPiece => ({ ...first[0]!, label: `spare ${i + 1}` })),
    ],
    notes: [
      `${strips.length} of ${high} mm${spares > 0 ? `, and ${spares} to spare` : ''}${isCut ? `; lengths lie ${OVERLAP_MM} mm over one another` : ''}. Each runs as the skin does where it lies.`,
      ...notes,
    ],
  };
}
