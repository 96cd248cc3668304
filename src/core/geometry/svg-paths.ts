import { XMLParser } from 'fast-xml-parser';
import svgpath from 'svgpath';
import type { Point, Polygon } from './polygon';
import { withoutRepeats } from './simple';

/** Closed shapes of a drawing as own curves: points in the drawing's units, y down, with the fill they had. */
export interface DrawnShape {
  rings: Polygon[];
  /** As it was written; null where none was given. */
  fill: string | null;
}

/** Why a drawing cannot be taken, in a sentence. */
export class DrawingFault extends Error {}

export const MOST_SVG_BYTES = 2 * 1024 * 1024;
const MOST_DEPTH = 60;
const MOST_SHAPES = 500;
const MOST_POINTS = 60_000;
/** Curves are followed with no chord further off than this share of the drawing. */
const FLATNESS = 1e-4;

/** What is read of a drawing; what links or runs is refused by name, and all else is passed over. */
const CONTAINERS = new Set(['svg', 'g', 'a', 'switch']);
const SHAPES = new Set(['path', 'polygon', 'rect', 'circle', 'ellipse']);
const REFUSED: Record<string, string> = {
  script: 'a script',
  foreignobject: 'foreign content',
  image: 'a picture',
  use: 'references to other parts (flatten them first)',
  iframe: 'a frame',
  animate: 'an animation',
  set: 'an animation',
  text: 'text (turn it into outlines first)',
};

/** How deep tags are nested, at the most, without building anything. */
function depthOf(text: string): number {
  let [depth, most] = [0, 0];
  for (const [, close, , self] of text.matchAll(/<(\/?)([A-Za-z][\w:.-]*)(?:[^>"']|"[^"]*"|'[^']*')*?(\/?)>/g)) {
    if (close) depth -= 1;
    else if (!self) depth += 1;
    most = Math.max(most, depth);
    if (most > MOST_DEPTH) break;
  }
  return most;
}

/**
 * Reads the closed shapes of an SVG. Nothing of its markup is kept. Throws DrawingFault for what is no drawing, too large, nested beyond
 * all reason, or holds what runs or reaches out.
 */
export function shapesOfSvg(text: string): DrawnShape[] {
  if (text.length > MOST_SVG_BYTES) throw new DrawingFault('The drawing has more than 2 MB.');
  if (/<!DOCTYPE|<!ENTITY/i.test(text))
    throw new DrawingFault('The drawing defines entities of its own: it is not read.');
  if (depthOf(text) > MOST_DEPTH)
    throw new DrawingFault(`The drawing nests groups more than ${MOST_DEPTH} deep: it is not read.`);
  let nodes: unknown;
  try {
    nodes = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: '',
      processEntities: false,
      parseAttributeValue: false,
      parseTagValue: false,
    }).parse(text, true);
  } catch {
    throw new DrawingFault('This is no drawing in SVG: it cannot be read as such.');
  }
  const shapes: { path: Path; fill: string | null }[] = [];
  let hasSvg = false;
  const walk = (list: unknown, transform: string[], fill: string | null) => {
    if (!Array.isArray(list)) return;
    for (const node of list as Record<string, unknown>[]) {
      const attributes = (node[':@'] ?? {}) as Record<string, string>;
      const name = Object.keys(node).find((key) => key !== ':@') ?? '';
      const tag = name.toLowerCase().replace(/^.*:/, '');
      const handler = Object.keys(attributes).find((key) => /^on/i.test(key));
      if (handler) throw new DrawingFault(`The drawing holds a script (“${handler}”): it is refused.`);
      const reaches = Object.entries(attributes).find(
        ([key, value]) => /href$/i.test(key) || /url\(\s*['"]?\s*(?!#)/i.test(value) || /javascript:/i.test(value),
      );
      if (reaches && tag !== 'a')
        throw new DrawingFault(`The drawing refers to something outside of it (“${reaches[0]}”): it is refused.`);
      if (REFUSED[tag]) throw new DrawingFault(`The drawing holds ${REFUSED[tag]}: it is refused.`);
      const style = /(?:^|;)\s*fill\s*:\s*([^;]+)/i.exec(attributes.style ?? '')?.[1]?.trim();
      const own = style ?? attributes.fill ?? fill;
      const moved = attributes.transform ? [attributes.transform, ...transform] : transform;
      if (CONTAINERS.has(tag)) {
        hasSvg ||= tag === 'svg';
        walk(node[name], moved, own);
      } else if (SHAPES.has(tag)) {
        if (shapes.length >= MOST_SHAPES) throw new DrawingFault(`The drawing has more than ${MOST_SHAPES} shapes.`);
        const d = pathOf(tag, attributes);
        if (d && own !== 'none') shapes.push({ path: plain(d, moved), fill: own });
      }
    }
  };
  walk(nodes, [], null);
  if (!hasSvg) throw new DrawingFault('This is no drawing in SVG.');
  const size = sizeOf(shapes);
  let left = MOST_POINTS;
  const read = shapes.flatMap(({ path, fill }): DrawnShape[] => {
    const rings = ringsOf(path, size * FLATNESS);
    left -= rings.flat().length;
    if (left < 0) throw new DrawingFault('The drawing has more points than anybody cuts: simplify it first.');
    return rings.length > 0 ? [{ rings, fill }] : [];
  });
  if (read.length === 0) throw new DrawingFault('The drawing holds no closed shape: open lines have no area to paint.');
  return read;
}

const number = (text: string | undefined): number => {
  const value = Number.parseFloat(text ?? '0');
  return Number.isFinite(value) ? value : 0;
};

function pathOf(tag: string, at: Record<string, string>): string | null {
  if (tag === 'path') return at.d ?? null;
  if (tag === 'polygon') return at.points ? `M${at.points.trim()}Z` : null;
  if (tag === 'rect') {
    const [x, y, w, h] = [number(at.x), number(at.y), number(at.width), number(at.height)];
    return w > 0 && h > 0 ? `M${x} ${y}h${w}v${h}h${-w}Z` : null;
  }
  const [cx, cy] = [number(at.cx), number(at.cy)];
  const [rx, ry] = tag === 'circle' ? [number(at.r), number(at.r)] : [number(at.rx), number(at.ry)];
  return rx > 0 && ry > 0
    ? `M${cx - rx} ${cy}A${rx} ${ry} 0 1 0 ${cx + rx} ${cy}A${rx} ${ry} 0 1 0 ${cx - rx} ${cy}Z`
    : null;
}

/** The closed rings of one path as it is written in SVG, no chord further off than the flatness. */
export const ringsOfPath = (d: string, flatness: number): Polygon[] => ringsOf(plain(d, []), flatness);

type Path = ReturnType<typeof svgpath>;

/** A path where it lies, in absolute lines and curves. */
function plain(d: string, transform: readonly string[]): Path {
  const path = transform.reduce((own, one) => own.transform(one), svgpath(d).abs());
  return path.unarc().unshort().abs();
}

/** Rough size, so that curves can be followed finely enough. */
function sizeOf(shapes: readonly { path: Path }[]): number {
  let most = 1e-6;
  for (const { path } of shapes)
    path.iterate((segment) => {
      for (const value of segment.slice(1))
        if (typeof value === 'number' && Number.isFinite(value)) most = Math.max(most, Math.abs(value));
    });
  return most;
}

/** Closed rings of a path; what is left open, and what is no number, is left out. */
function ringsOf(path: Path, flatness: number): Polygon[] {
  const rings: Point[][] = [];
  let ring: Point[] = [];
  let closed = false;
  const end = () => {
    const points = withoutRepeats(ring);
    const first = ring[0];
    const last = ring.at(-1);
    const meets = first && last && Math.hypot(first[0] - last[0], first[1] - last[1]) <= flatness * 2;
    if ((closed || meets) && points.length > 2 && points.flat().every(Number.isFinite)) rings.push(points);
    ring = [];
    closed = false;
  };
  path.iterate((segment, _, x, y) => {
    const [command, ...v] = segment as [string, ...number[]];
    if (command === 'M') {
      end();
      ring.push([v[0]!, v[1]!]);
    } else if (command === 'L') ring.push([v[0]!, v[1]!]);
    else if (command === 'H') ring.push([v[0]!, y]);
    else if (command === 'V') ring.push([x, v[0]!]);
    else if (command === 'C') ring.push(...cubic([x, y], [v[0]!, v[1]!], [v[2]!, v[3]!], [v[4]!, v[5]!], flatness));
    else if (command === 'Q') {
      const [q, e]: [Point, Point] = [
        [v[0]!, v[1]!],
        [v[2]!, v[3]!],
      ];
      const third = (a: number, b: number) => a + (2 / 3) * (b - a);
      ring.push(
        ...cubic([x, y], [third(x, q[0]), third(y, q[1])], [third(e[0], q[0]), third(e[1], q[1])], e, flatness),
      );
    } else if (command === 'Z' || command === 'z') {
      closed = true;
      end();
    }
  });
  end();
  return rings;
}

/** A cubic curve as points behind its first: halved until both handles lie within the flatness of the chord (de Casteljau). */
function cubic(a: Point, b: Point, c: Point, d: Point, flatness: number, depth = 0): Point[] {
  const off = (p: Point) => {
    const length = Math.hypot(d[0] - a[0], d[1] - a[1]);
    return length < 1e-12
      ? Math.hypot(p[0] - a[0], p[1] - a[1])
      : Math.abs((d[0] - a[0]) * (a[1] - p[1]) - (a[0] - p[0]) * (d[1] - a[1])) / length;
  };
  if (depth > 12 || Math.max(off(b), off(c)) <= flatness) return [d];
  const mid = (p: Point, q: Point): Point => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  const [ab, bc, cd] = [mid(a, b), mid(b, c), mid(c, d)];
  const [abc, bcd] = [mid(ab, bc), mid(bc, cd)];
  const middle = mid(abc, bcd);
  return [...cubic(a, ab, abc, middle, flatness, depth + 1), ...cubic(middle, bcd, cd, d, flatness, depth + 1)];
}
