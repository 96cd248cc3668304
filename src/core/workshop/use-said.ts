import { epochOf } from '@/core/evidence/events';
import { coveredWith } from '@/core/outline/zones';
import { daysBetween } from '@/core/units/day';
import { median } from '@/core/units/median';
import type { Exposure } from '@/core/weathering/exposure';
import type { Outline } from '@/core/outline/outline';
import { exposureSaid, withSaid, type SaidExposure, type SaidOfUse } from '@/core/weathering/from-evidence';
import type { BriefView } from '@/core/derive/derive';

/** What a brief's evidence says of the use of its machine: where it stood, how it was kept, what showed on it. */

/** How a machine was kept, by the school of weathering that was chosen for it. */
const CARE_OF: Record<string, Exposure['care']> = { none: 'kept clean', neglected: 'neglected', derelict: 'neglected' };

/** What a brief's machine went through: what evidence says, and what is usual where it says nothing. */
export function exposureOf(view: Pick<BriefView, 'state' | 'questions' | 'outline'>): {
  exposure: Exposure;
  said: SaidExposure;
} {
  const { options } = view.state.brief;
  const usual: Exposure = {
    ground: options.landing === 'skis' ? 'snow' : options.landing === 'floats' ? 'water' : 'grass',
    climate: 'temperate',
    skin: mostly(view.outline),
    care: CARE_OF[options.weathering] ?? 'as usual',
  };
  const read = exposureSaid(saidOfUse(view), daysSincePaint(view));
  // What the builder says of the skin stands before what a text seems to say of it.
  const said: SaidExposure = view.outline.spec.surfaces ? { ...read, skin: undefined } : read;
  return { exposure: withSaid(usual, said), said };
}

/** Whose word it is that the machine was kept clean; null where nobody says so. */
export function keptClean(view: Pick<BriefView, 'state' | 'questions' | 'outline'>): string | null {
  const { care } = exposureOf(view).said;
  return care?.value === 'kept clean' ? care.because : null;
}

/** Where a machine that was kept clean is weathered all the same, what says so: a liberty, or a mistake. */
export function weatheredThoughClean(view: Pick<BriefView, 'state' | 'questions' | 'outline'>): string | null {
  const { weathering } = view.state.brief.options;
  const clean = weathering === 'none' ? null : keptClean(view);
  return clean && `She was kept clean (${clean}): wash, chips and stains are left out by “Weathering: none”.`;
}

/** What most of the skin is, by area. */
function mostly({ zones }: Pick<Outline, 'zones'>): Exposure['skin'] {
  const area = (isMetal: boolean) =>
    zones.reduce((sum, { surface, areaM2 }) => (surface && (surface === 'metal') === isMetal ? sum + areaM2 : sum), 0);
  return area(false) > area(true) ? 'wood and fabric' : 'metal';
}

/** Everything in a brief that speaks of use and wear, rulings first, then what evidence supports best, then the rest. */
export function saidOfUse({ state, questions }: Pick<BriefView, 'state' | 'questions'>): SaidOfUse[] {
  const wear = questions.filter(({ record }) => record.aspect === 'wear');
  const titles = new Map(state.sources.map(({ id, title }) => [id, title]));
  const rulings = wear.flatMap(({ record: { zone }, ruling }): SaidOfUse[] =>
    ruling ? [{ words: ruling.value, where: 'Ruled', zone, isAgainst: false }] : [],
  );
  const seen = wear
    .filter(({ ruling }) => !ruling)
    .flatMap(({ record: { zone }, best, sightings }): SaidOfUse[] =>
      sightings
        .filter(({ value, sense }) => sense === 'against' || value === best)
        .map(({ value, sense, sourceId }) => ({
          words: value,
          where: titles.get(sourceId) ?? 'A source',
          zone,
          isAgainst: sense === 'against',
        })),
    );
  const { unit, place } = state.airframe;
  const whole = (words: string, where: string): SaidOfUse[] =>
    words ? [{ words, where, zone: null, isAgainst: false }] : [];
  return [
    ...rulings,
    ...seen,
    ...whole([unit, place].filter(Boolean).join(', '), 'The machine’s record'),
    ...state.events.filter(({ kind }) => kind === 'temporary').flatMap(({ value }) => whole(value, 'Temporary finish')),
    ...state.sources
      .filter(({ kind }) => kind === 'photograph')
      .flatMap(({ title, place: taken }) => whole([title, taken].filter(Boolean).join(', '), 'Picture')),
  ];
}

/** Days from the last repaint of most of the outside to the day that the machine is shown as; null where none is known. */
function daysSincePaint({ state, outline }: Pick<BriefView, 'state' | 'outline'>): number | null {
  const shown = state.airframe.targetFrom;
  if (!shown) return null;
  const outside = outline.zones.filter(({ group }) => coveredWith(group) === 'outside').map(({ key }) => key);
  const last = outside.flatMap((zone) => {
    const { from } = epochOf(state.events, zone, shown);
    return from ? [daysBetween(from, shown)] : [];
  });
  return last.length * 2 > outside.length ? median(last) : null;
}
