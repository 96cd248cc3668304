import type { Fields } from '@/core/kept/records';
import { certaintyOf, type BriefView, type ZoneCertainty } from '@/core/brief/derive';
import { hexOf } from '@/core/colour/spaces';
import type { OutlineSpec } from '@/core/outline/outline';
import type { SchemeField } from '@/core/scheme/field';
import { windowInWords } from '@/ui/dates';

/** What the airframe sheet needs to draw a brief: plain data, so that it can be sent to the browser. */
export interface SheetData {
  spec: OutlineSpec;
  denominator: number;
  titleBlock: { label: string; value: string }[];
  zones: ZoneData[];
  markings: (Pick<Fields<'marking'>, 'kind' | 'text' | 'zone' | 'heightMm' | 'codes' | 'places' | 'design'> & {
    id: string;
  })[];
  /** The scheme over the zones' own colours, from the first field laid to the last. */
  fields: SchemeField[];
  /** Screen colours of the codes on the sheet. */
  inks: Record<string, string>;
}

export interface ZoneData {
  key: string;
  title: string;
  certainty: ZoneCertainty;
  /** What it will be painted: the chosen paint, else the official colour; null while nothing is ruled. */
  colour: string | null;
  /** Share of the steps on this zone that are done; null when no step names it. */
  progress: number | null;
}

export function sheetData(view: BriefView): SheetData {
  const { brief, markings, fields } = view.state;
  const inks = Object.fromEntries(
    [
      ...new Set([
        ...markings.flatMap((marking) => marking.codes),
        ...fields.map(({ code }) => code),
        ...view.calls.map((call) => call.code),
      ]),
    ].map((code) => {
      const lab = view.official.get(code)?.lab;
      return [code, lab ? hexOf(lab) : '#9a9a9a'];
    }),
  );
  const colourOf = new Map(
    view.calls.flatMap((call) => {
      const lab = call.choice?.paint.lab ?? call.official?.lab ?? null;
      return call.zones.map((zone) => [zone, lab ? hexOf(lab) : null] as const);
    }),
  );
  return {
    spec: view.outline.spec,
    denominator: brief.denominator,
    titleBlock: titleBlock(view),
    zones: view.outline.zones.map((zone) => ({
      key: zone.key,
      title: zone.title,
      certainty: certaintyOf(view.questions, zone.key),
      colour: colourOf.get(zone.key) ?? null,
      progress: progressOf(view, zone.key),
    })),
    markings: markings.map(({ id, kind, text, zone, heightMm, codes, places, design }) => ({
      id,
      kind,
      text,
      zone,
      design,
      heightMm,
      codes,
      places,
    })),
    fields: fields.map(({ version: _, ...field }) => field),
    inks,
  };
}

function progressOf(view: BriefView, zone: string): number | null {
  const work = view.plan.work.filter((item) => item.step.zones.includes(zone));
  return work.length === 0 ? null : work.filter((item) => item.done).length / work.length;
}

function titleBlock({ state: { airframe, brief } }: BriefView): SheetData['titleBlock'] {
  const window = [airframe.targetFrom, airframe.targetTo].filter(Boolean);
  const span = (airframe.dimensions.span || airframe.dimensions.rotorDiameter) * 1000;
  return [
    { label: 'Airframe', value: `${airframe.type} ${airframe.variant}`.trim() },
    { label: 'Serial, code', value: [airframe.serial, airframe.codeLetters].filter(Boolean).join(' · ') || '–' },
    {
      label: 'Depicts',
      value: window.length === 0 ? 'any day' : windowInWords(airframe.targetFrom, airframe.targetTo),
    },
    { label: 'Unit', value: airframe.unit || '–' },
    { label: 'Kit', value: `${brief.kitMaker} ${brief.kitNumber}`.trim() || '–' },
    {
      label: airframe.dimensions.span ? 'Span at scale' : 'Rotor at scale',
      value: `${(span / brief.denominator).toFixed(1)} mm`,
    },
  ];
}
