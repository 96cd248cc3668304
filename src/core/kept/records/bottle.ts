import { z } from 'zod';
import { id, line, number, optionalDay } from '../fields';

export const bottleFields = z.strictObject({
  paintId: id,
  mlLeft: number('Millilitres left')
    .min(0, 'Millilitres left: never below 0')
    .max(1000, 'Millilitres left: at most 1000'),
  openedOn: optionalDay('Opened'),
  condition: line('Condition', 100),
  /** How strongly it tints beside what its colour data say; learnt from test sprays. */
  strength: number('Strength').min(0.2, 'Strength: at least 0.2').max(5, 'Strength: at most 5').default(1),
});
