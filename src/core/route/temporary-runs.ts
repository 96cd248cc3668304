import { spokenZones } from '@/core/outline/spoken';
import { SPRAYING } from '@/core/paint/spraying';
import { chemistryOf, coatOf, loadOf } from './call-coat';
import type { RouteInput } from './route-input';
import { SPRAY } from './rules/cautions';
import { GENERAL_COATS } from './rules/rule';
import { SECTIONS } from './rules/weathering';
import { layerOfCoat } from '@/core/work/layer';
import { stepOf } from '@/core/work/step';
import type { RouteCall } from './call';
import type { Addition } from './insert';

/** The temporary finishes that lie on zones, each colour with its zones: winter white, exercise bars. */
export function temporaryCoats({ layers, callFor }: Pick<RouteInput, 'layers' | 'callFor'>): RouteCall[] {
  const coats = new Map<string, RouteCall>();
  for (const { zone, layers: stack } of layers)
    for (const { kind, value } of stack) {
      if (kind !== 'temporary' || value === null) continue;
      const call = callFor(value);
      const known = coats.get(call.code)?.zones ?? [];
      coats.set(call.code, { ...call, zones: [...new Set([...known, zone])] });
    }
  return [...coats.values()];
}

const OWN = { family: 'temporary', stage: 'weathering' } as const;

/** Chipping fluid, the temporary colours thinly over it, and wearing them through: after the markings are sealed, before any wash. */
export function temporaryAdditions(
  temporary: readonly RouteCall[],
  { outline }: Pick<RouteInput, 'outline'>,
): Addition[] {
  if (temporary.length === 0) return [];
  const zones = temporary.flatMap((call) => call.zones);
  const where = spokenZones(outline.zones, zones);
  const { chipping } = GENERAL_COATS;
  return [
    {
      step: stepOf('temporary-fluid', `Chipping fluid on ${where}`, 'spray', 'Whole', 15, {
        zones,
        load: chipping,
        ...OWN,
        lays: [layerOfCoat(chipping)],
        cautions: [SPRAY],
        why: 'what comes over it is worn through, and nothing under it',
      }),
      after: [{ step: 'seal', until: 'recoat', why: 'the clear may be painted over' }],
      before: temporary.map(({ code }) => `temporary:${code}`),
    },
    ...temporary.map((call): Addition => {
      const name = call.name || call.code;
      return {
        step: stepOf(
          `temporary:${call.code}`,
          `${name} thinly over ${spokenZones(outline.zones, call.zones)}, round what it spared`,
          'spray',
          'Whole',
          25,
          {
            zones: call.zones,
            code: call.code,
            load: loadOf(call),
            ...OWN,
            lays: [
              {
                ...layerOfCoat({ ...coatOf(call), what: 'colour', title: call.paint?.label ?? '' }),
                code: call.code,
              },
            ],
            cautions: [SPRAYING[chemistryOf(call)].caution],
            why: 'a temporary finish: it covered the markings, so it comes after them',
          },
        ),
        after: ['temporary-fluid'],
        before: ['wear-temporary'],
      };
    }),
    {
      step: stepOf('wear-temporary', `Wear the temporary finish through on ${where}`, 'chip', 'Whole', 40, {
        ...OWN,
        zones,
        splittable: true,
        why: 'damp brush and sponge, where it was walked on, handled and blown by the propeller, within the hour of spraying',
      }),
      after: temporary.map(({ code }) => ({
        step: `temporary:${code}`,
        until: 'touch' as const,
        why: 'dry to the touch, not through',
      })),
      before: [...SECTIONS.map(([key]) => `wash:${key}`), 'matt'],
    },
  ];
}
