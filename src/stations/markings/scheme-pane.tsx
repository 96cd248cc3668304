'use client';

import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import dynamic from 'next/dynamic';
import { useMemo, useState, type ReactNode } from 'react';
import { replay } from '@/actions/records';
import { ASPECTS } from '@/core/evidence/aspects';
import type { Kept } from '@/core/kept/records';
import { shownView } from '@/core/markings/views';
import { placesOf } from '@/core/markings/placing';
import type { Outline } from '@/core/outline/outline';
import { isSide, VIEWS, type View } from '@/core/outline/zones';
import { catchesOf, nearestCatches, type Catches } from '@/core/scheme/catching';
import {
  cornersNow,
  PLAIN_FIELD,
  type Corner,
  type FieldShape,
  type PlaceOf,
  type SchemeField,
} from '@/core/scheme/field';
import { fieldsInView } from '@/core/scheme/in-view';
import { asDrawn, fromDrawn } from '@/core/scheme/laid';
import { PATTERNS, type FieldDraft, type PatternName } from '@/core/scheme/patterns';
import { capital, counted } from '@/core/units/words';
import { Opened } from '@/ui/opened';
import { DrawingInput } from '@/ui/drawing-input';
import { useSaving } from '@/ui/saving';
import { Chip } from '@/ui/swatch';
import { useWidth } from '@/ui/use-width';
import { FieldForm } from './field-form';
import type { MarkingsPage } from './page-data';
import { SchemeDrawing } from './scheme-drawing';
import { useScheme, type SchemeNow } from './scheme-now';
import { UnderlayForm } from './underlay';
import { useKeep } from '@/stations/shell/use-keep';
import { ViewChoice } from './view-choice';
import { useMeasures, useShown } from '@/ui/shown-units';

const TracePicture = dynamic(() => import('./trace-picture').then((module) => module.TracePicture));

type Field = Kept<'scheme_field'>;

const KINDS: Record<FieldShape['kind'], string> = {
  area: 'area',
  height: 'line at a height',
  band: 'band',
  zones: 'whole zones',
  mottle: 'blotches',
};

/** The answer of a side that shows the pattern of the other. */
const [MIRRORED] = ASPECTS.pattern.choices;

/** More pieces than this are no pattern. */
const MOST_TRACED = 40;
/** Places near a corner that are offered to it. */
const MOST_CATCHES = 12;
const MOST_METRES = 150;

const viewOf = ({ shape }: SchemeField): View | null => ('view' in shape ? shape.view : null);

/** A field as it is being pulled. */
interface Pulled {
  id: string;
  version: number;
  shape: FieldShape;
}

/** The fields as they are being pulled, before a pull is kept. */
function usePulled(data: MarkingsPage) {
  const { keep } = useKeep(data.briefId, 'markings');
  const [pulled, setPulled] = useState<Pulled | null>(null);
  const kept = data.fields;
  const fields = useMemo(
    () =>
      kept.map((field) =>
        pulled?.id === field.id && pulled.version === field.version ? { ...field, shape: pulled.shape } : field,
      ),
    [kept, pulled],
  );
  const keepShape = (changed: Pulled) =>
    keep('scheme_field', changed, { shape: changed.shape }, 'Field moved').then(
      (result) => !result.ok && setPulled(null),
    );
  const drop = () => {
    if (
      pulled &&
      kept.some(
        ({ id, version, shape: before }) => id === pulled.id && version === pulled.version && before !== pulled.shape,
      )
    )
      void keepShape(pulled);
  };
  const reshaped = (field: Field, corners: Corner[]): Pulled => {
    const changed = { id: field.id, version: field.version, shape: { ...field.shape, corners } as FieldShape };
    setPulled(changed);
    return changed;
  };
  return { kept, fields, reshaped, drop, keepShape };
}

/** Fields are put in and ordered in one act each. */
function useFieldActs(data: MarkingsPage, onAdded: (id: string) => void) {
  const { run } = useSaving();
  const kept = data.fields;
  /** `asks` names a zone at which is asked for the pattern of its side, in the same act. */
  const add = (drafts: readonly FieldDraft[], asks: string | null = null) => {
    const first = Math.max(-1, ...kept.map(({ rank }) => rank)) + 1;
    const added = drafts.map((draft, i) => ({
      entity: 'scheme_field' as const,
      id: crypto.randomUUID(),
      fields: { ...draft, keptTo: [...draft.keptTo], rank: first + i },
    }));
    const asked = asks
      ? [
          {
            entity: 'question' as const,
            id: crypto.randomUUID(),
            fields: { zone: asks, aspect: 'pattern' as const, item: '' },
          },
        ]
      : [];
    return run(
      (stamp) => replay({ stamp, briefId: data.briefId, station: 'markings', added: [...added, ...asked] }),
      `${counted(drafts.length, 'field')} added${asks ? '; the other side is asked for at Evidence' : ''}; u takes it back`,
    ).then((result) => result.ok && onAdded(added.at(-1)!.id));
  };
  const reorder = (one: Field, by: number) => {
    const list = kept.map(({ id }) => id);
    const at = list.indexOf(one.id);
    const [taken] = list.splice(at, 1);
    list.splice(Math.min(list.length, Math.max(0, at + by)), 0, taken!);
    void run((stamp) =>
      replay({
        stamp,
        briefId: data.briefId,
        station: 'markings',
        updated: list.flatMap((id, rank) => {
          const own = kept.find((candidate) => candidate.id === id)!;
          return own.rank === rank
            ? []
            : [{ entity: 'scheme_field' as const, id, version: own.version, fields: { rank } }];
        }),
      }),
    );
  };
  /** What lies on one side, laid on the other too. */
  const mirror = (list: readonly Field[]) =>
    void run(
      (stamp) =>
        replay({
          stamp,
          briefId: data.briefId,
          station: 'markings',
          updated: list.map(({ id, version }) => ({
            entity: 'scheme_field' as const,
            id,
            version,
            fields: { mirrored: true },
          })),
        }),
      `${counted(list.length, 'field')} on the other side too; u takes it back`,
    );
  return { add, reorder, mirror };
}

/** The corners with one at another place of the view; one that is kept to a marking stays so. */
const movedTo = (corners: readonly Corner[], i: number, [x, y]: [number, number], placeOf: PlaceOf): Corner[] =>
  corners.map((own, k): Corner => {
    if (k !== i) return own;
    const at = own.on && placeOf(own.on.marking, own.on.place);
    return at ? { ...own, x: x - at.x, y: y - at.y } : { ...own, x, y };
  });

/** The scheme: fields of colour over the zones' own, drawn in a view, with areas, edges and what contradicts what. */
export function SchemePane({ data }: { data: MarkingsPage }): ReactNode {
  const [view, setView] = useState<View>('port');
  const [open, setOpen] = useState<string | null>(null);
  const [corner, setCorner] = useState<number | null>(null);
  const [width, frame] = useWidth();
  const { kept, fields, reshaped, drop, keepShape } = usePulled(data);
  const scheme = useScheme(data, fields);
  const { outline, painted } = scheme;
  const placeOf = useMemo(() => placesOf(data.markings), [data.markings]);
  const catches = useMemo(() => catchesOf(outline, view, data.markings), [outline, view, data.markings]);
  const below = useMemo(
    () => shownView(outline, view, fieldsInView(outline, painted, view), data.markings),
    [outline, painted, view, data.markings],
  );
  const field = fields.find(({ id }) => id === open) ?? null;
  const underlay = data.underlays.find((one) => one.view === view) ?? null;
  const shape = field && 'corners' in field.shape && viewOf(field) === view ? field.shape : null;

  const least = shape?.kind === 'height' ? 2 : 3;
  const choose = (id: string | null) => {
    setOpen(id);
    setCorner(null);
    const chosen = fields.find((own) => own.id === id);
    const from = chosen && viewOf(chosen);
    if (from) setView(from);
  };
  const { add, reorder, mirror } = useFieldActs(data, choose);
  return (
    <div ref={frame}>
      <div className="pane-bar">
        <ViewChoice views={VIEWS} view={view} onView={setView} />
        <span className="spread" />
        <NewField data={data} view={view} onAdd={add} />
        <Patterns data={data} outline={outline} onAdd={add} />
        <DrawingInput
          label="From a drawing"
          disabled={data.codes.length === 0}
          onShapes={async (shapes) => {
            const { fieldsFromDrawing } = await import('@/core/scheme/from-drawing');
            await add(fieldsFromDrawing(shapes, outline, view, data.fields.at(-1)?.code ?? data.codes[0]!.value));
          }}
        />
        <Button href={`/briefs/${data.briefId}/scheme.svg`} variant="outlined">
          All views as SVG
        </Button>
      </div>
      {width > 0 ? (
        <SchemeDrawing
          outline={outline}
          view={view}
          width={Math.min(width, 860)}
          underlay={underlay}
          below={below}
          catches={catches}
          zoneColours={data.zoneColours}
          inks={data.inks}
          zoneTitle={(zone) => data.zones.find(({ value }) => value === zone)?.label ?? zone}
          handles={
            shape
              ? {
                  corners: cornersNow(shape.corners, placeOf),
                  closed: shape.kind !== 'height',
                  smooth: shape.smooth,
                }
              : null
          }
          selected={corner}
          onSelect={setCorner}
          onMove={(i, at) => reshaped(field!, movedTo(shape!.corners, i, at, placeOf))}
          onDrop={drop}
          onInsert={(i, [x, y]) => {
            const corners = [...shape!.corners];
            corners.splice(i + 1, 0, { x, y, on: null });
            void keepShape(reshaped(field!, corners));
          }}
          onRemove={(i) => {
            if (shape!.corners.length > least)
              void keepShape(
                reshaped(
                  field!,
                  shape!.corners.filter((_, k) => k !== i),
                ),
              );
          }}
        />
      ) : null}
      {shape ? (
        <p className="dim">
          Pull a corner, or move it with the arrows (shift: 0.5 m, alt: 1 cm); + or a double press puts one in, Delete
          takes it out. Near a marking’s middle or a panel line it is caught; alt keeps it free.
        </p>
      ) : null}
      <OtherSides data={data} onMirror={mirror} />
      <div className="scheme-columns">
        <section aria-label="Fields of the scheme">
          <FieldTable data={data} open={open} onOpen={choose} onReorder={reorder} />
          {field ? (
            <Opened key={field.id} label={field.title} onClose={() => choose(null)} isFollowed={false}>
              <FieldForm
                key={`${field.id} ${field.version}`}
                data={data}
                field={kept.find(({ id }) => id === open)!}
                onDone={() => choose(null)}
              />
              {shape ? (
                <CornerRow
                  data={data}
                  outline={outline}
                  catches={catches}
                  shape={shape}
                  view={view}
                  corner={corner}
                  placeOf={placeOf}
                  onChange={(corners) => void keepShape(reshaped(field!, corners))}
                />
              ) : null}
            </Opened>
          ) : null}
        </section>
        <section aria-label="What follows" aria-busy={scheme.reckoning}>
          <Figures data={data} scheme={scheme} />
        </section>
      </div>
      <details open={underlay !== null}>
        <summary>{underlay ? 'Your own drawing lies on this view' : 'Trace a drawing of your own'}</summary>
        <UnderlayForm key={`${view} ${underlay?.version ?? 0}`} data={data} view={view} underlay={underlay} />
        {underlay ? (
          <section aria-label="Its pattern">
            <h2>Its pattern as fields</h2>
            <p className="dim">
              What the box shows at full size, or a drawing of stated scale: its two known points prove the scale. Each
              colour becomes fields here, and templates to cut at 1/{data.denominator} among the sheets.
              {isSide(view)
                ? ` It says nothing of ${view === 'port' ? 'starboard' : 'port'}: that is asked for at Evidence.`
                : ''}
            </p>
            <TracePicture
              data={data}
              pictureId={underlay.pictureId}
              own={[]}
              onTake={async (taken, { width: across, height: down }) => {
                const [{ fieldsFromPattern }, { askedOpposite }] = await Promise.all([
                  import('@/core/scheme/from-drawing'),
                  import('@/core/scheme/other-side'),
                ]);
                const picture = { ...underlay, width: across, height: down };
                const drafts = fieldsFromPattern(taken, picture, outline, view);
                if (drafts.length === 0) throw new Error('Nothing of it is large enough to be a field.');
                if (drafts.length > MOST_TRACED)
                  throw new Error(
                    `It falls into ${drafts.length} pieces: at most ${MOST_TRACED} are taken. Fewer colours make fewer.`,
                  );
                const isAsked = !isSide(view) || data.patterns.some(({ side }) => side !== view);
                await add(drafts, isAsked ? null : askedOpposite(outline, drafts));
              }}
            />
          </section>
        ) : null}
      </details>
    </div>
  );
}

/** Patterns that are known of one side: what is asked, or ruled, of the other. */
function OtherSides({ data, onMirror }: { data: MarkingsPage; onMirror: (list: readonly Field[]) => void }): ReactNode {
  return data.patterns.map(({ side, zone, value }) => {
    const from = side === 'port' ? 'starboard' : 'port';
    const only = data.fields.filter((field) => viewOf(field) === from && !field.mirrored);
    if (value === null)
      return (
        <p key={zone} role="note">
          What {side} shows of the pattern is open:{' '}
          <a href={`/briefs/${data.briefId}/evidence`}>Evidence asks for it</a>.
        </p>
      );
    if (value !== MIRRORED || only.length === 0) return null;
    return (
      <p key={zone} role="note">
        {capital(side)} is ruled to show the pattern as in a mirror.{' '}
        <Button size="small" variant="outlined" onClick={() => onMirror(only)}>
          Lay {counted(only.length, 'field')} on {side} too
        </Button>
      </p>
    );
  });
}

/** The fields in the order in which they lie over one another. */
function FieldTable({
  data,
  open,
  onOpen,
  onReorder,
}: {
  data: MarkingsPage;
  open: string | null;
  onOpen: (id: string) => void;
  onReorder: (field: Field, by: number) => void;
}): ReactNode {
  const shown = useShown();
  const kept = data.fields;
  if (kept.length === 0)
    return (
      <div className="empty">
        <p>
          <strong>No field yet: every zone in its own colour.</strong>{' '}
          {data.codes.length > 0 ? (
            'Draw an area, a line at a height or a band, or begin with a pattern; areas and edges follow.'
          ) : (
            <>
              A field needs a colour: <a href={`/briefs/${data.briefId}/colours?show=standards`}>add a standard</a> with
              its codes first.
            </>
          )}
        </p>
      </div>
    );
  return (
    <table className="plain">
      <thead>
        <tr>
          <th>Over one another, the last on top</th>
          <th>Colour</th>
          <th>Edge</th>
          <th aria-label="Order" />
        </tr>
      </thead>
      <tbody>
        {kept.map((own, i) => (
          <tr key={own.id} className={own.id === open ? 'chosen' : undefined}>
            <th scope="row">
              <button
                type="button"
                className="row-button"
                aria-expanded={open === own.id}
                onClick={() => onOpen(own.id)}
              >
                {own.title}
              </button>{' '}
              <span className="dim">
                {KINDS[own.shape.kind]}
                {viewOf(own) ? `, ${viewOf(own)}` : ''}
                {own.mirrored ? ', mirrored' : ''}
              </span>
            </th>
            <td className="nowrap">
              <Chip hex={data.inks[own.code] ?? null} /> {own.code}
            </td>
            <td className="nowrap">
              {own.edge === 'soft'
                ? shown(`soft, ${(own.softMm / data.denominator).toFixed(1)} mm on the model`)
                : 'hard'}
            </td>
            <td className="order">
              <button
                type="button"
                aria-label={`${own.title} one down`}
                disabled={i === 0}
                onClick={() => onReorder(own, -1)}
              >
                ↑
              </button>
              <button
                type="button"
                aria-label={`${own.title} one up`}
                disabled={i === kept.length - 1}
                onClick={() => onReorder(own, 1)}
              >
                ↓
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Areas by colour, edges between them, and what cannot all be true. */
function Figures({ data, scheme }: { data: MarkingsPage; scheme: SchemeNow }): ReactNode {
  const { areas, edges, faults, whole } = scheme;
  const name = (code: string) => (code ? `${code} ${data.names[code] ?? ''}`.trim() : 'not decided');
  return (
    <>
      {faults.length > 0 ? (
        <ul className="faults">
          {faults.map(({ says }) => (
            <li key={says}>{says}</li>
          ))}
        </ul>
      ) : null}
      <table className="plain">
        <thead>
          <tr>
            <th>Shows on the model</th>
            <th className="num">cm²</th>
            <th className="num">%</th>
          </tr>
        </thead>
        <tbody>
          {areas.map(({ code, cm2 }) => (
            <tr key={code}>
              <th scope="row">
                <Chip hex={data.inks[code] ?? null} /> {name(code)}
              </th>
              <td className="num">{cm2.toFixed(1)}</td>
              <td className="num">{((cm2 / whole) * 100).toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {edges.length > 0 ? (
        <table className="plain">
          <thead>
            <tr>
              <th>Edges between</th>
              <th />
              <th className="num">mm</th>
            </tr>
          </thead>
          <tbody>
            {edges.map(({ a, b, hard, modelMm }) => (
              <tr key={`${a} ${b} ${hard}`}>
                <th scope="row">
                  <Chip hex={data.inks[a] ?? null} /> {a} <Chip hex={data.inks[b] ?? null} /> {b}
                </th>
                <td>{hard ? 'hard' : 'soft'}</td>
                <td className="num">{modelMm.toFixed(0)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
    </>
  );
}

/** The chosen corner in figures, and what it hangs on. */
function CornerRow({
  data,
  outline,
  catches,
  shape,
  view,
  corner,
  placeOf,
  onChange,
}: {
  data: MarkingsPage;
  outline: Outline;
  catches: Catches;
  shape: Extract<FieldShape, { corners: Corner[] }>;
  view: View;
  corner: number | null;
  placeOf: PlaceOf;
  onChange: (corners: Corner[]) => void;
}): ReactNode {
  const own = corner === null ? undefined : shape.corners[corner];
  if (!own || corner === null) return <p className="dim">Choose a corner to see its station.</p>;
  const [x, y] = cornersNow([own], placeOf)[0]!;
  const options = data.markings.flatMap(({ id, title, places }) =>
    places.flatMap((place, i) => (place.view === view ? [{ value: `${id} ${i}`, label: title }] : [])),
  );
  const put = (to: { x: number; y: number }) => {
    const at = own.on && placeOf(own.on.marking, own.on.place);
    const moved = at ? { ...own, x: to.x - at.x, y: to.y - at.y } : { ...own, ...to };
    onChange(shape.corners.map((one, i) => (i === corner ? moved : one)));
  };
  const near = nearestCatches(catches, asDrawn(outline, view, [[x, y]])[0]!, MOST_CATCHES).map(({ title, at }) => ({
    title,
    at: fromDrawn(outline, view, at),
  }));
  return (
    <p className="corner-row">
      <strong>Corner {corner + 1}</strong>{' '}
      <Metres key={`x ${x}`} label="station, m" value={x} onPut={(to) => put({ x: to, y })} />{' '}
      <Metres
        key={`y ${y}`}
        label={isSide(view) ? 'up, m' : 'to starboard, m'}
        value={y}
        onPut={(to) => put({ x, y: to })}
      />{' '}
      <label>
        put it at{' '}
        <select
          value=""
          onChange={({ target }) => {
            const [toX, toY] = near[Number(target.value)]!.at;
            put({ x: toX, y: toY });
          }}
        >
          <option value="">what is near…</option>
          {near.map(({ title, at: [atX, atY] }, i) => (
            <option key={i} value={i}>
              {`${title}: ${atX.toFixed(2)}, ${atY.toFixed(2)}`}
            </option>
          ))}
        </select>
      </label>{' '}
      <label>
        hangs on{' '}
        <select
          value={own.on ? `${own.on.marking} ${own.on.place}` : ''}
          onChange={({ target }) => {
            const [marking, place] = target.value.split(' ');
            const on = marking ? { marking, place: Number(place) } : null;
            const at = on && placeOf(on.marking, on.place);
            onChange(
              shape.corners.map((one, i) => (i === corner ? { x: at ? x - at.x : x, y: at ? y - at.y : y, on } : one)),
            );
          }}
        >
          <option value="">nothing</option>
          {options.map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      </label>
      {own.on ? <span className="dim"> and goes with it</span> : null}
    </p>
  );
}

/** One figure of a corner, m: kept as it is left, or at Enter. */
function Metres({ label, value, onPut }: { label: string; value: number; onPut: (to: number) => void }): ReactNode {
  const { tell } = useSaving();
  const measures = useMeasures();
  const standing = measures.asTyped(Number(value.toFixed(2)), 'm');
  const [text, setText] = useState(standing);
  const done = () => {
    const to = measures.read(text, 'm');
    if (to === null || Math.abs(to) > MOST_METRES) {
      tell(
        `The ${label.replace(', m', '')} is a number of metres, at most ${MOST_METRES} either way; it stays as it was`,
      );
      setText(standing);
    } else if (Math.abs(to - value) > 0.004) onPut(to);
  };
  return (
    <label>
      {label}{' '}
      <input
        inputMode="decimal"
        size={6}
        value={text}
        onChange={({ target }) => setText(target.value)}
        onBlur={done}
        onKeyDown={({ key }) => key === 'Enter' && done()}
      />
    </label>
  );
}

/** A field to begin with, in the middle of the view. */
function NewField({
  data,
  view,
  onAdd,
}: {
  data: MarkingsPage;
  view: View;
  onAdd: (drafts: readonly FieldDraft[]) => void;
}): ReactNode {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { length, span, fuselageHeight } = data.spec.dimensions;
  const at = (x: number, y: number) => ({ x: Math.round(x * 100) / 100, y: Math.round(y * 100) / 100, on: null });
  const high = isSide(view) ? fuselageHeight : span / 4;
  const around = [
    at(length * 0.4, high * 0.2),
    at(length * 0.6, high * 0.2),
    at(length * 0.62, high),
    at(length * 0.42, high),
  ];
  const line = [0, 0.5, 1].map((t) => at(t * length, fuselageHeight * 0.35));
  const side = view === 'starboard' ? 'starboard' : 'port';
  const shapes: [string, FieldShape][] = [
    ['Area', { kind: 'area', view, smooth: true, corners: around }],
    ['Line at a height', { kind: 'height', view: side, smooth: true, covers: 'below', corners: line }],
    ['Band', { kind: 'band', on: 'fuselage', from: Math.round(length * 70) / 100, to: Math.round(length * 75) / 100 }],
    ['Whole zones', { kind: 'zones', zones: [data.zones[0]!.value] }],
    [
      'Blotches',
      { kind: 'mottle', view, smooth: false, corners: around, density: 0.33, blotchMm: 300, by: 'freehand' },
    ],
  ];
  return (
    <>
      <Button
        variant="contained"
        onClick={(event) => setAnchor(event.currentTarget)}
        disabled={data.codes.length === 0}
      >
        New field
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {shapes.map(([title, shape]) => (
          <MenuItem
            key={title}
            onClick={() => {
              setAnchor(null);
              onAdd([
                {
                  title,
                  code: data.fields.at(-1)?.code ?? data.codes[0]!.value,
                  shape,
                  ...PLAIN_FIELD,
                  ...(shape.kind === 'mottle' ? { edge: 'soft' as const, softMm: 80 } : {}),
                },
              ]);
            }}
          >
            {title}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** Patterns to start from: each asks for its colours, and is pulled about afterwards. */
function Patterns({
  data,
  outline,
  onAdd,
}: {
  data: MarkingsPage;
  outline: Outline;
  onAdd: (drafts: readonly FieldDraft[]) => void;
}): ReactNode {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [chosen, setChosen] = useState<PatternName | null>(null);
  const [codes, setCodes] = useState<string[]>([]);
  const pattern = chosen ? PATTERNS[chosen] : null;
  const close = () => {
    setAnchor(null);
    setChosen(null);
  };
  const ready = pattern !== null && pattern.colours.every((_, i) => codes[i]);
  return (
    <>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)} disabled={data.codes.length === 0}>
        Patterns
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={close}>
        {pattern
          ? [
              ...pattern.colours.map((asked, i) => (
                <li key={asked} className="pattern-colour">
                  <label>
                    {capital(asked)}{' '}
                    <select
                      value={codes[i] ?? ''}
                      onChange={({ target }) => setCodes(Object.assign([...codes], { [i]: target.value }))}
                    >
                      <option value="">colour…</option>
                      {data.codes.map(({ value, label }) => (
                        <option key={value} value={value}>
                          {label}
                        </option>
                      ))}
                    </select>
                  </label>
                </li>
              )),
              <MenuItem
                key="lay"
                disabled={!ready}
                onClick={() => {
                  onAdd(pattern.fields(outline, codes));
                  close();
                }}
              >
                Lay it on
              </MenuItem>,
            ]
          : (Object.keys(PATTERNS) as PatternName[]).map((name) => (
              <MenuItem key={name} onClick={() => setChosen(name)}>
                <span>
                  <strong>{capital(name)}</strong>
                  <br />
                  <span className="dim">{PATTERNS[name].says}</span>
                </span>
              </MenuItem>
            ))}
      </Menu>
    </>
  );
}
