import { z } from 'zod';
import { id } from '../fields';

export const colourChoiceFields = z
  .strictObject({ codeId: id, paintId: id.nullable(), recipeId: id.nullable().default(null) })
  .refine((made) => (made.paintId === null) !== (made.recipeId === null), 'a paint or a recipe is chosen, not both');
