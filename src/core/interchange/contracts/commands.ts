import { area } from './area';
import { camera } from './camera';
import { coats } from './coats';
import type { Contract } from './contract';
import { difference } from './difference';
import { estimate } from './estimate';
import { fit } from './fit';
import { layers } from './layers';
import { lift } from './lift';
import { masks } from './masks';
import { mesh } from './mesh';
import { minutes } from './minutes';
import { mix } from './mix';
import { rework } from './rework';
import { route } from './route';
import { schedule } from './schedule';
import { scheme } from './scheme';
import { sums } from './sums';
import { unroll } from './unroll';
import { weigh } from './weigh';

/** The computations of the headless command line, by name. */
export const CONTRACTS = {
  weigh,
  difference,
  mix,
  layers,
  coats,
  scheme,
  area,
  unroll,
  fit,
  masks,
  route,
  schedule,
  sums,
  estimate,
  rework,
  minutes,
  mesh,
  camera,
  lift,
} satisfies Record<string, Contract>;
