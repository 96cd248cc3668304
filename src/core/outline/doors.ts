import { rectangle } from '@/core/geometry/polygon';
import { girthOfHeight } from './body';
import type { Chart } from './chart';
import type { Dimensions } from './dimensions';
import { turned } from './leaves';
import type { SkinPart } from './parts';
import type { Preset } from './preset';

/**
 * The door on the port side: that of a cabin behind its windows, of anything else a hatch behind the cockpit. From where to where aft of the
 * glass it lies, as shares of the glazed length and of the whole, and between which heights of the fuselage.
 */
const CABIN_DOOR = { from: 0.76, to: 1, sill: 0.3, lintel: 0.9 } as const;
const HATCH = { behind: 0.02, length: 0.045, sill: 0.38, lintel: 0.66 } as const;
/** How far it swings out, degrees. */
const SWINGS = 115;

export function doorParts({ glazing }: Preset, d: Dimensions, fuselage: Chart): SkinPart[] {
  if (glazing === 'none' || d.canopyLength <= 0 || fuselage.on.kind !== 'body') return [];
  const isCabin = glazing === 'cabin';
  const { sill, lintel } = isCabin ? CABIN_DOOR : HATCH;
  const behind = d.canopyStation + d.canopyLength + HATCH.behind * d.length;
  const [from, to] = isCabin
    ? [CABIN_DOOR.from, CABIN_DOOR.to].map((share) => d.canopyStation + share * d.canopyLength)
    : [behind, behind + HATCH.length * d.length];
  const { n } = fuselage.on.body.sections[0]!;
  const [top, bottom] = [lintel, sill].map((height) => 360 - girthOfHeight(n, 2 * height - 1));
  const region = [rectangle(from!, bottom!, to!, top!)];
  const hinge = [fuselage.at([from!, bottom!]), fuselage.at([from!, top!])] as const;
  return [
    {
      level: 30,
      regions: [],
      lines: [],
      zones: [],
      leaves: [
        {
          opens: 'doors',
          chart: fuselage,
          region,
          // Upright through the more outward of its corners, so that it clears the skin.
          motion: turned(hinge[0][1] < hinge[1][1] ? hinge[0] : hinge[1], [0, 0, 1], -SWINGS),
          inside: 'cockpit',
        },
      ],
      sights: [{ of: 'cockpit', opens: 'doors', chart: fuselage, region }],
    },
  ];
}
