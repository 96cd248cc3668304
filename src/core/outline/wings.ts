import { polygonHull } from 'd3-polygon';
import type { Region } from '@/core/geometry/clip';
import { rectangle, steps, type Point } from '@/core/geometry/polygon';
import type { Xyz } from './body';
import { liftingChart, type Chart } from './chart';
import { USUAL_BAYS, type Dimensions } from './dimensions';
import { project } from './drawing';
import { chordAt, liftingPoint, type Lifting } from './lifting';
import { turned, type Leaf, type Motion, type Opening } from './leaves';
import { OVER_BODIES, type SkinLine, type SkinPart } from './parts';
import { onWay, way } from './space';
import type { Profile } from './profile';
import type { ZoneEdges } from './zone-edges';
import { sided, zoneOf, type Zone } from './zones';

export const SIDES = ['port', 'starboard'] as const;
export type HalfSide = (typeof SIDES)[number];
/** Which way along y a side lies from the centre line. */
export const outwards = (side: HalfSide): 1 | -1 => (side === 'port' ? -1 : 1);

/** Thickness of wings and tails where nothing else is known, as a share of the chord. */
const WING_THICKNESS = 0.12;
const TAIL_THICKNESS = 0.08;
/** Less dihedral than this, degrees, and from the side a wing is seen edge-on. */
const EDGE_ON_DEG = 0.5;

/** A plan with straight edges and a rounded tip over the last tenth, at distances from the root. */
export function planOf(of: Lifting) {
  const round = (out: number) => {
    const t = Math.max(0, (out / of.semispan - 0.9) / 0.1);
    return 1 - Math.sqrt(Math.max(0, 1 - t * t));
  };
  const at = (out: number) => chordAt(of, out / of.semispan);
  const leading = (out: number) => at(out).x + round(out) * at(out).chord * 0.5;
  const trailing = (out: number) => at(out).x + at(out).chord * (1 - round(out) * 0.32);
  return { leading, trailing };
}

/** The plan between two ends, each an edge from leading (0) to trailing (1), as a region of the wing's charts: distance out, station. */
function panel(of: Lifting, from: (t: number) => number, to: (t: number) => number): Point[] {
  const { leading, trailing } = planOf(of);
  // The tip is round: it takes more points than the straight edges.
  const tip = steps(0, Math.PI / 2, 14).map((a) => of.semispan * (0.9 + 0.1 * Math.sin(a)));
  const across = (edge: (out: number) => number, t: number) =>
    [...steps(from(t), to(t), 10), ...tip.filter((out) => out > from(t) && out < to(t))]
      .sort((a, b) => a - b)
      .map((out): Point => [out, edge(out)]);
  const chordwise = (end: (t: number) => number) =>
    steps(0, 1, 8).map((t): Point => {
      const out = end(t);
      return [out, leading(out) + t * (trailing(out) - leading(out))];
    });
  return [
    ...across(leading, 0),
    ...chordwise(to).slice(1, -1),
    ...across(trailing, 1).reverse(),
    ...chordwise(from).reverse().slice(1, -1),
  ];
}

const half = (
  side: HalfSide,
  d: { rootChord: number; tipChord: number; sweep: number; semispan: number },
  at: { station: number; z: number; dihedralDeg: number; thickness: number },
): Lifting => ({
  root: { x: at.station, chord: d.rootChord, thickness: at.thickness },
  tip: { x: at.station + d.sweep, chord: d.tipChord, thickness: at.thickness },
  semispan: d.semispan,
  dihedralDeg: at.dihedralDeg,
  side: outwards(side),
  y: 0,
  z: at.z,
  upright: false,
});

/** The places of a hinge at a share of the chord from the rear, by shares of the span. */
function hingeOf(of: Lifting, hinge: number): (share: number) => Point {
  const { leading, trailing } = planOf(of);
  return (share) => {
    const out = share * of.semispan;
    return [out, trailing(out) - hinge * (trailing(out) - leading(out))];
  };
}

/** What runs over a wing: hinges of flap and aileron at a share of the chord from the rear, and its own edges. */
function wingLines(
  of: Lifting,
  chart: Chart,
  root: number,
  hinge: number,
  name: string,
  cuts: readonly number[],
): SkinLine[] {
  const { leading, trailing } = planOf(of);
  const at = hingeOf(of, hinge);
  const spanwise = (from: number, to: number) => steps(from, to, 8).map(at);
  const cut = (share: number): Point[] => [at(share), [share * of.semispan, trailing(share * of.semispan)]];
  const [inner, middle, outer] = cuts;
  const edge = (f: (out: number) => number) => steps(root, of.semispan, 30).map((out): Point => [out, f(out)]);
  return [
    ...(outer === undefined
      ? [{ id: `${name} hinge`, kind: 'hinge' as const, chart, points: spanwise(inner!, middle!) }]
      : [
          { id: `${name} flap`, kind: 'hinge' as const, chart, points: spanwise(inner!, middle!) },
          { id: `${name} aileron`, kind: 'hinge' as const, chart, points: spanwise(middle! + 0.02, outer) },
        ]),
    ...cuts
      .slice(0, outer === undefined ? 0 : 3)
      .map((share, i) => ({ id: `${name} joint ${i + 1}`, kind: 'panel' as const, chart, points: cut(share) })),
    { id: `${name} leading edge`, kind: 'edge' as const, chart, points: edge(leading) },
    { id: `${name} trailing edge`, kind: 'edge' as const, chart, points: edge(trailing) },
  ];
}

/** A wing seen from outside: its section near the tip, edge-on; with dihedral the lower face shows beside it, with anhedral the upper one. */
function fromOutside(
  of: Lifting,
  length: number,
  view: HalfSide,
  zones: readonly [upper: string, lower: string],
  charts: readonly [upper: Chart, lower: Chart],
): NonNullable<SkinPart['edgeOn']> {
  const { leading, trailing } = planOf(of);
  const seen = of.dihedralDeg >= EDGE_ON_DEG ? 1 : of.dihedralDeg <= -EDGE_ON_DEG ? 0 : null;
  const sections = (seen === null ? EDGE_ON_AT : [NEAR_TIP]).map((share) => share * of.semispan);
  const halfOf = (side: 1 | -1, zone: string) => {
    const points = sections.flatMap((out) =>
      steps(0, 1, 8).flatMap((t) => {
        const x = leading(out) + t * (trailing(out) - leading(out));
        const at = chordAt(of, out / of.semispan);
        const share = at.chord > 0 ? (x - at.x) / at.chord : 0;
        const [own, other] = [side, side === 1 ? -1 : 1].map((face) =>
          liftingPoint(of, face as 1 | -1, out / of.semispan, share),
        ) as [Xyz, Xyz];
        return [own, onWay(own, other, 0.5)].map(([px, , pz]): [number, number] => [
          ...project(view, length, px, 0, pz),
        ]);
      }),
    );
    return { view, zone, points: polygonHull(points) ?? points };
  };
  return [
    ...(seen === null ? [] : [{ view, zone: zones[seen], points: [], chart: charts[seen] }]),
    halfOf(1, zones[0]),
    halfOf(-1, zones[1]),
  ];
}
/** Where the section of a wing is looked at, as shares of its span: near the tip; and of one that is seen edge-on all along it. */
const NEAR_TIP = 0.97;
const EDGE_ON_AT = [0.12, 0.5, NEAR_TIP] as const;

const OVER_BODIES_IN_PLAN = { upper: OVER_BODIES, lower: OVER_BODIES };

const sidedZone = (key: string, title: string, side: HalfSide, group: Zone['group']): Zone =>
  zoneOf(sided(key, side), `${title}, ${side}`, group, side);

/** Low wings are drawn under the fuselage in plan and before it from the side; high ones over it. */
export const isHigh = (d: Dimensions) => d.wingHeight > d.fuselageHeight * 0.7;

/** The flap, as shares of chord from the rear and of span; ailerons go on from there. Let down and folded up, degrees. */
const FLAP = { chord: 0.24, from: 0.16, to: 0.57, downDeg: 40 } as const;
const AILERON_TO = 0.9;
/** Wings that fold do so where the flap ends. */
const FOLD = { at: FLAP.to, upDeg: 100 } as const;

/** The two faces of a wing, upper and lower: what moves takes a part of each along. */
type Faces = readonly [upper: Chart, lower: Chart];

function flap(of: Lifting, faces: Faces): Leaf[] {
  const { trailing } = planOf(of);
  const hinge = hingeOf(of, FLAP.chord);
  const [from, to] = [hinge(FLAP.from), hinge(FLAP.to)];
  const behind = Math.max(trailing(from[0]), trailing(to[0])) + 1;
  const [inner, outer] = [middleOf(faces, from), middleOf(faces, to)];
  return leavesOf(
    'flaps',
    faces,
    [[from, to, [to[0], behind], [from[0], behind]]],
    // The trailing edge goes down on either side.
    turned(inner, way(inner, outer), of.side * FLAP.downDeg),
  );
}

/** What is outside of the fold, turned up about it. */
function foldingPanel(of: Lifting, faces: Faces): Leaf[] {
  const out = FOLD.at * of.semispan;
  const { leading, trailing } = planOf(of);
  const reach = 10 * of.semispan;
  return leavesOf(
    'fold',
    faces,
    [rectangle(out, Math.min(-reach, leading(out)), of.semispan * 1.1, Math.max(reach, trailing(out)))],
    turned(middleOf(faces, [out, (leading(out) + trailing(out)) / 2]), [1, 0, 0], of.side * FOLD.upDeg),
  );
}

const leavesOf = (opens: Opening, faces: Faces, region: Region, motion: Motion): Leaf[] =>
  faces.map((chart) => ({ opens, chart, region, motion, inside: null }));

/** Half-way between the two faces. */
const middleOf = ([upper, lower]: Faces, at: Point): Xyz => onWay(upper.at(at), lower.at(at), 0.5);

/** The wing. Inner and outer panels differ above, one zone a side below. */
export function wingParts(profile: Profile, d: Dimensions, edges: ZoneEdges): SkinPart[] {
  if (d.span <= 0 || d.rootChord <= 0) return [];
  const plan = { rootChord: d.rootChord, tipChord: d.tipChord, sweep: d.wingSweep, semispan: d.span / 2 };
  const root = profile.halfWidth(d.wingStation + d.rootChord / 2) * (isHigh(d) ? 0 : 0.75);
  // The edge between the panels runs obliquely, alike on both sides: how a scheme differs there is no matter of the zones.
  const split = (t: number) =>
    Math.min(plan.semispan * 0.97, plan.semispan * (edges.outer + 0.16 * (t - 0.5) + 0.03 * Math.sin(t * 2 * Math.PI)));
  return SIDES.map((side): SkinPart => {
    const at = { station: d.wingStation, z: d.wingHeight, dihedralDeg: d.dihedral, thickness: WING_THICKNESS };
    const of = half(side, plan, at);
    const upper = liftingChart(`wing-upper-${side}`, of, 1, d.length, ['upper']);
    const lower = liftingChart(`wing-lower-${side}`, of, -1, d.length, ['lower']);
    const lines = (chart: Chart, name: string) =>
      wingLines(of, chart, root, FLAP.chord, name, [FLAP.from, FLAP.to, AILERON_TO]);
    return {
      level: isHigh(d) ? 40 : 20,
      levels: { ...(isHigh(d) ? {} : OVER_BODIES_IN_PLAN), port: 45, starboard: 45 },
      regions: [
        { zone: sided('wing-upper-inner', side), chart: upper, region: [panel(of, () => root, split)] },
        { zone: sided('wing-upper-outer', side), chart: upper, region: [panel(of, split, () => of.semispan)] },
        {
          zone: sided('wing-lower', side),
          chart: lower,
          region: [
            panel(
              of,
              () => root,
              () => of.semispan,
            ),
          ],
        },
      ],
      lines: [...lines(upper, `${side} wing`), ...lines(lower, `${side} wing, below:`)],
      leaves: [...flap(of, [upper, lower]), ...(d.upperWingHeight > 0 ? [] : foldingPanel(of, [upper, lower]))],
      zones: [
        sidedZone('wing-upper-inner', 'Inner wing upper', side, 'wings'),
        sidedZone('wing-upper-outer', 'Outer wing upper', side, 'wings'),
        sidedZone('wing-lower', 'Wing lower', side, 'wings'),
      ],
      edgeOn: fromOutside(
        of,
        d.length,
        side,
        [sided('wing-upper-outer', side), sided('wing-lower', side)],
        [upper, lower],
      ),
    };
  });
}

/** Struts of a biplane: a pair a side for each bay and four over the fuselage, each this broad, m. */
const STRUTS = { aBay: 4, over: 4, breadth: 0.09 };
const strutArea = ({ upperWingHeight, wingHeight, fuselageHeight, wingBays }: Dimensions) =>
  2 *
  STRUTS.breadth *
  (STRUTS.aBay * (wingBays || USUAL_BAYS) * Math.max(0, upperWingHeight - wingHeight) +
    STRUTS.over * Math.max(0, upperWingHeight - fuselageHeight));

/** The second wing of a biplane, over the first. */
export function upperWingParts(d: Dimensions): SkinPart[] {
  if (d.upperWingHeight <= 0 || d.span <= 0) return [];
  const plan = { rootChord: d.rootChord, tipChord: d.tipChord, sweep: d.wingSweep, semispan: d.span / 2 };
  return SIDES.map((side): SkinPart => {
    const at = {
      station: d.upperWingStation,
      z: d.upperWingHeight,
      dihedralDeg: d.dihedral,
      thickness: WING_THICKNESS * 0.8,
    };
    const of = half(side, plan, at);
    const whole = [
      panel(
        of,
        () => 0,
        () => of.semispan,
      ),
    ];
    const upper = liftingChart(`upper-wing-upper-${side}`, of, 1, d.length, ['upper']);
    const lower = liftingChart(`upper-wing-lower-${side}`, of, -1, d.length, ['lower']);
    return {
      level: 60,
      levels: { lower: 5 },
      regions: [
        { zone: sided('upper-wing-upper', side), chart: upper, region: whole },
        { zone: sided('upper-wing-lower', side), chart: lower, region: whole },
      ],
      lines: wingLines(of, upper, 0, 0.24, `${side} upper wing`, [0.16, 0.57, 0.9]),
      zones: [
        sidedZone('upper-wing-upper', 'Upper wing upper', side, 'wings'),
        sidedZone('upper-wing-lower', 'Upper wing lower', side, 'wings'),
        { ...zoneOf('struts', 'Struts', 'struts'), areaM2: strutArea(d) },
      ],
      edgeOn: fromOutside(
        of,
        d.length,
        side,
        [sided('upper-wing-upper', side), sided('upper-wing-lower', side)],
        [upper, lower],
      ),
      bars: [0.22, 0.72].map((share) => ({
        view: side,
        points: [
          project(side, d.length, d.upperWingStation + share * d.rootChord, 0, d.upperWingHeight),
          project(side, d.length, d.wingStation + share * d.rootChord, 0, d.wingHeight),
        ],
      })),
    };
  });
}

/** The tailplane, a little above the middle of the thinning fuselage; on booms it stands between them. */
export function tailplaneParts(profile: Profile, d: Dimensions): SkinPart[] {
  if (d.tailSpan <= 0 || d.tailRootChord <= 0) return [];
  const station = d.length - Math.max(d.tailRootChord, d.finRootChord * 0.8) * 1.02;
  const z = profile.bottom(station) + 0.75 * (profile.top(station) - profile.bottom(station));
  const plan = {
    rootChord: d.tailRootChord,
    tipChord: d.tailTipChord,
    sweep: d.tailSweep,
    semispan: d.tailSpan / 2,
  };
  return SIDES.map((side): SkinPart => {
    const of = half(side, plan, { station, z, dihedralDeg: 0, thickness: TAIL_THICKNESS });
    const whole = [
      panel(
        of,
        () => 0,
        () => of.semispan,
      ),
    ];
    const upper = liftingChart(`tailplane-upper-${side}`, of, 1, d.length, ['upper']);
    const lower = liftingChart(`tailplane-lower-${side}`, of, -1, d.length, ['lower']);
    return {
      level: 10,
      levels: { ...OVER_BODIES_IN_PLAN, port: 52, starboard: 52 },
      regions: [
        { zone: sided('tailplane-upper', side), chart: upper, region: whole },
        { zone: sided('tailplane-lower', side), chart: lower, region: whole },
      ],
      lines: [upper, lower].flatMap((chart) => wingLines(of, chart, 0, 0.4, `${side} elevator`, [0.08, 0.97])),
      zones: [
        sidedZone('tailplane-upper', 'Tailplane upper', side, 'tail'),
        sidedZone('tailplane-lower', 'Tailplane lower', side, 'tail'),
      ],
      edgeOn: fromOutside(
        of,
        d.length,
        side,
        [sided('tailplane-upper', side), sided('tailplane-lower', side)],
        [upper, lower],
      ),
    };
  });
}

/**
 * The fin, whose foot stands on the rear fuselage: its two faces have the plan that the side views show. With tail booms there is one on
 * each, and its zone is both of its faces.
 */
export function finParts(profile: Profile, d: Dimensions): SkinPart[] {
  if (d.finHeight <= 0 || d.finRootChord <= 0) return [];
  const isOnBooms = d.boomSpacing > 0 && d.boomDiameter > 0;
  const lead = d.length - d.finRootChord;
  const foot = (x: number) => (isOnBooms ? d.wingHeight : (profile.top(x) + profile.bottom(x)) / 2);
  const base = isOnBooms ? d.wingHeight + d.boomDiameter * 0.32 : profile.top(lead);
  const crest = base + d.finHeight;
  const tip = lead + d.finSweep;
  const trail = Math.min(tip + d.finTipChord, d.length * 1.03);
  const round = d.finTipChord * 0.22;
  const middle = d.length - d.finRootChord * 0.5;
  /** Height and station, from the lower front corner up. */
  const plan: [z: number, x: number][] = [
    [foot(lead) + (base - foot(lead)) * 0.98, lead],
    [base + d.finHeight * 0.16, lead + d.finSweep * 0.2],
    [crest - round, tip],
    [crest, tip + round],
    [crest, trail - round * 0.6],
    [crest - round * 1.2, trail],
    [foot(d.length), d.length],
    [foot(middle), middle],
  ];
  const standing = (y: number): Lifting => ({
    root: { x: lead, chord: d.finRootChord, thickness: TAIL_THICKNESS },
    tip: { x: tip, chord: Math.max(0.05, d.finTipChord), thickness: TAIL_THICKNESS },
    semispan: d.finHeight,
    dihedralDeg: 0,
    side: 1,
    y,
    z: base,
    upright: true,
  });
  const hinge = (z: number) =>
    lead +
    d.finRootChord * 0.6 +
    (tip + d.finTipChord * 0.55 - lead - d.finRootChord * 0.6) * ((z - base) / (crest - base));
  return SIDES.map((side): SkinPart => {
    const outside = outwards(side);
    const of = standing(isOnBooms ? outside * d.boomSpacing : 0);
    const chart = liftingChart(`fin-${side}`, of, outside, d.length, [side]);
    const at = ([z, x]: readonly [number, number]): Point => [z - base, x];
    const face = { zone: sided('fin', side), region: [plan.map(at)] };
    const inside = outside === 1 ? -1 : 1;
    return {
      level: isOnBooms ? 57 : 50,
      regions: [
        { ...face, chart },
        ...(isOnBooms ? [{ ...face, chart: liftingChart(`fin-${side}-inside`, of, inside, d.length, []) }] : []),
      ],
      lines: [
        {
          id: 'rudder',
          kind: 'hinge',
          chart,
          points: [at([crest, hinge(crest)]), at([foot(d.length), hinge(foot(d.length))])],
        },
        { id: 'fin leading edge', kind: 'edge', chart, points: plan.slice(0, 3).map(at) },
      ],
      zones: [sidedZone('fin', 'Fin and rudder', side, 'tail')],
      bars: [
        {
          view: 'upper',
          points: [project('upper', d.length, lead, of.y, 0), project('upper', d.length, d.length, of.y, 0)],
        },
      ],
    };
  });
}
