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
const READABLE = new Set(['jpeg', 'png', 'webp', 'tiff', 'gif', 'heif']);

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
  const encoded = await reencode(bytes);
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
    const meta = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (!READABLE.has(meta.format))
      throw new PictureFault(
        `the file is ${meta.format.toUpperCase()}, not a photograph or scan (JPEG, PNG, WebP, TIFF, GIF)`,
      );
    if (meta.width * meta.height > MOST_PIXELS)
      throw new PictureFault(
        `the picture has ${Math.round((meta.width * meta.height) / 1e6)} megapixels; 50 is the most`,
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
    throw new PictureFault('the file cannot be read as a picture');
  }
}

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

/**
 * Keeps a picture from an exported brief under its own hash when it is what this house writes (a JPEG without any tags);
 * re-encodes it like an upload otherwise. Throws PictureFault.
 */
export async function keepExportedPicture(bytes: Buffer, client: Client = pool()): Promise<KeptPicture> {
  const id = createHash('sha256').update(bytes).digest('hex');
  const [known] = await rows<KeptPicture>(client, 'select id, width, height from picture where id = $1', [id]);
  if (known) return known;
  const plain = bytes.length <= MOST_PICTURE_BYTES ? await plainJpeg(bytes) : null;
  if (!plain) return keepPicture(bytes, client);
  await insertPicture(client, { id, ...plain, picture: bytes });
  return { id, width: plain.width, height: plain.height };
}

async function plainJpeg(bytes: Buffer): Promise<{ width: number; height: number; thumbnail: Buffer } | null> {
  try {
    const meta = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata();
    if (
      meta.format !== 'jpeg' ||
      meta.exif ||
      meta.xmp ||
      meta.iptc ||
      Math.max(meta.width, meta.height) > LONGEST_EDGE
    )
      return null;
    return { width: meta.width, height: meta.height, thumbnail: await thumbnailOf(bytes) };
  } catch {
    return null;
  }
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
