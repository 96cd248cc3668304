import { WAY_FACTS } from '@/core/kit/applying';
import { spokenZones } from '@/core/outline/spoken';
import { layOver } from '@/core/paint/chemistry';
import { dryingTime, type DryingState } from '@/core/paint/drying';
import type { Masking } from '@/core/work/masking';
import type { RouteLink, RouteStep } from '@/core/work/step';
import type { RouteCall, RouteMarking } from './call';
import { chemistryOf } from './call-coat';
import { asChosen, lightToDark, withSize } from './colour-order';
import { layerSteps, overCoat, type LayerSteps } from './earlier-coats';
import type { Insert } from './insert';
import { maskingsOf, maskStep, overWhatItMeets, unmaskAfter } from './mask-steps';
import { paintedMarking } from './painted-marking';
import type { RouteInput } from './route-input';
import { overAnother } from './rules/cautions';
import { openStep } from './simple-sprays';
import { coatLaid, sprayRun, sprayStep } from './spray-run';

/** Base coats over the airframe: each after the first is masked, once what is under the tape bears it, and unmasked while it still gives. */
export function camouflage(given: readonly RouteCall[], open: readonly string[], input: RouteInput): Insert {
  const ordered = asChosen(lightToDark(withSize(given, input)), input.maskOrder ?? []);
  const coats = new Camouflage(ordered, input);
  ordered.forEach((_, i) => coats.lay(i));
  coats.leaveOpen(open);
  const { under, over } = layerSteps(input);
  coats.layUnder(under);
  coats.layOver(over);
  // Painted markings go over the camouflage before anything is sealed.
  for (const marking of input.markings) if (marking.method === 'mask') coats.mark(marking);
  return coats.insert(under);
}

/** The run of the base coats while it is put together, one after the other. */
class Camouflage {
  private readonly steps: RouteStep[] = [];
  private readonly links: RouteLink[] = [];
  private readonly maskings: Map<string, Masking>;
  private readonly names: Map<string, string>;
  private readonly metals: ReadonlySet<string>;
  /** Where the run of each call begins: at its mask, or at the first that is laid. */
  private readonly begins = new Map<string, string>();
  /** What was laid last, and the step behind which the next begins: its tape is off. */
  private end: { last: RouteStep; free: string } | null = null;
  private firstMain: string | null = null;

  constructor(
    private readonly ordered: readonly RouteCall[],
    private readonly input: RouteInput,
  ) {
    this.maskings = maskingsOf(ordered, input);
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
    if (free !== last.key) this.links.push({ from: free, to, minLag: 0, maxLag: null, why: unmasked });
  }

  /** One colour, with its mask where it needs one. */
  lay(i: number) {
    const { climate, outline, options } = this.input;
    const [under, call] = [this.ordered[i - 1], this.ordered[i]!];
    const name = this.nameOf(call.code);
    const where = spokenZones(outline.zones, call.zones);
    const masking = this.maskings.get(call.code)!;
    const title = `${WAY_FACTS[call.way ?? 'airbrush'].does} ${name} on ${where}`;
    const spray = sprayStep(`spray:${call.code}`, title, 'Whole', call, this.input, masking.tapeMm);
    spray.stage = 'colours';
    if (options.tonal !== 'plain')
      spray.why = [spray.why, 'thin coats: the tonal ground must still show'].filter(Boolean).join('; ');
    const run = sprayRun(spray, call, where, this.input);
    this.links.push(...run.links);
    const mask = maskStep(spray, call, masking, this.nameOf, this.metals);
    this.begins.set(call.code, mask?.key ?? run.first);
    if (mask) {
      this.behind(mask.key, 'mask', `${under ? this.nameOf(under.code) : ''} may be masked`);
      this.links.push({ from: mask.key, to: run.first, minLag: 0, maxLag: null, why: 'masked first' });
      this.steps.push(mask);
    } else if (under) this.behind(run.first, 'handle', `${this.nameOf(under.code)} may be touched`);
    overWhatItMeets(spray, call, this.ordered.slice(0, i), masking, this.links, climate);
    if (!under) {
      const rule = layOver(chemistryOf(call), this.input.coats.primer.chemistry);
      if (rule.verdict !== 'ok') spray.cautions = [...spray.cautions, overAnother('the primer', rule.says)];
    }
    this.steps.push(...run.steps);
    this.end = { last: run.last, free: run.last.key };
    if (mask) {
      const edgeMm = masking.tapeMm + masking.softMm;
      const { step, link } = unmaskAfter(run.last, mask, edgeMm, `unmask:${call.code}`, name, climate);
      this.steps.push(step);
      this.links.push(link);
      this.end.free = step.key;
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
    const { climate } = this.input;
    under.forEach((step, i) => {
      const [zone] = step.zones;
      const below = under.slice(0, i).findLast((other) => other.zones[0] === zone);
      if (below) this.links.push(overCoat(below, step.key, climate));
      const cover = this.ordered.find((call) => call.zones.includes(zone!));
      const to = cover ? this.begins.get(cover.code)! : this.firstMain;
      if (to) this.links.push(overCoat(step, to, climate));
    });
    this.steps.unshift(...under);
  }

  /** Patches and additions, over what lies on their zone. */
  layOver(over: LayerSteps['over']) {
    for (const step of over) {
      const below =
        this.steps.findLast((other) => other.lays.length > 0 && other.zones.includes(step.zones[0]!)) ??
        this.steps.at(-1);
      if (below) this.links.push(overCoat(below, step.key, this.input.climate));
      if (this.end && below?.key !== this.end.free)
        this.links.push({
          from: this.end.free,
          to: step.key,
          minLag: 0,
          maxLag: null,
          why: 'the finished coats first',
        });
      this.steps.push(step);
      this.end = { last: step, free: step.key };
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
      first: [...under.map(({ key }) => key), ...(first ? [first] : [])],
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
