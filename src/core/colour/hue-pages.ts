import { labToHex } from './spaces';
import type { Lab } from './types';

/**
 * Pages of colours to pick from by eye: one page a hue, on it lightness from top to bottom and chroma from left to right, all in equal steps
 * of CIELAB (D65). Only what a screen shows stands on a page.
 */

/** Hues of the pages, in degrees of CIELAB, and what they are called. */
const HUES: readonly (readonly [degrees: number, title: string])[] = [
  [0, 'pink red'],
  [20, 'red'],
  [40, 'orange red'],
  [60, 'orange'],
  [75, 'yellow orange'],
  [90, 'yellow'],
  [105, 'green yellow'],
  [120, 'yellow green'],
  [140, 'leaf green'],
  [160, 'green'],
  [180, 'sea green'],
  [205, 'blue green'],
  [230, 'sky blue'],
  [255, 'blue'],
  [280, 'deep blue'],
  [300, 'violet'],
  [320, 'purple'],
  [340, 'magenta'],
];

/** How well an eye on a screen hits a colour of paint, dE00: a page in the hand, in the same light, is better. */
export const PICKED_SD = 4;

export interface HuePage {
  title: string;
  degrees: number;
  /** From light to dark; in each row from grey to the strongest that a screen shows. */
  rows: { lightness: number; cells: { chroma: number; lab: Lab; hex: string }[] }[];
}

const steps = (from: number, to: number, by: number) =>
  Array.from({ length: Math.floor((to - from) / by) + 1 }, (_, i) => from + i * by);

const MOST_CHROMA = 112;

function cellAt(lightness: number, chroma: number, degrees: number) {
  const angle = (degrees * Math.PI) / 180;
  const lab: Lab = [lightness, chroma * Math.cos(angle), chroma * Math.sin(angle)];
  const { hex, inSrgb } = labToHex(lab);
  return { chroma, lab, hex, inSrgb };
}

/** The page of a hue, in steps of 10 in lightness and 8 in chroma. */
function pageOf(degrees: number, title: string): HuePage {
  const rows = steps(15, 95, 10)
    .reverse()
    .map((lightness) => {
      const cells = steps(0, MOST_CHROMA, 8).map((chroma) => cellAt(lightness, chroma, degrees));
      const end = cells.findIndex(({ inSrgb }) => !inSrgb);
      return { lightness, cells: (end < 0 ? cells : cells.slice(0, end)).map(({ inSrgb: _, ...cell }) => cell) };
    });
  return { title, degrees, rows };
}

/** All pages, round the circle of hues. */
export const huePages = (): HuePage[] => HUES.map(([degrees, title]) => pageOf(degrees, title));

/** Round a picked colour, in steps of 3 in lightness (rows) and 3 in chroma (columns): to come nearer. */
export function nearerTo([L, a, b]: Lab): HuePage['rows'] {
  const chroma = Math.hypot(a, b);
  const degrees = (Math.atan2(b, a) * 180) / Math.PI;
  return [6, 3, 0, -3, -6].flatMap((up) => {
    const lightness = L + up;
    if (lightness < 0 || lightness > 100) return [];
    const cells = [-6, -3, 0, 3, 6]
      .filter((more) => chroma + more >= 0)
      .map((more) => cellAt(lightness, chroma + more, degrees))
      .filter(({ inSrgb }) => inSrgb)
      .map(({ inSrgb: _, ...cell }) => cell);
    return cells.length > 0 ? [{ lightness, cells }] : [];
  });
}
