import { steps, type Point } from '@/core/geometry/polygon';
import type { Xyz } from './body';
import type { Dimensions } from './dimensions';
import { project } from './drawing';
import type { SkinPart } from './parts';
import type { Preset } from './preset';
import type { Profile } from './profile';
import { blade, rod, solidBetween, type Solid } from './solid';
import { outwards, SIDES } from './wings';
import { VIEWS, zoneOf, type View } from './zones';

const RAD = Math.PI / 180;
/** Blades of a propeller: chord as a share of its diameter, thickness as one of the chord, and the angle at which they stand. */
const PROPELLER = { blades: 3, chord: 0.09, thickness: 0.12, pitchDeg: 30 };
/** Blades of a rotor, m. */
const ROTOR = { chord: 0.26, thickness: 0.035, droop: 0.23 };

/** Rotors and propellers, with the discs that they sweep. */
export function rotorParts(profile: Profile, preset: Preset, d: Dimensions, folded: boolean): SkinPart[] {
  const parts = preset.propulsion.startsWith('rotor') ? rotor(profile, d, folded) : [];
  if (d.propellerDiameter <= 0) return parts;
  const hubs: { at: Xyz; views: readonly View[] }[] = [];
  if (preset.propulsion.endsWith('nose propeller'))
    hubs.push({ at: [-0.05, 0, (profile.top(0) + profile.bottom(0)) / 2], views: VIEWS });
  if (d.engineSpacing > 0 && d.nacelleLength > 0)
    for (const side of SIDES)
      hubs.push({
        at: [d.wingStation - d.nacelleLength * 0.5 - 0.1, outwards(side) * d.engineSpacing, d.wingHeight],
        views: ['upper', 'lower', side],
      });
  if (hubs.length === 0) return parts;
  return [
    ...parts,
    {
      level: 69,
      regions: [],
      lines: [],
      solids: hubs.flatMap(({ at, views }) => propeller(at, d.propellerDiameter, views)),
      bars: hubs.flatMap(({ at, views }) =>
        views.map((view) => ({ view, fine: true, points: edgeOnDisc(at, d, view) })),
      ),
      zones: [zoneOf('propeller', hubs.length > 1 ? 'Propellers' : 'Propeller', 'propeller')],
    },
  ];
}

/** Blades round a hub, the first one up, each turned to its pitch. */
function propeller([x, y, z]: Xyz, diameter: number, views: readonly View[]): Solid[] {
  const chord = PROPELLER.chord * diameter;
  const pitch = PROPELLER.pitchDeg * RAD;
  return steps(0, 360, PROPELLER.blades)
    .slice(0, -1)
    .map((deg) => {
      const [sin, cos] = [Math.sin(deg * RAD), Math.cos(deg * RAD)];
      const tip: Xyz = [x, y + (sin * diameter) / 2, z + (cos * diameter) / 2];
      const towards: Xyz = [Math.sin(pitch), Math.cos(pitch) * cos, -Math.cos(pitch) * sin];
      return blade({ zone: 'propeller', views }, [x, y, z], tip, chord, chord * PROPELLER.thickness, towards);
    });
}

/** What a propeller sweeps, as a view beside it sees it. */
function edgeOnDisc([x, y, z]: Xyz, d: Dimensions, view: View): Point[] {
  const [u, v] = project(view, d.length, x, y, z);
  const r = d.propellerDiameter / 2;
  return [
    [u, v - r],
    [u, v + r],
  ];
}

/** Three blades: spread at thirds of the circle, or folded aft over the boom; a tail rotor where the rotor is driven. */
function rotor(profile: Profile, d: Dimensions, folded: boolean): SkinPart[] {
  const hub = 0.32 * d.length;
  const isDriven = d.propellerDiameter === 0;
  const foot = profile.top(hub) - 0.03;
  // Over a canopy the mast has to clear it.
  const mast = profile.top(hub) + d.fuselageHeight * (isDriven ? 0.28 : 0.7);
  const r = d.rotorDiameter / 2;
  const seen: readonly View[] = [...SIDES, 'upper'];
  const head = { zone: 'rotor-head', views: seen };
  const blades = (folded ? [-9, 0, 9] : [0, 120, 240]).map((deg) => {
    const [sin, cos] = [Math.sin(deg * RAD), Math.cos(deg * RAD)];
    const out = (along: number, z: number): Xyz => [hub + along * cos, along * sin, z];
    return blade(
      { zone: 'rotor-blades', views: seen },
      out(0.1, mast + 0.03),
      out(r, mast - ROTOR.droop),
      ROTOR.chord,
      ROTOR.thickness,
      [-sin, cos, 0],
    );
  });
  const tail: Xyz = [d.length - 0.12, -0.2, profile.top(d.length) + d.finHeight * 0.55];
  const reach = d.rotorDiameter * 0.075;
  const parts: SkinPart[] = [
    {
      level: 88,
      regions: [],
      lines: [],
      solids: [
        rod(head, [hub, 0, foot], [hub, 0, mast + 0.1], 0.16, 0.09),
        solidBetween(
          head,
          [hub, 0, mast - 0.02],
          [hub, 0, mast + 0.06],
          [0, 1].map((t) => ({ t, width: 0.4, height: 0.4 })),
          [1, 0, 0],
        ),
      ],
      zones: [zoneOf('rotor-head', 'Rotor head and mast', 'rotor')],
    },
    {
      level: 90,
      regions: [],
      lines: [],
      solids: blades,
      zones: [zoneOf('rotor-blades', 'Main rotor blades', 'rotor')],
    },
  ];
  // A rotor that is driven turns the body the other way: only then a second one holds it.
  if (isDriven)
    parts.push({
      level: 89,
      regions: [],
      lines: [],
      solids: [-1, 1].map((up) =>
        blade(
          { zone: 'tail-rotor', views: SIDES },
          tail,
          [tail[0], tail[1], tail[2] + up * reach],
          0.16,
          0.025,
          [1, 0, 0],
        ),
      ),
      zones: [zoneOf('tail-rotor', 'Tail rotor', 'rotor')],
    });
  return parts;
}
