import type { Layer } from '@/core/evidence/layers';
import type { Options } from '@/core/kit/options';
import type { Outline } from '@/core/outline/outline';
import type { Climate } from '@/core/paint/drying';
import type { RouteCall, RouteMarking } from './step';

/** What a route is made from. */
export interface RouteInput {
  outline: Outline;
  options: Options;
  climate: Climate;
  calls: readonly RouteCall[];
  markings: readonly RouteMarking[];
  /** Zones on which older coats or patches show, bottom to top. */
  layers: readonly { zone: string; layers: readonly Layer[] }[];
  /** A colour that no zone is ruled to wear, for a coat under or over another. */
  callFor: (code: string) => RouteCall;
}
