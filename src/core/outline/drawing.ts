import type { Point, Polygon } from '@/core/geometry/polygon';
import type { View } from './zones';

/** A filled region of one view; points in metres, u to the right, v down. Later shapes lie over earlier ones. */
export interface Shape {
  zone: string;
  points: Polygon;
  /** The surface that it is a piece of, where it is one. */
  chart?: string;
  /** Glass is drawn light whatever its frame's colour. */
  glass?: boolean;
}

/** A line with no area: hinges, panel edges, propeller discs. */
export interface Line {
  points: Polygon;
  weight: 'fine' | 'bold';
}

export interface ViewDrawing {
  shapes: Shape[];
  lines: Line[];
}

export type Drawings = Record<View, ViewDrawing>;

export const emptyDrawings = (): Drawings => ({
  port: { shapes: [], lines: [] },
  starboard: { shapes: [], lines: [] },
  upper: { shapes: [], lines: [] },
  lower: { shapes: [], lines: [] },
});

/**
 * Real axes (x aft of the nose, y to starboard, z up, metres) to a view. The nose points left except in the starboard
 * view; seen from above with the nose left the starboard wing is at the top, seen from below the port wing is.
 */
export function project(view: View, length: number, x: number, y: number, z: number): Point {
  switch (view) {
    case 'port':
      return [x, -z];
    case 'starboard':
      return [length - x, -z];
    case 'upper':
      return [x, -y];
    case 'lower':
      return [x, y];
  }
}
