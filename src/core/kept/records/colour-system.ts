import { z } from 'zod';
import { choice, line, needed, number } from '../fields';
import { CODE_SHAPES } from '@/core/codes/system';

export const colourSystemFields = z.strictObject({
  name: needed('Standard', 20),
  title: line('Title', 80),
  shape: choice('Shape', CODE_SHAPES),
  prefix: needed('Letters before the number', 10).regex(
    /^[A-Z][A-Z.]*$/,
    'Letters before the number: capital letters, such as "TCS"',
  ),
  digits: number('Digits').int().min(1, 'Digits: 1 to 6').max(6, 'Digits: 1 to 6'),
});
