import { ringMaker, sectionAt, type Body, type Xyz } from './body';
import { liftingPoint, type Lifting } from './lifting';

/**
 * Steps round a body, along each stretch between its sections, and over a wing: within 0.02 % of the closed forms, and within 0.1 % where a
 * section that lies flat follows one that stands.
 */
const ROUND = 240;
const ALONG = 16;
const SPANWISE = 12;
const CHORDWISE = 48;

/** Area of a triangle in space: half the length of the cross product of two of its sides. */
export function triangle(a: Xyz, b: Xyz, c: Xyz): number {
  const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const [vx, vy, vz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
  const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  // Math.hypot, which minds overflow, takes several times as long.
  return Math.sqrt(x * x + y * y + z * z) / 2;
}

/** A skin's developed area, and the first moment of it along x: area times station, added up. */
export interface Skin {
  area: number;
  moment: number;
}

/** The skin over a grid of its points, each quad cut into two triangles. */
function gridSkin(rows: number, columns: number, rowOf: (row: number) => (column: number) => Xyz): Skin {
  let [area, moment] = [0, 0];
  const points = (row: number) => {
    const at = rowOf(row);
    return Array.from({ length: columns + 1 }, (_, j) => at(j));
  };
  let before = points(0);
  const add = (a: Xyz, b: Xyz, c: Xyz) => {
    const one = triangle(a, b, c);
    area += one;
    moment += (one * (a[0] + b[0] + c[0])) / 3;
  };
  for (let i = 1; i <= rows; i += 1) {
    const row = points(i);
    for (let j = 0; j < columns; j += 1) {
      add(before[j]!, before[j + 1]!, row[j + 1]!);
      add(before[j]!, row[j + 1]!, row[j]!);
    }
    before = row;
  }
  return { area, moment };
}

const together = (skins: readonly Skin[]): Skin => ({
  area: skins.reduce((sum, { area }) => sum + area, 0),
  moment: skins.reduce((sum, { moment }) => sum + moment, 0),
});

/** The whole skin of a body without end caps; `round` steps round it. */
export function bodySkin(body: Body, round = ROUND, along = ALONG): Skin {
  const ringOf = ringMaker(body.y, round);
  return together(
    body.sections.slice(1).map((after, i) => {
      const before = body.sections[i]!;
      return gridSkin(along, round, (row) => ringOf(sectionAt(body, before.x + ((after.x - before.x) * row) / along)));
    }),
  );
}

/** Both faces of one half of a wing or tail. */
export const liftingSkin = (of: Lifting, chordwise = CHORDWISE): Skin =>
  together(
    ([1, -1] as const).map((face) =>
      gridSkin(SPANWISE, chordwise, (row) => (column) => liftingPoint(of, face, row / SPANWISE, column / chordwise)),
    ),
  );

/** What paint covers of a body, in the square of its unit. */
export const bodyArea = (body: Body): number => bodySkin(body).area;

/** What paint covers of one half of a wing or tail: both faces. */
export const liftingArea = (of: Lifting): number => liftingSkin(of).area;
