import { Group, Mesh, MeshStandardMaterial, Scene, type Camera, type WebGLRenderer } from 'three';
import type { Sheen } from '@/core/laid/film';
import { geometryOf } from './geometry';
import type { Shown } from './shown';

/** What can be taken out of the view: a picture, and the machine as other programs open it. */

/** What is seen, twice as fine as it is shown. */
export async function pictureOf(gl: WebGLRenderer, scene: Scene, camera: Camera): Promise<Blob | null> {
  const ratio = gl.getPixelRatio();
  gl.setPixelRatio(2);
  gl.render(scene, camera);
  const blob = await new Promise<Blob | null>((done) => gl.domElement.toBlob(done, 'image/png'));
  gl.setPixelRatio(ratio);
  gl.render(scene, camera);
  return blob;
}

/** As physically based materials of other programs have it. */
const ROUGHNESS: Readonly<Record<Sheen, number>> = { matt: 0.9, satin: 0.5, gloss: 0.15, metal: 0.35 };
/** Pictures all round. */
const TURNS = 36;

/** All round the machine, as it is seen now, in pictures of one zip; `turn` turns the eye by so many radians. */
export async function turntableOf(
  gl: WebGLRenderer,
  scene: Scene,
  camera: Camera,
  turn: (by: number) => void,
): Promise<Blob> {
  const { zipSync } = await import('fflate');
  const files: Record<string, Uint8Array> = {};
  for (let i = 0; i < TURNS; i += 1) {
    gl.render(scene, camera);
    const blob = await new Promise<Blob | null>((done) => gl.domElement.toBlob(done, 'image/png'));
    if (blob)
      files[`turn-${String((i * 360) / TURNS).padStart(3, '0')}.png`] = new Uint8Array(await blob.arrayBuffer());
    turn((2 * Math.PI) / TURNS);
  }
  // Pictures are packed as they are: there is nothing left to gain.
  return new Blob([zipSync(files, { level: 0 }) as BlobPart], { type: 'application/zip' });
}

/**
 * The machine as binary glTF: y up and nose ahead, as that format has it, in metres times `scale`; a node for each zone by its name, a piece of
 * it for each colour.
 */
export async function modelOf(
  shown: readonly Shown[],
  scale: number,
  titleOf: (zone: string) => string,
): Promise<Blob> {
  const { GLTFExporter } = await import('three/examples/jsm/exporters/GLTFExporter.js');
  const whole = new Group();
  whole.name = 'machine';
  whole.scale.setScalar(scale);
  // Up is z here and y there; aft is x here and -z there.
  whole.rotation.set(-Math.PI / 2, 0, -Math.PI / 2);
  const zones = new Map<string, Group>();
  const materials = new Map<string, MeshStandardMaterial>();
  for (const { piece, colour, opacity, sheen } of shown) {
    const node = zones.get(piece.zone) ?? new Group();
    if (!zones.has(piece.zone)) {
      node.name = titleOf(piece.zone);
      zones.set(piece.zone, node);
      whole.add(node);
    }
    const of = `${colour} ${opacity} ${sheen}`;
    const material =
      materials.get(of) ??
      new MeshStandardMaterial({
        color: colour,
        roughness: ROUGHNESS[sheen],
        metalness: sheen === 'metal' ? 1 : 0,
        opacity,
        transparent: opacity < 1,
      });
    materials.set(of, material);
    node.add(new Mesh(geometryOf(piece), material));
  }
  const scene = new Scene();
  scene.add(whole);
  const made = (await new GLTFExporter().parseAsync(scene, { binary: true })) as ArrayBuffer;
  return new Blob([made], { type: 'model/gltf-binary' });
}
