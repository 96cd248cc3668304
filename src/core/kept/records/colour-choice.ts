import { z } from 'zod';
import { choice, id, number } from '../fields';
import { WAYS } from '@/core/kit/applying';
import { GROUND_KEYS } from '@/core/paint/grounds';

/** A few per cent of another paint in wet passes over the colour. */
export const filterFields = z.strictObject({
  paintId: id,
  percent: number('Paint in the cup')
    .min(1, 'Paint in the cup: at least 1 %')
    .max(50, 'Paint in the cup: at most 50 %'),
  passes: number('Passes').int('Passes: a whole number').min(1, 'Passes: at least 1').max(12, 'Passes: at most 12'),
});

/** How a colour is laid: what under it, in how many coats, with what filter over it. */
export const layingFields = z.strictObject({
  /** '' = over the primer or the tonal ground of the brief. */
  ground: choice('Ground', GROUND_KEYS).default(''),
  /** Null = as many as are reckoned. */
  coats: number('Coats')
    .int('Coats: a whole number')
    .min(1, 'Coats: at least 1')
    .max(12, 'Coats: at most 12')
    .nullable()
    .default(null),
  filter: filterFields.nullable().default(null),
  /** How it is brought on; '' = as suggested. */
  way: choice('Way of applying', ['', ...WAYS]).default(''),
});

export const colourChoiceFields = z
  .strictObject({ codeId: id, paintId: id.nullable(), recipeId: id.nullable().default(null), ...layingFields.shape })
  .refine((made) => (made.paintId === null) !== (made.recipeId === null), 'a paint or a recipe is chosen, not both');
