import type { Layer } from '@/core/evidence/layers';
import type { GeneralWay } from '@/core/kit/applying';
import type { Options, SchoolAt } from '@/core/kit/options';
import type { Outline } from '@/core/outline/outline';
import type { Climate } from '@/core/paint/drying';
import type { PartJob } from '@/core/kit/part-work';
import type { StoreAt } from '@/core/kit/stores';
import type { SkinEdge } from '@/core/scheme/skin-edges';
import type { Finish } from '@/core/paint/catalogue';
import type { RouteEdit } from './edits';
import type { GeneralCoats, ZonedCoat } from './general-coats';
import type { TakenRemedy } from '@/core/laid/guard';
import type { OwnRun } from './runs';
import type { CoatedZone, RouteCall, RouteItem, RouteMarking, RouteStencil, RouteSubject } from './call';
import type { StructureRuling } from './structure-runs';

/** What a route is made from. */
export interface RouteInput {
  outline: Outline;
  options: Options;
  /** Zones that are done by another school than the rest. */
  schoolsAt?: readonly SchoolAt[];
  climate: Climate;
  calls: readonly RouteCall[];
  /** Colours in the order of spraying that was chosen; light before dark where nobody chose. */
  maskOrder?: readonly string[];
  markings: readonly RouteMarking[];
  /** Things of their own on zones, each with its colour. */
  items?: readonly RouteItem[];
  /** Zones whose boundaries are ruled soft. */
  soft?: readonly string[];
  /** Where colours meet on the model; those of the zones alone where nothing is said. */
  edges?: readonly SkinEdge[];
  /** [later, earlier]: a normal coat of the later hides overspray of the earlier. */
  hides?: readonly (readonly [later: string, earlier: string])[];
  /** Colours that lie on zones already, by zone. */
  laid?: Readonly<Record<string, readonly string[]>>;
  denominator: number;
  /** How general coats are brought on, and what nobody decided. */
  general: GeneralWay;
  /** The products of primer and clears: what was chosen, and what is assumed of the rest. */
  coats: GeneralCoats;
  /** Those that were chosen for some zones only. */
  zonedCoats?: readonly ZonedCoat[];
  /** Finishes that are wanted, by zone; matt where nothing is said, and no last clear on bare metal. */
  finishes?: Readonly<Record<string, Finish | 'unsealed'>>;
  /** Zones on which older coats or patches show, bottom to top. */
  layers: readonly { zone: string; layers: readonly Layer[] }[];
  /** What is ruled to lie under colours. */
  coated?: readonly CoatedZone[];
  stencils?: readonly RouteStencil[];
  /** What the parts of the kit make to do. */
  parts?: readonly PartJob[];
  storesAt?: readonly StoreAt[];
  /** What the nose takes, in words. */
  noseWeight?: string;
  structure?: readonly StructureRuling[];
  subjects?: readonly RouteSubject[];
  /** What the builder does where one layer attacks another. */
  remedies?: readonly TakenRemedy[];
  /** Rules that the builder leaves out. */
  leftOut?: readonly string[];
  /** What the builder changed in the route of the rules. */
  edits?: readonly RouteEdit[];
  /** Work that was added at once: reworks, techniques, weathering. */
  runs?: readonly OwnRun[];
  /** Of the steps that parts are wanted before, those that are done. */
  done?: readonly string[];
  /** A colour that no zone is ruled to wear, for a coat under or over another. */
  callFor: (code: string) => RouteCall;
}
