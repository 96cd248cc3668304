import { difference, intersection, type Region } from '@/core/geometry/clip';
import { extentOf } from '@/core/geometry/polygon';
import { areaOn, withoutSlivers, type Chart } from '@/core/outline/chart';
import type { Outline } from '@/core/outline/outline';
import { FRAMES_SHARE } from '@/core/outline/pods';
import { rememberedOf } from '@/core/units/remembered';
import type { SchemeField } from './field';
import type { LaidField } from './laid';

/** What shows on the finished model: a piece of a zone in one colour. */
export interface Cell {
  chart: Chart;
  zone: string;
  /** Null where nobody has decided. */
  code: string | null;
  region: Region;
  /** The field that it comes from; null for the zone's own colour. */
  field: string | null;
  /** Its share of the region that shows: less than 1 under blotches and of blotches. */
  share: number;
  glass: boolean;
}

export interface PaintedField {
  field: SchemeField;
  laid: LaidField;
}

const apart = (one: Region, other: Region): boolean => {
  const [a, b] = [extentOf(one), extentOf(other)];
  return a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top;
};

/**
 * Cuts every zone into what shows of each colour. `painted` from the first laid to the last: what is later hides what is earlier, and
 * blotches share the area with what they lie on.
 */
export function cellsOf(
  outline: Outline,
  baseOf: (zone: string) => string | null,
  painted: readonly PaintedField[],
): Cell[] {
  const last = cut.get(outline);
  const pieces = last && isSameScheme(last.painted, painted) ? last.pieces : cutBy(outline, painted);
  cut.set(outline, { painted, pieces });
  return pieces.map((piece) => (piece.field === null ? { ...piece, code: baseOf(piece.zone) } : piece));
}

/** The last scheme that an outline was cut by: while colours are ruled it is cut the same. */
const cut = new WeakMap<Outline, { painted: readonly PaintedField[]; pieces: readonly Cell[] }>();

/** What is laid is one of its shape, so that the same is the very same. */
const isSameScheme = (one: readonly PaintedField[], other: readonly PaintedField[]): boolean =>
  one.length === other.length &&
  one.every(({ field, laid }, i) => {
    const { field: own, laid: there } = other[i]!;
    return laid === there && field.id === own.id && field.code === own.code && densityOf(field) === densityOf(own);
  });

const densityOf = ({ shape }: SchemeField): number => (shape.kind === 'mottle' ? shape.density : 1);

/** Zones in pieces, those in their own colour without a code. */
function cutBy(outline: Outline, painted: readonly PaintedField[]): Cell[] {
  return outline.regions.flatMap(({ zone, chart, region, glass }): Cell[] => {
    const cell = { chart, zone, glass: glass ?? false };
    const base: Cell = { ...cell, code: null, region, field: null, share: 1 };
    if (glass) return [base];
    let cells: Cell[] = [base];
    for (const { field, laid } of painted) {
      const area = laid.get(chart.id);
      if (!area || apart(region, area)) continue;
      const over = withoutSlivers(chart, intersection(region, area));
      if (over.length === 0) continue;
      const density = densityOf(field);
      cells = cells.flatMap((under) => {
        if (apart(under.region, over)) return [under];
        const left = withoutSlivers(chart, difference(under.region, over));
        const both = density < 1 ? withoutSlivers(chart, intersection(under.region, over)) : [];
        return [
          ...(left.length > 0 ? [{ ...under, region: left }] : []),
          ...(both.length > 0 ? [{ ...under, region: both, share: under.share * (1 - density) }] : []),
        ];
      });
      cells.push({ ...cell, code: field.code, region: over, field: field.id, share: density });
    }
    return cells;
  });
}

/** Skin of a piece, measured once. */
const skinOf = rememberedOf(areaOn);

export interface ColourArea {
  zone: string;
  code: string | null;
  /** m2 of skin on the real machine. */
  areaM2: number;
}

/** Skin by zone and colour; zones that lie on no surface (gear, bays, rooms) whole in their own colour. They add up to the zones' areas. */
export function areasByColour(
  outline: Outline,
  baseOf: (zone: string) => string | null,
  cells: readonly Cell[],
): ColourArea[] {
  const sums = new Map<string, ColourArea>();
  const add = (zone: string, code: string | null, areaM2: number) => {
    const key = JSON.stringify([zone, code]);
    const known = sums.get(key);
    if (known) known.areaM2 += areaM2;
    else sums.set(key, { zone, code, areaM2 });
  };
  const skin = new Map<string, number>();
  for (const { zone, code, chart, region, share, glass } of cells) {
    const areaM2 = skinOf(chart, region) * share * (glass ? FRAMES_SHARE : 1);
    skin.set(zone, (skin.get(zone) ?? 0) + areaM2);
    add(zone, code, areaM2);
  }
  for (const { key, areaM2 } of outline.zones) {
    const rest = areaM2 - (skin.get(key) ?? 0);
    if (rest > areaM2 * 1e-4) add(key, baseOf(key), rest);
  }
  return [...sums.values()];
}
