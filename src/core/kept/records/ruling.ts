import { z } from 'zod';
import { choice, id, line, needed, neededProse } from '../fields';
import { RULING_BASES } from '@/core/evidence/bases';

export const rulingFields = z.strictObject({
  questionId: id,
  value: needed('Ruling', 200),
  basis: choice('Basis', RULING_BASES),
  reason: neededProse('Reason', 500),
  ruledBy: line('Ruled by', 60),
  /** What the sources favoured when it was ruled; empty where they favoured nothing, null where that is not known. */
  favoured: line('Favoured', 200).nullable().default(null),
});
