import type { CoatRole } from '@/core/paint/coat-roles';
import { PLAIN_PRINTING } from '../src/core/markings/printing';
import { PLAIN, type Design } from '@/core/markings/design';
import { PLAIN_FIELD, type FieldShape } from '@/core/scheme/field';
import { BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import type { Fields } from '@/core/kept/records';
import type { Aspect } from '@/core/evidence/aspects';
import type { Clarity, SourceKind } from '@/core/evidence/weights';
import { markingRef, type BriefFile } from '@/core/interchange/brief-file';
import type { View } from '@/core/outline/zones';
import { addDays, weekdayOf } from '@/core/units/day';

type Basis = Fields<'ruling'>['basis'];

/** Writes a demo brief in short lines; what comes out is an ordinary brief file. */
export class BriefBuilder {
  private readonly made: BriefFile;
  private readonly questions = new Map<string, string>();
  private readonly chosen: string[] = [];
  private readonly events = new Map<string, string>();

  constructor(brief: Fields<'brief'>, airframe: Fields<'airframe'>) {
    this.made = {
      format: 'build-brief/15',
      repaired: [],
      brief,
      airframe,
      sources: [],
      questions: [],
      sightings: [],
      rulings: [],
      events: [],
      mirrors: [],
      markings: [],
      sessions: [],
      evenings: [],
      log: [],
      mishaps: [],
      runs: [],
      sprayOuts: [],
      timers: [],
      choices: [],
      coats: [],
      recipes: [],
      uses: [],
      parts: [],
      measures: [],
      subjects: [],
      zoneDays: [],
      fields: [],
      underlays: [],
      edits: [],
      plans: [],
      decalSheets: [],
      systems: [],
      relations: [],
      codes: [],
      lines: [],
      pictures: {},
    };
  }

  /** Sessions of each week by the days after the first day of the build, so that it has come equally far on any day that it is shown. */
  week(sessions: readonly (readonly [day: number, startsAt: string, minutes: number, booth: boolean])[]) {
    const { startOn } = this.made.brief;
    this.made.sessions = sessions.map(([day, startsAt, minutes, booth]) => ({
      weekday: weekdayOf(addDays(startOn, day)),
      startsAt,
      minutes,
      booth,
    }));
  }

  source(
    ref: string,
    kind: SourceKind,
    title: string,
    {
      from,
      to,
      ...more
    }: Partial<Omit<Fields<'source'>, 'kind' | 'title' | 'pictureId' | 'dateFrom' | 'dateTo'>> & {
      from?: string;
      to?: string;
    } = {},
  ) {
    this.made.sources.push({
      ...BLANK_SOURCE,
      ref,
      kind,
      title,
      dateFrom: from ?? null,
      dateTo: to ?? null,
      ...more,
      afterEventId: this.eventOf(more.afterEventId),
      beforeEventId: this.eventOf(more.beforeEventId),
    });
  }

  private eventOf(name: string | null | undefined): string | null {
    return name ? this.events.get(name)! : null;
  }

  /** What one source says of one aspect of several zones. */
  saw(
    source: string,
    aspect: Aspect,
    values: Record<string, string>,
    clarity: Clarity,
    { sense = 'for', item = '', note = '' }: { sense?: 'for' | 'against'; item?: string; note?: string } = {},
  ) {
    for (const [zone, value] of Object.entries(values)) {
      const question = this.ask(aspect, zone, item);
      this.made.sightings.push({ ...BLANK_SIGHTING, question, source, value, clarity, sense, note });
    }
  }

  measured(
    source: string,
    aspect: Aspect,
    zone: string,
    mm: number,
    sd: number,
    clarity: Clarity,
    { item = '', marks = null }: { item?: string; marks?: Fields<'sighting'>['marks'] } = {},
  ) {
    const question = this.ask(aspect, zone, item);
    this.made.sightings.push({ ...BLANK_SIGHTING, question, source, value: String(mm), sd, clarity, marks });
  }

  ask(aspect: Aspect, zone: string, item = ''): string {
    const key = `${aspect} ${zone} ${item}`;
    const known = this.questions.get(key);
    if (known) return known;
    const ref = `q${this.questions.size + 1}`;
    this.questions.set(key, ref);
    this.made.questions.push({ ref, zone, aspect, item });
    return ref;
  }

  rule(aspect: Aspect, zone: string, value: string, basis: Basis, reason: string, { item = '', by = 'builder' } = {}) {
    this.made.rulings.push({
      question: this.ask(aspect, zone, item),
      value,
      basis,
      reason,
      ruledBy: by,
      favoured: null,
    });
  }

  /** Something that happened to a zone; sources are dated by its name. */
  event(
    name: string,
    zone: string,
    kind: Fields<'paint_event'>['kind'],
    onDay: string,
    note: string,
    { value = '', showsUnder = false } = {},
  ) {
    this.events.set(name, `e${this.events.size + 1}`);
    this.made.events.push({ ref: this.events.get(name)!, zone, kind, onDay, value, showsUnder, note });
  }

  /** Port and starboard of a zone are one question. */
  mirror(zone: string, aspect: Aspect, reason: string, item = '') {
    this.made.mirrors.push({ zone, aspect, item, reason });
  }

  /** The product of a coat that no colour calls for. */
  coat(role: CoatRole, line: string, number: string) {
    this.made.coats.push({ role, line, number, way: '', zones: [] });
  }

  /** Codes for which the nearest paint of the drawer was chosen. */
  choose(...codes: string[]) {
    this.chosen.push(...codes);
  }

  marking(
    kind: Fields<'marking'>['kind'],
    title: string,
    zone: string,
    heightMm: number,
    codes: string[],
    method: Fields<'marking'>['method'],
    more: {
      text?: string;
      printedMm?: number;
      places: (readonly [View, number, number, number?])[];
      design?: Partial<Design>;
      sheet?: readonly [title: string, item: string];
    },
  ) {
    this.made.markings.push({
      kind,
      title,
      name: title,
      zone,
      text: more.text ?? '',
      heightMm,
      printedMm: more.printedMm ?? null,
      method,
      codes,
      places: more.places.map(([view, station, offset, turn = 0]) => ({
        view,
        station,
        offset,
        turn,
        mirrored: false,
      })),
      design: { ...PLAIN, ...more.design },
      sheetId: more.sheet?.[0] ?? null,
      sheetItem: more.sheet?.[1] ?? '',
      piecesEach: 1,
      byPrint: false,
      printing: PLAIN_PRINTING,
    });
  }

  /** A place of a marking, for corners of the scheme to hang on. */
  markingPlace(title: string, place: number) {
    const i = this.made.markings.findIndex((marking) => marking.title === title);
    if (i < 0) throw new Error(`the demo has no marking "${title}"`);
    return { marking: markingRef(i), place };
  }

  field(title: string, code: string, shape: FieldShape, over: Partial<Fields<'scheme_field'>> = {}) {
    this.made.fields.push({
      title,
      code,
      shape,
      ...PLAIN_FIELD,
      rank: this.made.fields.length,
      ...over,
    });
  }

  decalSheet(sheet: Fields<'decal_sheet'>) {
    this.made.decalSheets.push(sheet);
  }

  file() {
    return { file: this.made, chosen: this.chosen };
  }
}
