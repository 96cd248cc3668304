import { BASE_LAYER_WORK, SUBJECTS, subjectZone, type SubjectKind } from '@/core/kit/subjects';
import { dryingFactor } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import type { Minutes } from '@/core/units/minutes';
import { counted } from '@/core/units/words';
import { ASSUMED_CHEMISTRY, loadOf } from './call-coat';
import { BLADE, CA, SPRAY } from './rules/cautions';
import type { After } from './rules/rule';
import { layerOfCoat } from '@/core/work/layer';
import { stepOf, type RouteStep } from '@/core/work/step';
import { driedBy, handledBy, titledBy } from './by-way';
import type { RouteCall, RouteSubject } from './call';
import { partsOfCoat } from './general-coats';
import type { RouteInput } from './route-input';
import type { Addition } from './insert';
import { LEAST_WORK } from '@/core/work/minutes';
import { partsShare } from './takes';

const DAY = 24 * 60;

type SubjectInput = Pick<RouteInput, 'calls' | 'climate' | 'denominator' | 'general' | 'coats' | 'zonedCoats'>;

/**
 * The work of each subject: built, primed, painted in one go for all of them (the minutes of one times their count), and set in place: what
 * carries others before them, from below upwards. A base is built up in layers, each a day of drying before the next; what is poured, and grass,
 * comes over its paint, and water round a hull once that is fixed.
 */
export function subjectAdditions(subjects: readonly RouteSubject[], input: SubjectInput): Addition[] {
  const works = new Map(subjects.map((subject) => [subject.name, new SubjectWork(subject, input)]));
  const byName = new Map(subjects.map((subject) => [subject.name, subject]));
  for (const subject of subjects) {
    const under = subject.standsOn ? works.get(subject.standsOn) : undefined;
    if (under && !standsOnItself(subject, byName)) works.get(subject.name)!.standOn(under);
  }
  return [...works.values()].flatMap((work) => work.steps());
}

/** Two tabs can make that: then none of it is taken for a support. */
function standsOnItself(subject: RouteSubject, byName: ReadonlyMap<string, RouteSubject>): boolean {
  let under = byName.get(subject.standsOn ?? '');
  for (let steps = 0; under && steps <= byName.size; steps += 1) {
    if (under === subject) return true;
    under = byName.get(under.standsOn ?? '');
  }
  return under !== undefined;
}

/** A piece of work of a subject, by the subject's name. */
export const subjectStep = (name: string, job: string): string => `${name}:${job}`;

/** The work of one subject while it is put together, each piece behind the one before. */
class SubjectWork {
  private readonly made: Addition[] = [];
  private readonly facts: (typeof SUBJECTS)[SubjectKind];
  private readonly zones: string[];
  /** What it is called: with how many of them there are. */
  private readonly all: string;
  private last: After = 'options';
  /** What it stands on, and what stands on it. */
  private under: SubjectWork | null = null;
  private readonly carries: SubjectWork[] = [];

  constructor(
    private readonly subject: RouteSubject,
    private readonly input: SubjectInput,
  ) {
    const { kind, name, title, count } = subject;
    this.facts = SUBJECTS[kind];
    this.zones = this.facts.zones.map((zone) => subjectZone(name, zone.key));
    this.all = count === 1 ? title : `${title} (${count})`;
  }

  standOn(under: SubjectWork) {
    this.under = under;
    under.carries.push(this);
  }

  steps(): Addition[] {
    const { layers } = this.subject;
    // From the first that is poured or glued over paint on, all of them lie over it.
    const found = layers.findIndex((layer) => BASE_LAYER_WORK[layer].overPaint);
    const over = found < 0 ? layers.length : found;
    this.build();
    layers.slice(0, over).forEach((_, i) => this.layer(i));
    this.prime();
    for (const call of this.input.calls) {
      const here = call.zones.filter((zone) => this.zones.includes(zone));
      if (here.length > 0) this.paint({ ...call, zones: here });
    }
    for (let i = over; i < layers.length; i += 1) this.layer(i);
    if (this.isCarriedAway()) return this.made.map((own) => ({ ...own, before: ['last-look'] }));
    this.place();
    return this.joined();
  }

  /** A base that carries a vessel carries no machine: nothing more is fixed on it. */
  private isCarriedAway = (): boolean =>
    this.subject.kind === 'base' && this.carries.some(({ subject }) => subject.kind === 'vessel');

  /** When something may be fixed on it: it is painted, and stands itself. */
  private bears(): After[] {
    const painted = this.key(this.paintedLast());
    return [painted, ...(this.under ? [this.key('place')] : [])];
  }

  private paintedLast(): string {
    const call = this.input.calls.findLast(({ zones }) => zones.some((zone) => this.zones.includes(zone)));
    return call ? `colour:${call.code}` : 'prime';
  }

  private key(job: string): string {
    return subjectStep(this.subject.name, job);
  }

  /** Minutes of one at 1/48, as those of one at this scale and of all, with what they come from. */
  private minutes(minutes: Minutes, each: string, setUp = 0): { all: Minutes; from: string } {
    const { count } = this.subject;
    const one = Math.max(LEAST_WORK, Math.ceil(minutes * partsShare(this.input.denominator)));
    const from = count === 1 ? `${one} min: ${each}` : `${one} min for one, ${count} of them: ${each}`;
    return { all: one * count + setUp, from };
  }

  private add(step: RouteStep, next: After, also: readonly After[] = []) {
    const { name } = this.subject;
    this.made.push({ step: { ...step, family: 'subject', subject: name }, after: [this.last, ...also], before: [] });
    this.last = next;
  }

  private build() {
    const { does, kind, minutes } = this.facts.build;
    const { all, from } = this.minutes(minutes, 'typical for this work');
    const over = { splittable: true, cautions: [BLADE], zones: this.zones, minutesFrom: from };
    this.add(stepOf(this.key('build'), `${does} ${this.all}`, kind, 'Base', all, over), this.key('build'));
  }

  private layer(i: number) {
    const layer = this.subject.layers[i]!;
    const { does, minutes, why, days } = BASE_LAYER_WORK[layer];
    const key = this.key(`layer:${i + 1}:${layer}`);
    const dried = Math.ceil(days * DAY * dryingFactor(ASSUMED_CHEMISTRY, this.input.climate));
    const step = stepOf(key, `${does} on ${this.subject.title}`, 'assemble', 'Base', minutes, {
      why,
      zones: this.zones,
    });
    // Water is poured round a hull that stands in it.
    const hulls = layer === 'water' ? this.carries.filter(({ subject }) => subject.kind === 'vessel') : [];
    this.add(
      step,
      { step: key, minutes: dried, why },
      hulls.map((hull) => hull.key('place')),
    );
  }

  private prime() {
    const { facts } = partsOfCoat('primer', this.zones, this.input)[0]!;
    const general = facts.way ?? this.input.general;
    const key = this.key('prime');
    const { all, from } = this.minutes(5, 'and 10 min to set up', 10);
    const step = stepOf(key, titledBy(general, `Prime ${this.all}`), 'spray', 'Base', all, {
      ...handledBy(general, facts, SPRAY),
      lays: [driedBy(general, layerOfCoat(facts))],
      coat: 'primer',
      zones: this.zones,
      minutesFrom: from,
    });
    this.add(step, { step: key, until: 'recoat', why: 'primer may be painted over' });
  }

  private paint(call: RouteCall) {
    const { kind, name, count } = this.subject;
    const called = call.name || call.code;
    const load = loadOf(call);
    const way = call.way ?? 'airbrush';
    const key = this.key(`colour:${call.code}`);
    const { all, from } = this.minutes(this.facts.paintMinutes, count === 1 ? 'in one go' : 'all of them in one go');
    const { kind: work, ...handled } = handledBy(way, load, SPRAYING[load.chemistry].caution);
    const layer = layerOfCoat({ what: 'colour', title: call.paint?.label ?? '', chemistry: load.chemistry });
    const title = `${called} on ${this.all}, ${zoneWords(kind, name, call.zones)}`;
    const step = stepOf(key, title, work, 'Base', all, {
      ...handled,
      lays: [{ ...driedBy(way, layer), code: call.code, coats: call.coats ?? 2 }],
      code: call.code,
      zones: call.zones,
      minutesFrom: from,
    });
    this.add(step, { step: key, until: 'recoat', why: `${called} may be painted over` });
  }

  private place() {
    const { place, count } = this.subject;
    const { does, minutes } = this.facts.place;
    const { all, from } = this.minutes(minutes, counted(count, 'place'));
    const title = `${does} ${this.all}${place ? `: ${place}` : ''}`;
    const over = { cautions: [CA], zones: this.zones, minutesFrom: from };
    this.add(stepOf(this.key('place'), title, 'fit', 'Base', all, over), this.key('place'), this.under?.bears() ?? []);
  }

  /** What stands on something is in its place no sooner than that. */
  private byGate = (): RouteSubject['byGate'] => (this.under?.byGate() === 'end' ? 'end' : this.subject.byGate);

  /** What stands inside is there before the halves close; all else comes when the machine itself is done. */
  private joined(): Addition[] {
    const end = this.made.at(-1)!;
    const placed =
      this.byGate() === 'fuselage'
        ? { ...end, before: ['gate:fuselage'] }
        : { ...end, after: [...end.after, 'aerials'], before: ['last-look'] };
    return [...this.made.slice(0, -1).map((own) => ({ ...own, before: [this.key('place')] })), placed];
  }
}

const zoneWords = (kind: SubjectKind, name: string, zones: readonly string[]): string =>
  SUBJECTS[kind].zones
    .filter(({ key }) => zones.includes(subjectZone(name, key)))
    .map((zone) => zone.title)
    .join(' and ');
