import { createHash } from 'node:crypto';
import type { Day } from '@/core/units/day';
import { hasHelpers, helperFor } from '@/workers/helpers';
import { encodePicture, type PictureDone, type PictureJob } from '@/workers/picture-encoding';
import { ServerThread } from '@/workers/server-thread';
import { pool, rows, type Client } from './database';

export const MOST_PICTURE_BYTES = 15 * 1024 * 1024;
/** So many pictures wait at the most. */
const MOST_WAITING = 8;

const beside = new ServerThread<PictureJob, PictureDone>(() => helperFor('pictures')!);
let before: Promise<unknown> = Promise.resolve();
let waiting = 0;

/** Pictures that have to be made before one that comes now. */
export const picturesBefore = (): number => waiting;

/** One picture at a time, where there is a process for it beside this one there. Throws TooManyPictures where too many wait already. */
async function encoded(job: PictureJob): Promise<PictureDone> {
  if (waiting >= MOST_WAITING) throw new TooManyPictures();
  waiting += 1;
  try {
    return await (hasHelpers() ? beside.ask(job) : inTurn(() => encodePicture(job)));
  } finally {
    waiting -= 1;
  }
}

function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = before.then(work, work);
  before = mine.catch(() => undefined);
  return mine;
}

/** For what brings many pictures one after the other, and cannot come again for one: it waits until there is room. */
async function roomForOne(): Promise<void> {
  while (waiting >= MOST_WAITING) await new Promise((resolve) => setTimeout(resolve, 100));
}

/** More pictures wait than can be held: this one is to come again. */
export class TooManyPictures extends Error {
  constructor() {
    super(`${MOST_WAITING} pictures wait already: send this one again in a moment`);
  }
}

/** A picture refused: says what is wrong with it. */
export class PictureFault extends Error {}

/** A picture as it came: with the day and the focal length in its tags, which are not kept. */
export interface TakenPicture extends KeptPicture {
  takenOn: Day | null;
  /** In px of the picture. */
  focalPx: number | null;
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
export const keepPicture = (bytes: Buffer, client: Client = pool()): Promise<TakenPicture> =>
  keep(bytes, bytes.length, client);

/** As `keepPicture`, of a picture that lies on disk: those that wait take no memory. */
export const keepPictureFile = ({ file, size }: { file: string; size: number }): Promise<TakenPicture> =>
  keep({ file }, size, pool());

async function keep(from: PictureJob['from'], size: number, client: Client): Promise<TakenPicture> {
  if (size === 0) throw new PictureFault('the file is empty');
  if (size > MOST_PICTURE_BYTES)
    throw new PictureFault(`the file has ${(size / 1024 / 1024).toFixed(1)} MB; 15 MB is the most`);
  const done = await encoded({ kind: 'keep', from });
  if (!('kept' in done)) throw new PictureFault('fault' in done ? done.fault : 'it cannot be kept');
  const { takenOn, focalPx, ...kept } = done.kept;
  const id = createHash('sha256').update(kept.picture).digest('hex');
  await insertPicture(client, { id, ...kept });
  return { id, width: kept.width, height: kept.height, takenOn, focalPx };
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

/** A picture made small enough for print, as a JPEG; null where there is none of that id. */
export async function pictureForPrint(id: string): Promise<Uint8Array | null> {
  const full = await readPicture(id, 'full');
  if (!full) return null;
  await roomForOne();
  const done = await encoded({ kind: 'print', from: full.bytes });
  return 'print' in done ? done.print : null;
}

/** Keeps a picture that came in a file: one that is here already as it is, any other like an upload. Throws PictureFault. */
export async function keepExportedPicture(bytes: Buffer, client: Client = pool()): Promise<KeptPicture> {
  const id = createHash('sha256').update(bytes).digest('hex');
  const [known] = await rows<KeptPicture>(client, 'select id, width, height from picture where id = $1', [id]);
  if (known) return known;
  await roomForOne();
  return keepPicture(bytes, client);
}

async function insertPicture(
  client: Client,
  picture: {
    id: string;
    width: number;
    height: number;
    picture: Uint8Array;
    thumbnail: Uint8Array;
  },
) {
  await client.query(
    `insert into picture (id, media_type, width, height, bytes, thumbnail) values ($1, 'image/jpeg', $2, $3, $4, $5)
     on conflict (id) do nothing`,
    [picture.id, picture.width, picture.height, Buffer.from(picture.picture), Buffer.from(picture.thumbnail)],
  );
}

/** Those of some pictures that are there, in an order that their contents alone decide. */
export async function picturesThere(client: Client, ids: readonly string[]): Promise<string[]> {
  const found = await rows<{ id: string }>(client, 'select id from picture where id = any($1) order by id', [ids]);
  return found.map(({ id }) => id);
}
