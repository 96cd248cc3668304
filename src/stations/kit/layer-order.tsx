'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { save } from '@/actions/records';
import { BASE_LAYER_WORK, type BaseLayer } from '@/core/kit/subjects';
import type { Kept } from '@/core/kept/records';
import { counted } from '@/core/units/words';
import { useSaving } from '@/ui/saving';

/** The layers of a base from the bottom up, each with its days of drying. */
export function LayerOrder({
  briefId,
  base,
  layers,
}: {
  briefId: string;
  base: Kept<'subject'>;
  layers: readonly BaseLayer[];
}): ReactNode {
  const { run, busy } = useSaving();
  const keep = (next: readonly BaseLayer[]) =>
    void run((act) =>
      save({
        act,
        briefId,
        station: 'kit',
        entity: 'subject',
        id: base.id,
        version: base.version,
        fields: { layers: next },
      }),
    );
  const days = base.layers.reduce((sum, layer) => sum + BASE_LAYER_WORK[layer].days, 0);
  return (
    <section className="kit-part" aria-label={`Layers of ${base.title}`}>
      <h2>{base.title}, from the bottom up</h2>
      {base.layers.length > 0 ? (
        <ol>
          {base.layers.map((layer, i) => (
            <li key={i}>
              {layer}: {BASE_LAYER_WORK[layer].minutes} min, then {counted(BASE_LAYER_WORK[layer].days, 'day')} of
              drying ({BASE_LAYER_WORK[layer].why}){' '}
              <Button
                size="small"
                disabled={busy}
                aria-label={`Take ${layer}, layer ${i + 1}, off`}
                onClick={() => keep(base.layers.filter((_, k) => k !== i))}
              >
                Take off
              </Button>
            </li>
          ))}
        </ol>
      ) : (
        <p className="dim">No layer yet.</p>
      )}
      <p className="pane-actions">
        {layers.map((layer) => (
          <Button
            key={layer}
            size="small"
            variant="outlined"
            disabled={busy}
            onClick={() => keep([...base.layers, layer])}
          >
            + {layer}
          </Button>
        ))}
        {days > 0 ? <span className="dim">{counted(days, 'day')} of drying in all</span> : null}
      </p>
    </section>
  );
}
