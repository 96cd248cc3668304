import { createHash, randomBytes, randomInt, randomUUID } from 'node:crypto';
import { inTransaction, pool, rows } from './database';

/** Devices at the bench: paired by a code, known by a token, let go by the builder. Codes and tokens are kept as hashes only. */

export interface BenchDevice {
  id: string;
  name: string;
  pairedAt: string;
  seenAt: string;
}

const hash = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** No letters and digits that are taken for one another. */
const ALPHABET = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
const CODE_LENGTH = 8;
const CODE_MINUTES = 10;
/** Wrong codes within ten minutes, from one device and from all, before nothing is listened to any more. */
const MOST_WRONG = { ofHost: 5, ofAll: 20 };

/** A code as it is typed: capitals, without what was put between. */
const plainCode = (typed: string): string => typed.toUpperCase().replace(/[^0-9A-Z]/g, '');

/** Makes a code that pairs one device within ten minutes; codes made before are void. */
export async function makePairingCode(): Promise<string> {
  const code = Array.from({ length: CODE_LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]).join('');
  await inTransaction(async (client) => {
    await client.query('delete from pairing_code');
    await client.query(
      `insert into pairing_code (code_hash, expires_at) values ($1, clock_timestamp() + make_interval(mins => $2))`,
      [hash(code), CODE_MINUTES],
    );
  });
  return code;
}

export type Paired = { token: string; device: BenchDevice } | { refused: 'wrong' | 'too many' };

/** Pairs a device by its code, once. Wrong codes are counted, and after too many of them none is listened to for a while. */
export async function pairDevice(typed: string, name: string, host: string): Promise<Paired> {
  return inTransaction(async (client): Promise<Paired> => {
    // One after the other, so that a thousand guesses at a time are a thousand guesses.
    await client.query('lock table pairing_try in exclusive mode');
    await client.query(`delete from pairing_try where at < clock_timestamp() - make_interval(mins => $1)`, [
      CODE_MINUTES,
    ]);
    const [wrong] = await rows<{ own: number; all: number }>(
      client,
      'select count(*) filter (where host = $1)::int as own, count(*)::int as all from pairing_try',
      [host],
    );
    if (wrong!.own >= MOST_WRONG.ofHost || wrong!.all >= MOST_WRONG.ofAll) return { refused: 'too many' };
    const { rowCount } = await client.query(
      'delete from pairing_code where code_hash = $1 and expires_at > clock_timestamp()',
      [hash(plainCode(typed))],
    );
    if (!rowCount) {
      await client.query('insert into pairing_try (host) values ($1)', [host]);
      return { refused: 'wrong' };
    }
    const token = randomBytes(32).toString('base64url');
    const [device] = await rows<BenchDevice>(
      client,
      `insert into bench_device (id, name, token_hash) values ($1, $2, $3)
       returning id, name, paired_at as "pairedAt", seen_at as "seenAt"`,
      [randomUUID(), name.trim().slice(0, 60) || 'A phone', hash(token)],
    );
    return { token, device: device! };
  });
}

/** The device that a token belongs to; null where it is unknown or let go. */
export async function deviceOf(token: string): Promise<BenchDevice | null> {
  if (token.length < 20 || token.length > 100) return null;
  const [found] = await rows<BenchDevice>(
    pool(),
    `select id, name, paired_at as "pairedAt", seen_at as "seenAt" from bench_device where token_hash = $1 and revoked_at is null`,
    [hash(token)],
  );
  return found ?? null;
}

/** Devices that are paired, the newest first. */
export const listDevices = (): Promise<BenchDevice[]> =>
  rows<BenchDevice>(
    pool(),
    `select id, name, paired_at as "pairedAt", seen_at as "seenAt" from bench_device where revoked_at is null
     order by paired_at desc, id`,
  );

/** Notes that a device was there; every quarter of an hour is enough. */
export async function noteSeen(id: string): Promise<void> {
  await pool().query(
    `update bench_device set seen_at = clock_timestamp() where id = $1 and seen_at < clock_timestamp() - interval '15 minutes'`,
    [id],
  );
}

/** Lets a device go: its token is worth nothing from now on. */
export async function revokeDevice(id: string): Promise<boolean> {
  const { rowCount } = await pool().query(
    'update bench_device set revoked_at = clock_timestamp() where id = $1 and revoked_at is null',
    [id],
  );
  return rowCount === 1;
}
