import { isSeen } from '@/core/kit/seen';
import { machineOf } from '@/core/outline/presets';
import { APART, INSIDE } from '@/core/outline/zones';
import { partAdditions } from './part-runs';
import { storeAdditions } from './store-runs';
import { structureAdditions } from './structure-runs';
import { subjectAdditions } from './subject-runs';
import { camouflage, simpleSprays } from './colour-runs';
import { appliedMarkings } from './marking-runs';
import { NetworkBuilder } from './network-builder';
import type { RouteInput } from './route-input';
import type { Build } from './rules/rule';
import type { Route } from './step';

/** Steps, links and gates by the rules, from options, zones, calls, chosen paints and markings. Deterministic. */
export function buildRoute(input: RouteInput): Route {
  const groupOf = new Map(input.outline.zones.map((zone) => [zone.key, zone.group]));
  const build: Build = {
    options: input.options,
    machine: machineOf(input.outline.spec.preset),
    has: (zone) => groupOf.has(zone),
  };
  const hidden = new Set(input.outline.zones.filter((zone) => !isSeen(zone, input.options)).map(({ key }) => key));
  const network = new NetworkBuilder(build, input.climate, input.leftOut);
  const pick = (wanted: (zone: string) => boolean) =>
    input.calls.flatMap((call) => {
      // What nobody will see is not painted.
      const matching = call.zones.filter((zone) => wanted(zone) && !hidden.has(zone));
      return matching.length > 0 ? [{ ...call, zones: matching }] : [];
    });
  const within = (zone: string, group: 'interior' | 'bays') => groupOf.get(zone) === group;
  const apart = (zone: string) => APART.has(groupOf.get(zone)!) && groupOf.get(zone) !== 'subject';
  network.splice(
    'interior',
    simpleSprays(
      'interior',
      'Cockpit',
      pick((zone) => within(zone, 'interior')),
      20,
      input,
    ),
  );
  network.splice(
    'bays',
    simpleSprays(
      'bay',
      'Wings',
      pick((zone) => within(zone, 'bays')),
      20,
      input,
    ),
  );
  network.splice('parts', simpleSprays('part', 'Gear, stores', pick(apart), 15, input));
  const outside = pick((zone) => !apart(zone) && !INSIDE.has(groupOf.get(zone)!));
  const markings = input.markings.filter(({ zone }) => !hidden.has(zone));
  network.splice('colours', camouflage(outside, { ...input, markings }));
  network.splice('markings', appliedMarkings(markings, input.climate));
  network.add(
    ...partAdditions(input.parts ?? [], input.outline, new Set(input.done), input.callFor),
    ...structureAdditions(
      (input.structure ?? []).filter(({ zone }) => !hidden.has(zone)),
      input.outline,
    ),
    ...(input.options.stores === 'none' ? [] : storeAdditions(input.storesAt ?? [])),
    ...subjectAdditions(input.subjects ?? [], input.calls, input.climate),
  );
  return network.build();
}
