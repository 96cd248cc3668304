import type { Way } from '@/core/kit/applying';
import { glassOf } from '@/core/markings/glass';
import { USUAL_BAYS } from '@/core/outline/dimensions';
import { modelAreaCm2, modelAreaOfZones, type Outline } from '@/core/outline/outline';
import { roundMouth, seamM, type Seam } from '@/core/outline/seams';
import { APART, type Zone } from '@/core/outline/zones';
import { atScale } from '@/core/units/length';
import { minutesOf, minutesSaid, type Severity, type Work, type WorkKind } from '@/core/work/minutes';
import type { Minutes } from '@/core/units/minutes';

/** What the minutes of a rule are reckoned from: how it is worked, and what of the model. */
export interface Takes {
  work: WorkKind;
  /** Zones of which the area counts; those of the step where nothing is said. */
  of?: (zone: Zone) => boolean;
  /** The joint that it runs along. */
  along?: Seam;
  severity?: Severity;
  coats?: number;
  /** Parts that it is made of, or pieces that are laid, on a model at 1/48. */
  parts?: number;
  /** Those are of a machine with the usual bays: more bays, more of them. */
  byBays?: true;
  /** What of area or length is really worked on. */
  share?: number;
  /** So often over, as on both faces. */
  times?: number;
}

/** What a rule is reckoned on: the outline at its scale, and all that is painted outside. */
export interface Sized {
  outline: Outline;
  denominator: number;
  outside: readonly string[];
}

/** Fewer parts are moulded, and fewer lines engraved, the smaller the model: so many of those at 1/48. */
const PARTS_AT: readonly [denominator: number, share: number][] = [
  [48, 1],
  [72, 0.7],
  [144, 0.4],
];

export function partsShare(denominator: number): number {
  const next = PARTS_AT.findIndex(([at]) => denominator <= at);
  if (next === 0) return 1;
  if (next < 0) return PARTS_AT.at(-1)![1];
  const [[a, from], [b, to]] = [PARTS_AT[next - 1]!, PARTS_AT[next]!];
  return from + ((to - from) * (denominator - a)) / (b - a);
}

/** On the real machine a seam crosses a line so often, m. */
const LINE_EVERY = 0.3;

/** How often a model is turned, or another part taken up, while some zones are painted: each side that looks another way, each part on its stick. */
export function piecesOf(zones: readonly Zone[]): number {
  const apart = zones.filter(({ group }) => APART.has(group)).length;
  const faces = new Set(zones.filter(({ group }) => !APART.has(group)).map((zone) => zone.faces));
  return Math.max(1, apart + faces.size);
}

/** The same of zones by their keys. */
export function piecesOn({ zones }: Pick<Outline, 'zones'>, keys: readonly string[]): number {
  const own = new Set(keys);
  return piecesOf(zones.filter(({ key }) => own.has(key)));
}

/** Work that is measured by how far it is round a mouth, or along frames. */
const EDGED: ReadonlySet<WorkKind> = new Set(['mask', 'unmask']);

/** Work by a rule, on the model. */
export function workOf(takes: Takes, own: readonly string[], { outline, denominator, outside }: Sized): Work {
  const { work: kind, of, along, coats, share = 1, times = 1 } = takes;
  const fewer = partsShare(denominator);
  if (takes.parts !== undefined) {
    const bays = outline.spec.dimensions.wingBays || USUAL_BAYS;
    const parts = takes.parts * fewer * (takes.byBays ? bays / USUAL_BAYS : 1);
    return { kind, parts, pieces: Math.round(parts) };
  }
  const keys = new Set(own.length > 0 ? own : outside);
  const zones = outline.zones.filter((zone) => (of ? of(zone) : keys.has(zone.key)));
  const many = share * times;
  const mm = (metres: number) => atScale(metres * 1000, denominator) * many;
  // What goes along a joint does not go by its area too.
  const byArea = !along;
  const area = zones.reduce((sum, zone) => sum + modelAreaCm2(zone, denominator), 0);
  const areaCm2 = byArea ? many * area : 0;
  const isGlass = zones.length > 0 && zones.every(({ group }) => group === 'glazing');
  const glass = isGlass || kind === 'panes' ? glassOf(outline) : null;
  const frameMm = glass ? atScale(glass.frameMm, denominator) * many : 0;
  const edgeMm = glass ? frameMm : zones.reduce((sum, zone) => sum + mm(roundMouth(zone)), 0);
  const seamMm = along ? mm(seamM(along, outline)) : 0;
  return {
    kind,
    areaCm2,
    coverCm2: areaCm2,
    hardMm: EDGED.has(kind) ? edgeMm : 0,
    edgeMm: EDGED.has(kind) ? edgeMm : frameMm,
    seamMm,
    frameMm,
    panes: glass ? glass.panes * times : 0,
    pieces: piecesOf(zones),
    crossings: along ? (seamM(along, outline) / LINE_EVERY) * share * fewer : 0,
    coats: coats ?? 1,
    severity: takes.severity ?? 'hairline',
  };
}

/** How each way is reckoned: what is laid by hand goes by its area and its edges. */
export const WORK_OF: Record<Way, WorkKind> = {
  airbrush: 'spray',
  'spray can': 'can',
  brush: 'brush',
  sponge: 'brush',
  pen: 'brush',
};

/** Where colour is laid, as work on the model. */
export function paintingWork(
  way: Way,
  coats: number,
  keys: readonly string[],
  { outline, denominator }: Pick<Sized, 'outline' | 'denominator'>,
  edgeMm = 0,
): Work {
  return {
    kind: WORK_OF[way],
    areaCm2: modelAreaOfZones(outline, keys, denominator),
    pieces: piecesOn(outline, keys),
    edgeMm,
    coats,
  };
}

/** A rule for an airbrush, as it is reckoned when its coat goes on in another way. */
export const wayOfRule = (takes: Minutes | Takes, way: Way): Minutes | Takes =>
  typeof takes !== 'number' && takes.work === 'spray' ? { ...takes, work: WORK_OF[way] } : takes;

/** Minutes, and what they come from where they were reckoned. */
export interface Reckoned {
  minutes: Minutes;
  minutesFrom?: string;
}

/** Whole minutes of a rule, with what they come from. */
export function minutesOfRule(takes: Minutes | Takes, own: readonly string[], sized: Sized): Reckoned {
  if (typeof takes === 'number') return { minutes: takes };
  const work = workOf(takes, own, sized);
  return { minutes: minutesOf(work), minutesFrom: minutesSaid(work) };
}
