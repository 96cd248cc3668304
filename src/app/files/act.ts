import { stampSchema, type Stamp } from '@/core/kept/act';
import { nowUtc } from '@/clock/now';

/** The act that an address names with `act`, and its moment with `at`, so that it is done once; without a stamp where it is none that an act can have. */
export function actOf(request: Request): { named: boolean; stamp: Stamp | undefined } {
  const search = new URL(request.url).searchParams;
  const id = search.get('act');
  return { named: id !== null, stamp: stampSchema.safeParse({ id, at: search.get('at') ?? nowUtc() }).data };
}
