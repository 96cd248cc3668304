import { createHash } from 'node:crypto';
import exifReader from 'exif-reader';
import sharp from 'sharp';
import { isDay, type Day } from '@/core/units/day';
import { pool, rows, type Client } from './database';

export const MOST_PICTURE_BYTES = 15 * 1024 * 1024;
const MOST_PIXELS = 50_000_000;
/** What is kept: large enough to measure in, small enough for one dump of everything. */
const LONGEST_EDGE = 4000;
const THUMBNAIL_EDGE = 240;
/** A strip of pixels costs as much as a picture, and shows nothing. */
const LONGEST_SIDE = 30_000;
const READABLE = new Set(['jpeg', 'png', 'webp', 'tiff', 'gif', 'heif']);

// Loaders of other formats are closed before any file is opened: drawings with scripts, documents, raw formats of instruments.
sharp.block({ operation: ['VipsForeignLoad'] });
sharp.unblock({
  operation: ['Jpeg', 'Png', 'Webp', 'Tiff', 'Nsgif', 'Heif'].map((format) => `VipsForeignLoad${format}`),
});
sharp.cache(false);
sharp.concurrency(1);

let before: Promise<unknown> = Promise.resolve();
/** One picture at a time: a large one takes a second and a hundred megabytes. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = before.then(work, work);
  before = mine.catch(() => undefined);
  return mine;
}

/** A picture refused: says what is wrong with it. */
export class PictureFault extends Error {}

/** A picture as it came: with the day in its tags, which are not kept. */
export interface TakenPicture extends KeptPicture {
  takenOn: Day | null;
}

export interface KeptPicture {
  id: string;
  width: number;
  height: number;
}

/**
 * Sniffs the type from the content, re-encodes (which drops every tag, the place of a photograph too), makes a thumbnail and keeps both
 * under the hash of the result. The same picture twice is one row. Throws PictureFault.
 */
export async function keepPicture(bytes: Buffer, client: Client = pool()): Promise<TakenPicture> {
  if (bytes.length === 0) throw new PictureFault('the file is empty');
  if (bytes.length > MOST_PICTURE_BYTES)
    throw new PictureFault(`the file has ${(bytes.length / 1024 / 1024).toFixed(1)} MB; 15 MB is the most`);
  const encoded = await inTurn(() => reencode(bytes));
  const id = createHash('sha256').update(encoded.picture).digest('hex');
  await insertPicture(client, { id, ...encoded });
  return { id, width: encoded.width, height: encoded.height, takenOn: await dayTaken(bytes) };
}

/** The day that the camera wrote into the file; null where it wrote none. It is offered, never believed: scans carry the scanner's day. */
async function dayTaken(bytes: Buffer): Promise<Day | null> {
  try {
    const { exif } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata();
    // The reader takes the camera's wall clock for universal time: its day is the day as written.
    const taken = exif && exifReader(exif).Photo?.DateTimeOriginal;
    const day = taken ? taken.toISOString().slice(0, 10) : '';
    return isDay(day) ? day : null;
  } catch {
    return null;
  }
}

async function reencode(bytes: Buffer) {
  try {
    const meta = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata();
    if (!READABLE.has(meta.format))
      throw new PictureFault(`the file is ${meta.format.toUpperCase()}, not a photograph or scan (${FORMATS})`);
    if (Math.max(meta.width, meta.height) > LONGEST_SIDE)
      throw new PictureFault(
        `the picture is ${meta.width} by ${meta.height} pixels; ${LONGEST_SIDE} is the longest a side may be`,
      );
    const upright = sharp(bytes, { limitInputPixels: MOST_PIXELS }).rotate().flatten({ background: '#ffffff' });
    const { data: picture, info } = await upright
      .clone()
      .resize(LONGEST_EDGE, LONGEST_EDGE, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 88 })
      .toBuffer({ resolveWithObject: true });
    return { picture, thumbnail: await thumbnailOf(picture), width: info.width, height: info.height };
  } catch (error) {
    if (error instanceof PictureFault) throw error;
    if (/pixel limit/.test((error as Error).message))
      throw new PictureFault(`the picture has more than ${MOST_PIXELS / 1e6} megapixels, which is the most`);
    throw new PictureFault(`the file cannot be read as a picture (${FORMATS})`);
  }
}
const FORMATS = 'JPEG, PNG, WebP, TIFF, GIF';

export async function readPicture(
  id: string,
  size: 'full' | 'thumbnail',
): Promise<{ bytes: Buffer; mediaType: string } | null> {
  if (!/^[0-9a-f]{64}$/.test(id)) return null;
  const [found] = await rows<{ bytes: Buffer; mediaType: string }>(
    pool(),
    `select case when $2 then thumbnail else bytes end as bytes, media_type as "mediaType" from picture where id = $1`,
    [id, size === 'thumbnail'],
  );
  return found ?? null;
}

/** A picture made small enough for print, as a JPEG; null where there is none of that id. */
export async function pictureForPrint(id: string): Promise<Uint8Array | null> {
  const full = await readPicture(id, 'full');
  if (!full) return null;
  const edge = PRINT_EDGE;
  return inTurn(() =>
    sharp(full.bytes).resize(edge, edge, { fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 80 }).toBuffer(),
  );
}
const PRINT_EDGE = 900;

/** Keeps a picture that came in a file: one that is here already as it is, any other like an upload. Throws PictureFault. */
export async function keepExportedPicture(bytes: Buffer, client: Client = pool()): Promise<KeptPicture> {
  const id = createHash('sha256').update(bytes).digest('hex');
  const [known] = await rows<KeptPicture>(client, 'select id, width, height from picture where id = $1', [id]);
  return known ?? keepPicture(bytes, client);
}

const thumbnailOf = (picture: Buffer) =>
  sharp(picture)
    .resize(THUMBNAIL_EDGE, THUMBNAIL_EDGE, { fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 78 })
    .toBuffer();

async function insertPicture(
  client: Client,
  picture: {
    id: string;
    width: number;
    height: number;
    picture: Buffer;
    thumbnail: Buffer;
  },
) {
  await client.query(
    `insert into picture (id, media_type, width, height, bytes, thumbnail) values ($1, 'image/jpeg', $2, $3, $4, $5)
     on conflict (id) do nothing`,
    [picture.id, picture.width, picture.height, picture.picture, picture.thumbnail],
  );
}

/** Those of some pictures that are there, in an order that their contents alone decide. */
export async function picturesThere(client: Client, ids: readonly string[]): Promise<string[]> {
  const found = await rows<{ id: string }>(client, 'select id from picture where id = any($1) order by id', [ids]);
  return found.map(({ id }) => id);
}
