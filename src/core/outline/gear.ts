import type { Machine } from '@/core/kit/machine';
import type { Landing } from '@/core/kit/options';
import { ellipse, rectangle, type Point } from '@/core/geometry/polygon';
import type { Xyz } from './body';
import type { Dimensions } from './dimensions';
import { project } from './drawing';
import type { SkinPart } from './parts';
import type { Preset } from './preset';
import type { Profile } from './profile';
import { rod, solidBetween, wheel, type Solid } from './solid';
import { outwards, SIDES, type HalfSide } from './wings';
import { sided, zoneOf } from './zones';

/** A circle as a line that comes back to where it began. */
function closedRound([u, v]: Point, radius: number): Point[] {
  const round = ellipse(u, v, radius, radius);
  return [...round, round[0]!];
}

/** Main wheels of a machine that usually has none, m. */
const WHEEL_M = 0.45;

/** Wheels (or skis, skids) with their legs, and the bays they leave open underneath; floats are bodies of their own, on legs. */
export function gearParts(
  profile: Profile,
  preset: Preset,
  d: Dimensions,
  landing: Landing,
  gear: Machine['gear'],
): SkinPart[] {
  if (d.gearHeight <= 0) return [];
  if (landing === 'skids') return [skids(profile, d)];
  const third = preset.thirdWheel === 'nose' ? 'nose' : 'tail';
  const parts = legParts('gear-main', 'Main gear legs and wheels', profile, d, landing, {
    x: d.mainWheelStation,
    diameter: d.mainWheelDiameter || WHEEL_M,
    foot: -d.gearHeight,
    spread: d.mainTrack / 2,
  });
  if (d.thirdWheelDiameter > 0)
    parts.push(
      ...legParts(
        `gear-${third}`,
        third === 'nose' ? 'Nose gear leg and wheel' : 'Tail wheel or ski',
        profile,
        d,
        landing,
        {
          x: d.thirdWheelStation,
          diameter: d.thirdWheelDiameter,
          foot: third === 'nose' ? -d.gearHeight : tailFoot(profile, d),
          spread: 0,
        },
      ),
    );
  return [...parts, ...bays(preset, d, landing, gear)];
}

/** A tail wheel hangs where the machine stands on its main wheels, and clear of the skin. */
const tailFoot = (profile: Profile, d: Dimensions) =>
  Math.min(
    -d.gearHeight + (d.thirdWheelStation - d.mainWheelStation) * 0.16,
    profile.bottom(d.thirdWheelStation) - d.thirdWheelDiameter,
  );

/** Length, breadth and thickness of a main ski, m; the third one is smaller. */
const SKI = { length: 1.9, breadth: 0.34, thick: 0.12, third: 0.35 };

function legParts(
  zone: string,
  title: string,
  profile: Profile,
  d: Dimensions,
  landing: Landing,
  { x, diameter, foot, spread }: { x: number; diameter: number; foot: number; spread: number },
): SkinPart[] {
  // One leg that stands on the centre line is seen from both sides.
  const stands =
    spread > 0 ? SIDES.map((side) => ({ y: outwards(side) * spread, views: [side] })) : [{ y: 0, views: SIDES }];
  const z = foot + diameter / 2;
  const legs: Solid[] = [];
  const feet: Solid[] = [];
  for (const { y, views } of stands) {
    legs.push(rod({ zone, views }, [x, y, z], [x, y, profile.bottom(x) + 0.2], diameter * 0.11));
    if (landing === 'wheels') feet.push(wheel({ zone, views }, [x, y, z], diameter));
    else if (landing === 'skis') feet.push(ski({ zone, views }, [x, y, foot], zone === 'gear-main' ? 1 : SKI.third));
  }
  const part = { regions: [], lines: [], zones: [zoneOf(zone, title, 'gear')] };
  const hubs = SIDES.map((view) => ({
    view,
    fine: true,
    points: closedRound(project(view, d.length, x, 0, z), diameter * 0.26),
  }));
  return [
    // Legs go up into the airframe.
    { ...part, level: 1, solids: legs },
    { ...part, level: 85, solids: feet, ...(landing === 'wheels' ? { bars: hubs } : {}) },
  ];
}

/** Its tip is turned up. */
function ski(placed: { zone: string; views: readonly HalfSide[] }, [x, y, foot]: Xyz, size: number): Solid {
  const length = SKI.length * size;
  const [breadth, thick] = [SKI.breadth * size, SKI.thick];
  return solidBetween(
    placed,
    [x - length * 0.62, y, foot + thick],
    [x + length * 0.4, y, foot + thick / 2],
    [
      { t: 0, width: breadth * 0.4, height: thick * 0.4, n: 4 },
      { t: 0.15, width: breadth, height: thick, n: 4 },
      { t: 1, width: breadth, height: thick, n: 4 },
    ],
  );
}

/** Two tubes with their fronts turned up, each on two struts. */
function skids(profile: Profile, d: Dimensions): SkinPart {
  const radius = 0.035;
  const z = -d.gearHeight + radius;
  const [from, to] = [d.mainWheelStation - 1.7, d.mainWheelStation + 1.6];
  const solids = SIDES.flatMap((side) => {
    const y = (outwards(side) * d.mainTrack) / 2;
    const placed = { zone: 'skids', views: [side, 'lower'] as const };
    const struts = [from + 0.8, to - 0.8].map((x) =>
      rod(placed, [x, y, z], [x, y * 0.45, profile.bottom(x) + 0.05], radius * 1.2),
    );
    return [
      rod(placed, [from, y, z], [to, y, z], radius),
      rod(placed, [from - 0.3, y, z + 0.18], [from, y, z], radius),
      ...struts,
    ];
  });
  return { level: 80, regions: [], lines: [], solids, zones: [zoneOf('skids', 'Skids', 'gear')] };
}

/** Openings under the machine. Seen from below they are drawn without what stands in them, since they are worked on so. */
function bays(preset: Preset, d: Dimensions, landing: Landing, gear: Machine['gear']): SkinPart[] {
  // What does not go up has nowhere to go.
  if (landing !== 'wheels' || gear === 'fixed') return [];
  const parts: SkinPart[] = [];
  const bay = (zone: SkinPart['zones'][number], points: ReturnType<typeof rectangle>): SkinPart => ({
    level: 86,
    regions: [],
    lines: [],
    zones: [zone],
    edgeOn: [{ view: 'lower', zone: zone.key, points }],
  });
  if (preset.thirdWheel === 'nose') {
    const w = d.thirdWheelDiameter;
    parts.push(
      bay(
        { ...zoneOf('well-nose', 'Nose-wheel bay', 'bays'), closedBy: 'fuselage', areaM2: w * w * 3 },
        rectangle(d.thirdWheelStation - w * 0.5, -w * 0.45, d.thirdWheelStation + w * 2, w * 0.45),
      ),
    );
  }
  if (d.span > 0 && d.wingHeight < d.fuselageHeight * 0.7)
    for (const side of SIDES) {
      const y = (d.mainTrack / 2) * outwards(side);
      const w = d.mainWheelDiameter;
      parts.push(
        bay(
          {
            ...zoneOf(sided('well-main', side), `Main-wheel bay, ${side}`, 'bays', side),
            closedBy: 'wings',
            areaM2: w * w * 3,
          },
          rectangle(
            d.mainWheelStation - w * 0.55,
            Math.min(y, y * 0.42),
            d.mainWheelStation + w * 0.55,
            Math.max(y, y * 0.42),
          ),
        ),
      );
    }
  return parts;
}
