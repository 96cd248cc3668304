import type { Lab } from '@/core/colour/types';
import type { Way } from '@/core/kit/applying';
import type { BaseLayer, SubjectKind } from '@/core/kit/subjects';
import type { MarkingMethod } from '@/core/markings/kinds';
import type { Printing } from '@/core/markings/printing';
import type { PaintedSize } from '@/core/markings/painted-size';
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
  /** Those that it lies on, at all of its places. */
  zones: string[];
  method: MarkingMethod;
  /** How many of it go on; one where nothing is said. */
  pieces?: number;
  /** One of the many small ones: they go on quickly, and no general step for stencils is needed beside them. */
  isStencil?: boolean;
  /** What is masked and painted of it on the model, at all of its places. */
  painted?: PaintedSize;
  /** How it is printed at home, where it is. */
  printing?: Printing;
  /** Its colours, where it is painted or drawn. */
  calls?: RouteCall[];
  /** Which of them hides which in a normal coat, [later, earlier]. */
  hides?: [later: string, earlier: string][];
  /** Codes of patterns whose lines are measured from it: where it is sprayed, it is there before them. */
  measures?: string[];
}

/** Skin of a thing of its own on the real machine, m2: nobody measures it, and that of a cushion is taken. */
export const ITEM_M2 = 0.05;

/** A thing of its own on a zone: a handle, a cushion, a camera. */
export interface RouteItem {
  zone: string;
  item: string;
  call: RouteCall;
}

/** What is ruled to lie under the colour of a zone, or of a thing of its own on it. */
export interface CoatedZone {
  zone: string;
  /** '' for the zone itself. */
  item: string;
  /** The colour that it lies under: of a zone that wears several, its own. */
  over: string;
  /** Codes bottom up; null for chipping fluid. */
  under: readonly (string | null)[];
  /** The colour is scratched through to them. */
  scratched: boolean;
}

/** A card through which blotches of one colour are sprayed. */
export interface RouteStencil {
  id: string;
  title: string;
  code: string;
  /** Size of a blotch on the model, mm. */
  blotchMm: number;
  /** How often the card is laid on. */
  times: number;
}

/** What is modelled beside the main airframe, as far as its work goes. */
export interface RouteSubject {
  kind: SubjectKind;
  /** By which its zones and steps are known. */
  name: string;
  title: string;
  count: number;
  place: string;
  /** Another subject, by its name. */
  standsOn?: string;
  byGate: 'fuselage' | 'end';
  layers: readonly BaseLayer[];
}
