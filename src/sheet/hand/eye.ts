import { Box3, Sphere, Vector3, type DirectionalLight, type OrthographicCamera } from 'three';
import type { View } from '@/core/outline/zones';
import { aheadOf, FILLS, THREE_QUARTER, type Lamp } from '@/core/skin/seen-from';

/** Where the eye and its lamp stand, and how they are moved. */

/** From where it is looked at. */
export type Look = View | 'corner';

/** Where the eye stands, seen from the middle of the machine: nose to the left from port, as on the sheet. */
const EYES: Readonly<Record<Look, readonly [number, number, number]>> = {
  corner: THREE_QUARTER,
  port: [0, -1, 0],
  starboard: [0, 1, 0],
  upper: [0, 0, 1],
  lower: [0, 0, -1],
};
/** Puts the lamp beside the eye, so that it goes with it. */
export function light(lamp: DirectionalLight | null, eye: OrthographicCamera, target: Vector3, at: Lamp) {
  if (!lamp) return;
  eye.updateMatrixWorld();
  const [x, y, z] = [0, 1, 2].map((i) => new Vector3().setFromMatrixColumn(eye.matrixWorld, i)) as [
    Vector3,
    Vector3,
    Vector3,
  ];
  const [right, up] = at;
  lamp.position.copy(target).addScaledVector(x, right).addScaledVector(y, up).addScaledVector(z, aheadOf(at));
  lamp.target.position.copy(target);
  lamp.updateMatrixWorld();
  lamp.target.updateMatrixWorld();
}

/** Puts the eye where a look has it, all of the machine in the frame. */
export function stand(
  camera: OrthographicCamera,
  at: Look,
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

export function nearer(camera: OrthographicCamera, times: number) {
  camera.zoom *= times;
}

/** One press of an arrow, radians. */
export const STEP = Math.PI / 18;

export function turnBy(camera: OrthographicCamera, target: Vector3, around: number, up: number) {
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
