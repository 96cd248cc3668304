import { identityOf, typeOf } from '@/core/kept/state';
import type { Fields } from '@/core/kept/records';

/** A file name that every system takes: `halverd-dunlin-p-2-tk-g-c-417`. */
export function fileName(airframe: Fields<'airframe'>): string {
  return (
    `${typeOf(airframe)} ${identityOf(airframe)}`
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'brief'
  );
}
