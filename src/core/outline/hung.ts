import { closesOver, hangsInside, type OutsideStation, type StoreAt } from '@/core/kit/stores';
import { capital } from '@/core/units/words';
import type { Xyz } from './body';
import type { Dimensions } from './dimensions';
import type { SkinPart } from './parts';
import type { Profile } from './profile';
import { solidBetween } from './solid';
import { isHigh, outwards, SIDES, type HalfSide } from './wings';
import { sided, zoneOf, type View } from './zones';

/** How far out each station lies, as a share of the half span, and the zone key of what hangs there. */
const STATIONS: Record<OutsideStation, { out: number; side: HalfSide | null; key: string }> = {
  'centre line': { out: 0, side: null, key: 'store-centre' },
  'port inner': { out: 0.36, side: 'port', key: sided('store-inner', 'port') },
  'starboard inner': { out: 0.36, side: 'starboard', key: sided('store-inner', 'starboard') },
  'port outer': { out: 0.62, side: 'port', key: sided('store-outer', 'port') },
  'starboard outer': { out: 0.62, side: 'starboard', key: sided('store-outer', 'starboard') },
  'port tip': { out: 1, side: 'port', key: sided('store-tip', 'port') },
  'starboard tip': { out: 1, side: 'starboard', key: sided('store-tip', 'starboard') },
};

/** What hangs inside has its place in no view. */
const BAY = 'store-bay';

/** Zones that a machine of any kind may have, as soon as something hangs there. */
export const HUNG_ZONES: readonly string[] = [...Object.values(STATIONS).map(({ key }) => key), BAY];

/** A store as long as this share of the root chord, and as slender: blunt ahead, thinning aft. */
const LENGTH = 0.9;
const SLENDER = 0.18;
const SHAPE = [
  { t: 0, share: 0.15 },
  { t: 0.08, share: 0.62 },
  { t: 0.2, share: 0.9 },
  { t: 0.38, share: 1 },
  { t: 0.6, share: 0.93 },
  { t: 0.85, share: 0.5 },
  { t: 1, share: 0.08 },
] as const;
/** Skin of such a body, as a share of that of a cylinder around it. */
const FULLNESS = 0.8;
/** A pylon's height and thickness as shares of the store's diameter. */
const PYLON = { height: 0.6, thick: 0.18, length: 0.55 };

/** What hangs at each station, on a pylon of the colour of what it hangs from. */
export function hungParts(profile: Profile, d: Dimensions, stores: readonly StoreAt[]): SkinPart[] {
  const chord = d.rootChord || d.length * 0.2;
  const [length, diameter] = [LENGTH * chord, SLENDER * LENGTH * chord];
  return stores.flatMap(({ station, carries }): SkinPart[] => {
    const part = { regions: [], lines: [], zones: [] };
    const title = `${capital(carries)}, ${station}`;
    if (hangsInside(station))
      // Looked into through the open doors of the bay, whatever is closed over the cockpit.
      return [
        {
          ...part,
          level: 0,
          solids: [],
          zones: [
            {
              ...zoneOf(BAY, title, 'interior'),
              isOpen: true,
              closedBy: closesOver(station),
              areaM2: Math.PI * diameter * length * FULLNESS,
            },
          ],
        },
      ];
    const { out, side, key } = STATIONS[station];
    const y = (side ? outwards(side) : 1) * out * (d.span / 2);
    const middle = side ? d.wingStation + out * d.wingSweep + d.rootChord * 0.4 : d.wingStation + d.rootChord / 2;
    const under = side
      ? d.wingHeight + Math.abs(y) * Math.tan((d.dihedral * Math.PI) / 180) - 0.05 * chord * (1 - out)
      : profile.bottom(middle);
    const isTip = out === 1;
    const z = isTip ? under : under - (PYLON.height + 0.5) * diameter;
    const views: readonly View[] = side ? [side, 'lower', ...(isTip ? (['upper'] as const) : [])] : [...SIDES, 'lower'];
    const at = (along: number, height: number): Xyz => [middle + along * length, y, height];
    const body = solidBetween(
      { zone: key, views },
      at(-0.5, z),
      at(0.5, z),
      SHAPE.map(({ t, share }) => ({ t, width: share * diameter, height: share * diameter })),
    );
    const pylon = solidBetween(
      { zone: side ? sided('wing-lower', side) : 'fuselage-lower', views: side ? [side] : SIDES },
      at(-PYLON.length / 2, under - (PYLON.height / 2) * diameter),
      at(PYLON.length / 2, under - (PYLON.height / 2) * diameter),
      [0, 1].map((t) => ({
        t,
        width: PYLON.thick * diameter,
        height: (PYLON.height + 0.3) * diameter,
        n: 6,
      })),
    );
    return [
      // Its upper edge lies inside the wing, which is drawn over it.
      ...(isTip
        ? []
        : [{ ...part, level: (isHigh(d) ? 40 : 20) - 1, levels: { port: 44, starboard: 44 }, solids: [pylon] }]),
      {
        ...part,
        level: 82,
        solids: [body],
        zones: [zoneOf(key, title, 'stores', side ?? 'both')],
      },
    ];
  });
}
