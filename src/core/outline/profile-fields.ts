import { z } from 'zod';

const share = (title: string) =>
  z
    .number({ error: `${title}: a number is needed` })
    .min(-0.5, `${title}: at least -0.5`)
    .max(1.5, `${title}: at most 1.5`);

/** A fuselage as it was pulled to a drawing: stations as shares of the length, heights and breadths of the greatest. */
export const profileSchema = z
  .array(z.tuple([z.number().min(0).max(1), share('Top'), share('Bottom'), z.number().min(0.001).max(1.5)]))
  .min(3, 'Fuselage: at least three stations')
  .max(60, 'Fuselage: at most 60 stations')
  .superRefine((points, context) => {
    points.forEach(([t, top, bottom], i) => {
      const fault = (message: string) => context.addIssue({ code: 'custom', path: [i], message });
      if (i > 0 && t - points[i - 1]![0] < 0.002) fault('Fuselage: each station lies aft of the one before it');
      if (top - bottom < 0.005) fault('Fuselage: its top lies above its bottom');
    });
    if (points[0]?.[0] !== 0)
      context.addIssue({ code: 'custom', path: [0], message: 'Fuselage: it begins at the nose' });
  });
