'use client';

import { useEffect, useMemo, memo, type ReactNode } from 'react';
import type { ThreeEvent } from '@react-three/fiber';
import { DoubleSide } from 'three';
import { geometryOf } from './geometry';
import { gleamOf, HATCHED } from './sheen';
import type { Shown } from './shown';

/** One piece of the machine: drawn as it is shown, named under the pointer, chosen by a press. */
export const Piece = memo(function Piece({
  piece,
  colour,
  opacity,
  sheen,
  hatch,
  isLit,
  onUnder,
  onChoose,
}: Shown & { isLit: boolean; onUnder: (zone: string | null) => void; onChoose: (zone: string) => void }): ReactNode {
  const geometry = useMemo(() => geometryOf(piece), [piece]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  const choose = (event: ThreeEvent<MouseEvent>) => {
    event.stopPropagation();
    // A drag that ends on it chooses nothing.
    if (event.delta < 4) onChoose(piece.zone);
  };
  return (
    <mesh
      geometry={geometry}
      onClick={choose}
      onPointerOver={(event) => {
        event.stopPropagation();
        onUnder(piece.zone);
      }}
      onPointerOut={() => onUnder(null)}
    >
      <meshPhongMaterial
        key={hatch ?? 'plain'}
        color={colour}
        // Where two pieces meet a point may show between them: what is seen there is the skin beyond.
        side={DoubleSide}
        transparent={opacity < 1}
        opacity={opacity}
        depthWrite={opacity === 1}
        emissive={isLit ? '#4a4a4a' : '#000000'}
        {...gleamOf(sheen, colour)}
        {...HATCHED[hatch ?? 'plain']}
      />
    </mesh>
  );
});
