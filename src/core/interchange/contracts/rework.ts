import { z } from 'zod';
import { DEPTHS } from '@/core/bench/depth';
import { reworkOf } from '@/core/bench/rework';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { LAYER_KINDS } from '@/core/work/kinds';
import { finite, parseInput, text, type Contract } from './contract';

const zone = text.max(200, 'must be at most 200 characters');
const zones = z.array(zone, { error: 'must be a list of zones' });
const layer = z.strictObject(
  {
    step: text,
    what: z.enum(LAYER_KINDS, { error: `must be one of ${LAYER_KINDS.join(', ')}` }),
    chemistry: z.enum(CHEMISTRY_NAMES, { error: `must be one of ${CHEMISTRY_NAMES.join(', ')}` }).nullable(),
    recipe: z.string({ error: 'must be text' }),
    minutes: finite.min(0, 'must not be negative').max(1e5, 'must be at most 100000'),
    coats: finite.min(0, 'must not be negative').max(100, 'must be at most 100').default(1),
    done: z.boolean({ error: 'must be true or false' }),
  },
  { error: 'must be a layer' },
);
const input = z
  .strictObject(
    {
      stack: z.record(zone, z.array(layer, { error: 'must be a list of layers' }), {
        error: 'must be an object with a list of layers for each zone',
      }),
      mishap: z.strictObject(
        {
          kind: text,
          zones: zones.min(1, 'must name at least one zone'),
          down: z.enum(DEPTHS, { error: `must be one of ${DEPTHS.join(', ')}` }),
        },
        { error: 'must be an object with kind, zones and down' },
      ),
      masks: z.array(z.strictObject({ step: text, zones }), { error: 'must be a list of masks' }).default([]),
    },
    { error: 'must be an object with stack, mishap and masks' },
  )
  .superRefine(({ stack, mishap }, context) => {
    mishap.zones.forEach((named, i) => {
      if (!Object.hasOwn(stack, named))
        context.addIssue({ code: 'custom', path: ['mishap', 'zones', i], message: `"${named}" is not in the stack` });
    });
  });

/** What has to be done again after a mishap. */
export const rework: Contract = {
  run(raw) {
    const { stack, mishap, masks } = parseInput(input, raw);
    const { steps, lost, hours } = reworkOf(stack, mishap, masks, STANDARD_CLIMATE);
    return { steps: steps.map(({ layer: _, ...step }) => step), lost, hours, assumed: { ...STANDARD_CLIMATE } };
  },
};
