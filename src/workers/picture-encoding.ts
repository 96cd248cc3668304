import { readFile } from 'node:fs/promises';
import exifReader, { type Exif } from 'exif-reader';
import sharp, { type Metadata, type Sharp } from 'sharp';
import { isDay, type Day } from '@/core/units/day';

/** Pictures made what the house keeps of them. Runs beside the web process where there is one: a large one takes seconds and a hundred megabytes. */

const MOST_PIXELS = 50_000_000;
/** What is kept: large enough to measure in, small enough for one dump of everything. */
const LONGEST_EDGE = 4000;
const THUMBNAIL_EDGE = 240;
const PRINT_EDGE = 900;
/** A strip of pixels costs as much as a picture, and shows nothing. */
const LONGEST_SIDE = 30_000;
const READABLE = new Set(['jpeg', 'png', 'webp', 'tiff', 'gif', 'heif']);
const FORMATS = 'JPEG, PNG, HEIC, WebP, TIFF, GIF';

// Loaders of other formats are closed before any file is opened: drawings with scripts, documents, raw formats of instruments.
sharp.block({ operation: ['VipsForeignLoad'] });
sharp.unblock({
  operation: ['Jpeg', 'Png', 'Webp', 'Tiff', 'Nsgif', 'Heif'].map((format) => `VipsForeignLoad${format}`),
});
sharp.cache(false);
sharp.concurrency(1);

export interface EncodedPicture {
  picture: Uint8Array;
  thumbnail: Uint8Array;
  width: number;
  height: number;
  takenOn: Day | null;
  /** The focal length that the camera wrote into the file, in px of what is kept. */
  focalPx: number | null;
}

/** What is asked: a picture to keep, or one that is kept made small enough for print. */
export interface PictureJob {
  kind: 'keep' | 'print';
  /** The picture, or where it lies: those that wait lie on disk. */
  from: Uint8Array | { file: string };
}
/** What came of it; `fault` says what is wrong with the file. */
export type PictureDone = { kept: EncodedPicture } | { print: Uint8Array } | { fault: string };

class Fault extends Error {}

export async function encodePicture({ kind, from }: PictureJob): Promise<PictureDone> {
  try {
    const bytes = 'file' in from ? await readFile(from.file) : from;
    return kind === 'keep' ? { kept: await reencoded(bytes) } : { print: await small(bytes, PRINT_EDGE, 80) };
  } catch (error) {
    if (error instanceof Fault) return { fault: error.message };
    if (/pixel limit/.test((error as Error).message))
      return { fault: `the picture has more than ${MOST_PIXELS / 1e6} megapixels, which is the most` };
    return { fault: `the file cannot be read as a picture (${FORMATS})` };
  }
}

const isPdf = (bytes: Uint8Array) => Buffer.from(bytes.subarray(0, 5)).toString('latin1') === '%PDF-';

/** The picture upright. What phones write as HEIC is decoded apart: it comes upright already. */
async function upright(bytes: Uint8Array, meta: Metadata): Promise<Sharp> {
  if (meta.format !== 'heif' || meta.compression !== 'hevc')
    return sharp(bytes, { limitInputPixels: MOST_PIXELS }).rotate();
  // It takes forty megabytes: whoever never meets such a picture does without.
  const { default: decodeHeic } = await import('heic-decode');
  const { width, height, data } = await decodeHeic({ buffer: bytes });
  return sharp(data, { raw: { width, height, channels: 4 }, limitInputPixels: MOST_PIXELS });
}

async function reencoded(bytes: Uint8Array): Promise<EncodedPicture> {
  if (isPdf(bytes))
    throw new Fault('the file is a PDF: drop it where pictures are dropped, and choose one of its pages');
  // Too many pixels are told from the head alone, before anything is decoded.
  const meta = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata();
  if (!READABLE.has(meta.format))
    throw new Fault(`the file is ${meta.format.toUpperCase()}, not a photograph or scan (${FORMATS})`);
  if (Math.max(meta.width, meta.height) > LONGEST_SIDE)
    throw new Fault(
      `the picture is ${meta.width} by ${meta.height} pixels; ${LONGEST_SIDE} is the longest a side may be`,
    );
  const { data: picture, info } = await (
    await upright(bytes, meta)
  )
    .flatten({ background: '#ffffff' })
    .resize(LONGEST_EDGE, LONGEST_EDGE, { fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 88 })
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const thumbnail = await small(picture, THUMBNAIL_EDGE, 78);
  const tags = tagsIn(meta.exif);
  return { picture, thumbnail, width, height, takenOn: dayTaken(tags), focalPx: focalIn(tags, info) };
}

/** What the camera wrote into the file; null where it wrote nothing that can be read. */
function tagsIn(exif: Buffer | undefined): Exif['Photo'] | null {
  try {
    return (exif && exifReader(exif).Photo) ?? null;
  } catch {
    return null;
  }
}

/** Null where the tags name none. It is offered, never believed: scans carry the scanner's day. */
function dayTaken(tags: Exif['Photo'] | null): Day | null {
  // The reader takes the camera's wall clock for universal time: its day is the day as written.
  const taken = tags?.DateTimeOriginal;
  const day = taken && !Number.isNaN(taken.getTime()) ? taken.toISOString().slice(0, 10) : '';
  return isDay(day) ? day : null;
}

/** Diagonal of a frame of 36 by 24 mm, on which tags reckon a focal length (CIPA DC-008, FocalLengthIn35mmFilm). */
const SMALL_FRAME_MM = Math.hypot(36, 24);

/** Null where the tags name none. It is offered as well: of a print that was photographed it is the lens of the copy. */
function focalIn(tags: Exif['Photo'] | null, { width, height }: { width: number; height: number }): number | null {
  const mm = tags?.FocalLengthIn35mmFilm;
  return typeof mm === 'number' && mm > 0 ? (mm * Math.hypot(width, height)) / SMALL_FRAME_MM : null;
}

const small = (picture: Uint8Array, edge: number, quality: number): Promise<Buffer> =>
  sharp(picture).resize(edge, edge, { fit: 'inside', withoutEnlargement: true }).jpeg({ quality }).toBuffer();
