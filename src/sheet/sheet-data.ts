import { UNMEASURED } from '@/core/colour/unmeasured';
import { FORM_TITLES, formOf } from '@/core/outline/presets';
import { acrossOf, acrossTitle } from '@/core/outline/scaled';
import type { Fields } from '@/core/kept/records';
import { type BriefView } from '@/core/derive/derive';
import { certaintyOf, type ZoneCertainty } from '@/core/workshop/certainty';
import { hexOf } from '@/core/colour/spaces';
import { coloursLaid } from '@/core/laid/laid';
import { shownViews, type ShownViews } from '@/core/markings/views';
import type { OutlineSpec } from '@/core/outline/outline';
import { softZones } from '@/core/derive/ruled';
import type { Standing } from '@/core/skin/machine';
import { poseOf } from '@/core/skin/pose';
import type { SchemeField } from '@/core/scheme/field';
import { windowInWords } from '@/ui/dates';

/** What the airframe sheet needs to draw a brief: plain data, so that it can be sent to the browser. */
export interface SheetData extends Standing {
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

/** The sheet with all that its views show. */
export interface ShownSheet extends SheetData {
  views: ShownViews;
}

export interface ZoneData {
  key: string;
  title: string;
  certainty: ZoneCertainty;
  /** What it will be painted: the chosen paint, else the official colour; null while nothing is ruled. */
  colour: string | null;
  /** Share of the steps on this zone that are done on it; null when none works on it. */
  progress: number | null;
}

export function sheetData(view: BriefView): SheetData {
  const { brief, markings, fields, subjects } = view.state;
  const inks = Object.fromEntries(
    [
      ...new Set([
        ...markings.flatMap((marking) => marking.codes),
        ...fields.map(({ code }) => code),
        ...view.calls.map((call) => call.code),
      ]),
    ].map((code) => [code, inkOf(view, code)]),
  );
  const colourOf = new Map(
    view.calls.flatMap((call) => {
      const lab = call.choice?.paint.lab ?? call.official?.lab ?? null;
      return call.zones.map((zone) => [zone, lab ? hexOf(lab) : null] as const);
    }),
  );
  const done = shareDone(view);
  return {
    spec: view.outline.spec,
    denominator: brief.denominator,
    titleBlock: titleBlock(view),
    zones: view.outline.zones.map((zone) => ({
      key: zone.key,
      title: zone.title,
      certainty: certaintyOf(view.questions, zone.key),
      colour: colourOf.get(zone.key) ?? null,
      progress: done.get(zone.key) ?? null,
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
    pose: poseOf(brief.options),
    // Who sits within is seen through the glass at the most.
    subjects: subjects.flatMap(({ name, kind, count, byGate, lengthM, breadthM, heightM }) =>
      byGate === 'end' ? [{ name, kind, count, lengthM, breadthM, heightM }] : [],
    ),
    softZones: [...softZones(view.questions)].sort(),
    inks,
  };
}

export function shownSheet(view: BriefView): ShownSheet {
  const sheet = sheetData(view);
  return { ...sheet, views: shownViews(view.outline, sheet.fields, sheet.markings) };
}

/** The screen colour of a code; grey where nobody measured it. */
function inkOf({ official }: BriefView, code: string): string {
  const lab = official.get(code)?.lab;
  return lab ? hexOf(lab) : UNMEASURED;
}

/** By zone: the share of the steps there that are done there; zones without any are left out. */
function shareDone({ route, standing }: BriefView): Map<string, number> {
  const counts = new Map<string, { all: number; done: number }>();
  for (const { key, zones } of route.steps) {
    const done = new Set(standing.progress.get(key)!.done);
    for (const zone of zones) {
      const known = counts.get(zone) ?? { all: 0, done: 0 };
      counts.set(zone, { all: known.all + 1, done: known.done + (done.has(zone) ? 1 : 0) });
    }
  }
  return new Map([...counts].map(([zone, { all, done }]) => [zone, done / all]));
}

/** The sheet as the model stands: the colours, fields and markings that are laid, and where nothing is, nothing. */
export function laidSheet(view: BriefView): SheetData {
  const whole = sheetData(view);
  const { laid, progress } = view.standing;
  const on = coloursLaid(laid);
  const lies = (code: string) => view.outline.zones.flatMap(({ key }) => (on[key]?.includes(code) ? [key] : []));
  const made = new Set(
    view.route.steps.flatMap(({ key, marking, lays }) =>
      marking && lays.length > 0 && progress.get(key)!.isFinished ? [marking] : [],
    ),
  );
  const fields = whole.fields.flatMap((field) => {
    const zones = lies(field.code).filter((zone) => field.keptTo.length === 0 || field.keptTo.includes(zone));
    return zones.length > 0 ? [{ ...field, keptTo: zones }] : [];
  });
  const overlaid = new Set(whole.fields.map(({ code }) => code));
  return {
    ...whole,
    zones: whole.zones.map((zone) => {
      const codes = on[zone.key] ?? [];
      // A zone's own colour lies under its fields.
      const code = codes.findLast((one) => !overlaid.has(one)) ?? codes.at(-1);
      return { ...zone, colour: code ? inkOf(view, code) : null };
    }),
    markings: whole.markings.filter(({ id }) => made.has(id)),
    fields,
    inks: {
      ...whole.inks,
      ...Object.fromEntries(
        Object.values(on)
          .flat()
          .map((code) => [code, inkOf(view, code)]),
      ),
    },
  };
}

function titleBlock({ state: { airframe, brief } }: BriefView): SheetData['titleBlock'] {
  const window = [airframe.targetFrom, airframe.targetTo].filter(Boolean);
  return [
    { label: FORM_TITLES[formOf(airframe.preset)], value: `${airframe.type} ${airframe.variant}`.trim() },
    { label: 'Serial, code', value: [airframe.serial, airframe.codeLetters].filter(Boolean).join(' · ') || '–' },
    {
      label: 'Depicts',
      value: window.length === 0 ? 'any day' : windowInWords(airframe.targetFrom, airframe.targetTo),
    },
    { label: 'Unit', value: airframe.unit || '–' },
    { label: 'Kit', value: `${brief.kitMaker} ${brief.kitNumber}`.trim() || '–' },
    {
      label: `${acrossTitle(airframe)} at scale`,
      value: `${((acrossOf(airframe.dimensions) * 1000) / brief.denominator).toFixed(1)} mm`,
    },
  ];
}
