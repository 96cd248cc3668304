import sharp from 'sharp';
import { hexToLab, labToHex } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { upsample } from '@/core/colour/upsample';
import { filmTone } from '@/core/evidence/picture/film-tone';
import { artworkIn, type PlaceableMarking } from '@/core/markings/placing';
import { extentOf, type Polygon } from '@/core/geometry/polygon';
import type { Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';

// The pictures are drawn as vector drawings of the demo's own; uploads of such are never opened.
sharp.unblock({ operation: ['VipsForeignLoadSvg'] });

/** Draws the demo's "photographs" and drawings from an outline: no picture of anything real is in the house. */

export interface Shot {
  view: View;
  /** Zone to colour, as Lab. */
  colourOf: (zone: string) => Lab;
  markings: readonly PlaceableMarking[];
  codeColour: (code: string) => Lab;
  /** How it was taken. */
  film?: 'panchromatic' | 'orthochromatic';
  manner: 'colour photograph' | 'monochrome photograph' | 'line drawing' | 'painting' | 'colour drawing';
  /** Oblique: slant and squeeze of the picture plane. */
  slant?: number;
  squeeze?: number;
  /** Show only part of it: 0..1 of the width. */
  crop?: readonly [from: number, to: number];
}

export const WIDTH = 1200;
export const HEIGHT = 800;
const path = (points: Polygon) => `M${points.map(([u, v]) => `${u.toFixed(3)},${v.toFixed(3)}`).join('L')}Z`;

export const GLASS: Lab = [78, -3, -6];

/** How the airframe lies in the picture: px per metre, and where the outline's origin is. */
function framed(outline: Outline, shot: Pick<Shot, 'view' | 'crop'>) {
  const extent = extentOf(outline.drawings[shot.view].shapes.map((shape) => shape.points));
  const [from, to] = shot.crop ?? [0, 1];
  const span = (extent.right - extent.left) * (to - from);
  const scale = Math.min((WIDTH * 0.84) / span, (HEIGHT * 0.66) / (extent.bottom - extent.top));
  const dx = WIDTH / 2 - scale * (extent.left + (extent.right - extent.left) * ((from + to) / 2));
  const isSide = shot.view === 'port' || shot.view === 'starboard';
  const dy = isSide ? HEIGHT * 0.8 - scale * extent.bottom : HEIGHT / 2 - (scale * (extent.top + extent.bottom)) / 2;
  return { scale, dx, dy, span, isSide };
}

/** Where a point of the outline (metres) lies in a picture that is neither slanted nor squeezed, px. */
export function pixelOf(outline: Outline, shot: Pick<Shot, 'view' | 'crop'>, [u, v]: readonly [number, number]) {
  const { scale, dx, dy } = framed(outline, shot);
  return [Math.round((u * scale + dx) * 10) / 10, Math.round((v * scale + dy) * 10) / 10] as [number, number];
}

/** The print grey of a colour on a film, by the model that Evidence ranks with; this printer's exposure and contrast. */
const greys = new Map<string, string>();
export function greyOnFilm(lab: Lab, film: NonNullable<Shot['film']>): string {
  const key = `${lab.join(' ')} ${film}`;
  const known = greys.get(key);
  if (known) return known;
  const tone = 0.93 + 0.58 * filmTone(upsample(lab), film === 'panchromatic' ? 'pan' : 'ortho');
  const byte = Math.round(255 * Math.min(1, Math.max(0.02, tone)))
    .toString(16)
    .padStart(2, '0');
  const grey = `#${byte}${byte}${byte}`;
  greys.set(key, grey);
  return grey;
}

export async function drawShot(outline: Outline, shot: Shot): Promise<Buffer> {
  const drawing = outline.drawings[shot.view];
  const { scale, dx, dy, span, isSide } = framed(outline, shot);
  const drawn = shot.manner === 'line drawing' || shot.manner === 'colour drawing';
  const ink = drawn ? '#222' : '#1b1d1f';
  const fill = (lab: Lab, glass?: boolean) => {
    if (shot.manner === 'line drawing') return glass ? '#fff' : '#f3f1ea';
    const seen = glass ? GLASS : lab;
    return shot.film ? greyOnFilm(seen, shot.film) : labToHex(seen).hex;
  };
  const stroke = drawn ? 0.025 : 0.012;
  const shapes = drawing.shapes
    .map(
      (shape) =>
        `<path d="${path(shape.points)}" fill="${fill(shot.colourOf(shape.zone), shape.glass)}" stroke="${ink}" stroke-width="${stroke}"/>`,
    )
    .join('');
  const lines = drawing.lines
    .map(
      (line) =>
        `<polyline points="${line.points.map((p) => p.join(',')).join(' ')}" fill="none" stroke="${ink}" stroke-width="${line.weight === 'bold' ? 0.035 : 0.012}"/>`,
    )
    .join('');
  const art = artworkIn(outline, shot.markings, shot.view)
    .map((a) =>
      [
        ...a.fields.map(
          (f) =>
            `<path d="${f.region.map(path).join('')}" fill-rule="evenodd" fill="${fill(shot.codeColour(f.code))}"/>`,
        ),
      ].join(''),
    )
    .join('');
  const plane = `<g transform="translate(${dx} ${dy}) skewY(${shot.slant ?? 0}) scale(${scale} ${scale * (shot.squeeze ?? 1)})">${shapes}${lines}${art}</g>`;
  const ground = drawn
    ? '<rect width="1200" height="800" fill="#f6f3ea"/><rect x="24" y="24" width="1152" height="752" fill="none" stroke="#333" stroke-width="2"/>'
    : isSide
      ? `<rect width="1200" height="800" fill="url(#sky)"/><rect y="${HEIGHT * 0.72}" width="1200" height="240" fill="url(#apron)"/><ellipse cx="600" cy="${HEIGHT * 0.82}" rx="${span * scale * 0.48}" ry="26" fill="#000" opacity="0.28"/>`
      : `<rect width="1200" height="800" fill="url(#${shot.view === 'lower' ? 'sky' : 'apron'})"/>`;
  const tint = shot.manner === 'painting' ? '<rect width="1200" height="800" fill="#d9a441" opacity="0.12"/>' : '';
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}"><defs>
    <linearGradient id="sky" x1="0" x2="0" y1="0" y2="1"><stop offset="0" stop-color="#8fa6b8"/><stop offset="1" stop-color="#d5dde2"/></linearGradient>
    <linearGradient id="apron" x1="0" x2="0" y1="0" y2="1"><stop offset="0" stop-color="#a39d90"/><stop offset="1" stop-color="#7c776c"/></linearGradient>
    </defs>${ground}${plane}${tint}</svg>`;
  let image = sharp(Buffer.from(svg));
  if (!drawn) {
    image = sharp(
      await image
        .composite([{ input: await filmGrain(), blend: 'soft-light' }])
        .png({ compressionLevel: 1 })
        .toBuffer(),
    ).blur(shot.manner === 'painting' ? 1.6 : 0.7);
    if (shot.manner === 'monochrome photograph') image = image.grayscale();
  }
  return image.jpeg({ quality: 82 }).toBuffer();
}

let grain: Promise<Buffer> | undefined;
export const filmGrain = () =>
  (grain ??= sharp({
    create: {
      width: WIDTH,
      height: HEIGHT,
      channels: 3,
      background: '#808080',
      noise: { type: 'gaussian', mean: 128, sigma: 18 },
    },
  })
    .png({ compressionLevel: 1 })
    .toBuffer());

/** What a zone wears in a picture when nobody said anything: a plain grey. */
export const PLAIN: Lab = hexToLab('#8a8d8f');
