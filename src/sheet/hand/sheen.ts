import { Color, type MeshPhongMaterial } from 'three';
import type { Sheen } from '@/core/laid/film';
import { TAPE, type Hatch } from './shown';

/** How surfaces take the light: the diffuse colour is the swatch's own, what shines comes on top of it. */

interface Gleam {
  /** Share of the light that is thrown back as by a mirror, seen square on (Fresnel); 0.04 is that of any clear film. */
  reflects: number;
  /** Blinn and Phong's exponent: the smoother, the narrower what gleams. */
  shininess: number;
  /** Metal throws back light of its own colour. */
  isTinted: boolean;
}

/** Narrow enough that a patch which faces the light shows its own colour, seen from anywhere but where the light stands. */
const GLEAMS: Readonly<Record<Sheen, Gleam>> = {
  matt: { reflects: 0, shininess: 1, isTinted: false },
  satin: { reflects: 0.02, shininess: 90, isTinted: false },
  gloss: { reflects: 0.04, shininess: 300, isTinted: false },
  metal: { reflects: 0.3, shininess: 120, isTinted: true },
};

/** How a material of a sheen gleams: the colour of what is thrown back, and how narrow it is. */
export function gleamOf(sheen: Sheen, colour: string): { shininess: number; specular: Color } {
  const { reflects, shininess, isTinted } = GLEAMS[sheen];
  return { shininess, specular: (isTinted ? new Color(colour) : new Color(1, 1, 1)).multiplyScalar(reflects) };
}

/** Lines over a piece, drawn on the screen, so that they are as wide from near and far: its own colour, and how the lines run. */
const LINES: Readonly<Record<Hatch, string>> = {
  leaning: 'step(mod(gl_FragCoord.x + gl_FragCoord.y, 11.0), 2.0)',
  contested:
    'max(step(mod(gl_FragCoord.x + gl_FragCoord.y, 8.0), 2.0), step(mod(gl_FragCoord.x - gl_FragCoord.y, 8.0), 2.0))',
  taped: 'step(mod(gl_FragCoord.x - gl_FragCoord.y, 14.0), 3.0)',
};
/** What lies between the lines over tape, as light adds up; what is hatched elsewhere has its own colour there, and dark lines. */
const OF_TAPE = `vec3(${new Color(TAPE).toArray().join(', ')})`;
const DARK = 'vec3(0.09)';

type Drawn = Pick<MeshPhongMaterial, 'onBeforeCompile' | 'customProgramCacheKey'>;

/** How a material is drawn with lines over it. */
export const HATCHED: Readonly<Record<Hatch | 'plain', Drawn>> = {
  plain: drawnWith('plain', null),
  // Tape hides the colour under it but for the lines: one sees that it is covered, and what.
  taped: drawnWith('taped', `mix(${OF_TAPE}, gl_FragColor.rgb, ${LINES.taped})`),
  leaning: drawnWith('leaning', `mix(gl_FragColor.rgb, ${DARK}, ${LINES.leaning})`),
  contested: drawnWith('contested', `mix(gl_FragColor.rgb, ${DARK}, ${LINES.contested})`),
};

function drawnWith(name: string, mixed: string | null): Drawn {
  return {
    onBeforeCompile: (shader) => {
      if (mixed)
        shader.fragmentShader = shader.fragmentShader.replace(
          '#include <opaque_fragment>',
          `#include <opaque_fragment>\ngl_FragColor.rgb = ${mixed};`,
        );
    },
    customProgramCacheKey: () => name,
  };
}
