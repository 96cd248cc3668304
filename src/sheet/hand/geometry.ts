import { BufferAttribute, BufferGeometry } from 'three';
import type { SkinPiece } from '@/core/skin/piece';

/** A piece of the skin as it is drawn. */
export function geometryOf({ positions, normals, index }: SkinPiece): BufferGeometry {
  const made = new BufferGeometry();
  made.setAttribute('position', new BufferAttribute(positions, 3));
  made.setAttribute('normal', new BufferAttribute(normals, 3));
  made.setIndex(new BufferAttribute(index, 1));
  return made;
}
