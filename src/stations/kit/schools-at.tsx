'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { choiceSaid, OPTION_CHOICES, ZONED_SCHOOLS } from '@/core/kit/options';
import { counted, listed } from '@/core/units/words';
import { ZoneChecks } from '@/stations/shell/zone-checks';
import { useKeep } from '@/stations/shell/use-keep';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import type { KitPage } from './page-data';
import './schools-at.css';

type SchoolsAt = KitPage['brief']['schoolsAt'];

/** Some zones that are done otherwise than the rest: the undersides plain, the metal panels without shades, the walkways over fluid. */
export function SchoolsByZones({ data: { briefId, brief, outside } }: { data: KitPage }): ReactNode {
  const { keep, busy } = useKeep(briefId, 'kit');
  const { zone, several } = useZoneChoice();
  const [school, setSchool] = useState<SchoolsAt[number]['school']>('tonal');
  const [value, setValue] = useState('');
  const [zones, setZones] = useState<string[]>(() =>
    outside.map(({ key }) => key).filter((key) => key === zone || several.has(key)),
  );
  const keepAll = (schoolsAt: SchoolsAt, said: string) => keep('brief', brief, { schoolsAt }, said);
  const titles = new Map(outside.map(({ key, title }) => [key, title.toLowerCase()]));
  const others = OPTION_CHOICES[school].choices.filter((choice) => choice !== brief.options[school]);
  const chosen = others.find((other) => other === value) ?? others[0]!;
  const add = () =>
    void keepAll(
      [...brief.schoolsAt, { school, value: chosen, zones }],
      `${OPTION_CHOICES[school].title}: ${chosen}`,
    ).then((result) => result.ok && setZones([]));
  return (
    <section className="kit-part">
      <h2>Otherwise on some zones</h2>
      <ul className="plain-list">
        {brief.schoolsAt.map((own, i) => (
          <li key={`${own.school} ${i}`}>
            {choiceSaid(own.school, own.value)}: {listed(own.zones.map((key) => titles.get(key) ?? key))}{' '}
            <Button
              size="small"
              disabled={busy}
              onClick={() =>
                void keepAll(
                  brief.schoolsAt.filter((_, at) => at !== i),
                  'As the rest again',
                )
              }
            >
              As the rest
            </Button>
          </li>
        ))}
      </ul>
      <div className="schools-at">
        <label>
          School{' '}
          <select value={school} onChange={(event) => setSchool(event.target.value as typeof school)}>
            {ZONED_SCHOOLS.map((name) => (
              <option key={name} value={name}>
                {OPTION_CHOICES[name].title}
              </option>
            ))}
          </select>
        </label>
        <label>
          There{' '}
          <select value={chosen} onChange={(event) => setValue(event.target.value)}>
            {others.map((other) => (
              <option key={other} value={other}>
                {other}
              </option>
            ))}
          </select>
        </label>
        <Button variant="outlined" disabled={busy || zones.length === 0} onClick={add}>
          {zones.length > 0 ? `Do it so on ${counted(zones.length, 'zone')}` : 'Mark the zones below'}
        </Button>
      </div>
      <details open={zones.length > 0}>
        <summary>Zones</summary>
        <ZoneChecks zones={outside} marked={zones} onMark={setZones} />
      </details>
    </section>
  );
}
