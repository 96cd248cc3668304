import { chartsOf, type Outline } from './outline';
import { bodySkin, liftingSkin, type Skin } from './skin-area';
import { solidArea, solidPoint } from './solid';

/** Steps round a body that are fine enough for a centre. */
const ROUND = 36;

/** The developed skin of the whole airframe, m2, and the station of its centre, m aft of the nose. */
export function skinBalance(outline: Pick<Outline, 'regions' | 'solids'>): { areaM2: number; centreM: number } {
  const halves = new Set<unknown>();
  const skins: Skin[] = chartsOf(outline).flatMap(({ on }) => {
    if (on.kind === 'body') return [bodySkin(on.body, ROUND, 1)];
    // Both faces of one wing are two surfaces of one piece.
    const name = JSON.stringify(on.of);
    if (halves.has(name)) return [];
    halves.add(name);
    return [liftingSkin(on.of, ROUND)];
  });
  for (const solid of outline.solids) {
    const { sections } = solid.body;
    const middle = (sections[0]!.x + sections.at(-1)!.x) / 2;
    const area = solidArea(solid);
    skins.push({ area, moment: area * solidPoint(solid, middle, 0)[0] });
  }
  const areaM2 = skins.reduce((sum, { area }) => sum + area, 0);
  return { areaM2, centreM: skins.reduce((sum, { moment }) => sum + moment, 0) / areaM2 };
}
