/** The geometry of a marking, in units of its height: what it is made of, before it has a size or a place. */

export const FIGURES = [
  'disc',
  'ring',
  'square',
  'bar',
  'cross',
  'diamond',
  'star',
  'polygon',
  'quarter',
  'flash',
] as const;
export type Figure = (typeof FIGURES)[number];

/** Colours of one marking. */
export const MOST_COLOURS = 6;

/** One figure of an insignia, laid over those before it. All lengths as shares of the insignia's height. */
export interface FigureFields {
  figure: Figure;
  /** Height over all, and breadth as a share of it. */
  size: number;
  aspect: number;
  /** Points of a star, corners of a polygon, quarters from the top clockwise. */
  points: number;
  /** Inner radius of a ring or star, arm of a cross, slant of a flash, as a share. */
  inner: number;
  x: number;
  y: number;
  turn: number;
  colour: number;
  /** Drawn first, larger by this share all round; 0 for none. */
  border: number;
  borderColour: number;
}

/** A figure's fields where nobody says otherwise. */
export const PLAIN_FIGURE: Omit<FigureFields, 'figure' | 'size' | 'colour'> = {
  aspect: 1,
  points: 5,
  inner: 0.5,
  x: 0,
  y: 0,
  turn: 0,
  border: 0,
  borderColour: 0,
};

/** Rings of points, y up; of outlines that are kept, never of markup. */
type Rings = [x: number, y: number][][];

/** One sign of a face: its rings from the foot line up, and how far the next one stands, in heights of a capital. */
export interface Glyph {
  rings: Rings;
  advance: number;
}
export type Signs = Record<string, Glyph>;

/** The most signs of a face that one marking keeps. */
export const MOST_SIGNS = 80;

/** How letters look. */
export interface LetterFields {
  face: string;
  /** Thickness of the block alphabet's strokes, as a share of the height. */
  stroke: number;
  /** Between letters, as a share of the height beyond the usual. */
  spacing: number;
  slant: number;
  /** Bridges of a stencil, as a share of the height; 0 for none. */
  breaks: number;
  /** Each sign as its font draws it, so that nobody else needs the font; null for the block alphabet. */
  outline: Signs | null;
}

export const PLAIN_LETTERS: LetterFields = {
  face: 'block',
  stroke: 0.143,
  spacing: 0,
  slant: 0,
  breaks: 0,
  outline: null,
};

/** How a band runs: round what it lies on, or along it. */
export const COURSES = ['round', 'along'] as const;

/** Where the edges of a band along run, so far from its fore end: between two such places straight, and stepped where two are at one. */
export interface BandEdge {
  /** Share of its length from the fore end. */
  at: number;
  /** Lower and upper edge about its line, as shares of its height. */
  low: number;
  high: number;
}

export interface Design {
  /** Of insignia and kill marks; the hexagon of the demo's service where none is given. */
  figures: FigureFields[];
  letters: LetterFields | null;
  /** Own curves with their colours, of artwork. */
  artwork: { rings: Rings; colour: number }[];
  /** A picture instead of curves. */
  pictureId: string | null;
  /** Breadth as a share of the height: of a walkway, a window, a picture. */
  aspect: number;
  /** Equal ones in a row, and the gap between them as a share of the height. */
  count: number;
  perRow: number;
  gap: number;
  /** Line of a walkway, as a share of its height. */
  line: number;
  course: (typeof COURSES)[number];
  /** Edges of a band along, from its fore end; none for one of even height. */
  profile: BandEdge[];
  /** Windows after which their strip is cut. */
  cuts: number[];
}

export const PLAIN: Design = {
  figures: [],
  letters: null,
  artwork: [],
  pictureId: null,
  aspect: 1,
  count: 1,
  perRow: 20,
  gap: 0.3,
  line: 0.05,
  course: 'round',
  profile: [],
  cuts: [],
};
