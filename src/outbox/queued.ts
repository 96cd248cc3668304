import { z } from 'zod';
import { stampSchema } from '@/core/kept/act';
import { logEntryFields } from '@/core/kept/records/log-entry';
import { sprayOutFields } from '@/core/kept/records/spray-out';
import { timerFields } from '@/core/kept/records/timer';

/** Acts of the bench as they are sent, at once or when the server is there again: each once, in the order in which they were done. */

const { pictureId, ...written } = logEntryFields.shape;
const { startedAt: _, endedAt: __, ...logged } = written;
const { pictureId: ___, ...tried } = sprayOutFields.shape;

const common = { briefId: z.uuid(), act: stampSchema };

/** Of a picture that was sent before. */
const pictured = { pictureId: pictureId.unwrap() };

const timer = z.strictObject({ id: z.uuid(), fields: timerFields });

/** A step done: with the minutes that it took up to the moment of its stamp, and the clocks that start with its end. */
const finished = z.strictObject({
  kind: z.literal('finish'),
  ...common,
  entry: z.strictObject(logged),
  ...pictured,
  timers: z.array(timer).max(10),
});
const timerStarted = z.strictObject({ kind: z.literal('timer'), ...common, ...timer.shape });
const timerStopped = z.strictObject({ kind: z.literal('stop'), ...common, id: z.uuid() });

/** Work that is no step of the route, as it is written down. */
const otherWork = z.strictObject({
  kind: z.literal('other work'),
  ...common,
  fields: z.strictObject(written),
  ...pictured,
});
const testPiece = z.strictObject({
  kind: z.literal('test piece'),
  ...common,
  fields: z.strictObject(tried),
  ...pictured,
});

export const benchActSchema = z.discriminatedUnion('kind', [
  finished,
  timerStarted,
  timerStopped,
  otherWork,
  testPiece,
]);
export type BenchAct = z.infer<typeof benchActSchema>;
/** What is written down as a new record. */
export type Written = Extract<BenchAct, { fields: unknown; pictureId: unknown }>;

/** What is sent: the act, and what the device's clock says while it is sent, so that a wrong clock does no harm. */
export const sentSchema = z.strictObject({ sentAt: z.iso.datetime(), act: benchActSchema });

/** What became of an act. */
export type Replayed =
  /** `revision` is that of the brief with the act in it; null where nothing was left to do. */
  | { state: 'done'; revision: number | null }
  /** It was done elsewhere meanwhile: what stands there is shown beside it. */
  | { state: 'conflict'; says: string; theirs: { title: string; at: string; minutes: number; note: string } }
  | { state: 'refused'; says: string };
