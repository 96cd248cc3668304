import type { PartJob } from '@/core/kit/part-work';
import type { Outline } from '@/core/outline/outline';
import { APART } from '@/core/outline/zones';
import { BLADE, CA, DUST, EDGES, SOLVENT } from './rules/cautions';
import { SPRAYING } from '@/core/paint/spraying';
import { loadOf } from './call-coat';
import { wantedBefore } from './stage-of-zone';
import type { Lane } from '@/core/work/kinds';
import { stepOf } from '@/core/work/step';
import type { RouteCall } from './call';
import type { Addition } from './insert';

const CAUTIONS = { resin: DUST, blade: BLADE, cyanoacrylate: CA, solvent: SOLVENT, edges: EDGES } as const;

/** What the register of parts makes to do, each before the step that needs the part. */
export function partAdditions(
  jobs: readonly PartJob[],
  outline: Outline,
  done: ReadonlySet<string>,
  callFor: (code: string) => RouteCall,
): Addition[] {
  const zones = new Map(outline.zones.map((zone) => [zone.key, zone]));
  return jobs.map(({ key, title, kind, minutes, zone: of, caution, why, notBefore, code }) => {
    const zone = zones.get(of) ?? null;
    const wash = kind === 'wash';
    return {
      step: stepOf(key, title, kind, laneOf(zone), minutes, {
        family: 'part',
        zones: zone ? [zone.key] : [],
        cautions: caution ? [CAUTIONS[caution]] : [],
        why: [why, notBefore ? `expected by ${notBefore}` : ''].filter(Boolean).join('; '),
        notBefore,
        ...(code === null ? {} : painted(callFor(code), code)),
      }),
      // What is found out of the box is looked over with the rest; what is washed is washed with the sprues.
      after: wash ? [] : notBefore ? ['options'] : ['check-parts'],
      before: [wantedBefore(zone, done)],
    };
  });
}

/** What is in the airbrush for parts that are painted apart. */
function painted(call: RouteCall, code: string) {
  const load = loadOf({ ...call, code });
  return { load, booth: true, code, cautions: [SPRAYING[load.chemistry].caution] };
}

function laneOf(zone: Outline['zones'][number] | null): Lane {
  if (!zone) return 'Whole';
  if (zone.group === 'interior') return 'Cockpit';
  if (zone.group === 'wings' || zone.group === 'bays') return 'Wings';
  if (APART.has(zone.group)) return 'Gear, stores';
  return zone.group === 'fuselage' || zone.group === 'engines' ? 'Fuselage' : 'Whole';
}
