import { spokenZones } from '@/core/outline/spoken';
import { coatOf, loadOf } from './call-coat';
import type { RouteInput } from './route-input';
import { ASSUMED_COATS } from './general-coats';
import { SECTIONS } from './rules/weathering';
import { layerOfCoat } from '@/core/work/layer';
import { minutesOf, minutesSaid, type Work } from '@/core/work/minutes';
import { stepOf } from '@/core/work/step';
import { modelAreaOfZones } from '@/core/outline/outline';
import { coatStep } from './by-way';
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
  input: Pick<RouteInput, 'outline' | 'denominator' | 'general'>,
): Addition[] {
  const { outline } = input;
  if (temporary.length === 0) return [];
  const zones = temporary.flatMap((call) => call.zones);
  const where = spokenZones(outline.zones, zones);
  const { chipping } = ASSUMED_COATS;
  const worn: Work = { kind: 'wipe', areaCm2: modelAreaOfZones(outline, zones, input.denominator) };
  return [
    {
      step: coatStep(
        'temporary-fluid',
        `Chipping fluid on ${where}`,
        'Whole',
        input.general,
        {
          zones,
          load: chipping,
          ...OWN,
          lays: [layerOfCoat(chipping)],
          why: 'what comes over it is worn through, and nothing under it',
        },
        input,
      ),
      after: [{ step: 'seal', until: 'recoat', why: 'the clear may be painted over' }],
      before: temporary.map(({ code }) => `temporary:${code}`),
    },
    ...temporary.map((call): Addition => {
      const name = call.name || call.code;
      return {
        step: coatStep(
          `temporary:${call.code}`,
          `${name} thinly over ${spokenZones(outline.zones, call.zones)}, round what it spared`,
          'Whole',
          call.way ?? input.general,
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
            why: 'a temporary finish: it covered the markings, so it comes after them',
          },
          input,
        ),
        after: ['temporary-fluid'],
        before: ['wear-temporary'],
      };
    }),
    {
      step: stepOf(
        'wear-temporary',
        `Wear the temporary finish through on ${where}`,
        'chip',
        'Whole',
        minutesOf(worn),
        {
          minutesFrom: minutesSaid(worn),
          ...OWN,
          zones,
          splittable: true,
          why: 'damp brush and sponge, where it was walked on, handled and blown by the propeller, within the hour of spraying',
        },
      ),
      after: temporary.map(({ code }) => ({
        step: `temporary:${code}`,
        until: 'touch' as const,
        why: 'dry to the touch, not through',
      })),
      before: [...SECTIONS.map(([key]) => `wash:${key}`), 'matt'],
    },
  ];
}
