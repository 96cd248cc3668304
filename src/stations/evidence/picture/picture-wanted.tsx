'use client';

import { useMemo, type ReactNode } from 'react';
import type { LookedFor } from '@/core/skin/camera/machine-over';
import type { Viewpoint } from '@/core/skin/camera/best-seen';
import type { EvidencePage } from '@/stations/evidence/page-data';
import { useSheetData, useZoneChoice } from '@/stations/shell/zone-choice';
import { useAnswered } from '@/ui/use-standing-worker';
import { useCamera } from './use-camera';

/** So many zones are named; of others how many they are. */
const NAMED = 6;

/** From where a picture would show most of what is open, and what those in hand do not show well. */
export function PictureWanted({
  data,
  onSource,
}: {
  data: EvidencePage;
  onSource: (source: string) => void;
}): ReactNode {
  const sheet = useSheetData();
  const { titleOf } = useZoneChoice();
  const api = useCamera();
  const asked = useMemo(() => {
    const zoneOf = new Map(data.questions.map(({ id, zone }) => [id, zone]));
    return {
      pictures: data.sources.flatMap(({ id, camera }) => (camera ? [{ id, camera }] : [])),
      zones: [...new Set(zoneOf.values())],
      wanted: data.chase.map(({ questionId, score }) => ({ zone: zoneOf.get(questionId)!, weight: score })),
    };
  }, [data.questions, data.sources, data.chase]);
  const found = useAnswered<LookedFor>(
    sheet && JSON.stringify([sheet.spec, sheet.denominator, asked]),
    () =>
      api().lookedFor(
        { spec: sheet!.spec, denominator: sheet!.denominator },
        asked.pictures,
        asked.zones,
        asked.wanted,
      ) as Promise<LookedFor>,
  );
  if (!found) return <p role="status">Looking round the machine ...</p>;
  const [best, next] = found.from;
  const unseen = found.poorly.filter((one) => one.best === null);
  // Their titles have commas of their own.
  const named = (zones: readonly string[], most = NAMED) =>
    [...zones.slice(0, most).map(titleOf), ...(zones.length > most ? [`${zones.length - most} more`] : [])].join('; ');
  return (
    <div className="picture-wanted">
      {best ? (
        <p role="status">
          A picture taken from <strong>{viewpointInWords(best.from)}</strong> would settle most: it shows{' '}
          {Math.round(100 * best.share)} % of what is open ({named(best.zones)}).
          {next ? (
            <>
              {' '}
              Next best {viewpointInWords(next.from)}, {Math.round(100 * next.share)} %.
            </>
          ) : null}
        </p>
      ) : (
        <p role="status">Nothing that is open lies on the outer skin: no picture from outside would settle it.</p>
      )}
      {asked.pictures.length === 0 ? (
        <p className="dim">
          Lay the machine over a picture, and what the pictures in hand do not show well is listed here.
        </p>
      ) : found.poorly.length > 0 ? (
        <>
          <h3>What no picture shows well</h3>
          <ul>
            {unseen.length > 0 ? (
              <li>
                In none of them:{' '}
                {named(
                  unseen.map(({ zone }) => zone),
                  Infinity,
                )}
              </li>
            ) : null}
            {found.poorly.map(({ zone, best: seen }) => {
              const source = seen && data.sources.find(({ id }) => id === seen.picture);
              return source ? (
                <li key={zone}>
                  {titleOf(zone)}: best {Math.round(seen.deg)}°,{' '}
                  {seen.share < 0.95 ? `${Math.round(100 * seen.share)} % of it, ` : ''}in{' '}
                  <button type="button" className="row-button inline" onClick={() => onSource(source.id)}>
                    {source.title}
                  </button>
                  {source.dated ? `, ${source.dated}` : ''}
                </li>
              ) : null;
            })}
          </ul>
          <p className="dim">
            Degrees are between the line of sight and the skin: 90 looks straight at it. Of pictures over which the
            machine lies.
          </p>
        </>
      ) : (
        <p className="dim">Each zone that is asked about is shown well by a picture over which the machine lies.</p>
      )}
    </div>
  );
}

/** "ahead and below, port side". */
function viewpointInWords({ along, side, height }: Viewpoint): string {
  const from = [along, ...(height === 'level' ? [] : [height])];
  return `${from.join(' and ')}, ${side} side`;
}
