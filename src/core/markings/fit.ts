import { intersection, regionArea, type Region } from '@/core/geometry/clip';
import { betweenBorders, lengthWithin, overhang } from '@/core/geometry/distance';
import { narrowest } from '@/core/geometry/narrowest';
import { extentOf, type Point, type Polygon } from '@/core/geometry/polygon';
import { listed } from '@/core/units/words';
import { remembering } from '@/core/units/remembered';
import { checkSize } from './size';

export const LINE_KINDS = ['hinge', 'edge', 'panel'] as const;
export type LineKind = (typeof LINE_KINDS)[number];

/** What a marking has to fit: lengths in mm on the real machine, y up or to starboard. */
export interface FitInput {
  denominator: number;
  /** About its own origin: all its pieces. */
  shape: Region;
  /** Height of the decal in hand, mm on the sheet; null without one. */
  printedModelMm: number | null;
  at: Point;
  /** Counter-clockwise, degrees. */
  turnDeg: number;
  /** The painted field or the zone that it has to lie in, in place. */
  field: Polygon;
  lines: readonly { id: string; kind: LineKind; points: Polygon }[];
  others: readonly { id: string; shape: Region }[];
  /** From how far it is looked at, mm. */
  eyeMm: number;
}

/** How a marking lies on its field, among lines and neighbours; mm on the real machine. */
export interface Lie {
  inside: boolean;
  overhangMm: number;
  /** Minus the overhang where it is not inside. */
  clearanceMm: number;
  crosses: string[];
  overlaps: { id: string; areaMm2: number }[];
}

export interface Fit extends Lie {
  trueMm: [width: number, height: number];
  modelMm: [width: number, height: number];
  errorPercent: number | null;
  equalsRealMm: number | null;
  leastDetailModelMm: number;
  visible: boolean;
  says: string[];
}

/** What an eye resolves: one minute of arc (Snellen 1862), as a length at a distance, both in mm. */
export const eyeLimit = (eyeMm: number): number => eyeMm * Math.tan(Math.PI / 180 / 60);

/** The usual distance between a model on a table and the eye that looks closely. */
export const EYE_MM = 300;

/** Turned counter-clockwise about its origin, then moved. */
export function placed(shape: Polygon, [x, y]: Point, turnDeg: number): Point[] {
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  return shape.map(([u, v]): Point => [x + u * cos - v * sin, y + u * sin + v * cos]);
}

/** A marking in its place against its field, lines and neighbours. Rings are simple polygons with an area: `faultOf` has passed them. `share` is how near its overhang is found. */
export function lie(
  marking: Region,
  { field, lines, others }: Pick<FitInput, 'field' | 'lines' | 'others'>,
  share?: number,
): Lie {
  const { left, right, top, bottom } = extentOf(marking);
  const [width, height] = [right - left, bottom - top];
  // A point of the marking that lies on the field's border, but for the rounding of its turn, lies inside.
  const out = Math.max(...marking.map((ring) => overhang(ring, field, share)));
  const overhangMm = out <= Math.max(width, height) * ON_BORDER ? 0 : out;
  const inside = overhangMm === 0;
  const crosses = lines.filter(({ points }) => marking.some((ring) => lengthWithin(points, ring) > 0));
  const overlaps = others.flatMap(({ id, shape: other }) => {
    const areaMm2 = regionArea(intersection(marking, other));
    return areaMm2 > width * height * 1e-9 ? [{ id, areaMm2 }] : [];
  });
  const clearanceMm = inside ? Math.min(...marking.map((ring) => betweenBorders(ring, field))) : -overhangMm;
  return { inside, overhangMm, clearanceMm, crosses: crosses.map(({ id }) => id), overlaps };
}

/** What lines a marking crosses and what it lies over, in sentences. */
export const metInWords = ({ crosses, overlaps }: Lie, lines: FitInput['lines']): string[] => [
  ...LINE_KINDS.flatMap((kind) => {
    const crossed = lines.flatMap((line) => (line.kind === kind && crosses.includes(line.id) ? [line.id] : []));
    return crossed.length > 0 ? [`${CROSSED[kind]}: ${listed(crossed)}`] : [];
  }),
  ...(overlaps.length > 0 ? [`lies over ${listed(overlaps.map(({ id }) => id))}`] : []),
];

/** A marking against all that it lies on. */
export function fit({ denominator, shape, printedModelMm, at, turnDeg, field, lines, others, eyeMm }: FitInput): Fit {
  const { left, right, top, bottom } = extentOf(shape);
  const [width, height] = [right - left, bottom - top];
  const size = checkSize(height, denominator, printedModelMm);
  const lies = lie(
    shape.map((ring) => placed(ring, at, turnDeg)),
    { field, lines, others },
  );
  const { inside, overhangMm, clearanceMm } = lies;
  const leastDetailModelMm = leastDetail(shape) / denominator;
  const visible = leastDetailModelMm >= eyeLimit(eyeMm);
  const says = [
    ...(size.errorPercent === null ? [] : [`printed ${size.says}`]),
    inside
      ? `lies inside its field, ${mm(clearanceMm / denominator)} clear on the model`
      : `runs ${mm(overhangMm / denominator)} over its field on the model (${Math.round(overhangMm)} mm in reality)`,
    ...metInWords(lies, lines),
    ...(visible
      ? []
      : [`its least detail, ${mm(leastDetailModelMm)}, is below what an eye sees from ${Math.round(eyeMm)} mm`]),
  ];
  return {
    trueMm: [width, height],
    modelMm: [width / denominator, height / denominator],
    errorPercent: size.errorPercent,
    equalsRealMm: size.equalsRealMm,
    ...lies,
    leastDetailModelMm,
    visible,
    says,
  };
}

/** Rounding that a turn leaves, as a share of the size. */
const ON_BORDER = 1e-9;

const CROSSED: Record<LineKind, string> = {
  hinge: 'crosses a hinge, to be cut there',
  edge: 'reaches an edge, to be wrapped round it',
  panel: 'crosses panel lines',
};

const mm = (value: number): string => `${value.toFixed(value < 1 ? 2 : 1)} mm`;

const remember = remembering<number>(200);

/** The narrowest stroke of a shape; that of a shape seen lately is remembered, since it is asked for at every move of it. */
export const leastDetail = (shape: Region): number => remember(JSON.stringify(shape), () => narrowest(shape));
