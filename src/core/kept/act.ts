import { z } from 'zod';
import type { Turn } from '@/core/kept/turn';
import { instant, line } from './fields';
import type { RecordName } from './records';

/** An act: what a person did, as data. The device names it, so that however often it arrives it is done once. */

export const STATIONS = ['kit', 'setup', 'evidence', 'colours', 'markings', 'route', 'bench', 'log', 'brief'] as const;
export type ActStation = (typeof STATIONS)[number];

/** Who did it, when by the device's clock, and looking at which revision of the brief. */
export const stampSchema = z.strictObject({
  id: z.uuid('an act needs its id'),
  by: line('By', 60).default('builder'),
  at: instant('When'),
  seen: z.number().int().nonnegative().nullable().default(null),
});
export type Stamp = z.infer<typeof stampSchema>;

/** Records that an act may name as data; the others are written only by acts that the house knows by name. */
export const WRITABLE = [
  'brief',
  'airframe',
  'source',
  'question',
  'sighting',
  'ruling',
  'paint_event',
  'mirror',
  'marking',
  'weekly_session',
  'evening',
  'log_entry',
  'timer',
  'colour_code',
  'code_relation',
  'chip',
  'paint_line',
  'paint',
  'bottle',
  'recipe',
  'general_coat',
  'paint_use',
  'part',
  'kit_measure',
  'subject',
  'zone_day',
  'scheme_field',
  'underlay',
  'decal_sheet',
  'route_edit',
  'mishap',
  'work_run',
  'spray_out',
  'technique',
  'tool',
] as const satisfies readonly RecordName[];

const entity = z.enum(WRITABLE);
const fields = z.record(z.string(), z.unknown());
const versioned = { id: z.uuid(), version: z.number().int() };

/** The most records that one act of a person touches; tables and files have ways of their own. */
const MOST = 500;

export const actSchema = z.strictObject({
  stamp: stampSchema,
  briefId: z.uuid(),
  station: z.enum(STATIONS),
  added: z
    .array(z.strictObject({ entity, id: z.uuid(), fields }))
    .max(MOST)
    .default([]),
  updated: z
    .array(z.strictObject({ entity, ...versioned, fields }))
    .max(MOST)
    .default([]),
  removed: z
    .array(z.strictObject({ entity, ...versioned }))
    .max(MOST)
    .default([]),
});

/** A row that an act changed, as it stands now; `row` is null when it was removed. */
export interface ChangedRow {
  entity: RecordName;
  id: string;
  row: ({ id: string; version: number } & Record<string, unknown>) | null;
}

/** What an act answers: the revisions after it, and what it changed. `rows` is null where they are too many to name. */
export interface ActAnswer<T = null> {
  value: T;
  /** Of the brief; null for an act at no brief. */
  revision: number | null;
  shelfRevision: number;
  rows: ChangedRow[] | null;
  /** What it turned beside, where it could. */
  turned?: Turn[];
}
