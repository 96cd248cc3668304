'use client';

import Button from '@mui/material/Button';
import { useEffect, useState, type ReactNode } from 'react';
import { addSighting } from '@/actions/evidence';
import { isMonochrome } from '@/core/evidence/film';
import { FILTER_NAMES, type FilterName } from '@/core/evidence/picture/film-tone';
import { patchGrey, type Pixels } from '@/core/evidence/picture/grey';
import type { XY } from '@/core/evidence/picture/homography';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { useSaving } from '@/ui/saving';
import { useWorker } from '@/ui/use-worker';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';
import { emulsionTitle, type rankCodes, type ToneAnswer, type ToneQuestion } from '@/core/evidence/picture/rank-codes';

/** A patch of the picture; code empty = the one that is asked for. */
export interface Patch {
  at: XY;
  code: string;
  radius: number;
}

const SHOWN = 8;
/** A patch that scatters more than this holds more than one colour. */
const UNEVEN = 0.08;

/** Which codes the grey of a patch could be, judged by patches of known colour in the same picture. Probabilities, never one answer. */
export function TonePanel({
  data,
  source,
  patches,
  onPatches,
  onSelect,
}: {
  data: EvidencePage;
  source: SourceRow;
  patches: readonly Patch[];
  onPatches: (patches: Patch[]) => void;
  onSelect: (index: number | null) => void;
}): ReactNode {
  const { run, busy } = useSaving();
  const { zone } = useZoneChoice();
  // The zone chosen on the sheet, unless another was named here.
  const [named, setNamed] = useState<string | null>(null);
  const onZone = named ?? zone ?? data.zones[0]!.value;
  const [filter, setFilter] = useState<FilterName | 'unknown'>('none');
  const { answer, working, start, stop, settle } = useWorker<{ rankCodes: typeof rankCodes }, ToneAnswer>(
    () => new Worker(new URL('../../../workers/film-tone.worker.ts', import.meta.url), { type: 'module' }),
  );
  const pixels = usePixels(source.pictureId!);

  const codes = data.codes.filter((code) => code.lab !== null);
  const labOf = new Map(codes.map((code) => [code.value, code.lab!]));
  const greys = patches.map((patch) => (pixels ? patchGrey(pixels, patch.at, patch.radius) : null));
  const change = (at: number, part: Partial<Patch>) => {
    settle(null);
    onPatches(patches.map((patch, i) => (i === at ? { ...patch, ...part } : patch)));
  };
  const unknown = patches.findIndex((patch) => patch.code === '');

  const rank = async () => {
    const known = patches.flatMap((patch, i) => {
      const lab = labOf.get(patch.code);
      return lab && greys[i] ? [{ lab, grey: greys[i].grey }] : [];
    });
    if (unknown < 0 || !greys[unknown]) {
      settle({ fault: 'No patch is asked for: leave one without a code.' });
      return;
    }
    const question: ToneQuestion = {
      film: source.film,
      filter,
      unknownGrey: greys[unknown].grey,
      known,
      candidates: codes.map((code) => ({ code: code.value, lab: code.lab! })),
    };
    await start((api) => api.rankCodes(question));
  };
  const keep = (code: string, probability: number) =>
    run(
      (act) =>
        addSighting({
          act,
          briefId: data.briefId,
          sourceId: source.id,
          zone: onZone,
          aspect: 'colour',
          item: '',
          value: code,
          sd: null,
          clarity: 'inferred',
          sense: 'for',
          note: `from its grey in the picture: ${Math.round(probability * 100)} % of ${codes.length} codes`,
          marks: { tool: 'tone', points: patches.map((patch) => patch.at), calibration: null },
        }),
      `${code} entered, as inferred`,
    );

  return (
    <div className="tones">
      {isMonochrome(source.film) ? null : (
        <p>
          This source is not marked as monochrome ({source.film}): a colour picture says more by its colour than by its
          grey.
        </p>
      )}
      {patches.length > 0 ? (
        <PatchTable
          patches={patches}
          greys={greys}
          codes={codes}
          onChange={change}
          onSelect={onSelect}
          onLeaveOut={(at) => onPatches(patches.filter((_, k) => k !== at))}
        />
      ) : null}
      <div className="measured-target">
        <label>
          filter{' '}
          <select value={filter} onChange={(event) => setFilter(event.target.value as FilterName)}>
            {FILTER_NAMES.map((name) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
            <option value="unknown">not known</option>
          </select>
        </label>{' '}
        <label>
          the patch is on{' '}
          <select value={onZone} onChange={(event) => setNamed(event.target.value)} aria-label="Zone of the patch">
            {data.zones.map((option) => (
              <option key={option.value} value={option.value}>
                {option.label}
              </option>
            ))}
          </select>
        </label>{' '}
        <Button variant="contained" onClick={() => void rank()} disabled={working || patches.length === 0}>
          {working ? 'Comparing…' : `Compare with ${codes.length} codes`}
        </Button>
        {working ? <Button onClick={stop}>Stop</Button> : null}
      </div>
      {answer && 'fault' in answer ? (
        <p role="alert" className="danger">
          ✕ {answer.fault}
        </p>
      ) : null}
      {answer && 'ranking' in answer ? (
        <Ranked
          ranking={answer.ranking}
          codes={data.codes}
          busy={busy}
          onEnter={(code, chance) => void keep(code, chance)}
        />
      ) : null}
    </div>
  );
}

/** The patches with their greys, and what each is of. */
function PatchTable({
  patches,
  greys,
  codes,
  onChange,
  onSelect,
  onLeaveOut,
}: {
  patches: readonly Patch[];
  greys: readonly ReturnType<typeof patchGrey>[];
  codes: EvidencePage['codes'];
  onChange: (at: number, part: Partial<Patch>) => void;
  onSelect: (at: number) => void;
  onLeaveOut: (at: number) => void;
}): ReactNode {
  return (
    <table className="plain">
      <thead>
        <tr>
          <th>Patch</th>
          <th>Grey</th>
          <th>Colour</th>
          <th>Radius, px</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {patches.map((patch, i) => (
          <tr key={i}>
            <td>
              <button type="button" className="row-button" onClick={() => onSelect(i)}>
                {patch.code === '' ? 'asked for' : `known ${i + 1}`}
              </button>
            </td>
            <td className="num">
              {greys[i] ? `${(greys[i].grey * 100).toFixed(0)} ± ${(greys[i].sd * 100).toFixed(0)} %` : 'outside'}
              {greys[i] && greys[i].sd > UNEVEN ? ', uneven: over an edge?' : ''}
            </td>
            <td>
              <select
                value={patch.code}
                onChange={(event) => onChange(i, { code: event.target.value })}
                aria-label={`Colour of patch ${i + 1}`}
              >
                <option value="">asked for</option>
                {codes.map((code) => (
                  <option key={code.value} value={code.value}>
                    {code.label}
                  </option>
                ))}
              </select>
            </td>
            <td>
              <input
                type="range"
                min={2}
                max={40}
                value={patch.radius}
                onChange={(event) => onChange(i, { radius: Number(event.target.value) })}
                aria-label={`Radius of patch ${i + 1}`}
              />{' '}
              {patch.radius}
            </td>
            <td>
              <button type="button" className="row-button" onClick={() => onLeaveOut(i)}>
                leave out
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What the grey could be, the likeliest first, with the films that the greys speak for. */
function Ranked({
  ranking,
  codes,
  busy,
  onEnter,
}: {
  ranking: Extract<ToneAnswer, { ranking: unknown }>['ranking'];
  codes: EvidencePage['codes'];
  busy: boolean;
  onEnter: (code: string, probability: number) => void;
}): ReactNode {
  return (
    <div role="status">
      <p>
        <strong>{ranking.says}</strong>
      </p>
      <ol className="tone-list">
        {ranking.ranked.slice(0, SHOWN).map(({ code, probability }) => (
          <li key={code}>
            <span className="chip" style={{ background: codes.find((c) => c.value === code)?.hex ?? undefined }} />{' '}
            {codes.find((c) => c.value === code)?.label ?? code}
            <span className="tone-bar" style={{ width: `${Math.max(1, probability * 200)}px` }} />
            {Math.round(probability * 100)} %{' '}
            <button type="button" className="row-button" disabled={busy} onClick={() => onEnter(code, probability)}>
              enter as inferred
            </button>
          </li>
        ))}
      </ol>
      <p className="dim">
        {ranking.films.length > 1
          ? `Film by the greys: ${[...new Set(ranking.films.map((f) => f.emulsion))]
              .map((emulsion) => {
                const chance = ranking.films
                  .filter((f) => f.emulsion === emulsion)
                  .reduce((sum, f) => sum + f.probability, 0);
                return `${emulsionTitle(emulsion)} ${Math.round(chance * 100)} %`;
              })
              .join(', ')}. `
          : ''}
        Film sensitivities are textbook shapes, not measurements; exposure and contrast of the print are taken as
        unknown. With three known patches and little noise the right one of twelve comes first about every second time.
      </p>
    </div>
  );
}

/** The picture's pixels, read once. */
function usePixels(pictureId: string): Pixels | null {
  const [pixels, setPixels] = useState<Pixels | null>(null);
  useEffect(() => {
    let wanted = true;
    const image = new Image();
    image.src = `/pictures/${pictureId}`;
    void image.decode().then(() => {
      if (!wanted) return;
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [image.naturalWidth, image.naturalHeight];
      const context = canvas.getContext('2d', { willReadFrequently: true })!;
      context.drawImage(image, 0, 0);
      setPixels(context.getImageData(0, 0, canvas.width, canvas.height));
    });
    return () => {
      wanted = false;
    };
  }, [pictureId]);
  return pixels;
}
