'use client';

import Button from '@mui/material/Button';
import { useMemo, type ReactNode } from 'react';
import { chooseColours } from '@/actions/choices';
import type { ColourShelf } from '@/core/kept/state';
import { judgeSets, type JudgedSet } from '@/core/match/sets';
import { spokenZones } from '@/core/outline/spoken';
import { counted, listed } from '@/core/units/words';
import { useSaving } from '@/ui/saving';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import { targetOf } from '@/stations/colours/of-call';

/** A set that serves fewer calls than this is bought for a single bottle. */
const WORTH_A_LOOK = 2;

/** Sets that hold several of the called colours, and which they lack: said before anything is bought or mixed. */
export function Sets({ data, shelf }: { data: ColoursPage; shelf: Pick<ColourShelf, 'sets' | 'paints'> }): ReactNode {
  const { run, busy } = useSaving();
  const judged = useMemo(
    () =>
      judgeSets(
        data.calls.flatMap((call) => targetOf(call) ?? []),
        shelf.sets,
        shelf.paints,
      ).filter(({ serves }) => serves.length >= WORTH_A_LOOK),
    [data.calls, shelf],
  );
  if (judged.length === 0) return null;
  const take = ({ set, serves }: JudgedSet) =>
    void run(
      (act) =>
        chooseColours({
          act,
          briefId: data.briefId,
          choices: serves.map(({ code, paint }) => ({
            codeId: data.calls.find((call) => call.code === code)!.codeId,
            by: { paintId: paint.id },
          })),
        }),
      `${counted(serves.length, 'colour')} made from ${set.name || set.number}`,
    );
  return (
    <section aria-label="Sets">
      <h2 style={{ marginTop: 0 }}>Sold as a set</h2>
      <ul className="reasons">
        {judged.map((one) => (
          <li key={one.set.id}>
            <strong>
              {one.set.line} {one.set.number} {one.set.name}
            </strong>
            {one.set.scheme ? `, for ${one.set.scheme}` : ''}, {(one.set.priceCents / 100).toFixed(2)}{' '}
            {one.set.currency}: {setInWords(one, data.calls)}{' '}
            <Button variant="outlined" size="small" disabled={busy} onClick={() => take(one)}>
              Use it for {counted(one.serves.length, 'colour')}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** "has a colour for 4 of 6 calls; it lacks a colour for the fuselage underside (Sleet)." */
function setInWords({ serves, lacks }: JudgedSet, calls: readonly ColourCallRow[]): string {
  const named = (code: string) => {
    const call = calls.find((candidate) => candidate.code === code)!;
    const zones = call.zones.map(({ key, title }) => ({ key, title }));
    return `${spokenZones(
      zones,
      zones.map(({ key }) => key),
    )} (${call.name || code})`;
  };
  const claimed = serves.filter((one) => one.claimed).length;
  const has =
    lacks.length === 0
      ? `it has each of the ${counted(serves.length, 'colour')}`
      : `it has ${serves.length} of ${counted(serves.length + lacks.length, 'colour')}`;
  const exact = claimed > 0 ? `, ${claimed === serves.length ? 'all' : claimed} by their codes` : '';
  return `${has}${exact}${lacks.length > 0 ? `; this set lacks a colour for ${listed(lacks.map(named))}` : ''}.`;
}
