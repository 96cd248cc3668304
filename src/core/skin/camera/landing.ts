import { between, girthOfAngle, type Body, type Xyz } from '@/core/outline/body';
import type { Chart } from '@/core/outline/chart';
import { chordAt, type Lifting } from '@/core/outline/lifting';
import { chartsOf, type Outline } from '@/core/outline/outline';
import type { Solid } from '@/core/outline/solid';
import { cross, dot, plus, times, way } from '@/core/outline/space';
import { isInRegion, type Point } from '@/core/geometry/polygon';
import { meetSkin, type Met, type Skin } from './meet-skin';
import { project, type Camera, type Rotation } from './view';

/** Where a point of a picture lies on a machine: its zone, its place on the surface, and how well that is known. */

export interface Landed {
  /** mm */
  xyz: Xyz;
  zone: string;
  /** The surface and the place on it, in its own coordinates; null on what is fitted to the machine. */
  on: { chart: Chart; at: Point } | null;
  /** The longer half axis of what the given px make of the place on the skin, mm. */
  sdMm: number;
  /** Between the line of sight and the skin. */
  grazingDeg: number;
  /** The way that the skin looks there, of length 1. */
  normal: Xyz;
}

/** Seen more aslant than this a place is not known. */
export const GRAZING_DEG = 15;
export const isKnown = (landed: Landed | null): landed is Landed => landed !== null && landed.grazingDeg >= GRAZING_DEG;

/** What turns stands otherwise in each picture: nothing is taken to be behind it. */
export const TURNING: ReadonlySet<string> = new Set(['propeller', 'rotor-blades', 'tail-rotor']);
const MM = 1000;

export type Lander = (camera: Camera, point: Point, sdPx: number) => Landed | null;

/** A place further off than this, mm, is another one: something lies before it. */
const SAME_MM = 30;

/** Where a camera sees a place of the skin (mm); null where it does not, or something lies before it. */
export function seenAt(place: Xyz, camera: Camera, land: Lander): { at: Point; landed: Landed } | null {
  const at = project(camera, place);
  const landed = at && land(camera, at, 1);
  return landed && between(landed.xyz, place) < SAME_MM ? { at, landed } : null;
}

/** `isFlying`: with its gear up. */
export function landerOn(outline: Outline, isFlying: boolean): Lander {
  const drawnUp = new Set(isFlying ? outline.zones.filter(({ group }) => group === 'gear').map(({ key }) => key) : []);
  const charts = chartsOf(outline);
  const regions = new Map(charts.map((chart) => [chart.id, outline.regions.filter((part) => part.chart === chart)]));
  const skins: Skin[] = [];
  const chartOn = new Map<string, Chart>();
  const known = new Map<Lifting, string>();
  for (const chart of charts) {
    const { on } = chart;
    if (on.kind === 'body') {
      skins.push({ id: chart.id, kind: 'body', body: inMm(on.body) });
      chartOn.set(`${chart.id} skin`, chart);
    } else {
      const id = known.get(on.of) ?? chart.id;
      if (!known.has(on.of)) skins.push({ id, kind: 'surface', of: liftingInMm(on.of) });
      known.set(on.of, id);
      chartOn.set(`${id} ${on.face === 1 ? 'upper' : 'lower'}`, chart);
    }
  }
  const fitted = outline.solids
    .filter(({ zone }) => !TURNING.has(zone) && !drawnUp.has(zone))
    .map((solid) => ({ solid, skin: { id: solid.zone, kind: 'body', body: inMm(solid.body) } as Skin }));

  const placeOn = (id: string, face: Met['face'], coords: Point): { zone: string; chart: Chart; at: Point } | null => {
    const chart = chartOn.get(`${id} ${face}`);
    if (!chart) return null;
    const at = onChart(chart, coords);
    const part = regions.get(chart.id)!.find(({ region }) => isInRegion(at, region));
    return part ? { zone: part.zone, chart, at } : null;
  };
  return (camera, point, sdPx) => {
    const met = meetSkin(camera, skins, point, sdPx, (skin, face, coords) => placeOn(skin.id, face, coords) !== null);
    let nearest = met ? between(camera.centre, met.xyz) : Infinity;
    const place = met && placeOn(met.on, met.face, met.coords);
    let landed: Landed | null =
      met && place
        ? {
            xyz: met.xyz,
            zone: place.zone,
            on: { chart: place.chart, at: place.at },
            sdMm: met.sdMm,
            grazingDeg: met.grazingDeg,
            normal: met.normal,
          }
        : null;
    for (const { solid, skin } of fitted) {
      const own = asSeenFrom(solid, camera);
      const there = meetSkin(own, [skin], point, sdPx);
      if (!there) continue;
      const far = between(own.centre, there.xyz);
      if (far >= nearest) continue;
      nearest = far;
      landed = {
        xyz: backFrom(solid, there.xyz),
        zone: solid.zone,
        on: null,
        sdMm: there.sdMm,
        grazingDeg: there.grazingDeg,
        normal: way(backFrom(solid, [0, 0, 0]), backFrom(solid, there.normal)),
      };
    }
    return landed;
  };
}

/** Shares of span and chord, or station in mm and true angle, as the coordinates of a chart. */
function onChart({ on }: Chart, [first, second]: Point): Point {
  if (on.kind === 'body') {
    const x = first / MM;
    return [x, girthOfAngle(on.body, x, second)];
  }
  const { x, chord } = chordAt(on.of, first);
  return [first * on.of.semispan, x + second * chord];
}

const inMm = ({ sections, y }: Body): Body => ({
  y: y * MM,
  sections: sections.map(({ x, width, height, z, n }) => ({
    x: x * MM,
    width: width * MM,
    height: height * MM,
    z: z * MM,
    n,
  })),
});

const liftingInMm = (of: Lifting): Lifting => ({
  ...of,
  root: { ...of.root, x: of.root.x * MM, chord: of.root.chord * MM },
  tip: { ...of.tip, x: of.tip.x * MM, chord: of.tip.chord * MM },
  semispan: of.semispan * MM,
  y: of.y * MM,
  z: of.z * MM,
});

/** The axes of something fitted: along, across, and square to both. */
const axesOf = ({ along, across }: Solid): readonly [Xyz, Xyz, Xyz] => [along, across, cross(along, across)];

/** A camera as something fitted has it in its own axes. */
function asSeenFrom(solid: Solid, camera: Camera): Camera {
  const axes = axesOf(solid);
  const turned = (v: Xyz): Xyz => [dot(v, axes[0]), dot(v, axes[1]), dot(v, axes[2])];
  return {
    ...camera,
    centre: turned(way(times(solid.at, MM), camera.centre)),
    rotation: camera.rotation.map(turned) as unknown as Rotation,
  };
}

function backFrom(solid: Solid, [s, y, z]: Xyz): Xyz {
  const [along, across, third] = axesOf(solid);
  return plus(plus(plus(times(solid.at, MM), along, s), across, y), third, z);
}
