import { canonicalIn } from '@/core/codes/system';
import { hexOf } from '@/core/colour/spaces';
import type { BriefView } from '@/core/derive/derive';
import { ruledColours } from '@/core/derive/colour-rulings';
import type { ColourShelf } from '@/core/kept/state';
import type { Film, FilmCoat, FilmTape, Frame, Sheen } from '@/core/laid/film';
import { inTime, mendOf } from '@/core/laid/laid';
import { inOrder } from '@/core/laid/stack';
import { coveredWith, type Zone } from '@/core/outline/zones';
import type { CoatRole } from '@/core/paint/coat-roles';
import { localDay } from '@/core/route/calendar';
import { groupBy } from '@/core/units/grouped';
import { EFFECTS } from '@/core/weathering/effects';
import type { LayerKind } from '@/core/work/kinds';
import type { Layer } from '@/core/work/layer';
import { stepsByKey, type RouteStep } from '@/core/work/step';
import { exposureOf } from './use-said';
import { weatherOf, type BriefWeather } from './weather';

/** A brief as a film of its build: what was logged, in the order in which it ended, then what is planned. */

/** How a colour looks: as it was measured officially, and as it was chosen. */
export interface FilmInk {
  name: string;
  official: string | null;
  chosen: string | null;
}

export interface BriefFilm extends Film {
  inks: Record<string, FilmInk>;
  /** By what each marking is known to what happened to it, day by day. */
  markings: { id: string; zone: string; name: string }[];
}

export function filmOf(view: BriefView, shelf: Pick<ColourShelf, 'paints'>): BriefFilm {
  const { state, route, standing, plan, outline, questions, book, calls } = view;
  const { log, mishaps, brief, markings, fields } = state;
  const weather = weatherOf(view, shelf, exposureOf(view).exposure);
  const grounds = Object.fromEntries(ruledColours(questions, book));
  const coatsOn = coatMaker(view, shelf, weather, patchesOver(route, grounds));
  const steps = stepsByKey(route);
  const zones = new Map(outline.zones.map((zone) => [zone.key, zone]));
  const laid = [...standing.laid].flatMap(([zone, stack]) => stack.map((layer) => ({ ...layer, zone })));
  const byEntry = groupBy(laid, ({ entry }) => entry);
  const entries = inTime(log);
  const placeOf = new Map(entries.map(({ index }, i) => [index, i]));
  /** What each repair took off, by the place of its entry in the log. */
  const lost = groupBy(
    laid.filter(({ goneBy }) => goneBy !== null),
    ({ goneBy }) => {
      const { run } = mishaps[goneBy!]!;
      const mend = run ? mendOf(run, log) : undefined;
      return mend ? log.indexOf(mend) : -1;
    },
  );
  const done = entries.map(({ entry, index }): Frame => {
    const step = steps.get(entry.stepKey);
    const isWhole = entry.share === null || entry.share >= 1;
    const own = groupBy(byEntry.get(index) ?? [], ({ what, code }) => `${what} ${code ?? ''}`);
    return {
      step: entry.stepKey,
      title: entry.title,
      on: localDay(entry.endedAt, brief.timeZone),
      isDone: true,
      coats: [...own.values()].flatMap((layers) =>
        coatsOn(layers[0]!, step ?? null, [...new Set(layers.map(({ zone }) => zone))]),
      ),
      tape: step && isWhole && !entry.again ? tapeOf(step, entry.zones, zones) : null,
      off: [...groupBy(lost.get(index) ?? [], ({ entry: of }) => placeOf.get(of)!)].map(([frame, layers]) => ({
        frame,
        zones: layers.map(({ zone }) => zone),
      })),
    };
  });
  const planned = new Map(plan.work.map((work) => [work.key, work]));
  const startOf = (key: string) => planned.get(key)?.start ?? '9999';
  const isOver = new Set(standing.done.map(({ stepKey }) => stepKey));
  const toDo = inOrder(standing.left)
    .filter(({ key }) => !isOver.has(key))
    .sort((a, b) => (startOf(a.key) < startOf(b.key) ? -1 : startOf(a.key) > startOf(b.key) ? 1 : 0));
  const toCome = toDo.map((step): Frame => ({
    step: step.of ?? step.key,
    title: step.title,
    on: planned.get(step.key)?.start.slice(0, 10) ?? null,
    isDone: false,
    coats: step.lays.flatMap((layer) => coatsOn(layer, step, step.zones)),
    tape: tapeOf(step, [], zones),
    off: [],
  }));
  const drawn = [...markings.flatMap(({ codes }) => codes), ...fields.map(({ code }) => code)];
  return {
    frames: [...done, ...toCome],
    grounds,
    worn: Object.fromEntries(
      outline.zones.map(({ key }) => [key, calls.flatMap(({ code, zones: on }) => (on.includes(key) ? [code] : []))]),
    ),
    standard: Object.fromEntries(
      drawn.flatMap((code) => {
        const standard = canonicalIn(book, code);
        return standard === code ? [] : [[code, standard]];
      }),
    ),
    inks: inksOf(view, [
      ...route.steps.flatMap(({ lays }) => lays.map(({ code }) => code)),
      ...laid.map(({ code }) => code),
      ...drawn.map((code) => canonicalIn(book, code)),
      ...Object.values(grounds),
      // On other days other colours were there.
      ...view.colourHistory.sightings
        .map(({ value }) => canonicalIn(book, String(value)))
        .filter((code) => view.official.has(code)),
    ]),
    markings: markings.map(({ id, zone, name }) => ({ id, zone, name })),
  };
}

/** Steps that lay a patch over the finished colour of a zone: nobody drew where on it, so that it is told and not shown. */
function patchesOver(route: BriefView['route'], grounds: Readonly<Record<string, string>>): Set<string> {
  const patches = new Set<string>();
  const finished = new Set<string>();
  for (const { key, family, zones, lays } of inOrder(route)) {
    if (family === 'earlier coat' && zones.every((zone) => finished.has(zone))) patches.add(key);
    for (const zone of zones) if (lays.some(({ code }) => code !== null && code === grounds[zone])) finished.add(zone);
  }
  return patches;
}

function inksOf({ calls, official }: BriefView, codes: readonly (string | null)[]): Record<string, FilmInk> {
  const called = new Map(calls.map((call) => [call.code, call]));
  return Object.fromEntries(
    [...new Set(codes)].flatMap((code) => {
      if (code === null) return [];
      const lab = official.get(code)?.lab ?? null;
      const paint = called.get(code)?.choice?.paint;
      const chosen = paint?.lab ?? lab;
      const ink: FilmInk = {
        name: official.get(code)?.record.name || code,
        official: lab && hexOf(lab),
        chosen: chosen && hexOf(chosen),
      };
      return [[code, ink] as const];
    }),
  );
}

/** How a layer looks of which nobody knows more. */
const USUAL: Readonly<Record<LayerKind, Pick<FilmCoat, 'hex' | 'hides' | 'sheen'>>> = {
  primer: { hex: '#919191', hides: 1, sheen: 'matt' },
  undercoat: { hex: '#8a8a8a', hides: 1, sheen: 'satin' },
  tone: { hex: '#6a6a6a', hides: 0.1, sheen: null },
  colour: { hex: '#b9b9b9', hides: 1, sheen: 'matt' },
  marking: { hex: '#b9b9b9', hides: 1, sheen: null },
  decal: { hex: null, hides: 1, sheen: null },
  clear: { hex: null, hides: 0, sheen: null },
  wash: { hex: '#3a3632', hides: 0.08, sheen: null },
  oil: { hex: '#47433c', hides: 0.05, sheen: null },
  chip: { hex: '#bcbcbc', hides: 0.02, sheen: null },
  pigment: { hex: '#8a8172', hides: 0.1, sheen: 'matt' },
};
/** What clears leave. */
const SHEEN_OF: Partial<Record<CoatRole, Sheen>> = { gloss: 'gloss', satin: 'satin', matt: 'matt' };
/** White over a colour, so much of it: what the sun does to what lies flat. */
const FADED = { hex: '#ffffff', hides: 0.05 } as const;
/** Dark along lines and corners only, of all that a step covers. */
const PRE_SHADED = 0.3;
/** What is under a painted marking so that it glows. */
const MARKING_GROUND = '#f1f1ee';

/** What a layer looks like on zones; several where its product differs by zone. */
function coatMaker(
  view: BriefView,
  { paints }: Pick<ColourShelf, 'paints'>,
  weather: BriefWeather,
  patches: ReadonlySet<string>,
) {
  const { coats, brief } = view.state;
  const paintOf = new Map(view.calls.map(({ code, choice }) => [code, choice?.paint]));
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const washed = weather.wash && hexOf(weather.wash.colour);
  /** The product of a role on a zone: that which was chosen for it before that which is laid everywhere. */
  const productOf = (role: CoatRole, zone: string) => {
    const own = coats.filter((coat) => coat.role === role);
    const chosen = own.find(({ zones }) => zones.includes(zone)) ?? own.find(({ zones }) => zones.length === 0);
    return chosen ? byId.get(chosen.paintId) : undefined;
  };
  const weathered = ({ what, kind, stage }: { what: LayerKind } & Pick<RouteStep, 'kind' | 'stage'>) =>
    weather.layers.find(({ effect }) => {
      const { what: leaves, kind: by, place } = EFFECTS[effect];
      return leaves === what && by === kind && (place === 'ground') === (stage === 'colours');
    });
  return (layer: Layer, step: RouteStep | null, zones: readonly string[]): FilmCoat[] => {
    const { what, code } = layer;
    if (zones.length === 0 || (step && patches.has(step.key))) return [];
    const marking = step?.marking ?? null;
    const base: FilmCoat = { what, code, ...USUAL[what], marking, zones };
    if (code !== null && what !== 'decal') {
      const paint = paintOf.get(code);
      return [{ ...base, hides: 1, sheen: paint?.kind === 'metallic' ? 'metal' : (paint?.finish ?? base.sheen) }];
    }
    if (marking !== null && what === 'undercoat') return [{ ...base, hex: MARKING_GROUND }];
    if (what === 'wash') return [{ ...base, hex: washed ?? base.hex }];
    if (!step) return [base];
    if (what === 'clear') return [{ ...base, sheen: (step.coat && SHEEN_OF[step.coat]) ?? null }];
    if (step.coat) {
      const { coat: role } = step;
      const hides = role === 'shade' && brief.options.tonal === 'pre-shaded' ? PRE_SHADED : role === 'shade' ? 1 : null;
      return [...groupBy(zones, (zone) => productOf(role, zone)?.id ?? '')].map(([id, own]) => {
        const lab = byId.get(id)?.lab ?? (step.load ? ([step.load.lightness, 0, 0] as const) : null);
        return { ...base, hex: lab ? hexOf([...lab]) : base.hex, hides: hides ?? base.hides, zones: own };
      });
    }
    const known = weathered({ ...step, what });
    if (known?.effect === 'fade' || (what === 'tone' && step.stage === 'colours')) return [{ ...base, ...FADED }];
    return [known ? { ...base, hex: hexOf(known.cover.colour), hides: known.cover.share } : base];
  };
}

/** What a step tapes or bares: of a mask of colours what it meets, else all of its zones, or of glass its panes. */
function tapeOf(step: RouteStep, logged: readonly string[], known: ReadonlyMap<string, Zone>): FilmTape | null {
  const { tape, masking, marking } = step;
  if (!tape) return null;
  const on = logged.length > 0 ? logged : step.zones;
  const own = new Set(step.zones);
  const met = new Map(
    (masking?.edges ?? []).map(({ meets }) => [
      `${meets.zone} ${meets.code}`,
      { zone: meets.zone, code: meets.code, panes: false },
    ]),
  );
  const rest =
    masking && masking.paperCm2 > 0
      ? [...known.values()].filter(({ key, group }) => !own.has(key) && coveredWith(group) === 'outside')
      : [];
  return {
    of: tape.of,
    goes: tape.goes,
    marking,
    covers:
      tape.goes === 'off'
        ? []
        : masking
          ? [...met.values(), ...rest.map(({ key }) => ({ zone: key, code: null, panes: false }))]
          : on.map((zone) => ({ zone, code: null, panes: known.get(zone)?.group === 'glazing' })),
  };
}
