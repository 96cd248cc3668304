'use client';

import { useEffect, type ReactNode } from 'react';
import type { BenchCard } from '@/core/bench/cards';
import { counted } from '@/core/units/words';
import { ZoneChecks } from '@/stations/shell/zone-checks';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { TextField } from '@/ui/text-field';

/** On which of its zones a step is done: all of them, until some are marked off here or on the sheet. */
export function useDoneOn({ zones, places }: BenchCard): {
  on: string[];
  /** The share of the work that lies on them. */
  part: number;
  mark: (zones: readonly string[]) => void;
} {
  const { zone, several, choose, chooseSeveral } = useZoneChoice();
  const all = zones.join(' ');
  // The step's zones are lit on the sheet while it is in hand.
  useEffect(() => {
    const lit = all ? all.split(' ') : [];
    choose(lit.length === 1 ? lit[0]! : null);
    chooseSeveral(new Set(lit.length > 1 ? lit : []));
    return () => {
      choose(null);
      chooseSeveral(new Set());
    };
  }, [choose, chooseSeveral, all]);
  const lit = several.size > 0 ? several : new Set(zone ? [zone] : []);
  const on = zones.filter((own) => lit.has(own));
  return {
    on,
    part:
      on.length === zones.length ? 1 : places.reduce((sum, { key, share }) => (lit.has(key) ? sum + share : sum), 0),
    mark: (zones) => {
      choose(null);
      chooseSeveral(new Set(zones));
    },
  };
}

/** The zones of a step in hand, to be marked off; of work without zones, how far it is. */
export function DoneOn({
  card,
  on,
  onMark,
  far,
  onFar,
  fault,
}: {
  card: BenchCard;
  on: readonly string[];
  onMark: (zones: readonly string[]) => void;
  far: string;
  onFar: (far: string) => void;
  fault: string;
}): ReactNode {
  if (card.zones.length === 0)
    return (
      <details className="bench-on">
        <summary>Only so far</summary>
        <TextField
          label="Done, %"
          value={far}
          onChange={(event) => onFar(event.target.value)}
          error={fault !== ''}
          helperText={fault || 'what is left stays on the route, with its share of the minutes'}
          inputMode="numeric"
        />
      </details>
    );
  if (card.places.length === 0) return null;
  const isAll = on.length === card.zones.length;
  return (
    <details className="bench-on">
      <summary>
        {isAll
          ? `On all ${counted(card.zones.length, 'zone')}`
          : `On ${on.length} of ${counted(card.zones.length, 'zone')}`}
        {fault ? <strong className="danger"> · {fault}</strong> : null}
      </summary>
      <p className="dim">Mark off what is not done yet, here or on the sheet: it stays on the route.</p>
      <ZoneChecks zones={card.places} marked={on} onMark={onMark} />
    </details>
  );
}
