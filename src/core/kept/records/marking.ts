import { z } from 'zod';
import { choice, id, line, needed, number } from '../fields';
import { MOST_COLOURS, PLAIN } from '@/core/markings/design';
import { designFields } from '@/core/markings/design-fields';
import { MARKING_KINDS, MARKING_METHODS, PRINTED } from '@/core/markings/kinds';
import { placeFields } from '@/core/markings/place';
import { PLAIN_PRINTING, printingFields } from '@/core/markings/printing';

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
    /** It is printed in so many pieces, as where its centre is one of its own. */
    piecesEach: number('Pieces each')
      .int('Pieces each: a whole number')
      .min(1, 'Pieces each: at least 1')
      .max(9, 'Pieces each: at most 9')
      .default(1),
    /** Its print is what the paint of its colour is matched to. */
    byPrint: z.boolean().default(false),
    printing: printingFields.default(PLAIN_PRINTING),
  })
  .refine(({ method, codes }) => codes.length > 0 || PRINTED.has(method), {
    path: ['codes'],
    message: 'Colours: at least one code for what is painted',
  });
