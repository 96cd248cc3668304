'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { isSide } from '@/core/outline/zones';
import { PLAIN_FIELD, type FieldShape } from '@/core/scheme/field';
import type { TracedHere } from '@/core/skin/camera/machine-over';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';
import { useKeep } from '@/stations/shell/use-keep';
import { useSheetData } from '@/stations/shell/zone-choice';
import { saysMirrored } from './said-of-sides';
import { SEEN_FROM } from './straight-on-picture';

/** One press puts what was traced into the scheme: a line at a height, or an area, in the view that looks at it. */
export function IntoScheme({
  data,
  source,
  tool,
  traced,
}: {
  data: EvidencePage;
  source: SourceRow;
  tool: 'border' | 'area';
  traced: TracedHere;
}): ReactNode {
  const { keep, busy } = useKeep(data.briefId, 'evidence');
  const sheet = useSheetData();
  const [code, setCode] = useState('');
  const [covers, setCovers] = useState<'below' | 'above'>('below');
  const [isMirrored, setMirrored] = useState(false);
  const { view } = traced;
  const known = traced.corners.flatMap(({ isKnown, inView }) => (isKnown && inView ? [inView] : []));
  const least = tool === 'area' ? 3 : 2;
  if (!view || known.length < least) return null;
  if (tool === 'border' && !isSide(view))
    return <p className="dim">From here it goes into the scheme as an area: take “Area” and go round it.</p>;
  // Those of this machine come first.
  const called = (value: string) => Object.hasOwn(sheet?.inks ?? {}, value);
  const codes = [...data.codes].sort((a, b) => Number(called(b.value)) - Number(called(a.value)));
  const chosen = code || codes[0]?.value || '';
  const mayMirror = saysMirrored(data);
  const corners = known.map(([x, y]) => ({ x: Math.round(x * 1000) / 1000, y: Math.round(y * 1000) / 1000, on: null }));
  const shape: FieldShape =
    tool === 'border'
      ? {
          kind: 'height',
          view: view as 'port' | 'starboard',
          corners: [...corners].sort((a, b) => a.x - b.x),
          smooth: true,
          covers,
        }
      : { kind: 'area', view, corners, smooth: false };
  return (
    <div className="measured-target">
      goes into the scheme {tool === 'border' ? 'as the border of ' : 'as an area of '}
      <select value={chosen} onChange={({ target }) => setCode(target.value)} aria-label="Colour in the scheme">
        {codes.map(({ value, label }) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>{' '}
      {tool === 'border' ? (
        <select
          value={covers}
          onChange={({ target }) => setCovers(target.value as 'below' | 'above')}
          aria-label="Which side of it"
        >
          <option value="below">below it</option>
          <option value="above">above it</option>
        </select>
      ) : (
        <span>{SEEN_FROM[view]}</span>
      )}{' '}
      {mayMirror ? (
        <label>
          <input type="checkbox" checked={isMirrored} onChange={({ target }) => setMirrored(target.checked)} /> and on
          the other side, as {mayMirror}
        </label>
      ) : null}{' '}
      <Button
        variant="outlined"
        disabled={busy || !chosen}
        onClick={() =>
          void keep(
            'scheme_field',
            null,
            {
              ...PLAIN_FIELD,
              keptTo: [],
              title: `Traced: ${source.title}`.slice(0, 80),
              code: chosen,
              shape,
              mirrored: mayMirror !== null && isMirrored,
              rank: Math.max(-1, ...(sheet?.fields ?? []).map(({ rank }) => rank)) + 1,
            },
            'It is in the scheme now; u takes it back',
          )
        }
      >
        Put it into the scheme
      </Button>
    </div>
  );
}
