import { ASSUMED_CHEMISTRY, coatOf } from './call-coat';
import { isGrave, layOver } from '@/core/paint/chemistry';
import type { Coat } from '@/core/paint/drying';
import { optionsAt } from '@/core/kit/options';
import { isSeen } from '@/core/kit/seen';
import { isPrintedAtHome, PRINTED } from '@/core/markings/kinds';
import { machineOf } from '@/core/outline/presets';
import { coveredWith, COVERS, type Cover } from '@/core/outline/zones';
import { partAdditions } from './part-runs';
import { storeAdditions } from './store-runs';
import { structureAdditions } from './structure-runs';
import { subjectAdditions } from './subject-runs';
import { camouflage } from './camouflage';
import { fluidRun } from './chipping';
import { sprayOrder } from './colour-order';
import { simpleSprays, type Part } from './simple-sprays';
import { printingAdditions } from './home-printing';
import { itemAdditions } from './item-runs';
import { appliedMarkings, partMarkings } from './marking-runs';
import { temporaryAdditions, temporaryCoats } from './temporary-runs';
import { withDrying } from '@/core/laid/drying';
import { withEdits } from './edits';
import { inPieces } from './in-pieces';
import { NetworkBuilder } from './network-builder';
import { withRemedies } from './remedies';
import { withRuns } from './runs';
import type { RouteInput } from './route-input';
import { apartGlass, weathered } from './rules/conditions';
import type { Build } from './rules/rule';
import { LONG_WORK } from '@/core/work/minutes';
import type { Route } from '@/core/work/step';
import type { RouteCall, RouteMarking } from './call';

const INTERIOR: Part = { prefix: 'interior', lane: 'Cockpit', stage: 'interior' };
const BAYS: Part = { prefix: 'bay', lane: 'Wings', stage: 'interior' };
const PARTS: Part = { prefix: 'part', lane: 'Gear, stores', stage: 'small-parts' };

/** What the rules may ask, but for what the order of the colours decides. */
function buildOf(input: RouteInput): Build {
  const known = new Set(input.outline.zones.map(({ key }) => key));
  const metal = new Set(input.calls.flatMap(({ paint, zones }) => (paint?.kind === 'metallic' ? zones : [])));
  return {
    options: input.options,
    optionsAt: (zone) => optionsAt(input.options, input.schoolsAt ?? [], zone),
    machine: machineOf(input.outline.spec),
    has: (zone) => known.has(zone),
    // What nobody will see is not painted.
    zones: input.outline.zones.filter((zone) => isSeen(zone, input.options)),
    hung: input.options.stores !== 'none' && (input.storesAt ?? []).length > 0,
    replaces: (input.parts ?? []).some(({ job }) => job === 'replace'),
    baseBeside: (input.subjects ?? []).some(({ kind }) => kind === 'base'),
    figuresAboard: (input.subjects ?? []).some(({ kind, byGate }) => kind === 'figure' && byGate === 'fuselage'),
    shiny: input.calls.some(({ paint }) => paint?.kind === 'metallic' || paint?.finish === 'gloss'),
    metal,
    fluid: new Set(),
    fluidBySchool: false,
    general: input.general,
    finishOf: (zone) => input.finishes?.[zone] ?? (metal.has(zone) ? null : 'matt'),
    printed: input.markings.some(({ method }) => PRINTED.has(method)),
  };
}

/** Steps, links and gates by the rules, from options, zones, calls, chosen paints and markings. Deterministic. */
export function buildRoute(input: RouteInput): Route {
  const build = buildOf(input);
  const seen = new Set(build.zones.map(({ key }) => key));
  const isApart = apartGlass(build);
  const covered = Object.fromEntries(
    COVERS.map((cover) => [
      cover,
      build.zones.filter(({ group }) => coveredWith(group, isApart) === cover).map(({ key }) => key),
    ]),
  ) as Route['covered'];
  const ruled = new Set(input.calls.flatMap(({ zones }) => zones));
  /** Of a kind of zones: what wears a ruled colour, and what nobody has ruled yet. */
  const on = (cover: Cover) => ({
    calls: onZones(input.calls, new Set(covered[cover])),
    open: covered[cover].filter((zone) => !ruled.has(zone)),
  });
  const [inside, bays, apart, outside] = [on('inside'), on('bays'), on('apart'), on('outside')];
  const markings = onZones(input.markings, seen);
  const onParts = new Set(covered.apart);
  const isLoose = ({ zones }: RouteMarking) => zones.every((zone) => onParts.has(zone));
  const [loose, fast] = [markings.filter(isLoose), markings.filter((marking) => !isLoose(marking))];
  const order = sprayOrder(outside.calls, input);
  const chips = new Set(
    build.zones.flatMap(({ key }) => (build.optionsAt(key).chips === 'fluid beneath' ? [key] : [])),
  );
  const fluid = weathered(build) ? fluidRun(order, chips, { ...input, markings: fast }) : null;
  const stencilled = input.markings.some(({ isStencil, method }) => isStencil && PRINTED.has(method));
  const left = [...(input.leftOut ?? []), ...(stencilled ? ['stencils'] : [])];
  const { outline, denominator } = input;
  const sized = { outline, denominator, outside: covered.outside };
  const ruledFluid = (input.coated ?? []).flatMap(({ zone, item, under }) =>
    item === '' && under.includes(null) ? [zone] : [],
  );
  const asked: Build = {
    ...build,
    fluid: new Set([...(fluid?.zones ?? []), ...ruledFluid]),
    fluidBySchool: fluid !== null,
  };
  const network = new NetworkBuilder(asked, input.climate, input, covered, sized, left);
  network.splice('interior', simpleSprays(INTERIOR, inside.calls, inside.open, input));
  network.splice('bays', simpleSprays(BAYS, bays.calls, bays.open, input));
  const small = simpleSprays(PARTS, apart.calls, apart.open, input);
  network.splice('parts', small);
  network.splice('part-markings', partMarkings(loose, small, input));
  network.splice('colours', camouflage(order, fluid, outside.open, { ...input, markings: fast }));
  network.splice('markings', appliedMarkings(fast, input));
  network.add(
    ...partAdditions(input.parts ?? [], input.outline, new Set(input.done), input.callFor),
    ...structureAdditions(
      (input.structure ?? []).filter(({ zone }) => seen.has(zone)),
      sized,
    ),
    ...(input.options.stores === 'none' || build.machine.form !== 'aircraft'
      ? []
      : storeAdditions(input.storesAt ?? [], sized)),
    ...temporaryAdditions(onZones(temporaryCoats(input), seen), input),
    ...subjectAdditions(input.subjects ?? [], input),
    ...itemAdditions(input.items ?? [], covered, input),
    // What is printed for parts that are painted apart is placed there, sooner than the rest.
    ...printingAdditions(markings, loose.some(isPrintedAtHome) ? ['part-markings', 'markings'] : ['markings'], input),
  );
  const built = inPieces(fadedAsPainted(network.route(), outside.calls), outline.zones);
  const whole = withRuns(built, input.runs ?? []);
  const sound = withRemedies(whole, input, input.remedies ?? []);
  const { route, sleeping } = withEdits(weighed(sound, input.noseWeight), input.edits ?? []);
  return { ...withDrying(stoppable(route), input.climate), sleeping };
}

/** The rules that fade panels. */
const FADED: ReadonlySet<string> = new Set(['highlight', 'highlight-brushed']);

/** Panels are faded with their own colour: of several, with that of most of their zones. */
function fadedAsPainted(route: Route, calls: readonly RouteCall[]): Route {
  const faded = route.steps.find(({ key }) => FADED.has(key));
  const [laid] = faded?.lays ?? [];
  if (!faded || !laid) return route;
  const on = new Set(faded.zones);
  const share = (call: RouteCall) => call.zones.filter((zone) => on.has(zone)).length;
  const [most] = calls.filter((call) => share(call) > 0).sort((a, b) => share(b) - share(a));
  if (!most) return route;
  // Where it would attack another of them, water-based paint of the same colour attacks none.
  const others = calls.filter((call) => share(call) > 0).map((call) => coatOf(call).chemistry);
  const open = faded.zones.some((zone) => !calls.some(({ zones }) => zones.includes(zone)));
  const attacks = [...others, ...(open ? [ASSUMED_CHEMISTRY] : [])].some((under) =>
    isGrave(layOver(coatOf(most).chemistry, under).verdict),
  );
  const own: Coat = attacks ? { chemistry: ASSUMED_CHEMISTRY, dries: {} } : coatOf(most);
  const step = { ...faded, lays: [{ ...laid, ...own }], load: faded.load && { ...faded.load, ...own } };
  return { ...route, steps: route.steps.map((one) => (one === faded ? step : one)) };
}

/** Long work may be stopped and gone on with; a coat never, but after each of several. */
export const stoppable = (route: Route): Route => ({
  ...route,
  steps: route.steps.map((step) =>
    step.minutes > LONG_WORK && (!step.booth || step.passes > 1) && !step.splittable
      ? { ...step, splittable: true }
      : step,
  ),
});

/** The step of the nose weight says how much. */
const weighed = (route: Route, says: string | undefined): Route =>
  says
    ? {
        ...route,
        steps: route.steps.map((step) =>
          step.key === 'nose-weight' ? { ...step, why: [step.why, says].filter(Boolean).join('; ') } : step,
        ),
      }
    : route;

/** Calls and markings as far as they are on some zones. */
const onZones = <T extends { zones: string[] }>(all: readonly T[], wanted: ReadonlySet<string>): T[] =>
  all.flatMap((one) => {
    const zones = one.zones.filter((zone) => wanted.has(zone));
    return zones.length > 0 ? [{ ...one, zones }] : [];
  });
