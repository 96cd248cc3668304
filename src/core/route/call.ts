import type { Lab } from '@/core/colour/types';
import type { Way } from '@/core/kit/applying';
import type { MarkingMethod } from '@/core/markings/kinds';
import type { Finish, PaintKind } from '@/core/paint/catalogue';
import type { Coat } from '@/core/paint/drying';

/** What is wanted of a model, as far as its route is made of it. */

/** A colour call with what was chosen for it. */
export interface RouteCall {
  code: string;
  name: string;
  zones: string[];
  /** It covers a good part of the airframe. */
  large?: boolean;
  lab: Lab | null;
  /** How many coats it will take; null where nobody can tell. */
  coats: number | null;
  /** What is laid under it beside the ground of the whole build, by name. */
  ground?: string | null;
  /** Wet passes of a few per cent of another paint, over it. */
  filter?: (Coat & { label: string; percent: number; passes: number }) | null;
  /** How it is brought on; an airbrush where nothing is said. */
  way?: Way;
  /** Why that way. */
  wayBecause?: string;
  paint: (Coat & { id: string; label: string; kind: PaintKind; finish: Finish }) | null;
}

export interface RouteMarking {
  id: string;
  title: string;
  /** By which the timeline knows it. */
  name: string;
  zone: string;
  method: MarkingMethod;
  /** How many of it go on; one where nothing is said. */
  pieces?: number;
  /** One of the many small ones: they go on quickly, and no general step for stencils is needed beside them. */
  isStencil?: boolean;
  /** Its colours, where it is painted. */
  calls?: RouteCall[];
}
