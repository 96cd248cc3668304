import { z } from 'zod';
import { DIMENSION_NAMES, DIMENSIONS, type DimensionInfo, type DimensionName } from './dimensions';

/** Those that files from before they were known leave out. */
const LATER: ReadonlySet<DimensionName> = new Set([
  'upperWingStation',
  'upperWingHeight',
  'wingBays',
  'boomSpacing',
  'boomDiameter',
]);

const field = ({ title, least, most, unit }: DimensionInfo) =>
  z
    .number({ error: `${title}: a number is needed` })
    .min(least, `${title}: at least ${least} ${unit}`)
    .max(most, `${title}: at most ${most} ${unit}`);

/** Checks each dimension, and that the parts lie where an aircraft can have them. */
export const dimensionsSchema = z
  .strictObject(
    Object.fromEntries(
      DIMENSION_NAMES.map((name) => [
        name,
        LATER.has(name) ? field(DIMENSIONS[name]).default(0) : field(DIMENSIONS[name]),
      ]),
    ) as unknown as Record<DimensionName, z.ZodNumber>,
  )
  .superRefine((d, context) => {
    const within = (name: DimensionName, end: number, says: string) => {
      if (end > d.length * 1.02)
        context.addIssue({
          code: 'custom',
          path: [name],
          message: `${DIMENSIONS[name].title}: ${says} ends behind the tail`,
        });
    };
    within('wingStation', d.wingStation + d.rootChord, 'the wing root');
    within('canopyStation', d.canopyStation + d.canopyLength, 'the canopy');
    within('cowlLength', d.cowlLength, 'the cowling');
    within('finRootChord', d.finRootChord, 'the fin');
    within('mainWheelStation', d.mainWheelStation, 'the gear');
  });
