import type { Lab } from '@/core/colour/types';
import type { ColourShelf } from '@/core/kept/state';
import { isSeen } from '@/core/kit/seen';
import { spokenZones } from '@/core/outline/spoken';
import { machineOf } from '@/core/outline/presets';
import { waitBetween } from '@/core/laid/drying';
import { DRY } from '@/core/work/layer';
import { SPIRIT, SPRAY } from '@/core/route/rules/cautions';
import { stayingOf } from '@/core/laid/laid';
import type { RunStep, WorkRun } from '@/core/route/runs';
import { EFFECTS, type Effect, type Place } from '@/core/weathering/effects';
import type { Exposure } from '@/core/weathering/exposure';
import { effectsSeen } from '@/core/weathering/from-evidence';
import { nearestPaint, planWeathering, type WeatherLayer } from '@/core/weathering/plan';
import { planWash, type WashPlan } from '@/core/weathering/wash';
import type { Chemistry } from '@/core/paint/chemistry';
import type { BriefView } from '@/core/derive/derive';
import { saidOfUse } from './use-said';

/** Weathering of a brief: what its machine would show, and how that goes into its route. */

type Weathered = Pick<BriefView, 'state' | 'route' | 'outline' | 'calls' | 'questions' | 'standing' | 'wanted'>;

/** Base colours of zones, as painted or as they are to be. */
function baseColours(calls: BriefView['calls']): Map<string, Lab> {
  const labs = new Map<string, Lab>();
  for (const { zones, choice, official } of calls) {
    const lab = choice?.paint.lab ?? official?.lab;
    if (lab) for (const zone of zones) labs.set(zone, lab);
  }
  return labs;
}

/** What a brief's weathering comes to: the layers, the colours under them, and how the wash goes. */
export interface BriefWeather {
  layers: WeatherLayer[];
  bases: [zone: string, lab: Lab][];
  /** Null where no colour is known yet, or nothing is weathered. */
  wash: (WashPlan & { paint: { label: string; lab: Lab; dE00: number } | null; steps: number }) | null;
}

/** The plan of weathering for a brief, with the drawer of the house. */
export function weatherOf(view: Weathered, { paints }: Pick<ColourShelf, 'paints'>, exposure: Exposure): BriefWeather {
  const { brief, airframe } = view.state;
  const labs = baseColours(view.calls);
  const zones = view.outline.zones
    .filter((zone) => isSeen(zone, brief.options))
    .map(({ key, group, faces, station, areaM2 }) => ({
      key,
      group,
      faces,
      station,
      areaM2,
      lab: labs.get(key) ?? null,
      top: stayingOf(view.standing.laid.get(key)).findLast(({ what }) => !DRY.has(what))?.chemistry ?? null,
    }));
  const layers = planWeathering(
    zones,
    machineOf(airframe),
    exposure,
    brief.denominator,
    paints,
    effectsSeen(saidOfUse(view)),
  );
  const washed = view.route.steps.filter(({ kind, stage }) => kind === 'washcoat' && stage === 'weathering');
  const base = zones.find(({ key, lab }) => lab && washed.some((step) => step.zones.includes(key)))?.lab;
  const wash = base ? planWash(base, brief.denominator, brief.options.washOver, exposure.care === 'neglected') : null;
  return {
    layers,
    bases: zones.flatMap(({ key, lab }) => (lab ? [[key, lab] as [string, Lab]] : [])),
    wash: wash && {
      ...wash,
      paint: nearestPaint(
        wash.colour,
        paints.filter(({ chemistry }) => IN_SPIRIT.has(chemistry)),
      ),
      steps: washed.length,
    },
  };
}

/** What is in spirit: it runs along a line. */
const IN_SPIRIT: ReadonlySet<Chemistry> = new Set(['EW', 'OI']);

/** Between which steps of the route each place lies: the last of those that are there, and the first. */
const BETWEEN: Record<Place, { after: readonly string[]; before: readonly string[] }> = {
  ground: { after: ['touch-up', 'look-over'], before: ['gloss', 'matt'] },
  body: { after: ['matt-for-oils', 'matt-for-wash', 'seal', 'touch-up'], before: ['matt'] },
  last: { after: ['matt'], before: ['last-look'] },
};

/** The route's runs for the effects that were taken, place by place, each in place of the rules that it stands for. `key` names their steps. */
export function weatherRuns(
  view: Weathered,
  layers: readonly WeatherLayer[],
  key: string,
): { title: string; zones: string[]; run: WorkRun }[] {
  const { state, route, outline, standing } = view;
  const hasAirbrush = view.wanted.general === 'airbrush';
  const known = new Set(route.steps.map((step) => step.key));
  const done = new Set(standing.done.map(({ stepKey }) => stepKey));
  return (['ground', 'body', 'last'] as const).flatMap((place) => {
    const own = layers.filter(({ effect }) => EFFECTS[effect].place === place);
    if (own.length === 0) return [];
    const films = own.map(({ effect, paint }) => {
      const { what, chemistry } = EFFECTS[effect] as Effect;
      return { what, chemistry, dries: {}, paint: paint?.label ?? EFFECTS[effect].title };
    });
    const steps = own.map((layer, i): RunStep => {
      const effect: Effect = EFFECTS[layer.effect];
      const isMist = effect.kind === 'spray';
      const wait = i > 0 ? waitBetween(films[i]!, films[i - 1]!, state.brief) : { minutes: 0, why: '' };
      return {
        key: `weather:${key}-${place}:${i + 1}`,
        title: `${effect.title}: ${spokenZones(outline.zones, layer.zones)}`.slice(0, 200),
        kind: isMist && !hasAirbrush ? 'brush' : effect.kind,
        lane: 'Whole',
        minutes: layer.minutes,
        zones: layer.zones,
        afterMin: wait.minutes,
        afterMost: null,
        because: isMist && !hasAirbrush ? `${effect.how}; without an airbrush in thin glazes, brushed` : effect.how,
        lays: {
          what: effect.what,
          chemistry: effect.chemistry,
          code: null,
          paint: films[i]!.paint,
          coats: layer.passes?.count ?? 1,
        },
        load:
          isMist && hasAirbrush
            ? { id: films[i]!.paint.toLowerCase(), title: films[i]!.paint, kind: 'wash', lightness: layer.colour[0] }
            : null,
        mixed: null,
        cautions: IN_SPIRIT.has(effect.chemistry) ? [SPIRIT.says] : isMist && hasAirbrush ? [SPRAY.says] : [],
      };
    });
    const { after, before } = BETWEEN[place];
    return [
      {
        title: { ground: 'Weathering under the gloss', body: 'Weathering', last: 'Dust over the last clear' }[place],
        zones: [...new Set(own.flatMap(({ zones }) => zones))],
        run: {
          steps,
          lost: [],
          after: after.filter((step) => known.has(step)).slice(0, 1),
          before: before.filter((step) => known.has(step) && !done.has(step)).slice(0, 1),
          // What is done already stands.
          instead: [...new Set(own.flatMap(({ effect }): readonly string[] => EFFECTS[effect].instead))].filter(
            (rule) => !done.has(rule),
          ),
        },
      },
    ];
  });
}
