import { spokenZones } from '@/core/outline/spoken';
import { dryingTime } from '@/core/paint/drying';
import { groupBy } from '@/core/units/grouped';
import { minutesOf, minutesSaid, type Work } from '@/core/work/minutes';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import type { CoatedZone, RouteCall } from './call';
import { fluidSteps } from './chipping';
import type { RouteInput } from './route-input';
import { bareZones, coatedUnder, coatLaid, sprayStep, type SprayRun } from './spray-run';
import { piecesOn } from './takes';

/** The coats that are ruled to lie under the colour of zones: aluminium, chipping fluid, then the grey, scratched through to the aluminium. */
export interface CoatsUnder {
  steps: RouteStep[];
  links: RouteLink[];
  /** Where the colour begins: with the lowest coat of each stack, and with itself where it lies on none. */
  begins: string[];
  /** What is chipped or scratched of the colour itself, behind it. */
  worn: RouteStep[];
}

export function coatsUnder(
  { spray, first }: Pick<SprayRun, 'spray' | 'first'>,
  call: RouteCall,
  input: RouteInput,
): CoatsUnder {
  const stacks = groupBy(coatedUnder(call, input), ({ under, scratched }) => JSON.stringify([under, scratched]));
  const made = [...stacks.values()].map((alike) => {
    const zones = alike.map(({ zone }) => zone);
    return new Stack(zones, alike[0]!, spray, call, input).laid();
  });
  return {
    steps: made.flatMap(({ steps }) => steps),
    links: made.flatMap(({ links }) => links),
    begins: [...(bareZones(call, input).length > 0 ? [first] : []), ...made.flatMap(({ begins }) => begins)],
    worn: made.flatMap(({ worn }) => worn),
  };
}

/** One stack of coats while it is put together, on all zones that have the same under one colour. */
class Stack {
  private readonly steps: RouteStep[] = [];
  private readonly links: RouteLink[] = [];
  private readonly where: string;
  /** What was laid last, and what was worn of it since. */
  private last: RouteStep | null = null;
  private worn: RouteStep | null = null;

  constructor(
    private readonly zones: string[],
    private readonly of: CoatedZone,
    private readonly spray: RouteStep,
    private readonly call: RouteCall,
    private readonly input: RouteInput,
  ) {
    this.where = spokenZones(input.outline.zones, zones);
  }

  laid(): CoatsUnder {
    const name = this.call.name || this.call.code;
    let isFluid = false;
    this.of.under.forEach((code, i) => {
      if (code === null) {
        isFluid = true;
        return;
      }
      const coat = { ...this.input.callFor(code), zones: this.zones };
      const title = `${coat.name || coat.code} on ${this.where}, under ${name}`;
      const step: RouteStep = {
        ...sprayStep(this.key(String(i)), title, this.spray.lane, coat, this.input),
        stage: this.spray.stage,
        family: 'earlier coat',
        why: 'as it is ruled: it shows where what lies over it is worn',
      };
      this.lay(step, coat.name || coat.code, isFluid);
      this.steps.push(step);
      if (this.worn) this.steps.push(this.worn);
      isFluid = false;
    });
    this.lay(this.spray, name, isFluid);
    if (!this.worn && this.of.scratched) this.scratch(name);
    return {
      steps: this.steps,
      links: this.links,
      begins: [this.steps[0]!.key],
      worn: this.worn ? [this.worn] : [],
    };
  }

  private key = (what: string): string => `${this.spray.key}:under:${this.zones[0]}:${what}`;

  /** A coat over what lies there already; over fluid it is chipped before anything else comes. */
  private lay(coat: RouteStep, name: string, isFluid: boolean) {
    const { last: below, worn: free } = this;
    this.worn = null;
    if (free) this.links.push({ from: free.key, to: coat.key, minLag: 0, maxLag: null, why: 'worn first' });
    if (isFluid) {
      const { lane, stage } = this.spray;
      const keys = { fluidKey: this.key(`fluid ${this.steps.length}`), chipKey: this.key(`chip ${this.steps.length}`) };
      const run = fluidSteps({ zones: this.zones }, coat, name, this.input, { lane, stage, schools: [], ...keys });
      const fluid: RouteStep = { ...run.fluid, family: 'earlier coat' };
      if (below) this.links.push(this.over(below, fluid.key));
      this.links.push(run.before, run.after);
      this.steps.push(fluid);
      this.worn = { ...run.chip, family: 'earlier coat' };
    } else if (below) this.links.push(this.over(below, coat.key));
    this.last = coat;
  }

  private over = (below: RouteStep, to: string): RouteLink => ({
    from: below.key,
    to,
    minLag: dryingTime(coatLaid(below), 'recoat', this.input.climate),
    maxLag: null,
    why: `${below.load?.title ?? below.title} may be painted over`,
  });

  /** Without fluid: by hand, once the colour may be handled. */
  private scratch(name: string) {
    const { outline, climate } = this.input;
    const work: Work = { kind: 'fit', parts: piecesOn(outline, this.zones) };
    const { lane, stage } = this.spray;
    this.worn = stepOf(
      this.key('scratched'),
      `Scratch through ${name} on ${this.where}`,
      'chip',
      lane,
      minutesOf(work),
      {
        minutesFrom: minutesSaid(work),
        stage,
        family: 'earlier coat',
        zones: this.zones,
        splittable: true,
        why: 'with a needle or a stick of wood, where hands and feet go: down to the coat under it, and no deeper',
      },
    );
    this.links.push({
      from: this.spray.key,
      to: this.worn.key,
      minLag: dryingTime(coatLaid(this.spray), 'handle', climate),
      maxLag: null,
      why: `${name} may be handled`,
    });
  }
}
