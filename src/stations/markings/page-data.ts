import type { BriefView } from '@/core/derive/derive';
import { MARKING_ASPECTS } from '@/core/evidence/aspects';
import type { Kept } from '@/core/kept/records';
import type { ColourShelf } from '@/core/kept/state';
import { figuresOf, TYPICAL_TOOL } from '@/core/kit/tools';
import { colourLaid, markingLaid } from '@/core/workshop/already-laid';
import { spokenZones } from '@/core/outline/spoken';
import { sideOf } from '@/core/outline/zones';
import { minutesOfMethods } from '@/core/workshop/marking-minutes';
import { zonesOfMarking } from '@/core/markings/on-zones';
import { piecesOfMarking } from '@/core/markings/painted-size';
import { checkSize, type SizeCheck } from '@/core/markings/size';
import { PRINTER_LINE_MM, type MethodFacts } from '@/core/markings/methods';
import type { NoseWeight } from '@/core/derive/nose-weight';
import { lengthOn } from '@/core/outline/chart';
import type { OutlineSpec } from '@/core/outline/outline';
import { fieldsOf, paperOf, ranksOf, schemeBases } from '@/core/workshop/colour-orders';
import { coatsOver, hidingPairs } from '@/core/derive/hiding';
import { printedColours, type PrintedColour } from '@/core/derive/printed-colours';
import { sheetOffers, type SheetOffer } from '@/core/workshop/cut-sheets';
import { sheetData } from '@/sheet/sheet-data';

export interface MarkingsPage {
  briefId: string;
  briefVersion: number;
  airframeId: string;
  airframeVersion: number;
  /** The builder's own drawings under the views. */
  underlays: Kept<'underlay'>[];
  denominator: number;
  spec: OutlineSpec;
  /** Each with its size against its print, what was done of it, the zones that it lies on, by key and as one says them, and what it takes. */
  markings: (Kept<'marking'> & {
    check: SizeCheck;
    laid: string;
    zones: string[];
    where: string;
    pieces: number;
    minutes: MethodFacts['minutes'];
  })[];
  /** The scheme over the zones' own colours, from the first field laid to the last. */
  fields: Kept<'scheme_field'>[];
  sheets: Kept<'decal_sheet'>[];
  zones: { value: string; label: string }[];
  codes: { value: string; label: string }[];
  inks: Record<string, string>;
  zoneColours: Record<string, string>;
  /** The colour of each zone by itself, as ruled. */
  ruled: Record<string, string>;
  /** Zones whose boundary is ruled soft. */
  soft: string[];
  /** What is asked of the pattern of a side, and what is ruled of it; null while it is open. */
  patterns: { side: 'port' | 'starboard'; zone: string; value: string | null }[];
  /** [later, earlier]: a normal coat of the later hides the earlier. */
  hides: [later: string, earlier: string][];
  /** What colours from a can need papered over, cm2. */
  paperCm2: Record<string, number>;
  /** The place of each colour in the custom of light before dark, and its coats. */
  lightness: Record<string, number>;
  coats: Record<string, number>;
  /** Coats over another colour: [later][earlier]. */
  coatsOver: Record<string, Record<string, number>>;
  /** Decals whose print was measured, against their call. */
  printed: PrintedColour[];
  names: Record<string, string>;
  maskOrder: string[];
  /** Of colours that are laid already: where, and since when. */
  laid: Record<string, string>;
  /** Finest lines of the tools of the house. */
  lines: MethodFacts['lines'];
  /** Colours whose chosen paint dries matt. */
  matt: string[];
  /** What can be cut. */
  offers: SheetOffer[];
  /** Lines over the skin, with their lengths in reality, mm. */
  skinLines: { title: string; mm: number }[];
  noseWeight: NoseWeight | null;
  /** Questions about markings that are open at Evidence. */
  openQuestions: number;
}

export function markingsPage(view: BriefView, shelf: ColourShelf): MarkingsPage {
  const { brief, airframe, markings, underlays } = view.state;
  const { spec, inks, zones } = sheetData(view);
  const finest = (kind: Kept<'tool'>['kind']) => {
    const lines = shelf.tools.filter((tool) => tool.kind === kind).flatMap((tool) => figuresOf(tool).lineMm ?? []);
    // Who has listed no tools at all has the usual ones.
    if (shelf.tools.length === 0) return TYPICAL_TOOL[kind].lineMm;
    return lines.length > 0 ? Math.min(...lines) : null;
  };
  const over = coatsOver(view.calls);
  const { ruled, soft } = schemeBases(view);
  return {
    briefId: brief.id,
    briefVersion: brief.version,
    airframeId: airframe.id,
    airframeVersion: airframe.version,
    underlays,
    denominator: brief.denominator,
    spec,
    markings: markings.map((marking) => {
      const zones = zonesOfMarking(view.outline, marking);
      return {
        ...marking,
        check: checkSize(marking.heightMm, brief.denominator, marking.printedMm),
        laid: markingLaid(view, marking.id),
        zones,
        where: spokenZones(view.outline.zones, zones),
        pieces: piecesOfMarking(view.outline, marking),
        minutes: minutesOfMethods(view, marking),
      };
    }),
    fields: fieldsOf(view),
    sheets: shelf.decalSheets,
    zones: view.outline.zones.map((zone) => ({ value: zone.key, label: zone.title })),
    codes: shelf.codes.map((code) => ({ value: code.code, label: `${code.code} ${code.name}` })),
    inks,
    zoneColours: Object.fromEntries(zones.flatMap((zone) => (zone.colour ? [[zone.key, zone.colour]] : []))),
    ruled,
    soft,
    patterns: view.questions.flatMap(({ record: { aspect, zone }, ruling, open }) => {
      const side = aspect === 'pattern' ? sideOf(zone) : null;
      return side ? [{ side, zone, value: ruling && !open ? ruling.value : null }] : [];
    }),
    hides: hidingPairs(view.calls),
    paperCm2: paperOf(view),
    coatsOver: over,
    printed: printedColours(markings, shelf.decalSheets, view.calls),
    lightness: ranksOf(view),
    coats: Object.fromEntries(view.calls.map(({ code, coats }) => [code, coats?.coats ?? 2])),
    names: Object.fromEntries(view.calls.map(({ code, official }) => [code, official?.record.name ?? ''])),
    maskOrder: brief.maskOrder,
    laid: Object.fromEntries(
      view.calls.flatMap(({ code }) => {
        const says = colourLaid(view, code);
        return says ? [[code, says] as const] : [];
      }),
    ),
    offers: sheetOffers(view),
    skinLines: view.outline.lines.flatMap(({ id, kind, chart, points }) =>
      kind === 'edge' ? [] : [{ title: id, mm: Math.round(lengthOn(chart, points) * 1000) }],
    ),
    noseWeight: view.route.steps.some(({ key }) => key === 'nose-weight') ? view.noseWeight : null,
    lines: {
      airbrush: finest('airbrush'),
      brush: finest('brush'),
      pen: finest('pen'),
      cutter: finest('cutter'),
      printer: PRINTER_LINE_MM,
    },
    matt: view.calls.flatMap(({ code, choice }) => (choice?.paint.finish === 'matt' ? [code] : [])),
    openQuestions: view.open.filter(({ aspect }) => MARKING_ASPECTS.has(aspect)).length,
  };
}
