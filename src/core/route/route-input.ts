import type { Layer } from '@/core/evidence/layers';
import type { Options } from '@/core/kit/options';
import type { Outline } from '@/core/outline/outline';
import type { Climate } from '@/core/paint/drying';
import type { PartJob } from '@/core/kit/part-work';
import type { StoreAt } from '@/core/kit/stores';
import type { RouteCall, RouteMarking } from './step';
import type { StructureRuling } from './structure-runs';
import type { RouteSubject } from './subject-runs';

/** What a route is made from. */
export interface RouteInput {
  outline: Outline;
  options: Options;
  climate: Climate;
  calls: readonly RouteCall[];
  markings: readonly RouteMarking[];
  /** Zones on which older coats or patches show, bottom to top. */
  layers: readonly { zone: string; layers: readonly Layer[] }[];
  /** What the parts of the kit make to do. */
  parts?: readonly PartJob[];
  storesAt?: readonly StoreAt[];
  structure?: readonly StructureRuling[];
  subjects?: readonly RouteSubject[];
  /** Rules that the builder leaves out. */
  leftOut?: readonly string[];
  /** Of the steps that parts are wanted before, those that are done. */
  done?: readonly string[];
  /** A colour that no zone is ruled to wear, for a coat under or over another. */
  callFor: (code: string) => RouteCall;
}
