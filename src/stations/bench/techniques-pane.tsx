'use client';

import Button from '@mui/material/Button';
import { useEffect, useState, type ReactNode } from 'react';
import { layersForTechnique, takeTechnique } from '@/actions/techniques';
import { TECHNIQUES, type Technique } from '@/core/bench/techniques';
import { CHEMISTRIES } from '@/core/paint/chemistry';
import { durationInWords } from '@/core/units/minutes';
import { counted } from '@/core/units/words';
import { RemoveButton } from '@/stations/shell/remove-button';
import { useSheetData } from '@/stations/shell/zone-choice';
import { useChosenZones, ZoneSelect } from '@/stations/shell/zone-select';
import { useSaving } from '@/ui/saving';
import type { BenchPage } from './page-data';

/** The library of techniques: each with its steps and windows, and a way into the route of this build. */
export function TechniquesPane({ data }: { data: BenchPage }): ReactNode {
  const [chosen, setChosen] = useState<string | null>(null);
  const all: { key: string; technique: Technique; version: number | null }[] = [
    ...data.ownTechniques.map(({ id, version, ...technique }) => ({ key: id, technique, version })),
    ...Object.entries(TECHNIQUES).map(([key, technique]) => ({ key, technique, version: null })),
  ];
  return (
    <>
      {data.taken.length > 0 ? (
        <ul className="plain-list" aria-label="In the route of this build">
          {data.taken.map(({ id, version, title, where }) => (
            <li key={id}>
              In the route: <strong>{title}</strong>, {where}{' '}
              <RemoveButton
                briefId={data.briefId}
                station="bench"
                entity="work_run"
                record={{ id, version }}
                said={`${title} is no longer in the route; u brings it back`}
                label={`Take ${title} out of the route`}
              >
                take it out
              </RemoveButton>
            </li>
          ))}
        </ul>
      ) : null}
      <ul className="plain-list techniques">
        {all.map(({ key, technique, version }) => (
          <li key={key}>
            <button
              type="button"
              aria-expanded={chosen === key}
              onClick={() => setChosen(chosen === key ? null : key)}
              className="technique-title"
            >
              {technique.title}
            </button>{' '}
            <span className="dim">
              {technique.about} {counted(technique.steps.length, 'step')},{' '}
              {durationInWords(technique.steps.reduce((sum, { minutes }) => sum + minutes, 0))}
              {version === null ? '' : ', kept by you'}
            </span>
            {chosen === key ? (
              <TechniqueCard
                briefId={data.briefId}
                name={key}
                technique={technique}
                version={version}
                onDone={() => setChosen(null)}
              />
            ) : null}
          </li>
        ))}
      </ul>
    </>
  );
}

function TechniqueCard({
  briefId,
  name,
  technique,
  version,
  onDone,
}: {
  briefId: string;
  name: string;
  technique: Technique;
  version: number | null;
  onDone: () => void;
}): ReactNode {
  return (
    <div className="technique">
      {technique.surface ? (
        <p>
          <strong>On:</strong> {technique.surface}
        </p>
      ) : null}
      {technique.testPiece ? (
        <p>
          <strong>Try first:</strong> {technique.testPiece}
        </p>
      ) : null}
      <ol>
        {technique.steps.map(({ does, minutes, afterMin, afterMost, why, lays, mixed, caution }, i) => (
          <li key={i}>
            <strong>{does}</strong> <span className="dim">{minutes} min</span>
            {i > 0 && (afterMin > 0 || afterMost !== null) ? (
              <div>
                {afterMost === null
                  ? `not before ${durationInWords(afterMin)}`
                  : afterMin > 0
                    ? `between ${durationInWords(afterMin)} and ${durationInWords(afterMost)}`
                    : `within ${durationInWords(afterMost)}`}
                {why ? <span className="dim">: {why}</span> : null}
              </div>
            ) : null}
            {lays ? (
              <div className="dim">
                {lays.paint}, {CHEMISTRIES[lays.chemistry].title.toLowerCase()}
                {mixed ? `: ${mixed.parts.map(({ label, drops }) => `${drops} ${label}`).join(', ')}` : ''}
              </div>
            ) : null}
            {caution ? (
              <div>
                <strong className="danger">▲ Caution</strong> {caution}
              </div>
            ) : null}
          </li>
        ))}
      </ol>
      <TakeIt briefId={briefId} name={name} title={technique.title} onDone={onDone} />
      {version === null ? null : (
        <RemoveButton
          briefId={briefId}
          station="bench"
          entity="technique"
          record={{ id: name, version }}
          said={`${technique.title} is no longer in the library; u brings it back`}
        >
          take it out of the library
        </RemoveButton>
      )}
    </div>
  );
}

/** Into the route: on which zones, and over which of their layers. */
function TakeIt({
  briefId,
  name,
  title,
  onDone,
}: {
  briefId: string;
  name: string;
  title: string;
  onDone: () => void;
}): ReactNode {
  const sheet = useSheetData();
  const zones = useChosenZones();
  const [over, setOver] = useState('');
  const layers = useLayers(briefId, zones);
  const { run, busy } = useSaving();
  const lies = layers.findLast(({ done }) => done)?.step ?? layers[0]?.step ?? '';
  const take = async () => {
    const result = await run(
      (act) => takeTechnique({ act, briefId, technique: name, zones, over: over || lies || null }),
      `${title} is in the route; u takes it out again`,
    );
    if (result.ok) onDone();
  };
  return (
    <div className="filters">
      <ZoneSelect label="On" zones={sheet?.zones ?? []} empty="choose here or on the sheet" />
      {zones.length > 0 && layers.length > 0 ? (
        <label>
          over{' '}
          <select value={over || lies} onChange={(event) => setOver(event.target.value)}>
            {layers.map(({ step, title: layer, done }) => (
              <option key={step} value={step}>
                {layer}
                {done ? '' : ' (to come)'}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      <Button variant="contained" disabled={busy || zones.length === 0} onClick={() => void take()}>
        Take it into the route
      </Button>
    </div>
  );
}

function useLayers(briefId: string, zones: readonly string[]) {
  const [found, setFound] = useState<{ of: string; layers: { step: string; title: string; done: boolean }[] }>();
  const of = zones.join(' ');
  useEffect(() => {
    if (!of) return undefined;
    let stale = false;
    void layersForTechnique({ briefId, zones: of.split(' ') }).then(
      (result) => !stale && result.ok && setFound({ of, layers: result.value }),
      () => undefined,
    );
    return () => {
      stale = true;
    };
  }, [briefId, of]);
  return found?.of === of ? found.layers : [];
}
