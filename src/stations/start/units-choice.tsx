'use client';

import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { chooseUnits } from '@/actions/house';
import { SHOWN_UNITS, type ShownUnits } from '@/core/units/shown';
import { useSaving } from '@/ui/saving';

const TITLES: Record<ShownUnits, string> = {
  metric: 'metric: mm and m, bar, °C',
  'feet and inches': 'feet and inches, psi, °F',
};

/** In what the house shows its measures; they are taken in any unit, and kept in mm, bar and °C. */
export function UnitsChoice({ units }: { units: ShownUnits }): ReactNode {
  const { run, busy } = useSaving();
  const router = useRouter();
  const choose = (next: ShownUnits) =>
    void run((act) => chooseUnits({ act, units: next }), `Shown in ${TITLES[next]}`).then(() => router.refresh());
  return (
    <p>
      <label>
        Lengths, pressures and temperatures are shown in{' '}
        <select value={units} disabled={busy} onChange={(event) => choose(event.target.value as ShownUnits)}>
          {SHOWN_UNITS.map((one) => (
            <option key={one} value={one}>
              {TITLES[one]}
            </option>
          ))}
        </select>
      </label>
    </p>
  );
}
