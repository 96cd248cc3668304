import type { Xyz } from './body';

/** A chord of a wing, tail or fin. `thickness`: the greatest, as a share of the chord, of a section of two parabolas. */
export interface Chord {
  x: number;
  chord: number;
  thickness: number;
}

/**
 * One half of a wing or tail, straight between root and tip. `semispan` is measured in plan, so that dihedral lengthens the skin. A fin is one
 * that stands upright. `side`: 1 starboard (or up), -1 port. `y`, `z`: where the root lies.
 */
export interface Lifting {
  root: Chord;
  tip: Chord;
  semispan: number;
  dihedralDeg: number;
  side: 1 | -1;
  y: number;
  z: number;
  upright: boolean;
}

/** Leading edge, chord and thickness at a share of the semispan. */
export function chordAt({ root, tip }: Lifting, share: number): Chord {
  const between = (from: number, to: number) => from + share * (to - from);
  return {
    x: between(root.x, tip.x),
    chord: between(root.chord, tip.chord),
    thickness: between(root.thickness, tip.thickness),
  };
}

/** How much longer the skin is along the span than its plan: dihedral lengthens it, thickness hardly. */
export const spanwise = ({ upright, dihedralDeg }: Lifting): number =>
  upright ? 1 : 1 / Math.cos((dihedralDeg * Math.PI) / 180);

/** From the centre line (up for what stands upright) to the distance out of the root. */
export const outOf = (of: Lifting, offset: number): number => of.side * (offset - (of.upright ? of.z : of.y));

/** Half the thickness at a share of the chord: a parabola, greatest in the middle; a drawn edge beyond the chord has none. */
const halfThickness = ({ chord, thickness }: Chord, t: number): number =>
  2 * thickness * chord * Math.max(0, t * (1 - t));

/** The point of one face (1 upper or starboard, -1 lower or port) at shares of the semispan and of the chord. */
export function liftingPoint(of: Lifting, face: 1 | -1, s: number, t: number): Xyz {
  const at = chordAt(of, s);
  const out = s * of.semispan;
  const x = at.x + t * at.chord;
  const lens = face * halfThickness(at, t);
  if (of.upright) return [x, of.y + lens, of.z + of.side * out];
  return [x, of.y + of.side * out, of.z + out * Math.tan((of.dihedralDeg * Math.PI) / 180) + lens];
}
