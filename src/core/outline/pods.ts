import type { Landing } from '@/core/kit/options';
import { rectangle, steps, type Point, type Polygon } from '@/core/geometry/polygon';
import { girthOfBreadth, type Body, type Section } from './body';
import { bodyChart, type Chart } from './chart';
import type { Dimensions } from './dimensions';
import { slid } from './leaves';
import type { SkinPart } from './parts';
import type { Preset } from './preset';
import type { Profile } from './profile';
import { outwards, SIDES } from './wings';
import { sided, VIEWS, zoneOf, type View, type Zone } from './zones';

/** Bodies beside the fuselage: booms, nacelles, spinners, floats, and the glass of a canopy. */

const round = (x: number, radius: number, z: number): Section => ({
  x,
  width: 2 * radius,
  height: 2 * radius,
  z,
  n: 2,
});

const whole = (chart: Chart, { sections }: Body): Point[] => [
  [sections[0]!.x, 0],
  [sections.at(-1)!.x, 0],
  [sections.at(-1)!.x, 360],
  [sections[0]!.x, 360],
];

/** A pod a side: from the side only the nearer is seen. */
const pair = (
  key: string,
  title: string,
  group: Zone['group'],
  level: number,
  d: Dimensions,
  y: number,
  sections: readonly Section[],
): SkinPart[] =>
  SIDES.map((side): SkinPart => {
    const body = { y: side === 'port' ? -y : y, sections };
    const chart = bodyChart(sided(key, side), body, d.length, [side]);
    return {
      level,
      regions: [{ zone: sided(key, side), chart, region: [whole(chart, body)] }],
      lines: [],
      zones: [zoneOf(sided(key, side), `${title}, ${side}`, group, side)],
    };
  });

/** Tail booms from the wing to the tail, thinning aft. */
export function boomParts(d: Dimensions): SkinPart[] {
  if (d.boomSpacing <= 0 || d.boomDiameter <= 0) return [];
  const [from, to, half] = [d.wingStation + d.rootChord * 0.4, d.length, d.boomDiameter / 2];
  return pair('boom', 'Tail boom', 'fuselage', 55, d, d.boomSpacing, [
    round(from, half, d.wingHeight),
    round(to, half * 0.6, d.wingHeight + half * 0.1),
  ]);
}

/** Where pods at the tail begin, as a share of the length, and their middle above the belly, as a share of the fuselage's height. */
const [POD_FRONT, POD_HEIGHT] = [0.66, 0.68];

/** Engines on the wing, fullest before its leading edge and thinning to nothing behind it; or in pods beside the tail. */
export function nacelleParts({ pods = 'wings' }: Preset, d: Dimensions): SkinPart[] {
  if (d.engineSpacing <= 0 || d.nacelleLength <= 0) return [];
  const isAft = pods === 'tail';
  const front = isAft ? d.length * POD_FRONT : d.wingStation - d.nacelleLength * 0.5;
  const height = isAft ? d.fuselageHeight * POD_HEIGHT : d.wingHeight;
  const radius = (t: number) =>
    (d.nacelleDiameter / 2) *
    (0.62 + 0.38 * Math.sin(Math.PI * Math.min(1, t * 1.6))) *
    (t > 0.55 ? Math.cos(((t - 0.55) / 0.45) * 1.35) : 1);
  return pair(
    'nacelle',
    'Nacelle',
    'engines',
    65,
    d,
    d.engineSpacing,
    steps(0, 1, 18).map((t) => round(front + t * d.nacelleLength, radius(t), height)),
  );
}

/** The spinner before the nose. */
export function spinnerParts(profile: Profile, preset: Preset, d: Dimensions): SkinPart[] {
  if (!preset.propulsion.endsWith('nose propeller') || d.propellerDiameter <= 0) return [];
  const z = (profile.top(0) + profile.bottom(0)) / 2;
  const radius = (profile.top(0.02 * d.length) - profile.bottom(0.02 * d.length)) / 2;
  const [foot, reach] = [0.02 * d.length, 0.05 * d.length];
  const body: Body = {
    y: 0,
    sections: steps(0, 1, 14).map((t) => round(foot - reach * (1 - t), radius * Math.sqrt(1 - (1 - t) ** 2), z)),
  };
  const chart = bodyChart('spinner', body, d.length);
  return [
    {
      level: 70,
      regions: [{ zone: 'spinner', chart, region: [whole(chart, body)] }],
      lines: [],
      zones: [zoneOf('spinner', 'Spinner', 'propeller')],
    },
  ];
}

/** A float under each side. */
export function floatParts(d: Dimensions, landing: Landing): SkinPart[] {
  if (landing !== 'floats' || d.gearHeight <= 0) return [];
  const [deep, reach] = [0.6, 3.4];
  const keel = -d.gearHeight;
  const [bow, step, stern] = [d.mainWheelStation - reach * 0.62, d.mainWheelStation, d.mainWheelStation + reach * 0.48];
  const section = (x: number, height: number, top: number): Section => ({
    x,
    width: height * 1.15,
    height,
    z: top - height / 2,
    n: 2.6,
  });
  const top = keel + deep;
  const sections = [
    section(bow, 0.1, top + 0.12),
    section(bow + 0.3, deep * 0.7, top + 0.06),
    section(bow + 0.8, deep, top),
    section(step, deep, top),
    section(step + 0.05, deep * 0.85, top),
    section(stern, 0.12, top),
  ];
  return SIDES.map((side): SkinPart => {
    const body = { y: (outwards(side) * d.mainTrack) / 2, sections };
    const chart = bodyChart(`float-${side}`, body, d.length, [side]);
    return {
      level: 80,
      levels: { upper: 2, lower: 80 },
      regions: [{ zone: 'gear-main', chart, region: [whole(chart, body)] }],
      lines: [],
      zones: [zoneOf('gear-main', 'Main gear legs and floats', 'gear')],
    };
  });
}

/** Of a canopy only the frames are painted. */
export const FRAMES_SHARE = 0.25;

/** The windscreen stays where it is: up to this share of the length of the canopy. */
const WINDSCREEN = 0.3;
/** How far a hood slides aft, as a share of the length of the canopy, and how high over the spine, m. */
const HOOD = { slides: 0.58, above: 0.02 } as const;
/** The opening under a canopy: between shares of its length, this share of its breadth. */
const OPENING = { from: 0.12, to: 0.82, breadth: 0.8 } as const;
/** Breadth of a canopy as a share of the fuselage's. */
const CANOPY_BREADTH = 0.62;

/** The cockpit as it is seen from above, in the skin of the fuselage: on either side of its spine. */
function cockpitUnder({ on }: Chart, d: Dimensions, bulge: (t: number) => number): Polygon[] {
  if (on.kind !== 'body') return [];
  const { n } = on.body.sections[0]!;
  const edge = steps(OPENING.from, OPENING.to, 16).map((t): Point => [
    d.canopyStation + t * d.canopyLength,
    girthOfBreadth(n, CANOPY_BREADTH * OPENING.breadth * bulge(t)),
  ]);
  const [first, last] = [edge[0]![0], edge.at(-1)![0]];
  return [
    [[first, 0], [last, 0], ...[...edge].reverse()],
    [[first, 360], [last, 360], ...[...edge].reverse().map(([x, q]): Point => [x, 360 - q])],
  ];
}

/** The glass of a canopy with its frames: the upper half of a bubble that sits in the spine. */
export function canopyParts(profile: Profile, preset: Preset, d: Dimensions, fuselage: Chart): SkinPart[] {
  if (preset.glazing !== 'canopy' || d.canopyLength <= 0) return [];
  const bulge = (t: number) => Math.max(0, Math.sin(Math.PI * Math.max(0, t) ** 0.72)) ** 0.62;
  const body: Body = {
    y: 0,
    sections: steps(0, 1, 22).map((t): Section => {
      const x = d.canopyStation + t * d.canopyLength;
      return {
        x,
        width: 2 * profile.halfWidth(x) * CANOPY_BREADTH * bulge(t),
        height: 2 * d.canopyHeight * bulge(t) + 0.04,
        z: profile.top(x) - 0.02,
        n: 2,
      };
    }),
  };
  const chart = bodyChart('canopy', body, d.length);
  // Its lower half lies inside the fuselage.
  const above = (view: View) => view !== 'lower';
  const seen = Object.fromEntries(VIEWS.filter(above).map((view) => [view, chart.seen[view]!]));
  const [from, to] = [d.canopyStation, d.canopyStation + d.canopyLength];
  const hood = { ...chart, seen };
  const slide = HOOD.slides * d.canopyLength;
  return [
    {
      level: 75,
      regions: [
        {
          zone: 'canopy',
          chart: hood,
          region: [
            [
              [from, 0],
              [to, 0],
              [to, 90],
              [from, 90],
            ],
            [
              [from, 270],
              [to, 270],
              [to, 360],
              [from, 360],
            ],
          ],
          glass: true,
        },
      ],
      leaves: [
        {
          opens: 'canopy',
          chart: hood,
          region: [rectangle(from + WINDSCREEN * d.canopyLength, 0, to, 360)],
          motion: slid([slide, 0, Math.max(0, profile.top(to + slide) - profile.top(to)) + HOOD.above]),
          inside: null,
        },
      ],
      sights: [{ of: 'cockpit', opens: null, chart: fuselage, region: cockpitUnder(fuselage, d, bulge) }],
      lines: [WINDSCREEN, 0.62].map((share, i) => ({
        id: `canopy frame ${i + 1}`,
        kind: 'panel' as const,
        chart: hood,
        points: [
          [from + share * d.canopyLength, 270],
          [from + share * d.canopyLength, 450],
        ],
      })),
      zones: [zoneOf('canopy', 'Canopy frames', 'glazing')],
    },
  ];
}
