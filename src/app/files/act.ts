import { stampSchema, type Stamp } from '@/core/kept/act';
import { nowUtc } from '@/clock/now';

/** `?act=` names the act that a file comes with, so that it is done once; without a stamp where the name is none that an act can have. */
export function actOf(request: Request): { named: boolean; stamp: Stamp | undefined } {
  const id = new URL(request.url).searchParams.get('act');
  return { named: id !== null, stamp: stampSchema.safeParse({ id, at: nowUtc() }).data };
}
