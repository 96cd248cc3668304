import { remembering } from '@/core/units/remembered';
import { titleOfKey } from './spoken';
import type { Machine } from '@/core/kit/machine';
import type { Landing } from '@/core/kit/options';
import type { StoreAt } from '@/core/kit/stores';
import { difference, intersection, together, type Region } from '@/core/geometry/clip';
import { extentOf, polygonArea, type Extent, type Polygon } from '@/core/geometry/polygon';
import { areaOn, drawnIn, lineIn, shownIn, type Chart } from './chart';
import type { Dimensions } from './dimensions';
import { emptyDrawings, project, type Drawings, type ViewDrawing } from './drawing';
import { doorParts } from './doors';
import { drawFront } from './front';
import { boardPart, hullPart, islandParts } from './afloat';
import { fuselagePart } from './fuselage';
import { gearParts } from './gear';
import { hungParts } from './hung';
import { interiorZones } from './interior';
import type { Leaf, Sight } from './leaves';
import { paneParts } from './panes';
import type { SkinLine, SkinPart, ZoneRegion } from './parts';
import { boomParts, canopyParts, floatParts, FRAMES_SHARE, nacelleParts, spinnerParts } from './pods';
import type { Preset, ProfilePoint } from './preset';
import { formOf, glazingOf, machineOf, PRESETS, type AsBuilt, type PresetName } from './presets';
import { bodyOfProfile, profileOf } from './profile';
import { rotorParts } from './rotors';
import { silhouette, solidArea, type Solid } from './solid';
import { hiding, standingOut } from './standing-out';
import { finParts, tailplaneParts, upperWingParts, wingParts } from './wings';
import { ZONE_EDGES, type ZoneEdges } from './zone-edges';
import { VIEWS, type Surface, type Surfaces, type View, type Zone, type ZoneGroup } from './zones';

export interface OutlineSpec {
  preset: PresetName;
  dimensions: Dimensions;
  landing: Landing;
  /** Blades folded aft, where there are blades. */
  folded: boolean;
  /** Moving wings swept back. */
  swept?: boolean;
  /** Its gear, where it is otherwise than that of the layout. */
  gear?: Machine['gear'];
  /** False where its propeller has none. */
  spinner?: false;
  cockpit?: AsBuilt['cockpit'];
  /** What it is skinned with, where that is otherwise than the layout has it. */
  surfaces?: Surfaces;
  /** What hangs where. */
  stores?: readonly StoreAt[];
  /** The fuselage as this machine has it, where it was pulled to a drawing; the preset's otherwise. */
  profile?: readonly ProfilePoint[] | null;
  edges?: ZoneEdges | null;
}

/** What of a machine is otherwise than its layout, as its outline takes it: '' and a spinner are as the layout has them. */
export const ownOutline = ({
  gear,
  spinner,
  cockpit,
  surfaces,
}: {
  gear: '' | Machine['gear'];
  spinner: boolean;
  cockpit: AsBuilt['cockpit'];
  surfaces: Surfaces;
}): Pick<OutlineSpec, 'gear' | 'spinner' | 'cockpit' | 'surfaces'> => ({
  ...(gear ? { gear } : {}),
  ...(spinner ? {} : { spinner: false as const }),
  ...(cockpit ? { cockpit } : {}),
  ...(Object.values(surfaces).some(Boolean) ? { surfaces } : {}),
});

/** The parametric shape of the subject: its surfaces with the zones on them, four views in metres, and how much room each view takes. */
export interface Outline {
  spec: OutlineSpec;
  zones: Zone[];
  regions: ZoneRegion[];
  /** What is fitted to it, each with a surface of its own. */
  solids: Solid[];
  lines: SkinLine[];
  leaves: Leaf[];
  sights: Sight[];
  drawings: Drawings;
  /** From ahead, drawn when it is asked for. */
  front: () => ViewDrawing;
  extents: Record<View, Extent>;
}

const remember = remembering<Outline>(12);

/**
 * Draws the airframe. Total over dimensions that passed `dimensionsSchema`. The last few outlines are remembered, since every view,
 * station and picture of a brief asks for the same one; callers share the result and must not change it.
 */
export const buildOutline = (spec: OutlineSpec): Outline => remember(JSON.stringify(spec), () => draw(spec));

function draw(spec: OutlineSpec): Outline {
  const preset: Preset = { ...PRESETS[spec.preset], glazing: glazingOf(spec) };
  const d = preset.wings === 'swing' && spec.swept ? sweptBack(spec.dimensions) : spec.dimensions;
  const points = spec.profile ?? preset.profile;
  const profile = profileOf(points, d);
  const edges = spec.edges ?? ZONE_EDGES;
  const body = bodyOfProfile(points, d, preset.section);
  const form = formOf(spec.preset);
  const fuselage =
    form === 'ship' ? hullPart(body, d, edges) : form === 'base' ? boardPart(body, d) : fuselagePart(body, d, edges);
  const skin = fuselage.regions[0]!.chart;
  const panes = paneParts(preset, d, skin);
  // In the order in which zones are listed; what lies over what is told by their levels.
  const parts: SkinPart[] = [
    fuselage,
    ...(form === 'ship' ? islandParts(d) : []),
    ...wingParts(profile, d, edges),
    ...upperWingParts(d),
    ...tailplaneParts(profile, d),
    ...finParts(profile, d),
    ...boomParts(d),
    ...nacelleParts(preset, d),
    ...(spec.spinner === false ? [] : spinnerParts(profile, preset, d)),
    ...canopyParts(profile, preset, d, skin),
    ...doorParts(preset, d, skin),
    ...floatParts(d, spec.landing),
    ...rotorParts(profile, preset, d, spec.folded),
    ...panes,
    ...gearParts(profile, preset, d, spec.landing, machineOf(spec).gear),
    ...hungParts(profile, d, form === 'aircraft' ? (spec.stores ?? []) : []),
  ];
  standOut(parts, d.length);
  const drawings = drawParts(parts, d.length);
  const glass = panes.flatMap((part) => part.regions).flatMap(({ region }) => region);
  const regions = parts.flatMap((part) => (part === fuselage ? withoutGlass(part.regions, glass) : part.regions));
  const solids = parts.flatMap((part) => part.solids ?? []);
  const zones = new Map<string, Zone>();
  for (const zone of [...parts.flatMap((part) => part.zones), ...interiorZones(preset, spec.cockpit === 'two open')])
    if (!zones.has(zone.key))
      zones.set(zone.key, {
        ...zone,
        surface: zone.surface ?? surfaceOf(zone.group, spec, preset),
        areaM2:
          zone.areaM2 +
          skinOf(regions, zone.key) +
          solids.reduce((sum, solid) => sum + (solid.zone === zone.key ? solidArea(solid) : 0), 0),
      });
  return {
    spec,
    zones: [...zones.values()],
    regions,
    solids,
    lines: parts.flatMap((part) => part.lines),
    leaves: parts.flatMap((part) => part.leaves ?? []),
    sights: parts.flatMap((part) => part.sights ?? []),
    drawings,
    front: () => drawFront(parts, d),
    extents: Object.fromEntries(
      VIEWS.map((view) => [
        view,
        extentOf([...drawings[view].shapes, ...drawings[view].lines].map((part) => part.points)),
      ]),
    ) as Record<View, Extent>,
  };
}

/** What is painted of a body that has panes let into it. */
const withoutGlass = (regions: readonly ZoneRegion[], glass: Region): ZoneRegion[] =>
  glass.length === 0
    ? [...regions]
    : regions
        .map((part) => ({ ...part, region: difference(part.region, glass) }))
        .filter(({ region }) => region.length > 0);

/** Developed skin of a zone, m2; of glass only the frames. */
const skinOf = (regions: readonly ZoneRegion[], key: string): number =>
  regions
    .filter(({ zone }) => zone === key)
    .reduce((sum, { chart, region, glass }) => sum + areaOn(chart, region) * (glass ? FRAMES_SHARE : 1), 0);

/** What the skin of a group is made of; null for what is no skin. Engines are cowled in metal. */
function surfaceOf(group: ZoneGroup, { surfaces }: OutlineSpec, { surface }: Preset): Surface | null {
  if (group === 'engines') return 'metal';
  return group === 'fuselage' || group === 'wings' || group === 'tail' ? surfaces?.[group] || surface : null;
}

/** Wings, tails and fins are shown from where they come out of the bodies that they are fixed to. */
function standOut(parts: readonly SkinPart[], length: number): void {
  const regions = parts.flatMap((part) => part.regions);
  const bodies = chartsOf({ regions: regions.filter(({ glass }) => !glass) })
    .filter(({ on }) => on.kind === 'body')
    .map(hiding);
  const isAslant = (chart: Chart, view: View) =>
    parts.some(({ edgeOn }) => edgeOn?.some((one) => one.chart === chart && one.view === view));
  for (const chart of chartsOf({ regions })) {
    if (chart.on.kind !== 'lifting') continue;
    const own = ownOf(regions, chart);
    chart.shown = Object.fromEntries(
      VIEWS.filter((view) => chart.seen[view] || isAslant(chart, view)).map((view) => [
        view,
        standingOut(chart, own, bodies, view, length),
      ]),
    );
  }
}

const ownOf = (regions: readonly ZoneRegion[], chart: Chart): Region =>
  regions.flatMap((one) => (one.chart === chart ? one.region : []));

function drawParts(parts: readonly SkinPart[], length: number): Drawings {
  const drawings = emptyDrawings();
  for (const view of VIEWS) {
    const levelIn = ({ level, levels }: SkinPart) => levels?.[view] ?? level;
    for (const part of [...parts].sort((one, other) => levelIn(one) - levelIn(other))) {
      for (const { zone, chart, region, glass } of part.regions)
        for (const points of shownIn(chart, region, view, length))
          drawings[view].shapes.push({ zone, points, chart: chart.id, ...(glass ? { glass } : {}) });
      for (const solid of part.solids ?? [])
        if (solid.views.includes(view))
          drawings[view].shapes.push({
            zone: solid.zone,
            points: silhouette(solid, (point) => project(view, length, ...point)),
          });
      for (const { view: from, zone, points, chart } of part.edgeOn ?? [])
        if (from === view)
          for (const shape of chart ? aslant(chart, part.regions, view, length) : [points])
            drawings[view].shapes.push({ zone, points: shape });
    }
    // Over all shapes, or what lies later would hide them.
    for (const { lines, bars } of parts) {
      for (const { view: from, points, fine } of bars ?? [])
        if (from === view) drawings[view].lines.push({ weight: fine ? 'fine' : 'bold', points });
      for (const { kind, chart, points } of lines)
        if (kind !== 'edge')
          for (const piece of lineIn(chart, points, view, length))
            drawings[view].lines.push({ weight: 'fine', points: piece });
    }
  }
  return drawings;
}

/** A face that a view sees aslant, from where it comes out of the bodies that it is fixed to. */
const aslant = (chart: Chart, regions: readonly ZoneRegion[], view: View, length: number): Polygon[] =>
  drawnIn(
    chart,
    intersection(together(ownOf(regions, chart).map((ring) => [ring])), chart.shown![view]!),
    view,
    length,
  );

/** Zones that are a sliver in a view are not seen from there: least share of the largest view of a zone. */
const SEEN_SHARE = 0.15;

/** Which views show a zone well enough to tell its colour. */
export function viewsShowing(outline: Outline): Map<string, View[]> {
  const areas = new Map<string, Map<View, number>>();
  for (const view of VIEWS)
    for (const { zone, points } of outline.drawings[view].shapes) {
      const of = areas.get(zone) ?? new Map<View, number>();
      of.set(view, (of.get(view) ?? 0) + polygonArea(points));
      areas.set(zone, of);
    }
  return new Map(
    [...areas].map(([zone, of]) => {
      const most = Math.max(...of.values());
      return [zone, VIEWS.filter((view) => (of.get(view) ?? 0) >= most * SEEN_SHARE)];
    }),
  );
}

/** The span of swept wings as a share of the whole, and how much further aft their tips lie, as a share of the half span. */
const SWEPT_SPAN = 0.66;
const SWEPT_AFT = 0.62;

const sweptBack = (d: Dimensions): Dimensions => ({
  ...d,
  span: d.span * SWEPT_SPAN,
  wingSweep: d.wingSweep + (d.span / 2) * SWEPT_AFT,
});

/** Every surface of the airframe, once. */
export const chartsOf = ({ regions }: Pick<Outline, 'regions'>): Chart[] => [
  ...new Map(regions.map(({ chart }) => [chart.id, chart])).values(),
];

export function zoneTitle(outline: Outline, key: string): string {
  return outline.zones.find((zone) => zone.key === key)?.title ?? titleOfKey(key);
}

/** Painted area on the model in cm2. */
export function modelAreaCm2({ areaM2 }: Pick<Zone, 'areaM2'>, denominator: number): number {
  return (areaM2 * 10_000) / denominator ** 2;
}

/** Painted area of some zones together on the model in cm2; keys that the airframe does not have count for nothing. */
export function modelAreaOfZones(
  { zones }: Pick<Outline, 'zones'>,
  keys: readonly string[],
  denominator: number,
): number {
  const byKey = new Map(zones.map((zone) => [zone.key, zone]));
  return keys.reduce((sum, key) => {
    const zone = byKey.get(key);
    return sum + (zone ? modelAreaCm2(zone, denominator) : 0);
  }, 0);
}
