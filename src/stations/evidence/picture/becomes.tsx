'use client';

import Button from '@mui/material/Button';
import { useImperativeHandle, useState, type ReactNode, type Ref } from 'react';
import { addSighting } from '@/actions/evidence';
import { ASPECTS, type Aspect } from '@/core/evidence/aspects';
import type { EffectName } from '@/core/weathering/effects';
import { EFFECT_SEEN } from '@/core/weathering/from-evidence';
import type { Marks } from '@/core/evidence/picture/marks';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { useSaving } from '@/ui/saving';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';

/** Makes the figure in hand a sighting. */
export interface FigureKeeper {
  keep: () => void;
}

/** What was measured in a picture becomes a sighting: of which zone, in what respect, of which one. */
export function Becomes({
  data,
  source,
  aspects,
  onZone,
  value,
  sd,
  says,
  otherwise,
  note,
  marks,
  ref,
}: {
  data: EvidencePage;
  source: SourceRow;
  /** What it can be a figure of; the first is taken unless another is chosen. */
  aspects: readonly Aspect[];
  /** The zone that it lies on, where that is known. */
  onZone: string | null;
  value: string;
  sd: number | null;
  /** The figure in words. */
  says: string;
  /** What it is as a figure of another of them. */
  otherwise?: Partial<Record<Aspect, { value: string; sd: number; says: string }>>;
  note: string;
  marks: Marks;
  ref?: Ref<FigureKeeper>;
}): ReactNode {
  const { run, busy } = useSaving();
  const { zone: chosen } = useZoneChoice();
  // Where it lies, or the zone chosen on the sheet, unless another was named here.
  const [named, setNamed] = useState<string | null>(null);
  const isAsked = (zone: string | null) => data.zones.some((option) => option.value === zone);
  const zone = named ?? (isAsked(onZone) ? onZone : null) ?? chosen ?? data.zones[0]!.value;
  const [chosenAspect, setAspect] = useState<Aspect | null>(null);
  const aspect = chosenAspect && aspects.includes(chosenAspect) ? chosenAspect : aspects[0]!;
  const [item, setItem] = useState('');
  const [effect, setEffect] = useState<EffectName>('exhaust');
  // A stain is of something: weathering lays that on its zone.
  const told =
    otherwise?.[aspect] ??
    (aspect === 'wear' ? { value: `${EFFECT_SEEN[effect]}, ${value}`, sd: null, says } : { value, sd, says });
  const keep = async () => {
    if (busy) return;
    await run(
      (act) =>
        addSighting({
          act,
          briefId: data.briefId,
          sourceId: source.id,
          zone,
          aspect,
          item,
          value: told.value,
          sd: told.sd,
          clarity: 'clear',
          sense: 'for',
          note,
          marks,
        }),
      `${told.says} is a sighting now`,
    );
  };
  // The viewer has the focus while one measures: its key s comes here.
  useImperativeHandle(ref, () => ({ keep: () => void keep() }));
  return (
    <div className="measured-target">
      becomes a sighting of{' '}
      <select value={zone} onChange={(event) => setNamed(event.target.value)} aria-label="Zone measured">
        {data.zones.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>{' '}
      <select value={aspect} onChange={(event) => setAspect(event.target.value as Aspect)} aria-label="Aspect measured">
        {aspects.map((name) => (
          <option key={name} value={name}>
            {ASPECTS[name].title.toLowerCase()}
          </option>
        ))}
      </select>{' '}
      {aspect === 'wear' ? (
        <select value={effect} onChange={({ target }) => setEffect(target.value as EffectName)} aria-label="What it is">
          {Object.entries(EFFECT_SEEN).map(([name, title]) => (
            <option key={name} value={name}>
              {title}
            </option>
          ))}
        </select>
      ) : null}{' '}
      <input
        value={item}
        onChange={(event) => setItem(event.target.value)}
        placeholder="which one"
        aria-label="Which one"
        size={14}
      />{' '}
      <Button variant="contained" onClick={() => void keep()} disabled={busy}>
        Keep it (s)
      </Button>
    </div>
  );
}
