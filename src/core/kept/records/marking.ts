import { z } from 'zod';
import { choice, line, needed, number } from '../fields';
import { MARKING_KINDS, MARKING_METHODS } from '@/core/markings/kinds';
import { placeFields } from '@/core/markings/place';

/** What is printed already needs no paint: a decal may name no code. */
const PRINTED: readonly string[] = ['decal', 'own decal'];

export const markingFields = z
  .strictObject({
    kind: choice('Kind', MARKING_KINDS),
    title: needed('Title'),
    zone: needed('Zone', 60),
    text: line('Letters', 40),
    heightMm: number('True height').min(1, 'True height: at least 1 mm').max(20_000, 'True height: at most 20 m'),
    printedMm: number('Printed height')
      .min(0.05, 'Printed height: at least 0.05 mm')
      .max(1000, 'Printed height: at most 1 m')
      .nullable(),
    method: choice('Method', MARKING_METHODS),
    codes: z.array(needed('Colour code', 20)).max(6, 'Colours: at most six'),
    places: z.array(placeFields).max(8, 'Places: at most eight'),
  })
  .refine(({ method, codes }) => codes.length > 0 || PRINTED.includes(method), {
    path: ['codes'],
    message: 'Colours: at least one code for what is painted',
  });
