import { project, type Drawings } from './drawing';
import type { Dimensions } from './dimensions';
import { polygonArea, steps, type Point } from '@/core/geometry/polygon';
import type { Body } from './profile';
import { sided, type Zone } from './zones';

const SIDES = ['port', 'starboard'] as const;
const signOf = (side: 'port' | 'starboard') => (side === 'port' ? -1 : 1);

interface Lifting {
  rootStation: number;
  halfSpan: number;
  rootChord: number;
  tipChord: number;
  sweep: number;
}

/** Leading and trailing edge station at a distance y from the centre line, with a rounded tip over the last tenth. */
function edgesOf(s: Lifting) {
  const share = (y: number) => y / s.halfSpan;
  const round = (y: number) => {
    const t = Math.max(0, (share(y) - 0.9) / 0.1);
    return 1 - Math.sqrt(Math.max(0, 1 - t * t));
  };
  const chord = (y: number) => s.rootChord + (s.tipChord - s.rootChord) * share(y);
  const leading = (y: number) => s.rootStation + s.sweep * share(y) + round(y) * chord(y) * 0.5;
  const trailing = (y: number) => s.rootStation + s.sweep * share(y) + chord(y) - round(y) * chord(y) * 0.32;
  return { leading, trailing, chord };
}

/** The plan of a wing with its root at a station: both wings of a biplane have it. */
const wingAt = (d: Dimensions, rootStation: number): Lifting => ({
  rootStation,
  halfSpan: d.span / 2,
  rootChord: d.rootChord,
  tipChord: d.tipChord,
  sweep: d.wingSweep,
});

/** Adds the wing to upper, lower and (edge-on) side views. Inner and outer panels differ above, one zone a side below. */
export function drawWing(drawings: Drawings, body: Body, d: Dimensions): Zone[] {
  if (d.span <= 0 || d.rootChord <= 0) return [];
  const s = wingAt(d, d.wingStation);
  const { leading, trailing } = edgesOf(s);
  const root = body.halfWidth(d.wingStation + d.rootChord / 2) * (d.wingHeight > d.fuselageHeight * 0.7 ? 0 : 0.75);
  const zones: Zone[] = [];
  for (const side of SIDES) {
    const sign = signOf(side);
    // The edge between the panels runs obliquely, alike on both sides: how a scheme differs there is no matter of the zones.
    const split = (t: number) => s.halfSpan * (0.5 + 0.16 * (t - 0.5) + 0.03 * Math.sin(t * 2 * Math.PI));
    const panel = (view: 'upper' | 'lower', from: (t: number) => number, to: (t: number) => number): Point[] => {
      const at = (x: number, y: number) => project(view, d.length, x, sign * y, 0);
      const across = (edge: (y: number) => number, t: number, reverse: boolean) => {
        const ys = steps(from(t), to(t), 22);
        return (reverse ? ys.reverse() : ys).map((y) => at(edge(y), y));
      };
      const chordwise = (end: (t: number) => number, reverse: boolean) => {
        const ts = steps(0, 1, 8);
        return (reverse ? ts.reverse() : ts).map((t) =>
          at(leading(end(t)) + t * (trailing(end(t)) - leading(end(t))), end(t)),
        );
      };
      return [
        ...across(leading, 0, false),
        ...chordwise(to, false),
        ...across(trailing, 1, true),
        ...chordwise(from, true),
      ];
    };
    const inner = panel('upper', () => root, split);
    const outer = panel('upper', split, () => s.halfSpan);
    const lower = panel(
      'lower',
      () => root,
      () => s.halfSpan,
    );
    drawings.upper.shapes.push(
      { zone: sided('wing-upper-inner', side), points: inner },
      { zone: sided('wing-upper-outer', side), points: outer },
    );
    drawings.lower.shapes.push({ zone: sided('wing-lower', side), points: lower });
    for (const view of ['upper', 'lower'] as const)
      drawings[view].lines.push(...hinges(view, d.length, sign, s, leading, trailing));
    // Edge-on: a thin section at the root and the tip above it by the dihedral.
    const rise = Math.tan((d.dihedral * Math.PI) / 180) * s.halfSpan;
    const thickness = d.rootChord * 0.055;
    const [tipLead, tipTrail] = [d.wingStation + d.wingSweep, d.wingStation + d.wingSweep + d.tipChord];
    const at = (x: number, z: number) => project(side, d.length, x, 0, z);
    const z0 = d.wingHeight;
    drawings[side].shapes.push({
      zone: sided('wing-upper-outer', side),
      points: [
        at(d.wingStation, z0),
        at(tipLead, z0 + rise),
        at(tipLead + d.tipChord * 0.3, z0 + rise + thickness * 0.5),
        at(tipTrail, z0 + rise),
        at(d.wingStation + d.rootChord, z0),
        at(d.wingStation + d.rootChord * 0.35, z0 - thickness),
      ],
    });
    const zone = (key: string, title: string, points: Point[]): Zone => ({
      key: sided(key, side),
      title: `${title}, ${side}`,
      side,
      group: 'wings',
      closedBy: null,
      areaM2: polygonArea(points),
    });
    zones.push(
      zone('wing-upper-inner', 'Inner wing upper', inner),
      zone('wing-upper-outer', 'Outer wing upper', outer),
      zone('wing-lower', 'Wing lower', lower),
    );
  }
  return zones;
}

/** The second wing of a biplane: over the first in the upper view, behind it in the lower, edge-on on struts from the side. */
export function drawUpperWing(drawings: Drawings, d: Dimensions): Zone[] {
  if (d.upperWingHeight <= 0 || d.span <= 0) return [];
  const s = wingAt(d, d.upperWingStation);
  const { leading, trailing } = edgesOf(s);
  const zones: Zone[] = [];
  for (const side of SIDES) {
    const sign = signOf(side);
    const ys = steps(0, s.halfSpan, 24);
    const plan = (view: 'upper' | 'lower'): Point[] => [
      ...ys.map((y) => project(view, d.length, leading(y), sign * y, 0)),
      ...[...ys].reverse().map((y) => project(view, d.length, trailing(y), sign * y, 0)),
    ];
    drawings.upper.shapes.push({ zone: sided('upper-wing-upper', side), points: plan('upper') });
    drawings.upper.lines.push(...hinges('upper', d.length, sign, s, leading, trailing));
    drawings.lower.shapes.unshift({ zone: sided('upper-wing-lower', side), points: plan('lower') });
    const at = (x: number, z: number) => project(side, d.length, x, 0, z);
    const [from, to, z] = [d.upperWingStation, d.upperWingStation + d.rootChord, d.upperWingHeight];
    const thickness = d.rootChord * 0.05;
    drawings[side].shapes.push({
      zone: sided('upper-wing-upper', side),
      points: [
        at(from, z),
        at(from + d.rootChord * 0.3, z + thickness),
        at(to, z),
        at(from + d.rootChord * 0.3, z - thickness),
      ],
    });
    for (const share of [0.22, 0.72])
      drawings[side].lines.push({
        weight: 'bold',
        points: [at(from + share * d.rootChord, z), at(d.wingStation + share * d.rootChord, d.wingHeight)],
      });
    for (const face of ['upper', 'lower'] as const)
      zones.push({
        key: sided(`upper-wing-${face}`, side),
        title: `Upper wing ${face}, ${side}`,
        side,
        group: 'wings',
        closedBy: null,
        areaM2: polygonArea(plan(face)),
      });
  }
  return zones;
}

/** Flap and aileron hinge lines: a quarter of the chord from the trailing edge. */
function hinges(
  view: 'upper' | 'lower',
  length: number,
  sign: number,
  s: Lifting,
  leading: (y: number) => number,
  trailing: (y: number) => number,
) {
  const hinge = (y: number) => trailing(y) - 0.24 * (trailing(y) - leading(y));
  const at = (x: number, share: number) => project(view, length, x, sign * share * s.halfSpan, 0);
  const spanwise = (from: number, to: number): Point[] =>
    steps(from, to, 6).map((share) => at(hinge(share * s.halfSpan), share));
  const cut = (share: number): Point[] => [
    at(hinge(share * s.halfSpan), share),
    at(trailing(share * s.halfSpan), share),
  ];
  return [spanwise(0.16, 0.56), spanwise(0.58, 0.9), cut(0.16), cut(0.57), cut(0.9)].map((points) => ({
    points,
    weight: 'fine' as const,
  }));
}

/** Adds tailplane and fin. */
export function drawTail(drawings: Drawings, body: Body, d: Dimensions): Zone[] {
  const zones: Zone[] = [];
  const tailRoot = d.length - Math.max(d.tailRootChord, d.finRootChord * 0.8) * 1.02;
  if (d.tailSpan > 0 && d.tailRootChord > 0) {
    const s: Lifting = {
      rootStation: tailRoot,
      halfSpan: d.tailSpan / 2,
      rootChord: d.tailRootChord,
      tipChord: d.tailTipChord,
      sweep: d.tailSweep,
    };
    const { leading, trailing } = edgesOf(s);
    for (const side of SIDES) {
      const sign = signOf(side);
      const ys = steps(0, s.halfSpan, 20);
      const outline = (view: 'upper' | 'lower'): Point[] => [
        ...ys.map((y) => project(view, d.length, leading(y), sign * y, 0)),
        ...[...ys].reverse().map((y) => project(view, d.length, trailing(y), sign * y, 0)),
      ];
      for (const view of ['upper', 'lower'] as const) {
        const points = outline(view);
        drawings[view].shapes.push({ zone: sided(`tailplane-${view}`, side), points });
        drawings[view].lines.push({
          weight: 'fine',
          points: steps(0.08, 0.97, 8).map((t) =>
            project(
              view,
              d.length,
              leading(t * s.halfSpan) + 0.6 * (trailing(t * s.halfSpan) - leading(t * s.halfSpan)),
              sign * t * s.halfSpan,
              0,
            ),
          ),
        });
        zones.push({
          key: sided(`tailplane-${view}`, side),
          title: `Tailplane ${view}, ${side}`,
          side,
          group: 'tail',
          closedBy: null,
          areaM2: polygonArea(points),
        });
      }
      // Edge-on, a little above the thinning fuselage.
      const z = body.bottom(tailRoot) + 0.75 * (body.top(tailRoot) - body.bottom(tailRoot));
      const at = (x: number, height: number) => project(side, d.length, x, 0, height);
      const t = d.tailRootChord * 0.05;
      drawings[side].lines.push({
        weight: 'fine',
        points: [
          at(tailRoot, z),
          at(tailRoot + d.tailRootChord * 0.3, z + t),
          at(tailRoot + d.tailRootChord, z),
          at(tailRoot + d.tailRootChord * 0.3, z - t),
          at(tailRoot, z),
        ],
      });
    }
  }
  if (d.finHeight > 0 && d.finRootChord > 0) {
    const lead = d.length - d.finRootChord;
    const foot = (x: number) => (body.top(x) + body.bottom(x)) / 2;
    const crest = body.top(lead) + d.finHeight;
    const tip = lead + d.finSweep;
    const round = d.finTipChord * 0.22;
    for (const side of SIDES) {
      const at = (x: number, z: number) => project(side, d.length, x, 0, z);
      const trail = Math.min(tip + d.finTipChord, d.length * 1.03);
      const points: Point[] = [
        at(lead, foot(lead) + (body.top(lead) - foot(lead)) * 0.98),
        at(lead + d.finSweep * 0.2, body.top(lead) + d.finHeight * 0.16),
        at(tip, crest - round),
        at(tip + round, crest),
        at(trail - round * 0.6, crest),
        at(trail, crest - round * 1.2),
        at(d.length, foot(d.length)),
        at(d.length - d.finRootChord * 0.5, foot(d.length - d.finRootChord * 0.5)),
      ];
      const key = sided('fin', side);
      drawings[side].shapes.push({ zone: key, points });
      const hinge = (z: number) =>
        lead +
        d.finRootChord * 0.6 +
        (tip + d.finTipChord * 0.55 - lead - d.finRootChord * 0.6) * ((z - foot(lead)) / (crest - foot(lead)));
      drawings[side].lines.push({
        weight: 'fine',
        points: [at(hinge(crest), crest), at(hinge(foot(d.length)), foot(d.length))],
      });
      zones.push({
        key,
        title: `Fin and rudder, ${side}`,
        side,
        group: 'tail',
        closedBy: null,
        areaM2: polygonArea(points),
      });
    }
    // From above the fin is a line.
    drawings.upper.lines.push({
      weight: 'bold',
      points: [project('upper', d.length, lead, 0, 0), project('upper', d.length, d.length, 0, 0)],
    });
  }
  return zones;
}
