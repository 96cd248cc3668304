import type { Caution } from '@/core/paint/caution';
import { TYPICAL_SPRAYING } from '@/core/paint/quantity';
import { figuresOf, TYPICAL_TOOL, type Tool, type ToolKind } from './tools';

/** How a colour is brought on. Everything after it follows: coats, minutes, masking, waits. */
export const WAYS = ['airbrush', 'spray can', 'brush', 'sponge', 'pen'] as const;
export type Way = (typeof WAYS)[number];

interface WayFacts {
  /** "Spray", "Brush": the beginning of the step's title. */
  does: string;
  kind: 'spray' | 'brush' | 'chip';
  needsBooth: boolean;
  /** Thin coats hide less: never fewer than these, and so many times those of the airbrush. */
  leastCoats: number;
  mostCoats: number;
  timesCoats: number;
  /** Minutes for one coat of a zone, beside what the tool needs. */
  minutesACoat: number;
  /** Between its coats, minutes, where the paint itself does not ask for more. */
  between: number;
  masking: 'its edges' | 'everything else' | 'none';
  /** After it before it is masked or handled, times what an airbrushed coat takes. */
  dries: number;
  caution: Caution | null;
}

export const WAY_FACTS: Record<Way, WayFacts> = {
  airbrush: {
    does: 'Spray',
    kind: 'spray',
    needsBooth: true,
    leastCoats: 1,
    mostCoats: 12,
    timesCoats: 1,
    minutesACoat: 0,
    between: 0,
    masking: 'its edges',
    dries: 1,
    caution: null,
  },
  'spray can': {
    does: 'Spray from the can',
    kind: 'spray',
    needsBooth: true,
    leastCoats: 1,
    mostCoats: 3,
    timesCoats: 0.6,
    minutesACoat: 6,
    between: 15,
    masking: 'everything else',
    dries: 2,
    caution: {
      says: 'Spray can: outdoors or in the booth, on a dry day, mask on; no flame.',
      protection: ['respirator', 'extraction on'],
    },
  },
  brush: {
    does: 'Brush',
    kind: 'brush',
    needsBooth: false,
    leastCoats: 3,
    mostCoats: 4,
    timesCoats: 1.5,
    minutesACoat: 8,
    between: 30,
    masking: 'its edges',
    dries: 1,
    caution: null,
  },
  sponge: {
    does: 'Sponge',
    kind: 'chip',
    needsBooth: false,
    leastCoats: 1,
    mostCoats: 2,
    timesCoats: 1,
    minutesACoat: 5,
    between: 10,
    masking: 'none',
    dries: 1,
    caution: null,
  },
  pen: {
    does: 'Draw',
    kind: 'brush',
    needsBooth: false,
    leastCoats: 1,
    mostCoats: 1,
    timesCoats: 1,
    minutesACoat: 8,
    between: 10,
    masking: 'none',
    dries: 1,
    caution: {
      says: 'Permanent ink bleeds under a solvent clear: test it, and seal it with a water-based one.',
      protection: [],
    },
  },
};

/** Share of the paint that lands: a brush leaves all of it, a can most of it in the air. */
const LANDS: Record<Way, number> = {
  airbrush: TYPICAL_SPRAYING.transfer,
  'spray can': 0.35,
  brush: 0.95,
  sponge: 0.6,
  pen: 1,
};

/** Film, share that lands and waste of a way with the tools that are owned. */
export function figuresOfWay(way: Way, tools: readonly Tool[]) {
  const own = tools.find(({ kind }) => kind === way);
  const figures = own ? figuresOf(own) : TYPICAL_TOOL[way];
  return { wetFilmUm: figures.filmUm!, transfer: LANDS[way], lossMl: figures.wasteMl! };
}

/** Coats by another way, from those that an airbrush would need. */
export function coatsBy(way: Way, airbrushed: number): number {
  const { leastCoats, mostCoats, timesCoats } = WAY_FACTS[way];
  return Math.min(mostCoats, Math.max(leastCoats, Math.round(airbrushed * timesCoats)));
}

/** The ways in which general coats may go on. */
export const GENERAL_WAYS = ['airbrush', 'spray can', 'brush'] as const satisfies readonly Way[];
export type GeneralWay = (typeof GENERAL_WAYS)[number];

/**
 * How general coats are brought on with what is owned. A builder who listed no tools has an airbrush, unless he chose another way for every
 * one of his colours.
 */
export function generalWay(tools: readonly Pick<Tool, 'kind'>[], chosen: readonly (Way | null)[] = []): GeneralWay {
  const listed = tools.length > 0;
  if (!listed && (chosen.length === 0 || chosen.some((way) => way === null || way === 'airbrush'))) return 'airbrush';
  const has = (way: GeneralWay) => (listed ? tools.some(({ kind }) => kind === way) : chosen.includes(way));
  return has('airbrush') ? 'airbrush' : has('spray can') ? 'spray can' : 'brush';
}

export interface Job {
  /** On the model, cm2. */
  areaCm2: number;
  edge: 'hard' | 'soft';
  metallic: boolean;
  /** A paint from a bottle is chosen: no can sprays it. */
  bottled?: boolean;
}

export interface Suggestion {
  way: Way;
  because: string;
}

/** Larger than this a brush leaves its marks, cm2; smaller than that an airbrush is more cleaning than painting. */
const BRUSH_MOST_CM2 = 12;
const AIRBRUSH_LEAST_CM2 = 2;
/** Smaller than this a spray can is no tool for it. */
const CAN_LEAST_CM2 = 60;

/**
 * The way of applying that suits a colour, from its area, its edge and what is owned; where nobody listed a tool, the way in which general
 * coats go on.
 */
export function suggestWay(
  { areaCm2, edge, metallic, bottled = false }: Job,
  tools: readonly Tool[],
  general: GeneralWay = 'airbrush',
): Suggestion {
  if (tools.length === 0)
    return general === 'airbrush'
      ? { way: 'airbrush', because: 'no tool is listed: planned with an airbrush' }
      : { way: general, because: 'as your other colours' };
  const owns = (kind: ToolKind) => tools.some((tool) => tool.kind === kind);
  const area = `${areaCm2 < 10 ? areaCm2.toFixed(1) : Math.round(areaCm2)} cm²`;
  if (areaCm2 > 0 && areaCm2 < AIRBRUSH_LEAST_CM2 && edge === 'hard' && owns('brush'))
    return { way: 'brush', because: `${area} with a hard edge: less than the cleaning of an airbrush` };
  if (owns('airbrush')) {
    const fine = Math.min(...tools.filter(({ kind }) => kind === 'airbrush').map((tool) => figuresOf(tool).lineMm!));
    return {
      way: 'airbrush',
      because:
        edge === 'soft'
          ? `a soft edge: your airbrush draws down to ${fine} mm`
          : `${area}: thin even coats${metallic ? ', as a metallic needs' : ''}`,
    };
  }
  if (areaCm2 >= CAN_LEAST_CM2 && edge === 'hard' && !bottled) {
    if (owns('spray can')) return { way: 'spray can', because: `no airbrush owned; ${area} is large enough for a can` };
    if (metallic) return { way: 'spray can', because: `strokes of a brush show in metal: a can is bought for ${area}` };
  }
  if (edge === 'soft' && owns('sponge'))
    return { way: 'sponge', because: 'no airbrush owned; a sponge softens the edge' };
  return {
    way: 'brush',
    because:
      areaCm2 > BRUSH_MOST_CM2
        ? `no airbrush owned: ${area} by brush, thin coats, crossed`
        : `no airbrush owned; ${area} suits a brush`,
  };
}
