import { bodyMesh, liftingMesh } from '@/core/skin/grid';
import { meshArea, type Mesh } from '@/core/skin/mesh';
import { skinInput } from './area';
import { finite, parseInput, type Contract } from './contract';
import { bodyOfInput, placed } from './shapes';

const input = skinInput(
  { toleranceModelMm: finite.min(0.001, 'must be at least 0.001').max(100, 'must be at most 100').default(0.05) },
  placed,
);

/** `mesh`: the skin of bodies and halves of wings as triangles. */
export const mesh: Contract = {
  run(raw) {
    const { bodies, surfaces, denominator, toleranceModelMm } = parseInput(input, raw);
    const tolerance = toleranceModelMm * denominator;
    const said = (id: string, made: Mesh) => ({ id, ...made, areaMm2: meshArea(made) });
    return {
      meshes: [
        ...bodies.map((own) => said(own.id, bodyMesh(bodyOfInput(own), tolerance))),
        ...surfaces.map((own) => said(own.id, liftingMesh(own, tolerance))),
      ],
    };
  },
};
