import { SUBJECTS, subjectZone, type SubjectKind, type SubjectSize } from '@/core/kit/subjects';
import type { Xyz } from '@/core/outline/body';
import { intersection, type Region } from '@/core/geometry/clip';
import { rectangle, steps } from '@/core/geometry/polygon';
import type { Chart } from '@/core/outline/chart';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { slid } from '@/core/outline/leaves';
import { solidBetween, wheel, type Solid } from '@/core/outline/solid';
import { liftedRegion, solidSkin, type Lifted } from './lift';
import { carried, joined } from './opened';

/** What is modelled beside the machine, drawn as plainly as its sizes allow: as many as there are, on its deck or before it. */

/** A subject as it is drawn. */
export interface Beside extends SubjectSize {
  name: string;
  kind: SubjectKind;
  count: number;
}

/** Where things may stand, m: from the first place on, row by row against the way of x. */
export interface Ground {
  from: number;
  to: number;
  left: number;
  right: number;
  z: number;
}

interface Size {
  length: number;
  breadth: number;
  height: number;
}

/** Sizes where nobody measured them, m; what carries the machine is as large as that asks for. */
const USUAL: Readonly<Record<Exclude<SubjectKind, 'vessel' | 'base'>, Size>> = {
  figure: { length: 0.35, breadth: 0.55, height: 1.75 },
  vehicle: { length: 4.5, breadth: 1.8, height: 1.8 },
  aircraft: { length: 9, breadth: 11, height: 3 },
};
/** What carries the machine reaches beyond it by this share of its size, and is as thick as this share of its length. */
const CARRIER = { reach: 1.15, thick: { vessel: 0.08, base: 0.025 } } as const;
/** Room that each takes, as a multiple of its size. */
const ROOM = 1.25;
const BOXY = 10;
/** What stands beside is drawn more coarsely, as a share of its length. */
const COARSE = 1 / 80;

/** A piece of a subject, by its zone. */
export interface BesidePiece extends Lifted {
  zone: string;
  glass: boolean;
}

export function besideOf(subjects: readonly Beside[], ground: Ground, machine: { from: Xyz; to: Xyz }): BesidePiece[] {
  let at = ground.from;
  const rowOf = (subject: Beside, size: Size): Xyz[] => {
    const { places, next } = placesFor(subject.count, size, { ...ground, from: at });
    at = next;
    return places;
  };
  const standing = subjects.map((subject) => {
    const { kind } = subject;
    if (kind === 'vessel' || kind === 'base') return null;
    const size = sizeOf(subject, USUAL[kind]);
    return copies(shapeOf(kind, size), rowOf(subject, size));
  });
  // What carries the machine carries what stands before it.
  const [x, y, lowest] = machine.from;
  const carried = { from: [Math.min(at, x), y, lowest] as Xyz, to: machine.to };
  // What stands on a deck is carried by the ship.
  const top = Math.min(ground.z, lowest);
  return subjects.flatMap((subject, i): BesidePiece[] => {
    const { kind, name } = subject;
    const one = standing[i] ?? carrierOf(subject, kind === 'base' ? 'base' : 'vessel', carried, top);
    return SUBJECTS[kind].zones.flatMap(({ key }) =>
      [false, true].flatMap((glass): BesidePiece[] => {
        const own = one.filter((part) => part.zone === key && part.glass === glass && part.index.length > 0);
        return own.length > 0 ? [{ zone: subjectZone(name, key), glass, ...joined(own) }] : [];
      }),
    );
  });
}

const sizeOf = ({ lengthM = 0, breadthM = 0, heightM = 0 }: SubjectSize, usual: Size): Size => ({
  length: lengthM || usual.length,
  breadth: breadthM || usual.breadth,
  height: heightM || usual.height,
});

/** Side by side across the ground, row after row; where the rows are too many for it, they stand closer. */
export function placesFor(
  count: number,
  { length, breadth }: Pick<Size, 'length' | 'breadth'>,
  { from, to, left, right, z }: Ground,
): { places: Xyz[]; next: number } {
  const across = Math.max(1, Math.min(count, Math.floor((right - left) / (breadth * ROOM))));
  const rows = Math.ceil(count / across);
  const pitch = Math.min(length * ROOM, Math.abs(from - to) / rows);
  const places = Array.from({ length: count }, (_, i): Xyz => {
    const row = Math.floor(i / across);
    const inRow = Math.min(across, count - row * across);
    const y = (left + right) / 2 + ((i % across) - (inRow - 1) / 2) * breadth * ROOM;
    return [from - row * pitch - length, y, z];
  });
  return { places, next: from - rows * pitch };
}

const copies = (shape: readonly BesidePiece[], places: readonly Xyz[]): BesidePiece[] =>
  places.flatMap((place) => shape.map((piece) => ({ ...piece, ...carried(piece, slid(place)) })));

/** One of a kind, its first end at 0, on the centre line, standing on 0. */
function shapeOf(kind: keyof typeof USUAL, size: Size): BesidePiece[] {
  if (kind === 'aircraft') return parkedAircraft(size);
  return kind === 'figure' ? figure(size) : vehicle(size);
}

const placed = (zone: string) => ({ zone, views: [] });

/** What of a solid lies between two girth angles, in so many flat pieces round it as tell its shape. */
const skinOfSolid = (solid: Solid, from = 0, to = 360): BesidePiece => ({
  zone: solid.zone,
  glass: false,
  ...solidSkin(solid, null, steps(from, to, Math.round((to - from) / FACET))),
});
/** Degrees: corners of a box lie at a whole number of them. */
const FACET = 22.5;

/** A box that lies along x. */
const box = (zone: string, from: number, to: number, breadth: number, bottom: number, top: number, y = 0): Solid =>
  solidBetween(
    placed(zone),
    [from, y, (bottom + top) / 2],
    [to, y, (bottom + top) / 2],
    [
      { t: 0, width: breadth, height: top - bottom, n: BOXY },
      { t: 1, width: breadth, height: top - bottom, n: BOXY },
    ],
  );

function figure({ length, breadth, height }: Size): BesidePiece[] {
  const upright = (zone: string, from: number, to: number, sections: readonly { t: number; share: number }[]) =>
    solidBetween(
      placed(zone),
      [length / 2, 0, from * height],
      [length / 2, 0, to * height],
      sections.map(({ t, share }) => ({ t, width: share * breadth, height: share * length })),
    );
  return [
    upright('clothes', 0, 0.86, [
      { t: 0, share: 0.6 },
      { t: 0.5, share: 0.72 },
      { t: 0.65, share: 0.7 },
      { t: 0.9, share: 1 },
      { t: 1, share: 0.3 },
    ]),
    upright('equipment', 0.86, 1, [
      { t: 0, share: 0.26 },
      { t: 0.5, share: 0.42 },
      { t: 1, share: 0.2 },
    ]),
  ].map((solid) => skinOfSolid(solid));
}

function vehicle({ length, breadth, height }: Size): BesidePiece[] {
  const tyre = 0.4 * height;
  const wheels = [0.18, 0.8].flatMap((share) =>
    [-1, 1].map((side) =>
      wheel(placed('running-gear'), [share * length, (side * (breadth - 0.3 * tyre)) / 2, tyre / 2], tyre),
    ),
  );
  return [
    box('body', 0, length, breadth, 0.22 * height, 0.6 * height),
    box('body', 0.25 * length, 0.62 * length, breadth * 0.94, 0.58 * height, height),
    ...wheels,
  ].map((solid) => skinOfSolid(solid));
}

/** A machine of the plainest layout, as long, broad and high as it is. */
function parkedAircraft({ length, breadth, height }: Size): BesidePiece[] {
  const { dimensions, landing } = PRESETS.single;
  const { regions, solids } = buildOutline({ preset: 'single', dimensions, landing, folded: false });
  const tall = dimensions.gearHeight + dimensions.fuselageHeight + dimensions.finHeight;
  const scale: Xyz = [length / dimensions.length, breadth / dimensions.span, height / tall];
  const raised: Xyz = [0, 0, dimensions.gearHeight];
  const scaled = (piece: BesidePiece): BesidePiece => ({
    ...piece,
    positions: piece.positions.map((value, i) => (value + raised[i % 3]!) * scale[i % 3]!),
  });
  const lift = (chart: Chart, region: Region, zone: string, glass: boolean): BesidePiece =>
    scaled({ zone, glass, ...liftedRegion(chart, region, dimensions.length * COARSE) });
  const skin = regions.flatMap(({ chart, region, glass = false }): BesidePiece[] => {
    const { on } = chart;
    if (on.kind === 'lifting') return [lift(chart, region, on.of.upright || on.face === 1 ? 'upper' : 'under', glass)];
    const far = 2 * dimensions.length;
    const halves: [string, Region][] = [
      ['upper', [rectangle(-far, -1, far, 110), rectangle(-far, 250, far, 361)]],
      ['under', [rectangle(-far, 110, far, 250)]],
    ];
    return halves.map(([zone, half]) => lift(chart, intersection(region, half), zone, glass));
  });
  return [...skin, ...solids.map((solid) => scaled({ ...skinOfSolid(solid), zone: 'under' }))];
}

/** What carries the machine: a deck or a board under it. */
function carrierOf(
  size: SubjectSize,
  kind: 'vessel' | 'base',
  { from, to }: { from: Xyz; to: Xyz },
  top: number,
): BesidePiece[] {
  const [length, breadth] = [to[0] - from[0], to[1] - from[1]];
  const own = sizeOf(size, {
    length: CARRIER.reach * length,
    breadth: CARRIER.reach * breadth,
    height: CARRIER.thick[kind] * length,
  });
  const middle = (from[0] + to[0]) / 2;
  const slab = (zone: string) =>
    box(
      zone,
      middle - own.length / 2,
      middle + own.length / 2,
      own.breadth,
      top - own.height,
      top,
      (from[1] + to[1]) / 2,
    );
  return kind === 'base'
    ? [skinOfSolid(slab('ground'))]
    : [skinOfSolid(slab('deck'), -45, 45), skinOfSolid(slab('sides'), 45, 315)];
}
