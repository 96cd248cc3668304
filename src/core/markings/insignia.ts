import type { Polygon } from '@/core/geometry/polygon';

/** One flat field of an insignia in a square of side 1 round the origin, with the index of its colour in the marking. */
export interface Field {
  points: Polygon;
  colour: number;
}

function hexagon(radius: number): Polygon {
  return Array.from(
    { length: 6 },
    (_, i) => [radius * Math.cos((i * Math.PI) / 3), radius * Math.sin((i * Math.PI) / 3)] as const,
  );
}

/**
 * The geometry an insignia is painted in, ground first: a hexagon with an inner hexagon and an upright lozenge. More shapes come with the
 * markings' own issue; this one belongs to the demo's invented service.
 */
export function hexagonInsignia(): Field[] {
  return [
    { points: hexagon(0.5), colour: 0 },
    { points: hexagon(0.42), colour: 1 },
    {
      points: [
        [0, -0.3],
        [0.15, 0],
        [0, 0.3],
        [-0.15, 0],
      ],
      colour: 2,
    },
  ];
}
