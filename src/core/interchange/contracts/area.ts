import { z } from 'zod';
import { bodyArea, liftingArea } from '@/core/outline/skin-area';
import { finite, parseInput, text, type Contract } from './contract';
import { above0, body, bodyOfInput, coordinate, denominator, size } from './shapes';

const chord = z.strictObject(
  {
    x: coordinate,
    chord: size,
    thickness: finite.min(0, 'must not be negative').max(1, 'must be at most 1').default(0),
  },
  { error: 'must be a chord with x and chord' },
);

/** Bodies and surfaces under names of their own, with what else a page asks of them. */
export const skinInput = <More extends z.ZodRawShape, OfSurface extends z.ZodRawShape>(
  more: More,
  ofSurface: OfSurface,
) =>
  z
    .strictObject(
      {
        bodies: z
          .array(body.safeExtend({ id: text }), { error: 'must be a list of bodies' })
          .max(200)
          .default([]),
        surfaces: z.array(surfaceWith(ofSurface), { error: 'must be a list of surfaces' }).max(500).default([]),
        denominator,
        ...more,
      },
      { error: 'must be an object with bodies, surfaces and denominator' },
    )
    .superRefine((given, context) => {
      const { bodies, surfaces } = given as { bodies: { id: string }[]; surfaces: { id: string }[] };
      const seen = new Set<string>();
      const check = (list: 'bodies' | 'surfaces', parts: { id: string }[]) =>
        parts.forEach(({ id }, i) => {
          if (seen.has(id))
            context.addIssue({ code: 'custom', path: [list, i, 'id'], message: `"${id}" is there twice` });
          seen.add(id);
        });
      check('bodies', bodies);
      check('surfaces', surfaces);
      if (seen.size === 0)
        context.addIssue({ code: 'custom', path: ['bodies'], message: 'neither a body nor a surface' });
    });

const surfaceWith = <More extends z.ZodRawShape>(more: More) =>
  z
    .strictObject(
      {
        id: text,
        root: chord,
        tip: chord,
        semispan: above0,
        dihedralDeg: finite.gt(-90, 'must be above -90').lt(90, 'must be below 90').default(0),
        ...more,
      },
      { error: 'must be a surface with id, root, tip and semispan' },
    )
    .refine(
      (given) => {
        const { root, tip } = given as { root: { chord: number }; tip: { chord: number } };
        return root.chord > 0 || tip.chord > 0;
      },
      { path: ['root', 'chord'], message: 'no chord has a length' },
    );

const input = skinInput({}, {});

/** `area`: what paint covers, developed, of bodies and halves of wings. */
export const area: Contract = {
  run(raw) {
    const { bodies, surfaces, denominator: scale } = parseInput(input, raw);
    const both = (realMm2: number) => ({ realMm2, modelCm2: realMm2 / scale ** 2 / 100 });
    const each: [string, number][] = [
      ...bodies.map((own): [string, number] => [own.id, bodyArea(bodyOfInput(own))]),
      ...surfaces.map((own): [string, number] => [
        own.id,
        liftingArea({ ...own, side: 1, y: 0, z: 0, upright: false }),
      ]),
    ];
    return {
      areas: Object.fromEntries(each.map(([id, mm2]) => [id, both(mm2)])),
      total: both(each.reduce((sum, [, mm2]) => sum + mm2, 0)),
    };
  },
};
