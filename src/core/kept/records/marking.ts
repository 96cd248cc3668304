import { z } from 'zod';
import { choice, id, line, needed, number } from '../fields';
import { designFields, MOST_COLOURS, PLAIN } from '@/core/markings/design';
import { MARKING_KINDS, MARKING_METHODS, PRINTED } from '@/core/markings/kinds';
import { placeFields } from '@/core/markings/place';

export const markingFields = z
  .strictObject({
    kind: choice('Kind', MARKING_KINDS),
    title: needed('Title'),
    /** By which the timeline knows it, whatever it is called: its first title. */
    name: line('Name').default(''),
    zone: needed('Zone', 60),
    text: line('Letters', 40),
    heightMm: number('True height').min(1, 'True height: at least 1 mm').max(20_000, 'True height: at most 20 m'),
    printedMm: number('Printed height')
      .min(0.05, 'Printed height: at least 0.05 mm')
      .max(1000, 'Printed height: at most 1 m')
      .nullable(),
    method: choice('Method', MARKING_METHODS),
    codes: z.array(needed('Colour code', 60)).max(MOST_COLOURS, 'Colours: at most six'),
    places: z.array(placeFields).max(40, 'Places: at most 40'),
    design: designFields.default(PLAIN),
    /** The sheet that it comes from, and which of its items it is. */
    sheetId: id.nullable().default(null),
    sheetItem: line('Item', 40).default(''),
  })
  .refine(({ method, codes }) => codes.length > 0 || PRINTED.has(method), {
    path: ['codes'],
    message: 'Colours: at least one code for what is painted',
  });
