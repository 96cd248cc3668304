import type { Landing } from '@/core/kit/options';
import { project, type Drawings } from './drawing';
import type { Dimensions } from './dimensions';
import { ellipse, polygonArea, rectangle, steps, type Point } from '@/core/geometry/polygon';
import type { Preset } from './preset';
import type { Body } from './profile';
import { sided, type Zone, type ZoneGroup } from './zones';

const SIDES = ['port', 'starboard'] as const;

const zone = (
  key: string,
  title: string,
  group: ZoneGroup,
  areaM2 = 0,
  side: Zone['side'] = 'both',
  closedBy: Zone['closedBy'] = null,
): Zone => ({
  key,
  title,
  side,
  group,
  closedBy,
  areaM2,
});

/** The glass with its frame: a bubble on the spine, or panes let into nose and cabin. */
export function drawGlazing(drawings: Drawings, body: Body, preset: Preset, d: Dimensions): Zone[] {
  if (d.canopyLength <= 0) return [];
  const from = d.canopyStation;
  const to = from + d.canopyLength;
  const xs = steps(from, to, 18);
  const bulge = (x: number) =>
    Math.max(0, Math.sin(Math.PI * Math.max(0, (x - from) / d.canopyLength) ** 0.72)) ** 0.62;
  let side: Point[] = [];
  for (const view of SIDES) {
    const at = (x: number, z: number) => project(view, d.length, x, 0, z);
    if (preset.glazing === 'canopy') {
      side = [
        ...xs.map((x) => at(x, body.top(x) + d.canopyHeight * bulge(x))),
        ...[...xs].reverse().map((x) => at(x, body.top(x) - 0.02)),
      ];
      drawings[view].shapes.push({ zone: 'canopy', points: side, glass: true });
      for (const share of [0.3, 0.62]) {
        const x = from + share * d.canopyLength;
        drawings[view].lines.push({
          weight: 'fine',
          points: [at(x, body.top(x)), at(x, body.top(x) + d.canopyHeight * bulge(x))],
        });
      }
    } else {
      const pane = (a: number, b: number): Point[] => {
        const level = (x: number, h: number) => body.bottom(x) + h * (body.top(x) - body.bottom(x));
        return [at(a, level(a, 0.62)), at(a, level(a, 0.93)), at(b, level(b, 0.93)), at(b, level(b, 0.6))];
      };
      const panes =
        preset.glazing === 'cabin'
          ? [
              [0.12, 0.42],
              [0.46, 0.72],
              [0.76, 0.98],
            ]
          : [
              [0.12, 0.5],
              [0.56, 0.98],
            ];
      for (const [a, b] of panes) {
        const points = pane(from + a! * d.canopyLength, from + b! * d.canopyLength);
        side = side.length ? side : points;
        drawings[view].shapes.push({ zone: 'canopy', points, glass: true });
      }
    }
  }
  const half = (x: number) =>
    preset.glazing === 'canopy' ? body.halfWidth(x) * 0.62 * bulge(x) : body.halfWidth(x) * 0.8;
  const reach =
    preset.glazing === 'canopy'
      ? xs
      : steps(from, from + d.canopyLength * (preset.glazing === 'cabin' ? 0.3 : 0.75), 10);
  const above = [
    ...reach.map((x) => project('upper', d.length, x, half(x), 0)),
    ...[...reach].reverse().map((x) => project('upper', d.length, x, -half(x), 0)),
  ];
  drawings.upper.shapes.push({ zone: 'canopy', points: above, glass: true });
  return [zone('canopy', 'Canopy frames', 'glazing', polygonArea(above) * 0.25)];
}

/** Spinner and propeller disc, at the nose or on the nacelles. */
export function drawPropulsion(drawings: Drawings, body: Body, preset: Preset, d: Dimensions, folded: boolean): Zone[] {
  if (preset.propulsion === 'rotor') return drawRotor(drawings, body, d, folded);
  const zones: Zone[] =
    preset.propulsion === 'rotor and nose propeller'
      ? drawRotor(drawings, body, d, folded).filter(({ key }) => key !== 'tail-rotor')
      : [];
  const r = d.propellerDiameter / 2;
  const spinner = (u: number, v: number, radius: number, length: number, dir: 1 | -1): Point[] =>
    steps(-1, 1, 12).map((t) => [u - dir * length * Math.sqrt(1 - t * t), v + t * radius] as const);
  if (preset.propulsion.endsWith('nose propeller') && r > 0) {
    const centre = (body.top(0) + body.bottom(0)) / 2;
    const radius = (body.top(0.02 * d.length) - body.bottom(0.02 * d.length)) / 2;
    for (const view of ['port', 'starboard', 'upper', 'lower'] as const) {
      const [u, v] = project(view, d.length, 0, 0, centre);
      const dir = view === 'starboard' ? -1 : 1;
      drawings[view].shapes.push({
        zone: 'spinner',
        points: spinner(u + dir * 0.04 * d.length, v, radius, 0.07 * d.length, dir),
      });
      drawings[view].lines.push({
        weight: 'bold',
        points: [
          [u - dir * 0.05, v - r],
          [u - dir * 0.05, v + r],
        ],
      });
    }
    zones.push(
      zone('spinner', 'Spinner', 'propeller', Math.PI * radius * radius * 1.6),
      zone('propeller', 'Propeller', 'propeller', r * 0.35),
    );
  }
  if (d.engineSpacing > 0 && d.nacelleLength > 0) {
    const front = d.wingStation - d.nacelleLength * 0.5;
    const shape = (u: number, v: number, dir: 1 | -1, rad: number): Point[] => {
      const ts = steps(0, 1, 16);
      const half = (t: number) =>
        rad *
        (0.62 + 0.38 * Math.sin(Math.PI * Math.min(1, t * 1.6))) *
        (t > 0.55 ? Math.cos(((t - 0.55) / 0.45) * 1.35) : 1);
      return [
        ...ts.map((t) => [u + dir * t * d.nacelleLength, v - half(t)] as const),
        ...[...ts].reverse().map((t) => [u + dir * t * d.nacelleLength, v + half(t)] as const),
      ];
    };
    for (const side of SIDES) {
      const sign = side === 'port' ? -1 : 1;
      const key = sided('nacelle', side);
      for (const view of ['upper', 'lower', side] as const) {
        const [u, v] = project(view, d.length, front, sign * d.engineSpacing, d.wingHeight);
        const dir = view === 'starboard' ? -1 : 1;
        drawings[view].shapes.push({ zone: key, points: shape(u, v, dir, d.nacelleDiameter / 2) });
        if (r > 0)
          drawings[view].lines.push({
            weight: 'bold',
            points: [
              [u - dir * 0.1, v - r],
              [u - dir * 0.1, v + r],
            ],
          });
      }
      zones.push(zone(key, `Nacelle, ${side}`, 'engines', Math.PI * d.nacelleDiameter * d.nacelleLength * 0.7, side));
    }
    if (r > 0) zones.push(zone('propeller', 'Propellers', 'propeller', r * 0.7));
  }
  return zones;
}

/** Three blades: spread at thirds of the circle, or folded aft over the boom. */
function drawRotor(drawings: Drawings, body: Body, d: Dimensions, folded: boolean): Zone[] {
  const hub = 0.32 * d.length;
  const mast = body.top(hub) + d.fuselageHeight * 0.28;
  const r = d.rotorDiameter / 2;
  for (const view of SIDES) {
    const at = (x: number, z: number) => project(view, d.length, x, 0, z);
    drawings[view].shapes.push({
      zone: 'rotor-head',
      points: [
        at(hub - 0.16, body.top(hub) - 0.03),
        at(hub - 0.09, mast + 0.1),
        at(hub + 0.09, mast + 0.1),
        at(hub + 0.16, body.top(hub) - 0.03),
      ],
    });
    // Seen from the side: one long blade aft when folded; else one aft and two foreshortened ahead, all drooping a little.
    for (const reach of folded ? [r] : [r, -r / 2]) {
      drawings[view].shapes.push({
        zone: 'rotor-blades',
        points: [at(hub, mast + 0.06), at(hub + reach, mast - 0.2), at(hub + reach, mast - 0.27), at(hub, mast - 0.02)],
      });
    }
    const [u, v] = at(d.length - 0.12, body.top(d.length) + d.finHeight * 0.55);
    // A rotor that is driven turns the body the other way: only then a second one holds it.
    if (d.propellerDiameter === 0)
      drawings[view].shapes.push({ zone: 'tail-rotor', points: ellipse(u, v, 0.09, d.rotorDiameter * 0.075) });
  }
  for (const angle of folded ? [-9, 0, 9] : [0, 120, 240]) {
    const rad = (angle * Math.PI) / 180;
    const chord = 0.13;
    const at = (along: number, across: number) =>
      project(
        'upper',
        d.length,
        hub + along * Math.cos(rad) - across * Math.sin(rad),
        along * Math.sin(rad) + across * Math.cos(rad),
        0,
      );
    drawings.upper.shapes.push({
      zone: 'rotor-blades',
      points: [at(0.1, chord / 2), at(r, chord / 2), at(r, -chord / 2), at(0.1, -chord / 2)],
    });
  }
  const [u, v] = project('upper', d.length, hub, 0, 0);
  drawings.upper.shapes.push({ zone: 'rotor-head', points: ellipse(u, v, 0.2, 0.2) });
  return [
    zone('rotor-head', 'Rotor head and mast', 'rotor', 0.5),
    zone('rotor-blades', 'Main rotor blades', 'rotor', r * 0.26 * 6),
    zone('tail-rotor', 'Tail rotor', 'rotor', 0.2),
  ];
}

/** Wheels (or skis, floats, skids) with their legs, and the bays they leave open underneath. */
export function drawGear(drawings: Drawings, body: Body, preset: Preset, d: Dimensions, landing: Landing): Zone[] {
  const ground = -d.gearHeight;
  if (d.gearHeight <= 0) return [];
  if (landing === 'skids') {
    for (const view of SIDES) {
      const at = (x: number, z: number) => project(view, d.length, x, 0, z);
      const [a, b] = [d.mainWheelStation - 1.7, d.mainWheelStation + 1.6];
      drawings[view].shapes.push({
        zone: 'skids',
        points: [
          at(a - 0.25, ground + 0.22),
          at(a, ground + 0.07),
          at(b, ground + 0.07),
          at(b, ground),
          at(a - 0.05, ground),
          at(a - 0.33, ground + 0.2),
        ],
      });
      for (const x of [a + 0.8, b - 0.8])
        drawings[view].shapes.push({
          zone: 'skids',
          points: [
            at(x - 0.04, ground + 0.07),
            at(x - 0.04, body.bottom(x) + 0.05),
            at(x + 0.04, body.bottom(x) + 0.05),
            at(x + 0.04, ground + 0.07),
          ],
        });
    }
    for (const sign of [-1, 1]) {
      const y = (sign * d.mainTrack) / 2;
      drawings.lower.shapes.push({
        zone: 'skids',
        points: rectangle(d.mainWheelStation - 1.7, y - 0.05, d.mainWheelStation + 1.6, y + 0.05),
      });
    }
    return [zone('skids', 'Skids', 'gear', 1.2)];
  }
  const third = preset.thirdWheel === 'nose' ? 'nose' : 'tail';
  for (const view of SIDES) {
    const at = (x: number, z: number) => project(view, d.length, x, 0, z);
    const leg = (key: string, x: number, diameter: number, foot: number) => {
      const z = foot + diameter / 2;
      const w = diameter * 0.11;
      drawings[view].shapes.unshift({
        zone: key,
        points: [at(x - w, z), at(x - w, body.bottom(x) + 0.2), at(x + w, body.bottom(x) + 0.2), at(x + w, z)],
      });
      if (landing === 'wheels') {
        const [u, v] = at(x, z);
        drawings[view].shapes.push(
          { zone: key, points: ellipse(u, v, diameter / 2, diameter / 2) },
          { zone: key, points: ellipse(u, v, diameter * 0.26, diameter * 0.26) },
        );
      } else {
        const reach = landing === 'floats' ? 3.4 : 1.9;
        const thick = landing === 'floats' ? 0.6 : 0.12;
        const size = key === 'gear-main' ? reach : reach * 0.35;
        drawings[view].shapes.push({
          zone: key,
          points: [
            at(x - size * 0.62, foot + thick * 1.9),
            at(x - size * 0.48, foot + thick),
            at(x + size * 0.4, foot + thick),
            at(x + size * 0.4, foot + thick * 0.4),
            at(x - size * 0.42, foot),
          ],
        });
      }
    };
    leg('gear-main', d.mainWheelStation, d.mainWheelDiameter, ground);
    if (d.thirdWheelDiameter > 0) {
      const foot =
        third === 'nose'
          ? ground
          : Math.min(
              ground + (d.thirdWheelStation - d.mainWheelStation) * 0.16,
              body.bottom(d.thirdWheelStation) - d.thirdWheelDiameter,
            );
      leg(`gear-${third}`, d.thirdWheelStation, d.thirdWheelDiameter, foot);
    }
  }
  const zones = [zone('gear-main', 'Main gear legs and wheels', 'gear', d.mainWheelDiameter * 1.2)];
  if (d.thirdWheelDiameter > 0)
    zones.push(
      zone(
        `gear-${third}`,
        third === 'nose' ? 'Nose gear leg and wheel' : 'Tail wheel or ski',
        'gear',
        d.thirdWheelDiameter * 0.6,
      ),
    );
  if (landing === 'wheels' && preset.thirdWheel === 'nose') {
    const w = d.thirdWheelDiameter;
    drawings.lower.shapes.push({
      zone: 'well-nose',
      points: rectangle(d.thirdWheelStation - w * 0.5, -w * 0.45, d.thirdWheelStation + w * 2, w * 0.45),
    });
    zones.push(zone('well-nose', 'Nose-wheel bay', 'bays', w * w * 3, 'both', 'fuselage'));
  }
  if (landing === 'wheels' && d.span > 0 && d.wingHeight < d.fuselageHeight * 0.7) {
    for (const side of SIDES) {
      const sign = side === 'port' ? -1 : 1;
      const y = (d.mainTrack / 2) * sign;
      const w = d.mainWheelDiameter;
      const key = sided('well-main', side);
      drawings.lower.shapes.push({
        zone: key,
        points: rectangle(
          d.mainWheelStation - w * 0.55,
          Math.min(y, y * 0.42),
          d.mainWheelStation + w * 0.55,
          Math.max(y, y * 0.42),
        ),
      });
      zones.push(zone(key, `Main-wheel bay, ${side}`, 'bays', w * w * 3, side, 'wings'));
    }
  }
  return zones;
}

/** Rooms that no view shows. */
export function interiorZones(preset: Preset): Zone[] {
  const cockpit =
    preset.glazing === 'canopy'
      ? zone('cockpit', 'Cockpit', 'interior', 4, 'both', 'fuselage')
      : zone('cockpit', 'Flight deck and cabin', 'interior', 7, 'both', 'fuselage');
  const seat = zone('seat', 'Seat and belts', 'interior', 0.8, 'both', 'fuselage');
  const panel = zone('instrument-panel', 'Instrument panel', 'interior', 0.4, 'both', 'fuselage');
  return [cockpit, seat, panel];
}
