'use client';

import type { ReactNode } from 'react';
import { capital, counted } from '@/core/units/words';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { useOutbox } from '@/stations/shell/outbox';
import { ZoneSelect } from '@/stations/shell/zone-select';
import { shortDay } from '@/ui/dates';
import { Chip } from '@/ui/swatch';
import { Thumbnail } from '@/ui/thumbnail';
import { useFetched } from '@/ui/use-fetched';
import { KeepAsTechnique } from './keep-as-technique';
import type { LogPage, MadeRow, MadeZone } from './page-data';

/** How a zone was made, from the plastic up: what lies on it, as it was mixed and laid, and what is still to come. */
export function MadePane({ data }: { data: LogPage }): ReactNode {
  const { zone, titleOf } = useZoneChoice();
  const { isAway } = useOutbox();
  const isOne = (key: string | null) => key !== null && data.zones.some((own) => own.key === key);
  // Nobody chose: the zone that was worked on last is the likeliest.
  const shown = isOne(zone) ? zone : isOne(data.lastZone) ? data.lastZone : null;
  const made = useFetched<MadeZone>(shown ? `/briefs/${data.briefId}/made/${shown}?of=${data.revision}` : null);
  return (
    <>
      <div className="filters">
        <ZoneSelect
          label="Zone"
          zones={data.zones}
          empty={shown && shown !== zone ? `${titleOf(shown)}, worked on last` : 'choose one here or on the sheet'}
        />
      </div>
      {!shown ? (
        <p>Choose a zone: its layers stand here from the plastic up, with their dates, recipes and who laid them.</p>
      ) : !made ? (
        <p className="dim">{isAway ? 'Not kept on this device: it is shown when the server answers.' : 'Looking…'}</p>
      ) : made.layers.length === 0 && made.also.length === 0 ? (
        <p>Nothing is laid on it, and nothing is planned.</p>
      ) : (
        <>
          <ol className="made" aria-label={`${titleOf(shown)}, from the plastic up`}>
            {[...made.layers].reverse().map((layer, i) => (
              <Layer key={`${layer.step} ${i}`} layer={layer} />
            ))}
            <li className="plastic">
              <span />
              <div>Bare plastic</div>
            </li>
          </ol>
          {made.also.length > 0 ? (
            <section aria-label="Also done here">
              <h2>Also done here</h2>
              <ul className="plain-list">
                {made.also.map(({ id, at, title, says }) => (
                  <li key={id}>
                    <strong>{title}</strong>{' '}
                    <span className="dim">{[shortDay(at.slice(0, 10)), says].filter(Boolean).join(' · ')}</span>
                  </li>
                ))}
              </ul>
            </section>
          ) : null}
          <KeepAsTechnique key={shown} briefId={data.briefId} layers={made.layers} where={titleOf(shown)} />
        </>
      )}
    </>
  );
}

function Layer({ layer }: { layer: MadeRow }): ReactNode {
  const { laid, lostTo } = layer;
  const state = lostTo ? 'lost' : laid ? 'laid' : 'to-come';
  return (
    <li className={state}>
      <span className="layer-mark">{layer.hex ? <Chip hex={layer.hex} /> : null}</span>
      <div>
        <strong>{capital(layer.what)}</strong> {layer.title}
        {lostTo ? <span> · gone with a {lostTo}</span> : null}
        {layer.comesOff ? <span> · comes off: {layer.comesOff}</span> : null}
        {layer.isUnwanted && !lostTo ? <span> · no longer wanted here, another colour is ruled</span> : null}
        {layer.isAssumed ? <span className="dim"> · where it lies is a guess: correct its entry</span> : null}
        {!laid && !lostTo ? <span className="dim"> · to come: {layer.paint}</span> : null}
        {laid ? (
          <div className="dim">
            {[
              shortDay(laid.at.slice(0, 10)),
              laid.mixed || layer.paint,
              laid.coats === null ? '' : counted(laid.coats, 'coat'),
              laid.sprayed,
              laid.air,
              layer.chemistry.toLowerCase(),
              laid.who,
            ]
              .filter(Boolean)
              .join(' · ')}
          </div>
        ) : null}
        {laid?.note ? <p className="log-note">{laid.note}</p> : null}
      </div>
      {laid?.pictureId ? <Thumbnail pictureId={laid.pictureId} of={layer.title} /> : null}
    </li>
  );
}
