import { z } from 'zod';
import { choice, id, inOrder, optionalDay, prose } from '../fields';
import { CODE_RELATIONS } from '@/core/codes/system';

export const codeRelationFields = inOrder(
  z.strictObject({
    codeId: id,
    otherId: id,
    kind: choice('Relation', CODE_RELATIONS),
    fromDay: optionalDay('From'),
    toDay: optionalDay('To'),
    note: prose('Note', 300),
  }),
  'fromDay',
  'toDay',
  'To: it ends before it starts',
);
