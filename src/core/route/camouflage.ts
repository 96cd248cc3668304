import { WAY_FACTS } from '@/core/kit/applying';
import { optionsAt } from '@/core/kit/options';
import { spokenZones } from '@/core/outline/spoken';
import { layOver } from '@/core/paint/chemistry';
import { dryingTime, type DryingState } from '@/core/paint/drying';
import { STENCIL_HOLES } from '@/core/scheme/stencil';
import { counted } from '@/core/units/words';
import type { Masking } from '@/core/work/masking';
import { minutesOf, minutesSaid, type Work } from '@/core/work/minutes';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import type { RouteCall, RouteMarking } from './call';
import { chemistryOf } from './call-coat';
import type { SprayOrder } from './colour-order';
import { layerSteps, overCoat, sandOnce, type LayerSteps } from './earlier-coats';
import { fluidSteps, type FluidRun } from './chipping';
import { coatsUnder } from './coats-under';
import { primersUnder } from './general-coats';
import type { Insert } from './insert';
import { maskStep, overWhatItMeets, unmaskAfter } from './mask-steps';
import { markingTape, paintedMarking } from './painted-marking';
import type { RouteInput } from './route-input';
import { overAnother } from './rules/cautions';
import { openStep } from './simple-sprays';
import { coatLaid, sprayRun, sprayStep, USUAL_COATS, type SprayRun } from './spray-run';

/** To lay a card on, puff through it and look, minutes. */
const LAID_ON_EACH = 0.5;

/** Base coats over the airframe: each after the first is masked, once what is under the tape bears it, and unmasked while it still gives. */
export function camouflage(
  order: SprayOrder,
  fluid: FluidRun | null,
  open: readonly string[],
  input: RouteInput,
): Insert {
  const coats = new Camouflage(order, fluid, input);
  const painted = input.markings.filter(({ method }) => method === 'mask');
  /** Before which colour a marking is there to measure from; -1 where nothing is measured from it. */
  const before = ({ measures = [] }: RouteMarking) => order.ordered.findIndex(({ code }) => measures.includes(code));
  order.ordered.forEach((_, i) => {
    for (const marking of painted) if (before(marking) === i) coats.markFirst(marking, i);
    coats.lay(i);
  });
  coats.leaveOpen(open);
  const { under, over } = layerSteps(input);
  coats.layUnder(under);
  coats.layOver(over);
  // The other painted markings go over the camouflage before anything is sealed.
  for (const marking of painted) if (before(marking) < 0) coats.mark(marking);
  return coats.insert(under);
}

/** The run of the base coats while it is put together, one after the other. */
class Camouflage {
  private readonly steps: RouteStep[] = [];
  private readonly links: RouteLink[] = [];
  private readonly ordered: readonly RouteCall[];
  private readonly maskings: ReadonlyMap<string, Masking>;
  private readonly names: Map<string, string>;
  private readonly metals: ReadonlySet<string>;
  /** Where the run of each call begins: at its mask, or at the first that is laid. */
  private readonly begins = new Map<string, string>();
  /** What was laid last, and the step behind which the next begins: its tape is off. */
  private end: { last: RouteStep; free: string } | null = null;
  private firstMain: string | null = null;
  private readonly covers: { cover: RouteStep; edgeMm: number; title: string; last: number }[] = [];

  constructor(
    { ordered, maskings }: SprayOrder,
    private readonly fluid: FluidRun | null,
    private readonly input: RouteInput,
  ) {
    this.ordered = ordered;
    this.maskings = maskings;
    this.metals = new Set(ordered.flatMap(({ code, paint }) => (paint?.kind === 'metallic' ? [code] : [])));
    this.names = new Map(ordered.map(({ code, name }) => [code, name || code]));
  }

  private readonly nameOf = (code: string): string => this.names.get(code) ?? code;

  /** Begins something behind what was laid last, once that is so far dry. */
  private behind(to: string, state: DryingState, why: string, unmasked = 'unmasked') {
    if (!this.end) return;
    const { last, free } = this.end;
    const minLag = dryingTime(coatLaid(last), state, this.input.climate);
    this.links.push({ from: last.key, to, minLag, maxLag: null, why });
    if (free !== last.key) this.then(free, to, unmasked);
  }

  /** One right behind the other. */
  private then(from: string, to: string, why: string) {
    this.links.push({ from, to, minLag: 0, maxLag: null, why });
  }

  /** A colour over some of its zones. */
  private sprayed(key: string, call: RouteCall, over: string, edgeMm: number): SprayRun {
    const { outline, options, general, schoolsAt = [] } = this.input;
    const where = `${spokenZones(outline.zones, call.zones)}${over}`;
    const does = WAY_FACTS[call.way ?? 'airbrush'].does;
    const spray = sprayStep(key, `${does} ${this.nameOf(call.code)} on ${where}`, 'Whole', call, this.input, edgeMm);
    spray.stage = 'colours';
    // Without an airbrush nothing is pre-shaded.
    const tonal = new Set(call.zones.map((zone) => optionsAt(options, schoolsAt, zone).tonal));
    if (tonal.has('black base') || (tonal.has('pre-shaded') && general === 'airbrush'))
      spray.why = [spray.why, 'thin coats: the tonal ground must still show'].filter(Boolean).join('; ');
    return sprayRun(spray, call, where, this.input);
  }

  /** A colour over all of its zones: where fluid lies under it, that is laid and painted over last, from the rest of what was mixed. */
  private sprayedWhole(call: RouteCall, edgeMm: number): { runs: SprayRun[]; chip: RouteStep | null } {
    const { fluid } = this;
    const key = `spray:${call.code}`;
    if (fluid?.code !== call.code) return { runs: [this.sprayed(key, call, '', edgeMm)], chip: null };
    const rest = call.zones.filter((zone) => !fluid.zones.includes(zone));
    const plain = rest.length > 0 ? this.sprayed(key, { ...call, zones: rest }, '', edgeMm) : null;
    const worn = { ...call, zones: [...fluid.zones] };
    const over = this.sprayed(plain ? `${key}:over fluid` : key, worn, ', over the fluid', plain ? 0 : edgeMm);
    const { spray } = over;
    if (plain) {
      // What was sprayed on all of it in one go is both.
      spray.alike = [plain.spray.key];
      spray.why = [spray.why, 'thin, from the rest of the same mixture'].filter(Boolean).join('; ');
      plain.spray.alike = [spray.key];
    }
    const { fluid: laid, chip, before, after } = fluidSteps(fluid, spray, this.nameOf(call.code), this.input);
    const at = over.steps.indexOf(spray);
    over.steps.splice(at, 0, laid);
    // A ground under it is dry before the fluid comes.
    const ground = over.steps[at - 1];
    if (ground) over.links.push(overCoat(ground, laid.key, this.input.climate));
    else over.first = laid.key;
    over.links.push(before);
    this.links.push(after);
    return { runs: plain ? [plain, over] : [over], chip };
  }

  /** One colour, with its mask where it needs one. */
  lay(i: number) {
    const { climate } = this.input;
    const [below, call] = [this.ordered[i - 1], this.ordered[i]!];
    const name = this.nameOf(call.code);
    const masking = this.maskings.get(call.code)!;
    const before = below ? this.nameOf(below.code) : 'what is there already';
    const { runs, chip } = this.sprayedWhole(call, masking.tapeMm);
    const { spray } = runs[0]!;
    const { last } = runs.at(-1)!;
    this.links.push(...runs.flatMap(({ links }) => links));
    runs.slice(1).forEach((run, k) => this.then(runs[k]!.last.key, run.first, 'one after the other'));
    this.throughStencils(spray, call);
    const under = coatsUnder(runs[0]!, call, this.input);
    this.links.push(...under.links);
    const mask = maskStep(spray, call, masking, this.nameOf, this.metals);
    this.begins.set(call.code, mask?.key ?? under.begins[0]!);
    if (mask) {
      this.behind(mask.key, 'mask', `${before} may be masked`);
      for (const key of under.begins) this.then(mask.key, key, 'masked first');
      this.steps.push(mask);
    } else for (const key of under.begins) this.behind(key, 'handle', `${before} may be touched`);
    this.steps.push(...under.steps);
    for (const run of runs) overWhatItMeets(run.spray, call, this.ordered.slice(0, i), masking, this.links, climate);
    if (!below) {
      const bad = primersUnder(call.zones, this.input)
        .map((primer) => layOver(chemistryOf(call), primer))
        .find(({ verdict }) => verdict !== 'ok');
      if (bad) spray.cautions = [...spray.cautions, overAnother('the primer', bad.says)];
    }
    this.steps.push(...runs.flatMap(({ steps }) => steps));
    this.end = { last, free: last.key };
    if (mask) {
      const edgeMm = masking.tapeMm + masking.softMm;
      const { step, link } = unmaskAfter(last, mask, edgeMm, `unmask:${call.code}`, name, climate);
      this.steps.push(step);
      this.links.push(link);
      this.end.free = step.key;
    }
    this.uncover(i, last);
    for (const worn of [...(chip ? [chip] : []), ...under.worn]) {
      this.then(this.end.free, worn.key, 'nothing tapes over what chips');
      this.steps.push(worn);
      this.end.free = worn.key;
    }
  }

  /** Cards that the colour is sprayed through: cut before, and laid on again and again. */
  private throughStencils(spray: RouteStep, { code, coats }: RouteCall) {
    if (spray.load === null) return;
    for (const { id, title, blotchMm, times } of (this.input.stencils ?? []).filter((own) => own.code === code)) {
      const work: Work = { kind: 'build', parts: STENCIL_HOLES };
      const cut = stepOf(
        `stencil:${id}`,
        `Cut a stencil for ${title}: ${STENCIL_HOLES} holes about ${blotchMm.toFixed(1)} mm wide`,
        'assemble',
        'Whole',
        minutesOf(work),
        {
          minutesFrom: minutesSaid(work),
          family: 'colour',
          stage: 'colours',
          why: 'from its sheet, of card; tried on paper before it comes to the model',
        },
      );
      this.steps.push(cut);
      this.then(cut.key, spray.key, 'cut first');
      const laid = Math.ceil(times * LAID_ON_EACH * (coats ?? USUAL_COATS));
      spray.minutes += laid;
      spray.minutesFrom += `; ${laid} min to lay the stencil on ${counted(times, 'time')} for each coat`;
      spray.why = [spray.why, `${title} through its stencil, held off the skin, turned about after each puff`]
        .filter(Boolean)
        .join('; ');
    }
  }

  /** What nobody has ruled yet is painted all the same, after the rest. */
  leaveOpen(open: readonly string[]) {
    const undecided = openStep({ prefix: 'outside', lane: 'Whole', stage: 'colours' }, open, this.input);
    if (undecided) {
      this.behind(undecided.key, 'mask', 'what is painted already bears tape');
      this.steps.push(undecided);
      this.end = { last: undecided, free: undecided.key };
    }
    this.firstMain = this.steps[0]?.key ?? null;
  }

  /** Older coats come first, each zone's in their order, and then what covers them. */
  layUnder(under: LayerSteps['under']) {
    under.forEach((own, i) => {
      const { coat, sand } = own;
      const [zone] = coat.zones;
      this.links.push(sandOnce(own, this.input.climate));
      const below = under.slice(0, i).findLast((other) => other.coat.zones[0] === zone);
      if (below) this.then(below.sand.key, coat.key, 'sanded first');
      const cover = this.ordered.find((call) => call.zones.includes(zone!));
      const to = cover ? this.begins.get(cover.code)! : this.firstMain;
      if (to) this.then(sand.key, to, 'sanded first');
    });
    this.steps.unshift(...under.flatMap(({ coat, sand }) => [coat, sand]));
  }

  /** Patches and additions, over what lies on their zone. */
  layOver(over: LayerSteps['over']) {
    for (const step of over) {
      const below =
        this.steps.findLast((other) => other.lays.length > 0 && other.zones.includes(step.zones[0]!)) ??
        this.steps.at(-1);
      if (below) this.links.push(overCoat(below, step.key, this.input.climate));
      if (this.end && below?.key !== this.end.free) this.then(this.end.free, step.key, 'the finished coats first');
      this.steps.push(step);
      this.end = { last: step, free: step.key };
    }
  }

  /** A marking from which the lines of a pattern are measured: painted before that, and covered until the last colour round it is on. */
  markFirst(marking: RouteMarking, next: number) {
    this.mark(marking);
    const { zones, title, painted } = marking;
    const last = this.ordered.findLastIndex((call, i) => i >= next && call.zones.some((zone) => zones.includes(zone)));
    if (last < 0 || !this.end) return;
    const key = `marking-cover:${marking.id}`;
    const cover = markingTape(marking, key, `Cover ${title} in tape cut to its shape`, {
      family: 'mask',
      tape: { of: `cover ${marking.id}`, goes: 'on' },
      why: 'the lines of the pattern are measured from it: it is there first, and stays covered until they are sprayed',
    });
    this.behind(cover.key, 'mask', `${title} bears tape`);
    this.steps.push(cover);
    this.end = { last: this.end.last, free: cover.key };
    this.covers.push({ cover, edgeMm: painted?.edgeMm ?? 0, title, last });
  }

  /** Covers come off behind the last colour on their zone. */
  private uncover(i: number, over: RouteStep) {
    for (const { cover, edgeMm, title, last } of this.covers) {
      if (last !== i) continue;
      const key = `marking-uncover:${cover.marking}`;
      const { step, link } = unmaskAfter(over, cover, edgeMm, key, `${title} again`, this.input.climate);
      this.steps.push(step);
      this.links.push(link);
      if (this.end && this.end.free !== this.end.last.key)
        this.then(this.end.free, step.key, 'one tape after the other');
      this.end = { last: over, free: step.key };
    }
  }

  /** A marking that is masked and sprayed. */
  mark(marking: RouteMarking) {
    const run = paintedMarking(marking, this.input);
    this.behind(run.first, 'mask', 'what is under the mask bears tape', 'one after the other');
    this.links.push(...run.links);
    this.steps.push(...run.steps);
    this.end = { last: run.last, free: run.free };
  }

  insert(under: LayerSteps['under']): Insert {
    const first = this.firstMain ?? (under.length === 0 ? this.steps[0]?.key : undefined);
    return {
      steps: this.steps,
      links: this.links,
      first: [...under.map(({ coat }) => coat.key), ...(first ? [first] : [])],
      last: this.end
        ? [
            {
              key: this.end.last.key,
              wait: dryingTime(coatLaid(this.end.last), 'handle', this.input.climate),
              why: 'the colours may be handled',
            },
            ...(this.end.free === this.end.last.key ? [] : [{ key: this.end.free, wait: 0, why: 'unmasked' }]),
          ]
        : [],
    };
  }
}
