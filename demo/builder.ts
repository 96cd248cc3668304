import type { Fields } from '@/core/brief/records';
import type { Aspect } from '@/core/evidence/aspects';
import type { Clarity, SourceKind } from '@/core/evidence/weights';
import type { BriefFile } from '@/core/interchange/brief-file';
import type { View } from '@/core/outline/zones';

type Basis = Fields<'ruling'>['basis'];

/** Writes a demo brief in short lines; what comes out is an ordinary brief file. */
export class BriefBuilder {
  private readonly made: BriefFile;
  private readonly questions = new Map<string, string>();
  private readonly chosen: string[] = [];

  constructor(brief: Fields<'brief'>, airframe: Fields<'airframe'>) {
    this.made = {
      format: 'build-brief/1',
      brief,
      airframe,
      sources: [],
      questions: [],
      sightings: [],
      rulings: [],
      repaints: [],
      markings: [],
      sessions: [],
      log: [],
      timers: [],
      choices: [],
      codes: [],
      lines: [],
      pictures: {},
    };
  }

  week(sessions: readonly (readonly [weekday: number, startsAt: string, minutes: number, booth: boolean])[]) {
    this.made.sessions = sessions.map(([weekday, startsAt, minutes, booth]) => ({ weekday, startsAt, minutes, booth }));
  }

  source(
    ref: string,
    kind: SourceKind,
    title: string,
    more: {
      citation?: string;
      from?: string;
      to?: string;
      sides?: View[];
      derivedFrom?: string[];
      grade?: number;
      gradeReason?: string;
    } = {},
  ) {
    this.made.sources.push({
      ref,
      kind,
      title,
      citation: more.citation ?? '',
      dateFrom: more.from ?? null,
      dateTo: more.to ?? null,
      sides: more.sides ?? [],
      derivedFrom: more.derivedFrom ?? [],
      grade: more.grade ?? 1,
      gradeReason: more.gradeReason ?? '',
      pictureId: null,
    });
  }

  /** What one source says of one aspect of several zones. */
  saw(
    source: string,
    aspect: Aspect,
    values: Record<string, string>,
    clarity: Clarity,
    sense: 'for' | 'against' = 'for',
  ) {
    for (const [zone, value] of Object.entries(values)) {
      this.made.sightings.push({ question: this.ask(aspect, zone), source, value, sd: null, clarity, sense, note: '' });
    }
  }

  measured(source: string, aspect: Aspect, zone: string, mm: number, sd: number, clarity: Clarity) {
    this.made.sightings.push({
      question: this.ask(aspect, zone),
      source,
      value: String(mm),
      sd,
      clarity,
      sense: 'for',
      note: '',
    });
  }

  ask(aspect: Aspect, zone: string): string {
    const key = `${aspect} ${zone}`;
    const known = this.questions.get(key);
    if (known) return known;
    const ref = `q${this.questions.size + 1}`;
    this.questions.set(key, ref);
    this.made.questions.push({ ref, zone, aspect });
    return ref;
  }

  rule(aspect: Aspect, zone: string, value: string, basis: Basis, reason: string) {
    this.made.rulings.push({ question: this.ask(aspect, zone), value, basis, reason, ruledBy: 'builder' });
  }

  repaint(zone: string, onDay: string, note: string) {
    this.made.repaints.push({ zone, onDay, note });
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
    more: { text?: string; printedMm?: number; places: (readonly [View, number, number, number?])[] },
  ) {
    this.made.markings.push({
      kind,
      title,
      zone,
      text: more.text ?? '',
      heightMm,
      printedMm: more.printedMm ?? null,
      method,
      codes,
      places: more.places.map(([view, station, offset, turn = 0]) => ({ view, station, offset, turn })),
    });
  }

  file() {
    return { file: this.made, chosen: this.chosen };
  }
}
