import {
  choiceSaid,
  OPTION_CHOICES,
  optionsFor,
  SCHOOL_NAMES,
  type Options,
  type SchoolName,
} from '@/core/kit/options';
import { PRINTED } from '@/core/markings/kinds';
import { machineOf } from '@/core/outline/presets';
import { groundOfSchool } from '@/core/paint/grounds';
import { planRoute } from '@/core/route/plan';
import type { Route } from '@/core/work/step';
import { durationInWords } from '@/core/units/minutes';
import { counted } from '@/core/units/words';
import { colourOrders } from './colour-orders';
import type { ColourShelf } from '@/core/kept/state';
import { deriveBrief, type BriefView } from '@/core/derive/derive';
import { standingIn } from '@/core/derive/standing';
import { stripOf, type Strip } from './strip';
import { keptClean } from './use-said';
import { planSettingsOf } from '@/core/derive/plan-settings';
import { routeOf } from '@/core/derive/routed';

/** What of a brief speaks for one school or another. */
interface Facts {
  denominator: number;
  decals: boolean;
  /** All colours on the outside dry matt. */
  matt: boolean;
  /** Every colour on the outside is acrylic: chipping fluid works under nothing else. */
  acrylic: boolean;
  worn: boolean;
  /** Some colour outside is yellow, cream, red or white. */
  hidesBadly: boolean;
  /** Bare metal or gloss outside. */
  shiny: boolean;
  /** Whose word it is that she was kept clean; null where nobody says so. */
  clean: string | null;
}

interface SchoolChoice {
  /** What it costs or risks. */
  risk: string;
  /** Why it is the one for this brief; null where nothing speaks for it. */
  suits: (facts: Facts) => string | null;
}

const SMALL = 72;

/** Where builders disagree: the options that are schools, what each choice risks, and what speaks for it. */
const SCHOOLS = {
  tonal: {
    plain: {
      risk: 'large areas look flat',
      suits: ({ denominator }) => (denominator >= SMALL ? `at 1/${denominator} shading hardly shows` : null),
    },
    'pre-shaded': {
      risk: 'one full coat too many and it is gone',
      suits: ({ denominator, worn }) =>
        denominator < SMALL && !worn
          ? `at 1/${denominator} thin coats over dark lines give depth for little work`
          : null,
    },
    'black base': {
      risk: 'many thin coats; light colours take longest',
      suits: ({ denominator, worn }) =>
        denominator < SMALL && worn ? 'a worn machine wants a broken-up ground' : null,
    },
  },
  priming: {
    primer: {
      risk: 'one bottle more; fills the finest lines where it is thick',
      suits: ({ shiny }) =>
        shiny ? 'metal and gloss show every scratch: a primer can be sanded soon' : 'it grips best and sands soon',
    },
    'paint as primer': {
      risk: 'sands only once it is hard; grips less on resin and metal parts',
      suits: () => null,
    },
  },
  cockpit: {
    'assembled first': {
      risk: 'corners are out of the brush’s reach',
      suits: ({ denominator }) =>
        denominator >= SMALL ? `at 1/${denominator} a brush reaches everything that shows` : null,
    },
    'painted on sticks': {
      risk: 'glue on finished colour; joints must be scraped',
      suits: ({ denominator }) => (denominator < SMALL ? `at 1/${denominator} every side of a part shows` : null),
    },
  },
  undercoats: {
    'as chosen': {
      risk: 'a colour that hides badly takes many coats over grey',
      suits: ({ hidesBadly }) => (hidesBadly ? null : 'no colour outside asks for a ground of its own'),
    },
    white: {
      risk: 'one spray more for each such colour; cold under yellow',
      suits: ({ hidesBadly, worn }) => (hidesBadly && !worn ? 'a bright yellow or red wants white under it' : null),
    },
    warm: {
      risk: 'one spray more for each such colour; shifts a pale one towards red',
      suits: ({ hidesBadly, worn }) => (hidesBadly && worn ? 'dense and warm under a yellow that has aged' : null),
    },
  },
  gearOn: {
    'after paint': {
      risk: 'the joint is made on paint: scrape it',
      suits: () => 'legs are in nobody’s way while masks go on and off',
    },
    'before paint': {
      risk: 'wrapped legs break off easily, and overspray gets in',
      suits: () => null,
    },
    'inside its bays': {
      risk: 'legs are in the way from the closing on, and are painted before the airframe is one',
      suits: () => null,
    },
  },
  clearParts: {
    'before paint': {
      risk: 'dust and fog inside are there for good',
      suits: () => 'its seam is filled and painted over like any other',
    },
    'after paint': {
      risk: 'the seam shows, and the fit must be good',
      suits: () => null,
    },
  },
  washOver: {
    gloss: {
      risk: 'runs back out of shallow lines when wiped too hard',
      suits: ({ denominator, worn }) =>
        !worn || denominator >= SMALL
          ? denominator >= SMALL
            ? `at 1/${denominator} matt drags a wash everywhere`
            : 'it flows along the lines and cleans off'
          : null,
    },
    matt: {
      risk: 'stains: what is on stays on',
      suits: ({ denominator, worn }) => (worn && denominator < SMALL ? 'a worn machine may be tinted all over' : null),
    },
  },
  chips: {
    'sponge on top': {
      risk: 'reads as painted on where there is much of it',
      suits: ({ worn, acrylic }) =>
        !worn
          ? 'a few chips where feet and hands go need no more'
          : acrylic
            ? null
            : 'fluid works under acrylics only, and not all colours are',
    },
    'fluid beneath': {
      risk: 'lacquer and enamel over it do not chip; what cures overnight hardly lifts',
      suits: ({ worn, acrylic }) => (worn && acrylic ? 'much wear, and every colour is acrylic' : null),
    },
    none: { risk: 'a machine in service looks new', suits: () => null },
  },
  decalGround: {
    'gloss coat': {
      risk: 'one coat more, and its drying',
      suits: ({ decals, matt }) =>
        decals ? (matt ? 'decals silver on matt paint' : 'decals lie smoothest on it') : null,
    },
    'straight on': {
      risk: 'film silvers on anything rough; a wash stains matt paint',
      suits: ({ decals }) => (decals ? null : 'no decals are to go on'),
    },
  },
  weathering: {
    none: {
      risk: 'details drown in one colour',
      suits: ({ clean, worn }) => (clean && !worn ? `she was kept clean: ${clean}` : null),
    },
    'in service': {
      risk: 'easily overdone: stop early',
      suits: ({ worn, clean }) => (worn || clean ? null : 'flown and looked after, as most were'),
    },
    neglected: { risk: 'needs a picture to go by', suits: () => null },
    derelict: { risk: 'days of work; there is no way back', suits: () => null },
  },
} as const satisfies { [N in SchoolName]: { [C in Options[N]]: SchoolChoice } };

/** One choice of a school as a schedule of this brief. */
export interface ComparedChoice {
  choice: string;
  /** As a sentence has it. */
  said: string;
  isChosen: boolean;
  minutes: number;
  sessions: number;
  loads: number;
  finish: string | null;
  risk: string;
  /** Why it is recommended for this brief; null for the others. */
  because: string | null;
  /** Of an order of the colours: their codes. */
  order?: string[];
}
/** Where builders disagree and no option of the kit says so: in which order the colours are sprayed. */
export const COLOUR_ORDER = 'colourOrder';
export type ComparedName = SchoolName | typeof COLOUR_ORDER;
export const COMPARED_NAMES = [...SCHOOL_NAMES, COLOUR_ORDER] as const;

export interface ComparedSchool {
  name: ComparedName;
  title: string;
  choices: ComparedChoice[];
}

/** Another ground takes other coats of every colour over it. */
const ON_COATS: ReadonlySet<SchoolName> = new Set(['tonal', 'undercoats']);
/** Placements for each schedule: the same for all, so that they can be held against one another. */
const EFFORT = 800;

/**
 * Every school with all its choices side by side, each planned from now on as this brief stands. School by school: it is seconds of work,
 * between the pieces of which others are served.
 */
export function* comparedSchools(view: BriefView, shelf: ColourShelf, nowUtc: string): Generator<ComparedSchool> {
  const { brief } = view.state;
  const planned = plannerOf(view, nowUtc);
  const facts = factsOf(view);
  // What is chosen is one and the same schedule in every school.
  const asItIs = planned(view.route);
  const there = optionsFor(machineOf(view.outline.spec));
  const plannedWith = (name: SchoolName, choice: string) => {
    const other = withChoice(view, name, choice);
    return planned(
      ON_COATS.has(name)
        ? deriveBrief(other, shelf, { nowUtc, effort: 0 }).route
        : routeOf(view.wanted, view.outline, other.brief.options),
    );
  };
  for (const name of SCHOOL_NAMES.filter((one) => there.includes(one))) {
    const table: Record<string, SchoolChoice> = SCHOOLS[name];
    yield {
      name,
      title: OPTION_CHOICES[name].title,
      choices: Object.entries(table).map(([choice, { risk, suits }]): ComparedChoice => {
        const isChosen = brief.options[name] === choice;
        return {
          choice,
          said: choiceSaid(name, choice),
          isChosen,
          ...(isChosen ? asItIs : plannedWith(name, choice)),
          risk,
          because: suits(facts),
        };
      }),
    };
  }
  const orders = comparedOrders(view, planned, asItIs);
  if (orders) yield orders;
}

type Schedule = Pick<ComparedChoice, 'minutes' | 'sessions' | 'loads' | 'finish'>;
type Planned = (route: Route) => Schedule;

/** Plans a route as what is left of this brief, from now on. */
function plannerOf({ state, outline }: BriefView, nowUtc: string): Planned {
  const settings = planSettingsOf(state, nowUtc);
  return (route) => {
    const { left, done } = standingIn(route, outline, state);
    const { work, sessionsLeft, loads, finish } = planRoute(left, done, settings, EFFORT);
    const minutes = work.reduce((sum, item) => sum + (item.done ? 0 : item.step.minutes), 0);
    return { minutes, sessions: sessionsLeft, loads, finish };
  };
}

/** Less than this under tape, minutes, is no reason for an order. */
const WORTH_MIN = 15;

/** The orders of the colours as schedules of this brief; null where there is only one. */
function comparedOrders(view: BriefView, planned: Planned, asItIs: Schedule): ComparedSchool | null {
  const orders = colourOrders(view);
  if (!orders || orders.length < 2) return null;
  const { brief } = view.state;
  const least = Math.min(...orders.map(({ minutes }) => minutes));
  const most = Math.max(...orders.map(({ minutes }) => minutes));
  // Nobody chose: the route goes from light to dark.
  const chosen = brief.maskOrder.join() || orders.find(({ names }) => names.includes('light to dark'))?.order.join();
  return {
    name: COLOUR_ORDER,
    title: 'Order of the colours',
    choices: orders.map(({ title, says, order, minutes, sessions, tapeMm }): ComparedChoice => {
      const isChosen = order.join() === chosen;
      return {
        choice: title,
        said: `colours by ${title}`,
        isChosen,
        ...(isChosen ? asItIs : planned(routeOf({ ...view.wanted, maskOrder: order }, view.outline, brief.options))),
        risk: `${says}; ${durationInWords(Math.round(minutes))} under tape in ${counted(sessions, 'masking session')}, ${(tapeMm / 1000).toFixed(2)} m of tape`,
        because: minutes === least && most - least >= WORTH_MIN ? 'the least time under tape' : null,
        order,
      };
    }),
  };
}

/** The schedule of one choice as it is drawn; null where the school has no such choice. */
export function stripOfChoice(
  view: BriefView,
  shelf: ColourShelf,
  nowUtc: string,
  name: ComparedName,
  choice: string,
): Strip | null {
  const state = stateOfChoice(view, name, choice);
  if (!state) return null;
  const other = { ...state, plans: [] };
  return stripOf(deriveBrief(other, shelf, { nowUtc, effort: EFFORT }));
}

function stateOfChoice(view: BriefView, name: ComparedName, choice: string): BriefView['state'] | null {
  if (name !== COLOUR_ORDER) return Object.hasOwn(SCHOOLS[name], choice) ? withChoice(view, name, choice) : null;
  const maskOrder = colourOrders(view)?.find(({ title }) => title === choice)?.order;
  return maskOrder ? { ...view.state, brief: { ...view.state.brief, maskOrder } } : null;
}

/** The brief as it would be with another choice. */
function withChoice({ state }: BriefView, name: SchoolName, choice: string): BriefView['state'] {
  const options = { ...state.brief.options, [name]: choice } as Options;
  return { ...state, brief: { ...state.brief, options } };
}

const ACRYLIC = new Set(['WA', 'SA']);

function factsOf(view: BriefView): Facts {
  const { state, calls, route } = view;
  const skin = new Set(route.covered.outside);
  const outside = calls.filter(({ zones }) => zones.some((zone) => skin.has(zone)));
  const paints = outside.flatMap(({ choice }) => (choice ? [choice.paint] : []));
  return {
    denominator: state.brief.denominator,
    decals: state.markings.some(({ method }) => PRINTED.has(method)),
    matt: paints.length > 0 && paints.every(({ finish }) => finish === 'matt'),
    acrylic:
      outside.length > 0 && paints.length === outside.length && paints.every(({ chemistry }) => ACRYLIC.has(chemistry)),
    hidesBadly: paints.some(({ lab, kind }) => groundOfSchool('white', lab, kind) !== null),
    shiny: paints.some(({ finish, kind }) => finish === 'gloss' || kind === 'metallic'),
    clean: keptClean(view),
    worn: state.brief.options.weathering === 'neglected' || state.brief.options.weathering === 'derelict',
  };
}
