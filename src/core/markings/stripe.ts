import type { BandEdge, Design } from './design';
import type { MarkingPlace } from './place';

/** A band along a body or a surface, as it is measured: from station to station, with its edges in mm. */

interface Along {
  heightMm: number;
  design: Design;
  places: readonly MarkingPlace[];
}

interface Laid {
  design: Design;
  places: MarkingPlace[];
}

const rounded = (value: number, digits: number) => Number(value.toFixed(digits));

/** Its two ends at its first place, m aft of the nose. */
export function endsOf({ heightMm, design, places }: Along): { from: number; to: number } {
  const half = (design.aspect * heightMm) / 2000;
  const middle = places[0]?.station ?? half;
  return { from: rounded(middle - half, 3), to: rounded(middle + half, 3) };
}

/** The same from one station to another, m, at its first place; the others stay as far fore or aft of that as they are. */
export function laidAlong({ heightMm, design, places }: Along, from: number, to: number): Laid {
  const [fore, aft] = [Math.min(from, to), Math.max(from, to)];
  const middle = (fore + aft) / 2;
  const moved = middle - (places[0]?.station ?? middle);
  return {
    design: { ...design, aspect: rounded(((aft - fore) * 1000) / heightMm, 4) },
    places: places.map((place) => ({ ...place, station: rounded(place.station + moved, 4) })),
  };
}

/** A place where the edges of a band were measured: m aft of the nose, mm below and above its line. */
export interface MeasuredEdge {
  station: number;
  lowMm: number;
  highMm: number;
}

/** Its edges as they are measured; those of an even band at its two ends. */
export function measuredEdges(band: Along): MeasuredEdge[] {
  const { from, to } = endsOf(band);
  const even = [0, 1].map((at): BandEdge => ({ at, low: -0.5, high: 0.5 }));
  return (band.design.profile.length > 1 ? band.design.profile : even).map(({ at, low, high }) => ({
    station: rounded(from + at * (to - from), 3),
    lowMm: rounded(low * band.heightMm, 1),
    highMm: rounded(high * band.heightMm, 1),
  }));
}

/** A band with edges as they were measured: it reaches from the first of them to the last. */
export function withEdges(band: Along, edges: readonly MeasuredEdge[]): Laid {
  const aftwards = [...edges].sort((a, b) => a.station - b.station);
  const [from, to] = [aftwards[0]!.station, aftwards.at(-1)!.station];
  const laid = laidAlong(band, from, to);
  const profile = aftwards.map(({ station, lowMm, highMm }) => ({
    at: to > from ? rounded((station - from) / (to - from), 5) : 0,
    low: rounded(lowMm / band.heightMm, 5),
    high: rounded(highMm / band.heightMm, 5),
  }));
  return { ...laid, design: { ...laid.design, profile } };
}
