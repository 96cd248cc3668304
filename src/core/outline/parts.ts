import type { Region } from '@/core/geometry/clip';
import type { Polygon } from '@/core/geometry/polygon';
import type { Chart } from './chart';
import type { Leaf, Sight } from './leaves';
import type { Solid } from './solid';
import type { View, Zone } from './zones';

/** A zone, or the piece of one that lies on a chart. */
export interface ZoneRegion {
  zone: string;
  chart: Chart;
  region: Region;
  glass?: boolean;
}

/** What runs over the skin and stops a marking, or is cut with it. */
export interface SkinLine {
  id: string;
  kind: 'hinge' | 'panel' | 'edge';
  chart: Chart;
  points: Polygon;
}

/** Bodies are drawn at level 30; what is shown from where it comes out of them lies over them. */
export const OVER_BODIES = 31;

/** A part of the airframe as surfaces: what of them is which zone, and what is drawn over which in each view. */
export interface SkinPart {
  regions: ZoneRegion[];
  /** What is fitted to the airframe, with surfaces of its own. */
  solids?: Solid[];
  lines: SkinLine[];
  /** What of it moves when it is opened, and which rooms are seen through it. */
  leaves?: Leaf[];
  sights?: Sight[];
  zones: Zone[];
  /** Parts of a higher level lie over those of a lower; `levels` where a view differs. */
  level: number;
  levels?: Partial<Record<View, number>>;
  /** Shapes that a view shows edge-on; of a `chart` whose face it sees aslant, that too, from where it comes out of the bodies. */
  edgeOn?: { view: View; zone: string; points: Polygon; chart?: Chart }[];
  /** What is too thin for an area: struts, a fin from above, the disc that a propeller sweeps. */
  bars?: { view: View; points: Polygon; fine?: boolean }[];
}
