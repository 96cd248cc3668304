import { rectangle, type Point } from '@/core/geometry/polygon';
import { girthOfBreadth, girthOfHeight } from './body';
import type { Chart } from './chart';
import type { Dimensions } from './dimensions';
import type { SkinPart } from './parts';
import type { Preset } from './preset';
import { zoneOf } from './zones';

/** Windows along the side, first and last as shares of the glazed length. */
const PANES = {
  cabin: [
    [0.12, 0.42],
    [0.46, 0.72],
    [0.76, 0.98],
  ],
  nose: [
    [0.12, 0.5],
    [0.56, 0.98],
  ],
} as const;
/** Sill and lintel of the windows as shares of the fuselage's height, and how far the screen reaches from the spine. */
const [SILL, LINTEL, ROOF] = [0.61, 0.93, 0.95];
/** The screen over the front: how far aft it reaches as a share of the glazed length, and across as a share of the breadth. */
const SCREEN = { cabin: 0.3, nose: 0.75, across: 0.8 } as const;

/** Panes let into the skin of nose or cabin; a canopy is a body of its own. */
export function paneParts(preset: Preset, d: Dimensions, fuselage: Chart): SkinPart[] {
  const { glazing: kind } = preset;
  if (d.canopyLength <= 0 || (kind !== 'cabin' && kind !== 'nose') || fuselage.on.kind !== 'body') return [];
  const { n } = fuselage.on.body.sections[0]!;
  const girth = (height: number) => girthOfHeight(n, 2 * height - 1);
  const at = (share: number) => d.canopyStation + share * d.canopyLength;
  const [top, bottom] = [girth(LINTEL), girth(SILL)];
  const screen = Math.min(girthOfBreadth(n, SCREEN.across), girth(ROOF));
  const region = (ring: Point[]) => ({ zone: 'canopy', chart: fuselage, region: [ring], glass: true });
  return [
    {
      level: 76,
      regions: [
        ...PANES[kind].flatMap(([from, to]) => [
          region([...rectangle(at(from), top, at(to), bottom)]),
          region([...rectangle(at(from), 360 - bottom, at(to), 360 - top)]),
        ]),
        region([...rectangle(at(0), 0, at(SCREEN[kind]), screen)]),
        region([...rectangle(at(0), 360 - screen, at(SCREEN[kind]), 360)]),
      ],
      lines: [],
      zones: [zoneOf('canopy', 'Canopy frames', 'glazing')],
    },
  ];
}
