import { z } from 'zod';
import { circleIn, lightToDark, MASK_RATES, maskOrder, MOST_COLOURS } from '@/core/work/mask-order';
import { finite, parseInput, text, type Contract } from './contract';
import { above0, size } from './shapes';

const pair = z.tuple([text, text], { error: 'must be a pair of colours' });
const minutes = finite.min(0, 'must not be negative').max(1e5, 'is too long');

const rates = z.strictObject({
  sessionMinutes: minutes.default(MASK_RATES.sessionMinutes),
  tapeMmPerMinute: above0.default(MASK_RATES.tapeMmPerMinute),
  softMmPerMinute: above0.default(MASK_RATES.softMmPerMinute),
  cleanOutMinutes: minutes.default(MASK_RATES.cleanOutMinutes),
});

const input = z
  .strictObject(
    {
      colours: z
        .array(text, { error: 'must be a list of colours' })
        .min(1, 'needs at least one colour')
        .max(MOST_COLOURS, `has more than ${MOST_COLOURS} colours, which is as many as are put in order exactly`),
      regions: z.array(z.strictObject({ id: text, colour: text }), { error: 'must be a list of regions' }),
      edges: z
        .array(
          z.strictObject({ a: text, b: text, lengthMm: size, hard: z.boolean({ error: 'must be true or false' }) }),
          { error: 'must be a list of edges' },
        )
        .default([]),
      hides: z.array(pair, { error: 'must be a list of pairs' }).default([]),
      before: z.array(pair, { error: 'must be a list of pairs' }).default([]),
      rates: rates.default({ ...MASK_RATES }),
      lightness: z.record(z.string(), finite).optional(),
    },
    { error: 'must be an object with colours, regions and edges' },
  )
  .superRefine(({ colours, regions, edges, hides, before, lightness }, context) => {
    const fault = (path: PropertyKey[], message: string) => context.addIssue({ code: 'custom', path, message });
    const names = new Set<string>();
    colours.forEach((name, i) => {
      if (names.has(name)) fault(['colours', i], `"${name}" is there twice`);
      names.add(name);
    });
    const isColour = (name: string, path: PropertyKey[]) => {
      if (!names.has(name)) fault(path, `there is no colour "${name}"`);
    };
    const ids = new Set<string>();
    regions.forEach(({ id, colour }, i) => {
      if (ids.has(id)) fault(['regions', i, 'id'], `"${id}" is there twice`);
      ids.add(id);
      isColour(colour, ['regions', i, 'colour']);
    });
    colours.forEach((name, i) => {
      if (!regions.some(({ colour }) => colour === name)) fault(['colours', i], `"${name}" has no region`);
    });
    edges.forEach(({ a, b }, i) => {
      for (const [end, id] of [
        ['a', a],
        ['b', b],
      ] as const)
        if (!ids.has(id)) fault(['edges', i, end], `there is no region "${id}"`);
    });
    hides.forEach((both, i) => both.forEach((name, k) => isColour(name, ['hides', i, k])));
    before.forEach((both, i) => both.forEach((name, k) => isColour(name, ['before', i, k])));
    const circle = circleIn(before);
    if (circle) fault(['before'], `goes in a circle: ${circle.join(' before ')}`);
    if (lightness) {
      for (const name of colours) if (!Object.hasOwn(lightness, name)) fault(['lightness', name], 'is missing');
      for (const name of Object.keys(lightness)) isColour(name, ['lightness', name]);
    }
  });

/** `masks`: the order of spraying with the least masking. */
export const masks: Contract = {
  run(raw) {
    const { lightness, ...job } = parseInput(input, raw);
    return {
      ...maskOrder(job),
      proven: true,
      compare: lightness ? { lightToDark: lightToDark({ ...job, lightness }) } : {},
      assumed: { rates: job.rates },
    };
  },
};
