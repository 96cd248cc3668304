import { coatOf } from './call-coat';
import { isSeen } from '@/core/kit/seen';
import { PRINTED } from '@/core/markings/kinds';
import { machineOf } from '@/core/outline/presets';
import { coveredWith, COVERS, type Cover } from '@/core/outline/zones';
import { partAdditions } from './part-runs';
import { storeAdditions } from './store-runs';
import { structureAdditions } from './structure-runs';
import { subjectAdditions } from './subject-runs';
import { camouflage, simpleSprays, type Part } from './colour-runs';
import { appliedMarkings } from './marking-runs';
import { temporaryAdditions, temporaryCoats } from './temporary-runs';
import { withDrying } from '@/core/laid/drying';
import { withEdits } from './edits';
import { NetworkBuilder } from './network-builder';
import { withRemedies } from './remedies';
import { withRuns } from './runs';
import type { RouteInput } from './route-input';
import { apartGlass } from './rules/conditions';
import type { Build } from './rules/rule';
import type { Route } from '@/core/work/step';
import type { RouteCall } from './call';

const INTERIOR: Part = { prefix: 'interior', lane: 'Cockpit', stage: 'interior' };
const BAYS: Part = { prefix: 'bay', lane: 'Wings', stage: 'interior' };
const PARTS: Part = { prefix: 'part', lane: 'Gear, stores', stage: 'small-parts' };

/** Steps, links and gates by the rules, from options, zones, calls, chosen paints and markings. Deterministic. */
export function buildRoute(input: RouteInput): Route {
  const known = new Set(input.outline.zones.map(({ key }) => key));
  const build: Build = {
    options: input.options,
    machine: machineOf(input.outline.spec),
    has: (zone) => known.has(zone),
    // What nobody will see is not painted.
    zones: input.outline.zones.filter((zone) => isSeen(zone, input.options)),
    hung: input.options.stores !== 'none' && (input.storesAt ?? []).length > 0,
    replaces: (input.parts ?? []).some(({ job }) => job === 'replace'),
    shiny: input.calls.some(({ paint }) => paint?.kind === 'metallic' || paint?.finish === 'gloss'),
    tried: input.markings.some(({ method }) => PRINTED.has(method)),
  };
  const seen = new Set(build.zones.map(({ key }) => key));
  const isApart = apartGlass(build);
  const covered = Object.fromEntries(
    COVERS.map((cover) => [
      cover,
      build.zones.filter(({ group }) => coveredWith(group, isApart) === cover).map(({ key }) => key),
    ]),
  ) as Route['covered'];
  const stencilled = input.markings.some(({ isStencil, method }) => isStencil && PRINTED.has(method));
  const left = [...(input.leftOut ?? []), ...(stencilled ? ['stencils'] : [])];
  const network = new NetworkBuilder(build, input.climate, covered, left);
  const ruled = new Set(input.calls.flatMap(({ zones }) => zones));
  /** Of a kind of zones: what wears a ruled colour, and what nobody has ruled yet. */
  const on = (cover: Cover) => ({
    calls: onZones(input.calls, new Set(covered[cover])),
    open: covered[cover].filter((zone) => !ruled.has(zone)),
  });
  const [inside, bays, apart, outside] = [on('inside'), on('bays'), on('apart'), on('outside')];
  network.splice('interior', simpleSprays(INTERIOR, inside.calls, inside.open, 20, input));
  network.splice('bays', simpleSprays(BAYS, bays.calls, bays.open, 20, input));
  network.splice('parts', simpleSprays(PARTS, apart.calls, apart.open, 15, input));
  const markings = input.markings.filter(({ zone }) => seen.has(zone));
  network.splice('colours', camouflage(outside.calls, outside.open, { ...input, markings }));
  network.splice('markings', appliedMarkings(markings, input.climate));
  network.add(
    ...partAdditions(input.parts ?? [], input.outline, new Set(input.done), input.callFor),
    ...structureAdditions(
      (input.structure ?? []).filter(({ zone }) => seen.has(zone)),
      input.outline,
    ),
    ...(input.options.stores === 'none' ? [] : storeAdditions(input.storesAt ?? [])),
    ...temporaryAdditions(onZones(temporaryCoats(input), seen), input),
    ...subjectAdditions(input.subjects ?? [], input.calls, input.climate),
  );
  const whole = withRuns(fadedAsPainted(network.build(), outside.calls), input.runs ?? []);
  const sound = withRemedies(whole, input.outline, input.remedies ?? []);
  const { route, sleeping } = withEdits(weighed(sound, input.noseWeight), input.edits ?? []);
  return { ...withDrying(route, input.climate), sleeping };
}

/** Panels are faded with their own colour: of several, with that of most of their zones. */
function fadedAsPainted(route: Route, calls: readonly RouteCall[]): Route {
  const faded = route.steps.find(({ key }) => key === 'highlight');
  const [laid] = faded?.lays ?? [];
  if (!faded || !laid || !faded.load) return route;
  const on = new Set(faded.zones);
  const share = (call: RouteCall) => call.zones.filter((zone) => on.has(zone)).length;
  const [most] = calls.filter((call) => share(call) > 0).sort((a, b) => share(b) - share(a));
  if (!most) return route;
  const own = coatOf(most);
  const step = { ...faded, lays: [{ ...laid, ...own }], load: { ...faded.load, ...own } };
  return { ...route, steps: route.steps.map((one) => (one === faded ? step : one)) };
}

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

/** The calls as far as they are worn on some zones. */
const onZones = (calls: readonly RouteCall[], wanted: ReadonlySet<string>): RouteCall[] =>
  calls.flatMap((call) => {
    const zones = call.zones.filter((zone) => wanted.has(zone));
    return zones.length > 0 ? [{ ...call, zones }] : [];
  });
