import type { RouteStep } from '@/core/work/step';
import type { Lane, StepKind } from '@/core/work/kinds';
import type { GeneralWay } from '@/core/kit/applying';
import type { Options, SchoolName } from '@/core/kit/options';
import type { Among } from '@/core/kit/among';
import type { Machine } from '@/core/kit/machine';
import type { Cover, Zone } from '@/core/outline/zones';
import type { Caution } from '@/core/paint/caution';
import type { DryingState, WaitName } from '@/core/paint/drying';
import type { Minutes } from '@/core/units/minutes';
import type { Finish } from '@/core/paint/catalogue';
import type { GeneralCoat } from '../general-coats';
import type { Takes } from '../takes';

/** What the rules may ask about a build. */
export interface Build {
  options: Options;
  /** The options by which a zone is done. */
  optionsAt: (zone: string) => Options;
  machine: Machine;
  has: (zone: string) => boolean;
  /** Those of the outline that will be seen. */
  zones: readonly Zone[];
  /** What hangs at each station is named: each has its own steps. */
  hung: boolean;
  /** Some parts of the register take the place of others. */
  replaces: boolean;
  /** Figures of the brief go in before the halves close. */
  figuresAboard: boolean;
  /** A base is modelled as a subject of its own: the kit's is not made besides. */
  baseBeside: boolean;
  /** Something outside is to be bare metal or gloss. */
  shiny: boolean;
  /** Zones that will be bare metal. */
  metal: ReadonlySet<string>;
  /** Zones with chipping fluid under their colour. */
  fluid: ReadonlySet<string>;
  /** Some of that is there by the school of chipping, and not by a ruling alone. */
  fluidBySchool: boolean;
  /** How general coats are brought on. */
  general: GeneralWay;
  /** The finish that each zone ends with; null where none is asked for, 'unsealed' where no clear goes on at all. */
  finishOf: (zone: string) => Finish | 'unsealed' | null;
  /** Some markings are printed on a sheet: they are tried first, softened, and cleaned of glue. */
  printed: boolean;
}

/** What a zone ends as: bare metal, paint, or paint that chips over a fluid. A zone may be two of them. */
export type Skin = 'metal' | 'paint' | 'fluid';

/** What a step waits for: the end of another, what that one laid being so far dry, or a wait that no paint explains. */
export type After =
  | string
  | {
      step: string;
      until: DryingState;
      why: string;
      /** Tape comes off by it: before that lets go no more. */
      pulls?: true;
    }
  /** With `when`, in such builds only. */
  | { step: string; wait: WaitName; when?: (build: Build) => boolean }
  | { step: string; when: (build: Build) => boolean }
  | { step: string; minutes: number; why: string };

/** One piece of work that does not depend on which colours were chosen. */
export interface StepRule {
  key: string;
  title: string;
  /** What it is called where the main subject is no aircraft. */
  titleOf?: Partial<Record<Machine['form'], string>>;
  /** What it is called where there is no airbrush. */
  titleByHand?: string;
  kind: StepKind;
  lane: Lane;
  /** What its minutes are reckoned from; whole ones where it takes as long at any scale. */
  minutes: Minutes | Takes;
  after: readonly After[];
  /** With these options only, on such machines only, and where more is asked of the outline. */
  where?: Among<Options>;
  on?: Among<Machine>;
  when?: (build: Build) => boolean;
  splittable?: boolean;
  lays?: GeneralCoat;
  /** Where what it lays lies: everywhere outside, or inside. */
  covers?: Cover;
  /** Skins that it leaves out. */
  leaves?: readonly Skin[];
  /** The last clear of what ends so. */
  finish?: Finish;
  /** It is a mist that only an airbrush lays: without one it is left out, or something stands in for it. */
  mist?: true;
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
  caution?: Caution;
  why?: string;
}
