import { randomUUID } from 'node:crypto';
import type { Stamp } from '@/core/kept/act';

/** An act that no other has the name of, done at a fixed hour. */
export const stamp = (given: Partial<Stamp> = {}): Stamp => ({
  id: randomUUID(),
  by: 'builder',
  at: '2026-11-23T18:00:00.000Z',
  seen: null,
  ...given,
});
