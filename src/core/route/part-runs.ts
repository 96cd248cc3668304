import type { PartJob } from '@/core/kit/part-work';
import type { Outline } from '@/core/outline/outline';
import { APART } from '@/core/outline/zones';
import { BLADE, CA, CEMENT, DUST, EDGES, SOLVENT } from './rules/cautions';
import { SPRAYING } from '@/core/paint/spraying';
import { loadOf } from './call-coat';
import { isBuilt, wantedBefore } from './stage-of-zone';
import type { After } from './rules/rule';
import type { Lane } from '@/core/work/kinds';
import { stepOf } from '@/core/work/step';
import { subjectStep } from './subject-runs';
import type { RouteCall } from './call';
import type { Addition } from './insert';

const CAUTIONS = {
  resin: DUST,
  blade: BLADE,
  cyanoacrylate: CA,
  cement: CEMENT,
  solvent: SOLVENT,
  edges: EDGES,
} as const;

/** What the register of parts makes to do, each before the step that needs the part. */
export function partAdditions(
  jobs: readonly PartJob[],
  outline: Outline,
  done: ReadonlySet<string>,
  callFor: (code: string) => RouteCall,
): Addition[] {
  const zones = new Map(outline.zones.map((zone) => [zone.key, zone]));
  const kinds = new Map(jobs.map(({ key, kind }) => [key, kind]));
  const painting = new Set(jobs.flatMap(({ key, code }) => (code === null ? [] : [key])));
  return jobs.map((job) => {
    const { key, kind, zone: of, caution, why, notBefore, code } = job;
    const zone = zones.get(of) ?? null;
    const { title, minutes } = job.ifGlued && isBuilt(zone, done) ? job.ifGlued : job;
    const subject = zone?.subject?.name;
    const first: After[] = kind === 'wash' ? [] : notBefore ? ['options'] : ['check-parts'];
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
      after: [
        ...(job.after.length > 0 ? [] : first),
        ...job.after.map((from) => waitAfter(from, kinds.get(from)!)),
        // Rails are bent at the bench, and fitted to what is built.
        ...(subject && job.inPlace ? [subjectStep(subject, 'build')] : []),
      ],
      before: [
        ...job.before,
        ...(job.ends
          ? [
              subject
                ? subjectStep(subject, job.after.some((from) => painting.has(from)) ? 'place' : 'prime')
                : wantedBefore(zone, done),
            ]
          : []),
      ],
      ...(kind === 'glue' ? { then: caution === 'cement' ? ('joint' as const) : ('ca' as const) } : {}),
    };
  });
}

/** A part goes on when what was done to it last has dried. */
function waitAfter(step: string, kind: PartJob['kind']): After {
  if (kind === 'spray') return { step, until: 'handle', why: 'the paint may be handled' };
  return kind === 'wash' ? { step, wait: 'wash' } : step;
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
