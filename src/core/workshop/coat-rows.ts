import type { BriefView } from '@/core/derive/derive';
import type { Kept } from '@/core/kept/records';
import { figuresOfWay } from '@/core/kit/applying';
import type { Tool } from '@/core/kit/tools';
import { modelAreaOfZones } from '@/core/outline/outline';
import { spokenZones } from '@/core/outline/spoken';
import { COAT_ROLES, ROLE_FACTS, type CoatRole } from '@/core/paint/coat-roles';
import type { Coat } from '@/core/paint/drying';
import { CUP_ML, planCup, type Ml } from '@/core/paint/quantity';
import { SPRAYING } from '@/core/paint/spraying';
import { coatOf, partsOfCoat, type CoatPart } from '@/core/route/general-coats';

/** A coat that no colour calls for, as the route of a brief lays it. */
export interface CoatRow {
  role: CoatRole;
  title: string;
  does: string;
  record: Kept<'general_coat'> | null;
  /** What is laid: the product by name, or what is assumed of one. */
  laid: string;
  /** As it dries. */
  coat: Coat;
  /** Zones that it was chosen for, as one says them; '' where it is laid wherever no other is. */
  on: string;
  /** Zones that get it, as one says them, and how often it goes on; '' where the route lays none of it. */
  where: string;
  times: number;
  /** Zones that it is laid on, or may be chosen for. */
  places: { key: string; title: string }[];
  /** Off the bottle, for what the route lays of it. */
  neededMl: Ml;
}

/** Coats that only some ways of light and shade know. */
const OF_SCHOOLS: ReadonlySet<CoatRole> = new Set(['shade', 'marbling']);

/** Primer, shades and clears as the route lays them: where, how often, how much; below each what is laid in its place on some zones. */
export function coatRows(
  { wanted, route, outline, state: { brief, coats } }: Pick<BriefView, 'wanted' | 'route' | 'outline' | 'state'>,
  tools: readonly Tool[],
  factor: number,
): CoatRow[] {
  return COAT_ROLES.flatMap((role) => {
    const steps = route.steps.filter((step) => step.coat === role);
    const kept = coats.filter((own) => own.role === role);
    // What only some schools lay is asked for by those alone.
    if (OF_SCHOOLS.has(role) && steps.length === 0 && kept.length === 0) return [];
    const zoned = kept.filter(({ zones }) => zones.length > 0);
    const named = new Set(zoned.flatMap(({ zones }) => zones));
    const laid = new Set(steps.flatMap((step) => step.zones));
    const rowOf = (record: CoatRow['record'], isHere: (zone: string) => boolean): CoatRow => {
      const own = steps.filter(({ zones }) => zones.some(isHere));
      const on = record?.zones ?? [];
      const [{ facts }] = partsOfCoat(coatOf(role), on, wanted) as [CoatPart];
      const takes = figuresOfWay(facts.way ?? wanted.general, tools);
      const neededMl = own.reduce(
        (sum, { zones, passes }) =>
          sum +
          planCup(
            { areaCm2: modelAreaOfZones(outline, zones, brief.denominator), coats: passes, ...takes },
            { cupMl: CUP_ML, thinRatio: SPRAYING[facts.chemistry].ratio, factor },
          ).paintMl,
        0,
      );
      const zones = [...new Set(own.flatMap((step) => step.zones))];
      return {
        role,
        title: ROLE_FACTS[role].title,
        does: ROLE_FACTS[role].does,
        record,
        laid: facts.title,
        coat: { chemistry: facts.chemistry, dries: facts.dries },
        on: on.length > 0 ? spokenZones(outline.zones, on) : '',
        where: zones.length > 0 ? spokenZones(outline.zones, zones) : '',
        times: own.length,
        places: outline.zones.flatMap(({ key, title }) =>
          on.includes(key) || (laid.has(key) && !named.has(key)) ? [{ key, title }] : [],
        ),
        neededMl,
      };
    };
    return [
      rowOf(kept.find(({ zones }) => zones.length === 0) ?? null, (zone) => !named.has(zone)),
      ...zoned.map((record) => rowOf(record, (zone) => record.zones.includes(zone))),
    ];
  });
}
