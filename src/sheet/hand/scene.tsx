'use client';

import { Canvas, useThree, type ThreeEvent } from '@react-three/fiber';
import { memo, useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Box3, DoubleSide, NoToneMapping, OrthographicCamera, Sphere, Vector3 } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { View } from '@/core/outline/zones';
import type { SkinPiece } from '@/core/skin/machine';
import { geometryOf } from './geometry';
import type { Lamp } from './light-pad';
import { gleamOf, HATCHED } from './sheen';
import type { Shown } from './shown';
import { modelOf, pictureOf, turntableOf } from './take-out';
import './in-hand.css';

/** Where the eye stands, seen from the middle of the machine: nose to the left from port, as on the sheet. */
const EYES: Readonly<Record<View | 'corner', readonly [number, number, number]>> = {
  corner: [-0.62, -0.66, 0.42],
  port: [0, -1, 0],
  starboard: [0, 1, 0],
  upper: [0, 0, 1],
  lower: [0, 0, -1],
};
/** Half of the light comes from all round, half from the lamp: what faces it shows its own colour. */
const LIGHT = Math.PI / 2;
/**
 * Points of the picture to a point of the screen, along each way: while it moves, so that it turns smoothly where it is drawn in software, and
 * once it rests, so that its edges are smooth.
 */
const [QUICK, FINE] = [0.75, 2];
const RESTS_MS = 220;
/** The machine fills so much of the frame. */
const FILLS = 0.94;

/** What can be taken out of the view. */
export interface Taken {
  /** What is seen, twice as fine as it is shown. */
  picture: () => Promise<Blob | null>;
  /** The machine as other programs open it (glTF, binary): metres, or as large as the model; each zone by its name. */
  model: (scale: number) => Promise<Blob>;
  /** All round it in pictures, 10 degrees apart, in one zip. */
  turntable: () => Promise<Blob>;
}

/** Views that are turned together: each tells the others where its eye stands. */
export type Together = Set<(eye: OrthographicCamera, target: Vector3, from: object) => void>;

interface Props {
  pieces: readonly SkinPiece[];
  lamp: Lamp;
  together: Together;
  titleOf: (zone: string) => string;
  onReady: (taken: Taken | null) => void;
  shown: readonly Shown[];
  look: { at: View | 'corner'; turn: number };
  selected: string | null;
  onUnder: (zone: string | null) => void;
  onChoose: (zone: string) => void;
}

/** Whether this browser can draw in space at all. */
const canDraw = (): boolean => {
  try {
    const canvas = document.createElement('canvas');
    return Boolean(canvas.getContext('webgl2'));
  } catch {
    return false;
  }
};

export function Scene(props: Props): ReactNode {
  const [isAble] = useState(canDraw);
  const [isLost, setLost] = useState(false);
  if (!isAble)
    return (
      <p role="alert" className="in-hand-scene">
        This browser draws nothing in space (WebGL is off): the four views of the sheet show the same.
      </p>
    );
  return (
    <div className="in-hand-scene">
      {isLost ? (
        <p role="status">The drawing was set aside by the browser; it comes back when this page is looked at.</p>
      ) : null}
      <Canvas
        orthographic
        frameloop="demand"
        flat
        dpr={QUICK}
        gl={{ antialias: false, toneMapping: NoToneMapping, preserveDrawingBuffer: false }}
        camera={{ up: [0, 0, 1], position: [0, -1, 0] }}
        onCreated={({ gl }) => {
          gl.domElement.setAttribute('aria-hidden', 'true');
          gl.domElement.addEventListener('webglcontextlost', (event) => {
            event.preventDefault();
            setLost(true);
          });
          gl.domElement.addEventListener('webglcontextrestored', () => setLost(false));
        }}
      >
        <Machine {...props} isLost={isLost} />
      </Canvas>
    </div>
  );
}

function Machine(props: Props & { isLost: boolean }): ReactNode {
  const { pieces, shown, look, lamp: at, together, selected, isLost, titleOf, onReady, onUnder, onChoose } = props;
  const { camera, gl, scene, size } = useThree();
  const controls = useRef<OrbitControls | null>(null);
  const lamp = useRef<import('three').DirectionalLight>(null);
  const lampAt = useRef(at);
  const box = useMemo(() => {
    const whole = new Box3();
    const at = new Vector3();
    for (const { positions } of pieces)
      for (let i = 0; i < positions.length; i += 3) whole.expandByPoint(at.fromArray(positions, i));
    return pieces.length > 0 ? whole : new Box3(new Vector3(-1, -1, -1), new Vector3(1, 1, 1));
  }, [pieces]);

  // Whatever changes is drawn at once, and finely when nothing more does.
  const draw = useDrawn();

  useEffect(() => {
    const orbit = new OrbitControls(camera, gl.domElement);
    orbit.enableDamping = false;
    orbit.zoomToCursor = true;
    const heard = gl.domElement.parentElement ?? gl.domElement;
    heard.setAttribute('tabindex', '0');
    heard.setAttribute('role', 'application');
    heard.setAttribute('aria-label', 'The machine: arrows turn it, plus and minus bring it nearer');
    const eye = camera as OrthographicCamera;
    const drawn = () => {
      light(lamp.current, eye, orbit.target, lampAt.current);
      draw();
    };
    const turned = () => {
      drawn();
      for (const tell of together) tell(eye, orbit.target, orbit);
    };
    const follow = (other: OrthographicCamera, target: Vector3, from: object) => {
      if (from === orbit) return;
      eye.position.copy(other.position);
      eye.up.copy(other.up);
      eye.quaternion.copy(other.quaternion);
      eye.zoom = other.zoom;
      orbit.target.copy(target);
      eye.updateProjectionMatrix();
      drawn();
    };
    together.add(follow);
    orbit.addEventListener('change', turned);
    const onKey = (event: KeyboardEvent) => {
      const by = { ArrowLeft: [1, 0], ArrowRight: [-1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
      if (by) turnBy(eye, orbit.target, by[0]! * STEP, by[1]! * STEP);
      else if (event.key === '+' || event.key === '-') nearer(eye, event.key === '+' ? 1.15 : 1 / 1.15);
      else return;
      event.preventDefault();
      event.stopPropagation();
      camera.updateProjectionMatrix();
      orbit.update();
      turned();
    };
    heard.addEventListener('keydown', onKey);
    controls.current = orbit;
    return () => {
      heard.removeEventListener('keydown', onKey);
      together.delete(follow);
      orbit.dispose();
    };
  }, [camera, draw, gl, together]);

  useEffect(() => {
    lampAt.current = at;
    light(lamp.current, camera as OrthographicCamera, controls.current!.target, at);
    draw();
  }, [at, camera, draw]);

  useEffect(draw, [draw, isLost, shown, selected]);

  useEffect(() => {
    const center = box.getCenter(new Vector3());
    stand(camera as OrthographicCamera, look.at, box, size);
    controls.current?.target.copy(center);
    if (look.at !== 'upper' && look.at !== 'lower') controls.current?.update();
    light(lamp.current, camera as OrthographicCamera, center, lampAt.current);
    draw();
  }, [box, camera, draw, look, size]);

  useEffect(() => {
    onReady({
      picture: () => pictureOf(gl, scene, camera),
      model: (scale) => modelOf(shown, scale, titleOf),
      turntable: () =>
        turntableOf(gl, scene, camera as OrthographicCamera, (turn) => {
          turnBy(camera as OrthographicCamera, controls.current!.target, turn, 0);
          light(lamp.current, camera as OrthographicCamera, controls.current!.target, lampAt.current);
        }).finally(draw),
    });
    return () => onReady(null);
  }, [camera, draw, gl, onReady, scene, shown, titleOf]);

  return (
    <>
      <ambientLight intensity={LIGHT} />
      <directionalLight ref={lamp} intensity={LIGHT} />
      {shown.map((one) => (
        <Piece
          key={pieces.indexOf(one.piece)}
          {...one}
          isLit={one.piece.zone === selected}
          onUnder={onUnder}
          onChoose={onChoose}
        />
      ))}
    </>
  );
}

/** Has the picture drawn: quickly now, and finely once it rests. */
function useDrawn(): () => void {
  const { gl, invalidate } = useThree();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  return useCallback(() => {
    const as = (ratio: number) => {
      if (gl.getPixelRatio() !== ratio) gl.setPixelRatio(ratio);
      invalidate();
    };
    clearTimeout(timer.current);
    as(QUICK);
    timer.current = setTimeout(() => as(FINE), RESTS_MS);
  }, [gl, invalidate]);
}

/** Puts the lamp beside the eye, so that it goes with it. */
function light(
  lamp: import('three').DirectionalLight | null,
  eye: OrthographicCamera,
  target: Vector3,
  [right, up]: Lamp,
) {
  if (!lamp) return;
  eye.updateMatrixWorld();
  const [x, y, z] = [0, 1, 2].map((i) => new Vector3().setFromMatrixColumn(eye.matrixWorld, i)) as [
    Vector3,
    Vector3,
    Vector3,
  ];
  const ahead = Math.sqrt(Math.max(0.05, 1 - right * right - up * up));
  lamp.position.copy(target).addScaledVector(x, right).addScaledVector(y, up).addScaledVector(z, ahead);
  lamp.target.position.copy(target);
  lamp.updateMatrixWorld();
  lamp.target.updateMatrixWorld();
}

/** Puts the eye where a look has it, all of the machine in the frame. */
function stand(
  camera: OrthographicCamera,
  at: View | 'corner',
  box: Box3,
  { width, height }: { width: number; height: number },
) {
  const { center, radius } = box.getBoundingSphere(new Sphere());
  const [x, y, z] = EYES[at];
  camera.position.set(center.x + x * radius * 3, center.y + y * radius * 3, center.z + z * radius * 3);
  // From above and below the nose lies to the left, as on the sheet.
  const flat = at === 'upper' ? 1 : at === 'lower' ? -1 : 0;
  camera.up.set(0, flat, flat === 0 ? 1 : 0);
  // Near and far close about it: paint that lies hardly over paint is told apart.
  camera.near = radius;
  camera.far = 5 * radius;
  camera.lookAt(center);
  camera.updateMatrixWorld();
  const seen = box.clone().applyMatrix4(camera.matrixWorldInverse).getSize(new Vector3());
  camera.zoom = FILLS * Math.min(width / seen.x, height / seen.y);
  camera.updateProjectionMatrix();
}

function nearer(camera: OrthographicCamera, times: number) {
  camera.zoom *= times;
}

/** One press of an arrow, radians. */
const STEP = Math.PI / 18;

function turnBy(camera: OrthographicCamera, target: Vector3, around: number, up: number) {
  const from = camera.position.clone().sub(target);
  camera.up.set(0, 0, 1);
  const length = from.length();
  const yaw = Math.atan2(from.y, from.x) + around;
  const pitch = Math.min(1.56, Math.max(-1.56, Math.asin(from.z / length) - up));
  camera.position.set(
    target.x + length * Math.cos(pitch) * Math.cos(yaw),
    target.y + length * Math.cos(pitch) * Math.sin(yaw),
    target.z + length * Math.sin(pitch),
  );
  camera.lookAt(target);
}

const Piece = memo(function Piece({
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
