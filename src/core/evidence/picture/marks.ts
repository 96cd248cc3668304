import { z } from 'zod';

/** Points in px of the kept picture. */
const point = z.tuple([z.number(), z.number()]);
const size = z
  .number({ error: 'Known size: a number is needed' })
  .positive('Known size: above 0 mm')
  .max(200_000, 'Known size: at most 200 m');
const sdMm = z.number().min(0, 'Plus or minus: never below 0').max(100_000);

/** How a picture is measured: see core/evidence/picture/measure. */
export const calibrationSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('length'), points: z.array(point).length(2), mm: size, sdMm }),
  z.strictObject({ kind: z.literal('panel'), points: z.array(point).length(4), widthMm: size, heightMm: size, sdMm }),
]);

/** What a measured sighting was measured by. */
export const marksSchema = z.strictObject({
  tool: z.enum(['length', 'diameter', 'angle', 'tone', 'border', 'area', 'marking', 'edge']),
  /** On the machine that was laid over the picture, not in the plane of the picture. */
  onSkin: z.boolean().default(false),
  points: z.array(point).min(1).max(60),
  calibration: calibrationSchema.nullable(),
});
export type Marks = z.infer<typeof marksSchema>;
