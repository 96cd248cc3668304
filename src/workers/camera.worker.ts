import { expose, transfer } from 'comlink';
import type { Point } from '@/core/geometry/polygon';
import type { KeptCamera } from '@/core/skin/camera/kept-camera';
import {
  MachineOver,
  type MachineToLay,
  type Prints,
  type SchemeToHold,
  type TraceElsewhere,
} from '@/core/skin/camera/machine-over';
import { mendsOf } from '@/core/skin/camera/mends';
import type { SkinTool } from '@/core/skin/camera/traced';

let ready: { of: string; machine: MachineOver } | null = null;

/** The machine made ready, as long as it is the same. */
function readied(machine: MachineToLay): MachineOver {
  const of = JSON.stringify(machine);
  if (ready?.of !== of) ready = { of, machine: new MachineOver(machine) };
  return ready.machine;
}

const api = {
  over: (machine: MachineToLay, kept: KeptCamera) => {
    const over = readied(machine).over(kept);
    return over.fault === null ? transfer(over, [over.lines.buffer]) : over;
  },
  traced: (machine: MachineToLay, kept: KeptCamera, tool: SkinTool, points: readonly Point[]) =>
    readied(machine).traced(kept, tool, points),
  straightOn: (machine: MachineToLay, points: readonly Point[], prints: Prints) => {
    const flat = readied(machine).straightOn(points, prints);
    return flat && transfer(flat, [flat.data.buffer]);
  },
  inOwnPlane: (machine: MachineToLay, points: readonly Point[], prints: Prints) => {
    const flat = readied(machine).inOwnPlane(points, prints);
    return flat && transfer(flat, [flat.data.buffer]);
  },
  held: (machine: MachineToLay, kept: KeptCamera, scheme: SchemeToHold) => {
    const held = readied(machine).held(kept, scheme);
    return held && transfer(held, [held.data.buffer]);
  },
  mends: (machine: MachineToLay, pictures: readonly KeptCamera[]) => mendsOf(machine.spec, pictures),
  lookedFor: (machine: MachineToLay, ...asked: Parameters<MachineOver['lookedFor']>) =>
    readied(machine).lookedFor(...asked),
  elsewhere: (machine: MachineToLay, kept: KeptCamera, traces: readonly TraceElsewhere[]) =>
    readied(machine).elsewhere(kept, traces),
};
export type CameraApi = typeof api;

expose(api);
