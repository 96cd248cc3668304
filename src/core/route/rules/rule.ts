import type { RouteStep } from '@/core/work/step';
import type { LayerKind, Lane, StepKind } from '@/core/work/kinds';
import type { Options, SchoolName } from '@/core/kit/options';
import type { Among } from '@/core/kit/among';
import type { Machine } from '@/core/kit/machine';
import type { Cover, Zone } from '@/core/outline/zones';
import type { Chemistry } from '@/core/paint/chemistry';
import type { DryingState, OwnDrying, WaitName } from '@/core/paint/drying';
import type { PaintKind } from '@/core/paint/catalogue';

/** What the rules may ask about a build. */
export interface Build {
  options: Options;
  machine: Machine;
  has: (zone: string) => boolean;
  /** Those of the outline that will be seen. */
  zones: readonly Zone[];
  /** What hangs at each station is named: each has its own steps. */
  hung: boolean;
  /** Some parts of the register take the place of others. */
  replaces: boolean;
  /** Something outside is to be bare metal or gloss. */
  shiny: boolean;
  /** Markings in their own artwork, or printed on a sheet: worth trying first. */
  tried: boolean;
}

/**
 * General coats that no colour call names: how each is planned until one is chosen. What lies under the colours is lacquer, which bears all
 * of them; what lies over them is water-based, which attacks none.
 */
export const GENERAL_COATS = {
  primer: {
    id: 'primer',
    title: 'Grey primer',
    what: 'primer',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 60,
    dries: {},
  },
  paintAsPrimer: {
    id: 'light grey',
    title: 'Light grey',
    what: 'primer',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 75,
    dries: {},
  },
  clear: {
    id: 'clear',
    title: 'Clear',
    what: 'clear',
    chemistry: 'WA',
    kind: 'clear',
    lightness: 100,
    dries: { recoat: 60 },
  },
  matt: {
    id: 'matt clear',
    title: 'Matt clear',
    what: 'clear',
    chemistry: 'WA',
    kind: 'clear',
    lightness: 95,
    dries: { recoat: 60 },
  },
  black: {
    id: 'gloss black',
    title: 'Gloss black',
    what: 'undercoat',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 5,
    dries: {},
  },
  frames: {
    id: 'frames inside',
    title: 'Inside colour of the frames',
    what: 'undercoat',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 35,
    dries: {},
  },
  chipping: {
    id: 'chipping fluid',
    title: 'Chipping fluid',
    what: 'clear',
    chemistry: 'WA',
    kind: 'clear',
    lightness: 99,
    dries: {},
  },
  oil: { id: 'oil', title: 'Oils', what: 'oil', chemistry: 'OI', kind: 'wash', lightness: 30, dries: {} },
  dark: {
    id: 'dark',
    title: 'Dark brown-black',
    what: 'tone',
    chemistry: 'AL',
    kind: 'solid',
    lightness: 12,
    dries: {},
  },
  fade: {
    id: 'fade',
    title: 'The colour with 5 % white',
    what: 'tone',
    chemistry: 'WA',
    kind: 'solid',
    lightness: 70,
    dries: {},
  },
  wash: { id: 'wash', title: 'Wash in spirit', what: 'wash', chemistry: 'EW', kind: 'wash', lightness: 20, dries: {} },
} as const satisfies Record<
  string,
  {
    id: string;
    title: string;
    what: LayerKind;
    chemistry: Chemistry;
    kind: PaintKind;
    lightness: number;
    dries: OwnDrying;
  }
>;
export type GeneralCoat = keyof typeof GENERAL_COATS;

/** What a step waits for: the end of another, what that one laid being so far dry, or a wait that no paint explains. */
export type After =
  | string
  | { step: string; until: DryingState; why: string }
  | { step: string; wait: WaitName }
  | { step: string; minutes: number; why: string };

/** One piece of work that does not depend on which colours were chosen. Minutes are typical bench values; the log corrects them. */
export interface StepRule {
  key: string;
  title: string;
  kind: StepKind;
  lane: Lane;
  minutes: number;
  after: readonly After[];
  /** With these options only, on such machines only, and where more is asked of the outline. */
  where?: Among<Options>;
  on?: Among<Machine>;
  when?: (build: Build) => boolean;
  splittable?: boolean;
  lays?: GeneralCoat;
  /** Where what it lays lies: everywhere outside, or inside. */
  covers?: Cover;
  /** The zones that it works on, where they are not all; where it covers too, those of them that it covers. */
  at?: (zone: Zone) => boolean;
  /** A point of no return. */
  gate?: string;
  /** Tape that goes on or comes off with it. */
  tape?: RouteStep['tape'];
  /** What it was called in earlier houses: their logs still name it so. */
  formerly?: readonly string[];
  /** Rules of another school that leave the same behind: where one of them is laid, this one is done. */
  alike?: readonly string[];
  /** A school that it belongs to though each of them has it: it is done otherwise. */
  school?: SchoolName;
  caution?: string;
  why?: string;
}
