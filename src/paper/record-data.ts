import { localDay } from '@/core/route/calendar';
import type { BriefView } from '@/core/derive/derive';
import { madeOf, madeZones, mixedInWords, calledLayer } from '@/core/workshop/how-made';
import { libertiesOf, type Liberty } from '@/core/workshop/liberties';
import { linesOf, peopleOf, type LogLine } from '@/core/workshop/log-book';
import { identityOf, typeOf } from '@/core/kept/state';
import { spokenZones } from '@/core/outline/spoken';
import { durationInWords } from '@/core/units/minutes';
import { counted, listed, lowered } from '@/core/units/words';
import { laidSheet, type SheetData } from '@/sheet/sheet-data';
import { stayingOf } from '@/core/laid/laid';
import { lackingColour } from '@/core/laid/progress';
import { clock, fullDay, longDay } from '@/ui/dates';
import { barInWords } from './scale-bar';

/** The record of a build, for the client, the show table, the club: what was done, with what, day by day, and how each zone was made. */
export interface RecordPaper {
  title: string;
  subtitle: string;
  printedOn: string;
  sheet: SheetData;
  /** What the bar under the views says. */
  bar: string;
  summary: string;
  /** Colours that lie on the model, and those that are still planned. */
  colours: RecordColour[];
  planned: RecordColour[];
  days: { title: string; lines: RecordLine[] }[];
  zones: { title: string; layers: string[] }[];
  /** What was taken whatever the sources say. */
  liberties: Liberty[];
}

export interface RecordColour {
  code: string;
  name: string;
  hex: string | null;
  paint: string;
  zones: string;
}

export interface RecordLine {
  time: string;
  title: string;
  says: string;
  note: string;
  isMishap: boolean;
  /** The id of its picture. */
  picture: string | null;
}

export function recordPaper(view: BriefView, nowUtc: string): RecordPaper {
  const { state, outline } = view;
  const { airframe, brief, log } = state;
  // Told from the beginning on.
  const lines = linesOf(view).reverse();
  const sheet = laidSheet(view);
  const spoken = (zones: readonly string[]) => spokenZones(outline.zones, zones);
  const minutes = log.reduce((sum, { actualMinutes }) => sum + actualMinutes, 0);
  const [first, last] = [lines[0], lines.at(-1)];
  const people = peopleOf(view);
  return {
    title: identityOf(airframe),
    subtitle: `${typeOf(airframe)} · 1/${brief.denominator} · ${[brief.kitMaker, brief.kitNumber].filter(Boolean).join(' ')}`,
    printedOn: fullDay(localDay(nowUtc, view.state.brief.timeZone)),
    sheet,
    bar: barInWords(brief.denominator),
    summary:
      first && last
        ? `${counted(log.length, 'step')} in ${durationInWords(minutes)}, from ${fullDay(first.at.slice(0, 10))} to ${fullDay(last.at.slice(0, 10))}${people.length > 0 ? `, by ${listed(people)}` : ''}.`
        : 'Nothing is logged yet.',
    colours: laidColours(view, sheet, spoken),
    planned: plannedColours(view, sheet, spoken),
    days: [...new Set(lines.map(({ at }) => at.slice(0, 10)))].map((day) => ({
      title: longDay(day),
      lines: lines.filter(({ at }) => at.startsWith(day)).map((line) => recordLine(line, spoken)),
    })),
    liberties: libertiesOf(view),
    zones: madeZones(view).flatMap((zone) => {
      const layers = madeOf(view, zone).flatMap((layer) =>
        layer.entry && layer.lostTo === null
          ? [`${calledLayer(layer)}${layer.entry.mixed ? ` (${mixedInWords(layer.entry.mixed)})` : ''}`]
          : [],
      );
      return layers.length > 0 ? [{ title: outline.zones.find(({ key }) => key === zone)!.title, layers }] : [];
    }),
  };
}

type Spoken = (zones: readonly string[]) => string;

/** Each colour that lies on the model, in each paint that it was laid in, with its zones. */
function laidColours({ standing, outline, official }: BriefView, sheet: SheetData, spoken: Spoken): RecordColour[] {
  const found = new Map<string, { code: string; paint: string; zones: string[] }>();
  for (const { key } of outline.zones)
    for (const { what, code, paint } of stayingOf(standing.laid.get(key))) {
      if (what !== 'colour' || code === null) continue;
      const known = found.get(`${code} ${paint}`) ?? { code, paint, zones: [] };
      if (!known.zones.includes(key)) known.zones.push(key);
      found.set(`${code} ${paint}`, known);
    }
  return [...found.values()]
    .sort((a, b) => a.code.localeCompare(b.code))
    .map(({ code, paint, zones }) => ({
      code,
      name: official.get(code)?.record.name ?? '',
      hex: sheet.inks[code] ?? null,
      paint,
      zones: spoken(zones),
    }));
}

/** Colours that are called and not laid yet, with the zones that lack them. */
function plannedColours({ standing, route, calls }: BriefView, sheet: SheetData, spoken: Spoken): RecordColour[] {
  return calls.flatMap(({ code, official, choice }) => {
    const lacking = lackingColour(route, standing.progress, code);
    if (lacking.length === 0) return [];
    return [
      {
        code,
        name: official?.record.name ?? '',
        hex: sheet.inks[code] ?? null,
        paint: choice?.paint.name ?? '',
        zones: spoken(lacking),
      },
    ];
  });
}

function recordLine(line: LogLine, spoken: (zones: readonly string[]) => string): RecordLine {
  const zones = line.zones.length > 0 ? spoken(line.zones) : '';
  const common = {
    time: line.kind === 'tried' ? '' : clock(line.at),
    title: line.kind === 'tried' ? `Tried: ${line.title}` : line.title,
    isMishap: line.kind === 'mishap',
    picture: line.pictureId,
  };
  if (line.kind === 'mishap')
    return { ...common, says: [zones, lowered(line.mishap.cure)].filter(Boolean).join(' · '), note: line.mishap.note };
  if (line.kind === 'tried')
    return {
      ...common,
      says: [line.mixed || line.tried.paint, line.tried.undercoat && `over ${line.tried.undercoat}`, line.tried.result]
        .filter(Boolean)
        .join(' · '),
      note: line.tried.note,
    };
  const { entry, mixed } = line;
  return {
    ...common,
    says: [
      zones,
      mixed || entry.paint,
      entry.coats === null ? '' : counted(entry.coats, 'coat'),
      entry.ml === null ? '' : `${entry.ml} ml`,
      `${entry.actualMinutes} min`,
      entry.who,
    ]
      .filter(Boolean)
      .join(' · '),
    note: entry.note,
  };
}

/** Ids of the pictures of a record, each once, in their order. */
export const picturesOf = ({ days }: RecordPaper): string[] => [
  ...new Set(days.flatMap(({ lines }) => lines.flatMap(({ picture }) => picture ?? []))),
];
