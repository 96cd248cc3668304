'use client';

import { Canvas, useThree } from '@react-three/fiber';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Box3, NoToneMapping, Vector3, type DirectionalLight, type OrthographicCamera } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { SkinPiece } from '@/core/skin/piece';
import { light, nearer, stand, STEP, turnBy, type Look } from './eye';
import type { Lamp } from '@/core/skin/seen-from';
import { Piece } from './piece';
import type { Shown } from './shown';
import { modelOf, pictureOf, turntableOf } from './take-out';
import './in-hand.css';

/** Half of the light comes from all round, half from the lamp: what faces it shows its own colour. */
const LIGHT = Math.PI / 2;
/**
 * Points of the picture to a point of the screen, along each way: while it moves, so that it turns smoothly where it is drawn in software, and
 * once it rests, so that its edges are smooth.
 */
const [QUICK, FINE] = [0.75, 2];
const RESTS_MS = 220;

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
  look: { at: Look; turn: number };
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
  const lamp = useRef<DirectionalLight>(null);
  const lampAt = useRef(at);
  const box = useMemo(() => {
    const whole = new Box3();
    const at = new Vector3();
    for (const { positions } of pieces)
      for (let i = 0; i < positions.length; i += 3) whole.expandByPoint(at.fromArray(positions, i));
    return pieces.length > 0 ? whole : new Box3(new Vector3(-1, -1, -1), new Vector3(1, 1, 1));
  }, [pieces]);

  const ranks = useMemo(() => new Map(pieces.map((piece, i) => [piece, i])), [pieces]);

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
          key={ranks.get(one.piece)}
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
