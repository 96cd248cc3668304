import { TYPICAL_SPRAYING } from '@/core/paint/quantity';

/** What a builder owns and works with; figures are typical, and each tool may have its own. */

export const TOOL_KINDS = ['airbrush', 'booth', 'spray can', 'brush', 'sponge', 'pen', 'dryer', 'cutter'] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

export interface ToolFigures {
  /** The finest line or edge that it makes, mm. */
  lineMm: number | null;
  /** Wet film of one coat, micrometres. */
  filmUm: number | null;
  /** Lost each time it is taken up and cleaned, ml. */
  wasteMl: number | null;
  /** To set it up and clean it, minutes. */
  minutes: number | null;
}

export const TYPICAL_TOOL: Record<ToolKind, ToolFigures & { reason: string }> = {
  airbrush: {
    lineMm: 1.5,
    filmUm: TYPICAL_SPRAYING.wetFilmUm,
    wasteMl: TYPICAL_SPRAYING.lossMl,
    minutes: 10,
    reason: 'two crossing passes of 25 um; a needle of 0.3 mm',
  },
  booth: { lineMm: null, filmUm: null, wasteMl: null, minutes: 3, reason: 'air that is drawn off' },
  'spray can': { lineMm: 30, filmUm: 90, wasteMl: 3, minutes: 5, reason: 'heavy coats, a wide cone' },
  brush: { lineMm: 0.2, filmUm: 30, wasteMl: 0.05, minutes: 2, reason: 'thin coats, levelled before they set' },
  sponge: { lineMm: 0.3, filmUm: 15, wasteMl: 0.05, minutes: 1, reason: 'dabs, never a film' },
  pen: { lineMm: 0.3, filmUm: 10, wasteMl: 0, minutes: 0, reason: 'a line of ink' },
  dryer: { lineMm: null, filmUm: null, wasteMl: null, minutes: 2, reason: 'warm moving air' },
  cutter: { lineMm: 0.5, filmUm: null, wasteMl: null, minutes: 10, reason: 'cuts masks of thin vinyl or paper' },
};

export interface Tool extends ToolFigures {
  kind: ToolKind;
  name: string;
  needleMm: number | null;
  /** All that goes through an airbrush: 'clear', 'primer', 'metal', or one colour by its code; '' for everything. */
  keptFor?: string;
}

/** What a tool is called: by its name, or by its kind. */
export const toolTitle = ({ kind, name }: Pick<Tool, 'kind' | 'name'>): string => name || kind;

/** An airbrush draws a line of about five times its needle. */
const LINE_OF_NEEDLE = 5;

/** The figures of a tool: its own where they are known, else from its needle, else typical. */
export function figuresOf(tool: Tool): ToolFigures {
  const typical = TYPICAL_TOOL[tool.kind];
  return {
    lineMm: tool.lineMm ?? (tool.needleMm === null ? typical.lineMm : LINE_OF_NEEDLE * tool.needleMm),
    filmUm: tool.filmUm ?? typical.filmUm,
    wasteMl: tool.wasteMl ?? typical.wasteMl,
    minutes: tool.minutes ?? typical.minutes,
  };
}

/** What a second airbrush may be kept for beside single colours. */
export const KEPT_KINDS = ['clear', 'primer', 'metal'] as const;

/** What the airbrushes beyond the first are kept for: one is always left for everything else. */
export function keptAirbrushes(tools: readonly Tool[]): string[] {
  const brushes = tools.filter(({ kind }) => kind === 'airbrush');
  const kept = brushes.flatMap(({ keptFor }) => keptFor || []);
  return [...new Set(kept)].slice(0, Math.max(0, brushes.length - 1)).sort();
}
