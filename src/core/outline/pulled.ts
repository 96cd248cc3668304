import type { OutlineSpec } from './outline';
import { dimensionsSchema } from './dimension-fields';
import type { ProfilePoint } from './preset';
import { PRESETS } from './presets';
import { profileOf } from './profile';
import { profileSchema } from './profile-fields';
import { ZONE_EDGES } from './zone-edges';
import { zoneEdgesSchema } from './zone-edge-fields';
import type { View } from './zones';

/** The shape of a machine as it is pulled to a drawing: handles on its stations, its wing plan and the edges of its zones. */

export interface OutlineHandle {
  id: string;
  /** "Top at station 2.55 m" */
  title: string;
  view: View;
  /** Station, and offset up or to starboard, m. */
  x: number;
  y: number;
}

export type Pulled = Required<Pick<OutlineSpec, 'dimensions' | 'profile' | 'edges'>>;

const shapeOf = (spec: OutlineSpec): Pulled => ({
  dimensions: spec.dimensions,
  profile: spec.profile ?? null,
  edges: spec.edges ?? null,
});

const pointsOf = (spec: OutlineSpec): readonly ProfilePoint[] => spec.profile ?? PRESETS[spec.preset].profile;

/** Every place at which the outline can be taken hold of. */
export function outlineHandles(spec: OutlineSpec): OutlineHandle[] {
  const d = spec.dimensions;
  const points = pointsOf(spec);
  const profile = profileOf(points, d);
  const edges = spec.edges ?? ZONE_EDGES;
  const rest = d.length - d.cowlLength;
  const station = (x: number) => `station ${x.toFixed(2)} m`;
  const body = points.flatMap(([t, top, bottom, width], i): OutlineHandle[] => {
    const x = t * d.length;
    return [
      { id: `top ${i}`, title: `Top at ${station(x)}`, view: 'port', x, y: top * d.fuselageHeight },
      { id: `bottom ${i}`, title: `Bottom at ${station(x)}`, view: 'port', x, y: bottom * d.fuselageHeight },
      { id: `width ${i}`, title: `Half width at ${station(x)}`, view: 'upper', x, y: (width * d.fuselageWidth) / 2 },
    ];
  });
  const middle = (x: number, share: number) => profile.bottom(x) + share * (profile.top(x) - profile.bottom(x));
  const half = d.span / 2;
  const wing: OutlineHandle[] =
    d.span > 0 && d.rootChord > 0
      ? [
          { id: 'root leading', title: 'Wing root, leading edge', view: 'upper', x: d.wingStation, y: 0 },
          {
            id: 'root trailing',
            title: 'Wing root, trailing edge',
            view: 'upper',
            x: d.wingStation + d.rootChord,
            y: 0,
          },
          {
            id: 'tip leading',
            title: 'Wing tip, leading edge',
            view: 'upper',
            x: d.wingStation + d.wingSweep,
            y: half,
          },
          {
            id: 'tip trailing',
            title: 'Wing tip, trailing edge',
            view: 'upper',
            x: d.wingStation + d.wingSweep + d.tipChord,
            y: half,
          },
          {
            id: 'outer',
            title: 'Where the outer wing begins',
            view: 'upper',
            x: d.wingStation + d.wingSweep * edges.outer + 0.3 * d.rootChord,
            y: edges.outer * half,
          },
        ]
      : [];
  const at = (share: number) => d.cowlLength + rest * share;
  return [
    ...body,
    ...wing,
    {
      id: 'underside',
      title: 'How far up the underside reaches',
      view: 'port',
      x: d.length / 2,
      y: middle(d.length / 2, edges.underside),
    },
    {
      id: 'forward',
      title: 'Where the forward fuselage ends',
      view: 'port',
      x: at(edges.forward),
      y: middle(at(edges.forward), 0.5),
    },
    {
      id: 'rear',
      title: 'Where the rear fuselage begins',
      view: 'port',
      x: at(edges.rear),
      y: middle(at(edges.rear), 0.5),
    },
  ];
}

const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));
const fine = (value: number) => Math.round(value * 1e4) / 1e4;

/** The shape with one handle pulled to a place; null where no aircraft can have it so. */
export function pulled(spec: OutlineSpec, id: string, [x, y]: readonly [number, number]): Pulled | null {
  const shape = shapeOf(spec);
  const d = spec.dimensions;
  const edges = spec.edges ?? ZONE_EDGES;
  const [what, number] = id.split(' ') as [string, string | undefined];
  const profile = profileOf(pointsOf(spec), d);
  const alongRest = fine((x - d.cowlLength) / (d.length - d.cowlLength));
  const made: Pulled | null =
    what === 'top' || what === 'bottom' || what === 'width'
      ? { ...shape, profile: stationPulled(spec, what, Number(number), y) }
      : what === 'underside'
        ? {
            ...shape,
            edges: {
              ...edges,
              underside: fine(
                clamp(
                  (y - profile.bottom(d.length / 2)) / (profile.top(d.length / 2) - profile.bottom(d.length / 2)),
                  0.05,
                  0.7,
                ),
              ),
            },
          }
        : what === 'forward'
          ? { ...shape, edges: { ...edges, forward: clamp(alongRest, 0.05, edges.rear - 0.05) } }
          : what === 'rear'
            ? { ...shape, edges: { ...edges, rear: clamp(alongRest, edges.forward + 0.05, 0.95) } }
            : what === 'outer'
              ? { ...shape, edges: { ...edges, outer: fine(clamp(y / (d.span / 2), 0.15, 0.9)) } }
              : { ...shape, dimensions: { ...d, ...wingPulled(spec, id, x, y) } };
  const isSound =
    dimensionsSchema.safeParse(made.dimensions).success &&
    (made.profile === null || profileSchema.safeParse(made.profile).success) &&
    (made.edges === null || zoneEdgesSchema.safeParse(made.edges).success);
  return isSound ? made : null;
}

function stationPulled(spec: OutlineSpec, what: 'top' | 'bottom' | 'width', i: number, y: number): ProfilePoint[] {
  const { fuselageHeight, fuselageWidth } = spec.dimensions;
  return pointsOf(spec).map((point, k): ProfilePoint => {
    if (k !== i) return point;
    const [t, top, bottom, width] = point;
    if (what === 'top') return [t, fine(y / fuselageHeight), bottom, width];
    if (what === 'bottom') return [t, top, fine(y / fuselageHeight), width];
    return [t, top, bottom, fine(Math.max(0.001, (2 * Math.abs(y)) / fuselageWidth))];
  });
}

function wingPulled({ dimensions: d }: OutlineSpec, id: string, x: number, y: number) {
  const tip = d.wingStation + d.wingSweep;
  const span = fine(2 * Math.abs(y));
  switch (id) {
    // The tip stays where it is while the root is pulled.
    case 'root leading':
      return { wingStation: fine(x), rootChord: fine(d.rootChord + d.wingStation - x), wingSweep: fine(tip - x) };
    case 'root trailing':
      return { rootChord: fine(x - d.wingStation) };
    case 'tip leading':
      return { wingSweep: fine(x - d.wingStation), tipChord: fine(d.tipChord + tip - x), span };
    default:
      return { tipChord: fine(x - tip), span };
  }
}
