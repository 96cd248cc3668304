import { intersection, union, type Region } from '@/core/geometry/clip';
import { rectangle } from '@/core/geometry/polygon';
import { onSkin, schemeOn, type PlaceableMarking } from '@/core/markings/placing';
import { laidOn, withoutSlivers, type Chart } from '@/core/outline/chart';
import { buildOutline, chartsOf, type Outline, type OutlineSpec } from '@/core/outline/outline';
import { cellsOf } from '@/core/scheme/cells';
import type { SchemeField } from '@/core/scheme/field';
import { groupBy } from '@/core/units/grouped';
import { aroundOf } from './around';
import type { Beside } from './beside';
import { edgesOf, endsOf, type StandingCell } from './closed';
import { liftedRegion, solidSkin, type Lifted } from './lift';
import { apart, carried, hangsOn, insidesOf, joined, sightsOf } from './opened';
import { BARE, UNDER_ART, type SkinPiece } from './piece';
import { CLOSED, type Pose } from './pose';
import { oversprayOf, softened } from './soft';

/** A whole machine in space, in pieces that each have one zone and one colour. */

/** What of a machine is not its own shape and paint. */
export interface Standing {
  /** How it stands; closed and on its gear where nobody says. */
  pose?: Pose;
  /** What is modelled beside it. */
  subjects?: readonly Beside[];
  /** Zones of which the borders are soft, where no field makes them. */
  softZones?: readonly string[];
}

export interface MachineToSkin extends Standing {
  spec: OutlineSpec;
  denominator: number;
  fields: readonly SchemeField[];
  markings: readonly PlaceableMarking[];
}

/** How far triangles may lie off the skin, mm on the model: under what an eye sees. */
const TOLERANCE_MODEL_MM = 0.08;
/** Paint over paint is drawn so far over it, mm on the model: more than two sets of triangles may differ, less than an eye sees. */
const OVER_MODEL_MM = 2 * TOLERANCE_MODEL_MM;
/** Markings that lie over one another are told apart by so much of that each. */
const EACH = 0.2;

export function skinOf(machine: MachineToSkin): SkinPiece[] {
  const { spec, denominator, fields, markings, pose = CLOSED, subjects = [], softZones = [] } = machine;
  const outline = buildOutline(spec);
  const { opened } = pose;
  const tolerance = (TOLERANCE_MODEL_MM * denominator) / 1000;
  const over = (OVER_MODEL_MM * denominator) / 1000;
  const charts = new Map(chartsOf(outline).map((chart) => [chart.id, chart]));
  const leaves = outline.leaves.filter(({ opens }) => opened.includes(opens));
  /** A region on the skin, so far over it; what lies on a leaf that is open goes with it. */
  const laid = (chart: Chart, region: Region, above: number): Lifted =>
    joined(
      apart(chart, region, leaves).map((part) =>
        carried(liftedRegion(chart, part.region, tolerance, above), part.motion),
      ),
    );
  const { painted, strips } = softened(schemeOn(outline, fields, markings), charts);
  const cells = cellsOf(outline, () => null, painted).flatMap((cell) =>
    apart(cell.chart, cell.region, leaves).map((part): StandingCell => ({ ...cell, ...part })),
  );
  const skin = cells.map(({ zone, chart, region, code, share, glass, field, motion }): SkinPiece => ({
    ...BARE,
    zone,
    code,
    glass,
    // What blotches lie on is there whole, and they over it.
    share: field === null ? 1 : share,
    ...carried(liftedRegion(chart, region, tolerance, share < 1 && field !== null ? over : 0), motion),
  }));
  const soft = strips.flatMap(({ chart, code, region, share }, i) =>
    outline.regions.flatMap((part): SkinPiece[] => {
      if (part.chart !== chart || part.glass) return [];
      const here = withoutSlivers(chart, intersection(region, part.region));
      if (here.length === 0) return [];
      const above = over * UNDER_ART * (0.2 + (0.8 * (i + 1)) / strips.length);
      return [{ ...BARE, zone: part.zone, code, share, ...laid(chart, here, above) }];
    }),
  );
  const art = markings.flatMap((marking, rank) =>
    marking.places.flatMap((_, place): SkinPiece[] => {
      const on = onSkin(outline, marking, place);
      return (on?.fields ?? []).map(({ region, code }, i) => ({
        ...BARE,
        zone: marking.zone,
        code,
        marking: marking.id,
        ...laid(on!.chart, region, over * (1 + i + EACH * (rank % 10))),
      }));
    }),
  );
  const fitted = outline.solids.map((solid): SkinPiece => ({
    ...BARE,
    zone: solid.zone,
    ...carried(solidSkin(solid, tolerance), hangsOn(solid, leaves)),
  }));
  const own = [
    ...skin,
    ...soft,
    ...oversprayOf(cells, new Set(softZones), denominator).flatMap(({ chart, region, motion, zone, share, rank }) => ({
      ...BARE,
      zone,
      share,
      ...carried(liftedRegion(chart, region, tolerance, over * UNDER_ART * rank), motion),
    })),
    ...endsOf(outline),
    ...edgesOf(cells),
    ...baysOf(outline, tolerance, over),
    ...sightsOf(outline, opened, tolerance, over),
    ...insidesOf(leaves, tolerance, over),
    ...art,
    ...fitted,
  ];
  const drawnUp = new Set(
    pose.isGearUp
      ? outline.zones.filter(({ group }) => group === 'gear' || group === 'bays').map(({ key }) => key)
      : [],
  );
  const standing = own.filter(({ zone, index }) => index.length > 0 && !drawnUp.has(zone));
  return [...standing, ...aroundOf(standing, outline, pose, subjects, tolerance)];
}

/** Bays are openings of the underside that have no skin of their own: they lie where the view from below draws them. */
function baysOf({ drawings, regions, zones }: Outline, tolerance: number, over: number): SkinPiece[] {
  const bays = new Set(zones.filter(({ group }) => group === 'bays').map(({ key }) => key));
  const skins = groupBy(
    regions.filter(({ chart, glass }) => chart.seen.lower && !glass),
    ({ chart }) => chart,
  );
  return drawings.lower.shapes.flatMap(({ zone, points, chart: of }): SkinPiece[] => {
    if (of !== undefined || !bays.has(zone)) return [];
    return [...skins].flatMap(([chart, skin]): SkinPiece[] => {
      const drawn = laidOn(chart, [points], 'lower');
      const opened = chart.on.kind === 'body' ? intersection(drawn, [BELLY]) : drawn;
      const region = withoutSlivers(
        chart,
        intersection(
          opened,
          union(
            skin.flatMap((part) => part.region),
            [],
          ),
        ),
      );
      if (region.length === 0) return [];
      return [
        {
          ...BARE,
          zone,
          ...liftedRegion(chart, region, tolerance, over * UNDER_ART),
        },
      ];
    });
  });
}
/** Where the skin of a body faces down: further up its sides no bay is open. */
const BELLY = rectangle(-100, 130, 500, 230);
