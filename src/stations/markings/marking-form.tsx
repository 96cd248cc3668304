'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import { save } from '@/actions/records';
import type { Kept } from '@/core/kept/records';
import { COURSES, FIGURES, PLAIN, PLAIN_LETTERS, type Design } from '@/core/markings/design';
import { figureFields } from '@/core/markings/design-fields';
import { HEXAGON } from '@/core/markings/figures';
import {
  goesRound,
  isPrintedAtHome,
  MARKING_KINDS,
  MARKING_METHODS,
  PRINTED,
  type MarkingKind,
} from '@/core/markings/kinds';
import { FILMS, WHITES, type Printing } from '@/core/markings/printing';
import { endsOf, laidAlong, measuredEdges, withEdges, type MeasuredEdge } from '@/core/markings/stripe';
import { onOtherSide, type MarkingPlace } from '@/core/markings/place';
import { VIEWS } from '@/core/outline/zones';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import { RowsEditor, type Column } from '@/ui/rows-editor';
import { DrawingInput } from '@/ui/drawing-input';
import { PictureDrop } from '@/ui/picture-drop';
import { RemoveButton } from '@/stations/shell/remove-button';
import { LetterFace } from './letter-face';
import { pictureOf } from '@/ui/pixels';
import type { MarkingsPage } from './page-data';
import { useKeep } from '@/stations/shell/use-keep';
import { useRedesign } from './use-redesign';

type Values = Record<string, unknown>;
type Marking = MarkingsPage['markings'][number];

const TraceArtwork = dynamic(() => import('./trace-artwork').then((module) => module.TraceArtwork));

const number = (name: string, label: string, help?: string): FieldSpec => ({
  name,
  label,
  type: 'number',
  width: 2,
  ...(help ? { help } : {}),
});

/** What of a design is figures in a form, by kind; all are shares of the height. */
const DESIGNED: Partial<Record<MarkingKind, readonly FieldSpec[]>> = {
  lettering: [
    number('stroke', 'Stroke', 'share of the height'),
    number('spacing', 'Spacing'),
    number('slant', 'Slant, °'),
    number('breaks', 'Bridges'),
  ],
  stencil: [
    number('stroke', 'Stroke', 'share of the height'),
    number('spacing', 'Spacing'),
    number('breaks', 'Bridges'),
  ],
  band: [
    { name: 'course', label: 'Runs', type: 'choice', options: optionsOf(COURSES), width: 2 },
    number('count', 'Stripes'),
    number('gap', 'Gap', 'of their width'),
  ],
  walkway: [number('aspect', 'Length', 'of its width'), number('line', 'Line', 'of its width')],
  artwork: [number('aspect', 'Breadth', 'of its height')],
  'kill marks': [number('count', 'Count'), number('perRow', 'In a row'), number('gap', 'Gap', 'of their height')],
  'window strip': [number('count', 'Windows'), number('aspect', 'Breadth', 'of their height'), number('gap', 'Gap')],
};

/** Of a band that runs along: between which stations. */
const ENDS: readonly FieldSpec[] = [
  { name: 'from', label: 'From station', unit: 'm', type: 'number', help: 'where it runs along', width: 2 },
  { name: 'to', label: 'To station', unit: 'm', type: 'number', width: 2 },
];
const CUTS: FieldSpec = { name: 'cuts', label: 'Cut after windows', help: 'as 8, 16', width: 2 };

/** Of what is printed: in how many pieces, and whether paint goes by it. */
const PRINT: readonly FieldSpec[] = [
  number('piecesEach', 'Pieces each', '2 with its centre apart'),
  { name: 'byPrint', label: 'Paint is matched to its print', type: 'yes-no', width: 4 },
];
/** Of what is printed at home. */
const AT_HOME: readonly FieldSpec[] = [
  { name: 'film', label: 'Film', type: 'choice', options: optionsOf(FILMS), width: 2 },
  { name: 'white', label: 'White under it', type: 'choice', options: optionsOf(WHITES), width: 2 },
  number('spares', 'Spares'),
  { name: 'mirrored', label: 'Printed mirrored, for a transfer', type: 'yes-no', width: 4 },
];
const named = (fields: readonly FieldSpec[], values: Values): Values =>
  Object.fromEntries(Object.entries(values).filter(([name]) => fields.some((field) => field.name === name)));

/** What the form of a marking asks beside what it asks of all, by kind and by method. */
function askedOf(
  marking: Marking | null,
): Record<'designed' | 'ends' | 'cuts' | 'print' | 'atHome', readonly FieldSpec[]> {
  if (!marking) return { designed: [], ends: [], cuts: [], print: [], atHome: [] };
  const { kind, design, method, sheetId } = marking;
  return {
    designed: DESIGNED[kind] ?? [],
    ends: kind === 'band' ? ENDS : [],
    cuts: kind === 'window strip' && design.count > 1 ? [CUTS] : [],
    print: PRINTED.has(method) || sheetId !== null ? PRINT : [],
    atHome: isPrintedAtHome(marking) ? AT_HOME : [],
  };
}

/** What was typed of a marking's geometry and printing, as it is kept. */
function keptOf(marking: Marking, values: Values): Partial<Kept<'marking'>> {
  const asked = askedOf(marking);
  const heightMm = typeof values.heightMm === 'number' ? values.heightMm : marking.heightMm;
  const typed = designOf(marking.design, named(asked.designed, values));
  const cuts = asked.cuts.length > 0 ? cutsTyped(values.cuts) : typed.cuts;
  const { from, to } = values;
  const design = { ...typed, cuts };
  const runsAlong = marking.kind === 'band' && design.course === 'along';
  const laid =
    runsAlong && typeof from === 'number' && typeof to === 'number'
      ? laidAlong({ ...marking, heightMm, design }, from, to)
      : { design };
  return {
    ...laid,
    ...named(asked.print, values),
    ...(asked.atHome.length > 0
      ? { printing: { ...marking.printing, ...(named(asked.atHome, values) as Partial<Printing>) } }
      : {}),
  };
}

/** What is turned along begins nearly as long as the machine. */
const wholeLength = ({ spec: { dimensions } }: MarkingsPage) => ({
  from: Math.round(dimensions.length * 10) / 100,
  to: Math.round(dimensions.length * 90) / 100,
});

/** "8, 16" as numbers; what is no number is left for the server to refuse. */
const cutsTyped = (text: unknown): number[] =>
  String(text ?? '')
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);

const LETTERED: ReadonlySet<string> = new Set(['stroke', 'spacing', 'slant', 'breaks']);

function designOf(before: Design, values: Values): Design {
  const letters = Object.fromEntries(Object.entries(values).filter(([name]) => LETTERED.has(name)));
  const plain = Object.fromEntries(Object.entries(values).filter(([name]) => !LETTERED.has(name)));
  return {
    ...before,
    ...plain,
    letters: Object.keys(letters).length > 0 ? { ...(before.letters ?? PLAIN_LETTERS), ...letters } : before.letters,
  } as Design;
}

/** A marking: what it is, how large, of which geometry. */
export function MarkingForm({
  data,
  marking,
  onDone,
}: {
  data: MarkingsPage;
  marking: Marking | null;
  /** With the new marking, where one was added: what it is made of is asked next. */
  onDone: (added?: { id: string }) => void;
}): ReactNode {
  const { designed, ends, cuts, print, atHome } = askedOf(marking);
  const further = [...designed, ...ends, ...cuts, ...print, ...atHome];
  const names = new Set(further.map(({ name }) => name));
  const sheetItems = data.sheets.flatMap(({ id, title, items }) =>
    items.map((item) => ({ value: `${id} ${item.key}`, label: `${item.title}, ${title}` })),
  );
  const initial = marking
    ? {
        ...marking.design,
        ...(marking.design.letters ?? PLAIN_LETTERS),
        ...(goesRound(marking) ? wholeLength(data) : endsOf(marking)),
        ...marking.printing,
        ...marking,
        cuts: marking.design.cuts.join(', '),
        sheet: marking.sheetId ? `${marking.sheetId} ${marking.sheetItem}` : '',
      }
    : {
        kind: 'lettering',
        title: '',
        zone: (data.zones.find(({ value }) => value === FIRST_ZONE) ?? data.zones[0]!).value,
        text: '',
        heightMm: 600,
        printedMm: null,
        method: 'decal',
        codes: [],
        sheet: '',
      };
  return (
    <>
      {marking?.laid ? <p role="note">{marking.laid}</p> : null}
      <RecordForm
        fields={[
          { name: 'title', label: 'Title', width: 4 },
          { name: 'kind', label: 'Kind', type: 'choice', options: optionsOf(MARKING_KINDS), width: 2 },
          { name: 'text', label: 'Letters', width: 2 },
          { name: 'zone', label: 'Zone', type: 'choice', options: data.zones, width: 4 },
          {
            name: 'heightMm',
            label: 'True height',
            unit: 'mm',
            type: 'number',
            help: 'of a band: its width',
            width: 3,
          },
          {
            name: 'printedMm',
            label: 'On the sheet',
            unit: 'mm',
            type: 'number',
            optional: true,
            help: 'as measured',
            width: 3,
          },
          { name: 'method', label: 'Method', type: 'choice', options: optionsOf(MARKING_METHODS), width: 2 },
          { name: 'codes', label: 'Colours, ground first', type: 'several', options: data.codes, width: 4 },
          ...(sheetItems.length > 0
            ? [
                {
                  name: 'sheet',
                  label: 'From the sheet',
                  type: 'choice' as const,
                  options: [{ value: '', label: 'none' }, ...sheetItems],
                  width: 4,
                },
              ]
            : []),
          ...further,
        ]}
        initial={initial}
        version={marking?.version ?? null}
        saveLabel={marking ? 'Save the marking' : 'Add the marking'}
        saved="Marking saved"
        submit={({ sheet, ...values }, version, act) => {
          const rest = Object.fromEntries(Object.entries(values).filter(([name]) => !names.has(name)));
          return save({
            act,
            briefId: data.briefId,
            station: 'markings',
            entity: 'marking',
            id: marking?.id ?? null,
            version,
            fields: {
              ...rest,
              ...fromSheet(sheet),
              ...(marking ? keptOf(marking, values) : { places: [firstPlace(data)] }),
            },
          });
        }}
        onDone={(kept) => (marking ? onDone() : onDone(kept))}
        onCancel={() => onDone()}
      />
      {marking ? (
        <>
          <Places key={`places ${marking.version}`} data={data} marking={marking} />
          {marking.kind === 'lettering' || marking.kind === 'stencil' ? (
            <LetterFace data={data} marking={marking} />
          ) : null}
          {marking.kind === 'band' && !goesRound(marking) ? (
            <Edges key={`edges ${marking.version}`} data={data} marking={marking} />
          ) : null}
          {marking.kind === 'artwork' ? <Artwork data={data} marking={marking} /> : null}
          {marking.kind === 'insignia' || marking.kind === 'kill marks' ? (
            <Figures key={`figures ${marking.version}`} data={data} marking={marking} />
          ) : null}
          <p>
            <RemoveButton
              briefId={data.briefId}
              station="markings"
              entity="marking"
              record={marking}
              said="Marking removed; u brings it back"
              lossy
            >
              Remove this marking
            </RemoveButton>
          </p>
        </>
      ) : null}
    </>
  );
}

/** The sheet and the item that a choice names. */
function fromSheet(chosen: unknown): Partial<Kept<'marking'>> {
  if (typeof chosen !== 'string') return {};
  const at = chosen.indexOf(' ');
  return at < 0 ? { sheetId: null, sheetItem: '' } : { sheetId: chosen.slice(0, at), sheetItem: chosen.slice(at + 1) };
}

/** What is new lies here until it is put elsewhere. */
const FIRST_ZONE = 'fuselage-mid-port';
const firstPlace = ({ spec }: MarkingsPage): MarkingPlace => ({
  view: 'port',
  station: Math.round(spec.dimensions.length * 60) / 100,
  offset: Math.round(spec.dimensions.fuselageHeight * 55) / 100,
  turn: 0,
  mirrored: false,
});

/** Artwork from a drawing: its curves are kept, and each of its fills takes a colour of the marking. */
function Artwork({ data, marking }: { data: MarkingsPage; marking: Marking }): ReactNode {
  const { redesign, busy } = useRedesign(data.briefId, marking);
  const { artwork, pictureId } = marking.design;
  const showPicture = async (id: string) => {
    const { naturalWidth, naturalHeight } = await pictureOf(id);
    const aspect = Math.round((1000 * naturalWidth) / naturalHeight) / 1000;
    await redesign({ pictureId: id, aspect }, 'Picture taken in');
  };
  return (
    <section aria-label="Artwork">
      <h3>Artwork</h3>
      <p>
        {pictureId
          ? 'A picture, drawn over the block that it takes: print it as a decal of your own, or trace it into fields to mask and paint. '
          : artwork.length > 0
            ? `${artwork.length} fields in ${new Set(artwork.map(({ colour }) => colour)).size} colours, the first painted first.`
            : 'A plain block until a drawing is taken in.'}{' '}
        <DrawingInput
          label="Take it from a drawing (SVG)"
          onShapes={async (shapes) => {
            const { artworkOf } = await import('@/core/markings/artwork');
            const { artwork: own, aspect, fills } = artworkOf(shapes);
            const codes = fills.map((_, i) => marking.codes[i] ?? marking.codes.at(-1) ?? data.codes[0]!.value);
            await redesign({ artwork: own, aspect }, `${own.length} fields taken in; u takes them back`, { codes });
          }}
        />
      </p>
      <PictureDrop
        says="Drop a picture of it here instead, paste it, or press Enter to choose a file"
        onPicture={({ id }) => void showPicture(id)}
      />
      {pictureId ? (
        <>
          <TraceArtwork data={data} marking={marking} pictureId={pictureId} />
          <p>
            <Button
              variant="outlined"
              disabled={busy}
              onClick={() => void redesign({ pictureId: null }, 'Picture taken away; u brings it back')}
            >
              Without the picture
            </Button>
          </p>
        </>
      ) : null}
    </section>
  );
}

const PLACE_COLUMNS: readonly Column[] = [
  { name: 'view', label: 'Seen from', type: 'choice', options: optionsOf(VIEWS) },
  { name: 'station', label: 'Station, m', unit: 'm', type: 'number' },
  { name: 'offset', label: 'Up, or to starboard, m', unit: 'm', type: 'number' },
  { name: 'turn', label: 'Turned, °', type: 'number' },
  { name: 'mirrored', label: 'Mirrored', type: 'yes-no' },
];

function Places({ data, marking }: { data: MarkingsPage; marking: Marking }): ReactNode {
  const { keep } = useKeep(data.briefId, 'markings');
  return (
    <RowsEditor
      title="Where it lies"
      columns={PLACE_COLUMNS}
      rows={marking.places as unknown as Values[]}
      blank={() => {
        const last = marking.places.at(-1);
        return (last ? onOtherSide(last) : firstPlace(data)) as unknown as Values;
      }}
      add="On the other side too"
      most={40}
      onSave={(rows) => keep('marking', marking, { places: rows as unknown as MarkingPlace[] }, 'Places saved')}
    />
  );
}

const EDGE_COLUMNS: readonly Column[] = [
  { name: 'station', label: 'Station, m', unit: 'm', type: 'number' },
  { name: 'lowMm', label: 'Lower edge, mm', unit: 'mm', type: 'number' },
  { name: 'highMm', label: 'Upper edge, mm', unit: 'mm', type: 'number' },
];

/** Where the edges of a stripe run: it tapers between two places, and is stepped where two are at one station. */
function Edges({ data, marking }: { data: MarkingsPage; marking: Marking }): ReactNode {
  const { keep } = useKeep(data.briefId, 'markings');
  const rows = measuredEdges(marking);
  return (
    <RowsEditor
      title="Its edges, real mm about its line; two at one station make a step"
      columns={EDGE_COLUMNS}
      rows={rows as unknown as Values[]}
      blank={() => ({ ...rows.at(-1) })}
      add="Another place"
      most={60}
      onSave={(typed) =>
        keep('marking', marking, withEdges(marking, typed as unknown as MeasuredEdge[]), 'Edges saved')
      }
    />
  );
}

function Figures({ data, marking }: { data: MarkingsPage; marking: Marking }): ReactNode {
  const { keep } = useKeep(data.briefId, 'markings');
  const colours = marking.codes.map((code, i) => ({ value: String(i), label: code }));
  const columns: readonly Column[] = [
    { name: 'figure', label: 'Figure', type: 'choice', options: optionsOf(FIGURES) },
    { name: 'size', label: 'Size', type: 'number', width: 52 },
    { name: 'aspect', label: 'Breadth', type: 'number', width: 52 },
    { name: 'points', label: 'Points', type: 'number', width: 40 },
    { name: 'inner', label: 'Inner', type: 'number', width: 52 },
    { name: 'x', label: 'Across', type: 'number', width: 52 },
    { name: 'y', label: 'Up', type: 'number', width: 52 },
    { name: 'turn', label: 'Turned', type: 'number', width: 52 },
    { name: 'colour', label: 'Colour', type: 'choice', options: colours },
    { name: 'border', label: 'Border', type: 'number', width: 52 },
    { name: 'borderColour', label: 'Its colour', type: 'choice', options: colours },
  ];
  const figures = marking.design.figures.length > 0 ? marking.design.figures : HEXAGON;
  return (
    <RowsEditor
      title="Figures, the first laid first, as shares of its height"
      columns={columns}
      rows={figures as unknown as Values[]}
      blank={() => figureFields.parse({ figure: 'disc', size: 0.5, colour: 0 }) as unknown as Values}
      add="Another figure"
      most={24}
      onSave={(rows) =>
        keep(
          'marking',
          marking,
          { design: { ...PLAIN, ...marking.design, figures: rows as unknown as Design['figures'] } },
          'Figures saved',
        )
      }
    />
  );
}
