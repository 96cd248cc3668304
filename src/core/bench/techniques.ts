import type { Chemistry } from '@/core/paint/chemistry';
import { waitBetween } from '@/core/laid/drying';
import { STANDARD_CLIMATE, waitFor } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import { BLADE, CA, DUST, SPIRIT, SPRAY } from '@/core/route/rules/cautions';
import type { LayerKind, StepKind } from '@/core/work/kinds';
import type { Mixed } from '@/core/work/mixed';
import type { Minutes } from '@/core/units/minutes';

/** Techniques that builders reuse: timed steps with their wet windows, what surface they want, and how they are tried first. */

export interface TechniqueStep {
  does: string;
  kind: StepKind;
  minutes: Minutes;
  /** From the end of the step before it, at the least and at the most. */
  afterMin: Minutes;
  afterMost: Minutes | null;
  why: string;
  lays: { what: LayerKind; chemistry: Chemistry; paint: string } | null;
  mixed: Mixed | null;
  caution: string;
}

export interface Technique {
  title: string;
  about: string;
  /** What it has to be laid on. */
  surface: string;
  testPiece: string;
  steps: readonly TechniqueStep[];
}

const SOLVENT = SPRAYING.AL.caution;
const HEAT = 'Hot: tongs, eye protection, ventilation, nothing flammable near.';

const step = (
  kind: StepKind,
  does: string,
  minutes: Minutes,
  more: Partial<Omit<TechniqueStep, 'kind' | 'does' | 'minutes'>> = {},
): TechniqueStep => ({
  kind,
  does,
  minutes,
  afterMin: 0,
  afterMost: null,
  why: '',
  lays: null,
  mixed: null,
  caution: '',
  ...more,
});
const lays = (what: LayerKind, chemistry: Chemistry, paint: string) => ({ lays: { what, chemistry, paint } });

const wipe = waitFor('washWindow', STANDARD_CLIMATE);
const fluid = waitFor('chipFluid', STANDARD_CLIMATE);
const chipped = waitFor('chipColour', STANDARD_CLIMATE);
const h = 60;

/** The library that the house ships. Waits are those at 20 °C and 50 %. */
export const TECHNIQUES: Readonly<Record<string, Technique>> = {
  'chipping-fluid': {
    title: 'Chips by fluid under acrylic',
    about: 'Worn paint over another colour or metal: edges, steps, gun bays.',
    surface: 'A lacquer coat that is through; the paint on top must be water-based or alcohol acrylic, thin.',
    testPiece: 'The same two coats on card, chipped after the same time: older paint chips coarser.',
    steps: [
      step('spray', 'Spray two thin coats of chipping fluid', 15, {
        ...lays('clear', 'WA', 'Chipping fluid'),
        caution: SPRAY.says,
      }),
      step('spray', 'Spray the top colour thin, no wetter than it must be', 20, {
        ...lays('colour', 'WA', 'Top colour'),
        afterMin: fluid.minutes,
        afterMost: fluid.most!,
        why: 'the fluid is dry and still dissolves',
        caution: SPRAY.says,
      }),
      step('chip', 'Wet small places and work the paint off with a stiff brush and a needle', 30, {
        ...lays('chip', 'WA', 'Chips'),
        afterMin: chipped.minutes,
        afterMost: chipped.most!,
        why: 'touch-dry, and not yet hard',
      }),
      step('seal', 'Seal it', 10, { ...lays('clear', 'WA', 'Clear'), afterMin: 2 * h, why: 'the water has gone' }),
    ],
  },
  'fluid-stains': {
    title: 'Stains by salt or masking fluid',
    about: 'Irregular patches of an older colour, bleached or stained panels.',
    surface: 'A coat that bears tape.',
    testPiece: 'A palm of scrap: grain and time of the salt decide the patch.',
    steps: [
      step('mask', 'Wet the panels and scatter coarse salt, or dab masking fluid with torn sponge', 15),
      step('spray', 'Spray the upper tone thin', 15, {
        ...lays('tone', 'WA', 'Upper tone'),
        afterMin: h,
        why: 'dry, or it would run under the grains',
        caution: SPRAY.says,
      }),
      step('unmask', 'Rub the grains off with a damp finger', 10, {
        afterMin: 30,
        afterMost: 4 * h,
        why: 'while it still gives',
      }),
    ],
  },
  'sponge-chips': {
    title: 'Sponge and pin chips',
    about: 'Chips on top of the paint where feet and hands go.',
    surface: 'A sealed coat, matt or satin.',
    testPiece: 'On the edge of a card: three dabs on paper first until the sponge is nearly dry.',
    steps: [
      step(
        'chip',
        'Dab a light chip colour along edges with a torn sponge, nearly dry',
        15,
        lays('chip', 'WA', 'Light chip colour'),
      ),
      step('chip', 'Join and deepen the largest with a pointed brush in what lies beneath', 25, {
        ...lays('chip', 'WA', 'Dark chip colour'),
        afterMin: 20,
        why: 'the first is touch-dry',
      }),
    ],
  },
  'anti-slip': {
    title: 'Anti-slip by stippled filler',
    about: 'Walkways of coarse grip, before the paint.',
    surface: 'Bare or primed plastic, sanded to 600.',
    testPiece: 'One stripe on sprue card: sanded lightly it must not look like plaster.',
    steps: [
      step('mask', 'Mask the walkway', 10, { caution: BLADE.says }),
      step('fill', 'Stipple thinned filler through the mask with a stiff brush', 15, { caution: SOLVENT.says }),
      step('unmask', 'Lift the mask while it is wet', 3, { afterMost: 10, why: 'a dry edge breaks' }),
      step('sand', 'Take the tips off with 1000 grit', 5, {
        afterMin: waitFor('filler', STANDARD_CLIMATE).minutes,
        why: 'a thin smear of filler takes an hour',
        caution: DUST.says,
      }),
    ],
  },
  'layered-exhaust': {
    title: 'Layered exhaust',
    about: 'Burnt steel of stubs and collectors, in thin layers.',
    surface: 'Primed black; the pipe drilled and thinned before.',
    testPiece: 'A length of sprue, layer by layer beside it.',
    steps: [
      step('spray', 'Dark brown-black all over', 10, {
        ...lays('colour', 'AL', 'Dark brown-black'),
        caution: SOLVENT.says,
      }),
      step('spray', 'A broken mist of grey on the upper faces', 10, {
        ...lays('tone', 'SA', 'Mid grey'),
        afterMin: 15,
        why: 'may be painted over',
        caution: SOLVENT.says,
      }),
      step('brush', 'Pinkish tan in alcohol, dabbed and half wiped off again', 10, {
        ...lays('tone', 'SA', 'Pinkish tan'),
        afterMin: 20,
        why: 'may be painted over',
      }),
      step('washcoat', 'Rust wash in spirit into the welds', 10, {
        ...lays('wash', 'EW', 'Rust wash'),
        afterMin: 24 * h,
        why: 'what lies under a spirit is through',
        caution: SPIRIT.says,
      }),
      step('wipe', 'Wipe most of it off', 5, {
        afterMin: wipe.minutes,
        afterMost: wipe.most,
        why: wipe.says,
        caution: SPIRIT.says,
      }),
      step('pigment', 'Dark pigment at the mouth, light ash inside', 10, {
        ...lays('pigment', 'WA', 'Dark pigment'),
        afterMin: 12 * h,
        why: 'the wash is dry',
      }),
    ],
  },
  'drips-streaks': {
    title: 'Drips and streaks',
    about: 'Leaks from fillers, hinges and drains, along the airflow.',
    surface: 'Matt or satin, sealed; on gloss they run away.',
    testPiece: 'On the painted spare half: the length that looks right is shorter than one thinks.',
    steps: [
      step('oil', 'Small dots of oil paint, drained on card beforehand', 10, {
        ...lays('oil', 'OI', 'Streak colour'),
        caution: SPIRIT.says,
      }),
      step('oil', 'Draw them along the airflow with a flat brush, barely damp with spirit', 20, {
        afterMin: 60,
        afterMost: 8 * h,
        why: 'oils blend for one to eight hours',
        caution: SPIRIT.says,
      }),
    ],
  },
  'faded-panels': {
    title: 'Faded panels by 5 % white',
    about: 'Sun fade of single panels, upper faces only.',
    surface: 'The base colour, dry enough to be painted over.',
    testPiece: 'Three steps on card: 5, 10 and 15 %; at arm’s length the second is mostly enough.',
    steps: [
      step('spray', 'Base colour with 5 % white, cloudy, inside each upper panel', 20, {
        ...lays('tone', 'WA', 'Base colour with 5 % white'),
        caution: SPRAY.says,
      }),
      step('spray', 'With 10 % on the hottest ones only', 10, {
        ...lays('tone', 'WA', 'Base colour with 10 % white'),
        afterMin: 30,
        why: 'may be painted over',
        caution: SPRAY.says,
      }),
    ],
  },
  'wheel-splatter': {
    title: 'Splatter behind the wheels',
    about: 'Mud and dust where the wheels throw it.',
    surface: 'Matt, with everything else covered by paper.',
    testPiece: 'On paper until the drops are the right size: at this scale, small.',
    steps: [
      step('mask', 'Cover with paper what stays clean', 5),
      step('washcoat', 'Flick thinned earth from a stiff brush with the needle of the airbrush', 10, {
        ...lays('wash', 'EW', 'Earth'),
        caution: SPIRIT.says,
      }),
      step('pigment', 'Dry dust on top, fixed with a drop of spirit', 10, {
        ...lays('pigment', 'WA', 'Dust pigment'),
        afterMin: 12 * h,
        why: 'the drops are dry',
        caution: SPIRIT.says,
      }),
    ],
  },
  aerials: {
    title: 'Aerials of stretched thread',
    about: 'Wires that stay taut.',
    surface: 'Everything painted and handled for the last time but this.',
    testPiece: 'The thread against a ruler: at scale it should be a wire and not a rope.',
    steps: [
      step('drill', 'Drill both anchors', 5),
      step('glue', 'Fix the one end', 3, { caution: CA.says }),
      step('glue', 'Stretch, fix the other end', 10, { afterMin: 10, why: 'the first holds', caution: CA.says }),
      step('brush', 'A touch of steel colour, insulators as drops of white glue', 10, {
        afterMin: 30,
        why: 'both hold',
      }),
    ],
  },
  lamps: {
    title: 'Lamps formed by heat',
    about: 'Covers of landing and tip lights.',
    surface: 'Clear sheet over a carved and polished plug.',
    testPiece: 'The first pull is one: make three.',
    steps: [
      step('assemble', 'Carve and polish the plug, a little under size', 20, { caution: DUST.says }),
      step('assemble', 'Warm the sheet until it sags and pull it over', 10, { caution: HEAT }),
      step('fit', 'Cut, dip in clear, fix with white glue', 15, { caution: BLADE.says }),
    ],
  },
  brass: {
    title: 'Annealed brass',
    about: 'Etched parts that have to take a curve.',
    surface: 'Bare brass on the fret.',
    testPiece: 'A corner of the fret.',
    steps: [
      step('clean', 'Heat to a dull red and let it cool by itself', 5, { caution: HEAT }),
      step('fit', 'Roll over a rod on a soft pad', 10, { afterMin: 10, why: 'it has cooled' }),
      step('spray', 'Prime with something that bites on metal', 10, {
        ...lays('primer', 'AL', 'Metal primer'),
        caution: SOLVENT.says,
      }),
    ],
  },
  pins: {
    title: 'Pinned joints',
    about: 'Legs, wings and props that bear weight.',
    surface: 'Bare faces, free of paint.',
    testPiece: 'None: measure twice. The sum “pin” says which wire bears it.',
    steps: [
      step('drill', 'Mark both faces with a drop of paint, drill half the pin’s length into each', 10),
      step('fit', 'Try it dry', 3),
      step('glue', 'Glue the pin in the one, then the joint', 7, { caution: CA.says }),
    ],
  },
  'open-exhausts': {
    title: 'Drilled and thinned exhausts',
    about: 'Mouths that are open as on the real machine.',
    surface: 'Bare plastic or resin.',
    testPiece: 'The one that will be hidden.',
    steps: [
      step('drill', 'Start with a needle, open with three drills of growing size', 15),
      step('sand', 'Thin the rim with a blade turned like a reamer', 10, { caution: BLADE.says }),
    ],
  },
  lens: {
    title: 'Lens of foil and a clear drop',
    about: 'Landing lamps, gun cameras, signal lights.',
    surface: 'A drilled seat.',
    testPiece: 'One on sprue: thick drops dry dull.',
    steps: [
      step('fit', 'Press foil into the seat with a round end', 5),
      step('brush', 'Tint, if it is coloured', 3, { ...lays('marking', 'WA', 'Clear colour') }),
      step('brush', 'A drop of clear, level', 3, {
        ...lays('clear', 'WA', 'Gloss clear'),
        afterMin: 30,
        why: 'may be painted over',
      }),
    ],
  },
  downwash: {
    title: 'Water under a downwash, in layers',
    about: 'Rings and spray under a rotor or a float.',
    surface: 'A sealed base with a rim.',
    testPiece: 'A lid with one pour of each layer.',
    steps: [
      step('brush', 'Deep water colours on the base, darker outwards', 20, lays('colour', 'WA', 'Water colours')),
      step('assemble', 'First pour, no deeper than 3 mm', 15, { afterMin: 4 * h, why: 'the paint is dry' }),
      step('assemble', 'Rings of gel combed outwards with a stiff brush', 25, {
        afterMin: 24 * h,
        why: 'each layer dries for a day',
      }),
      step('brush', 'White on the crests, nearly dry', 15, {
        ...lays('tone', 'WA', 'White'),
        afterMin: 24 * h,
        why: 'each layer dries for a day',
      }),
    ],
  },
};

/** One layer of a stack that was logged, for keeping it as a technique. */
export interface LoggedLayer {
  title: string;
  kind: StepKind;
  minutes: Minutes;
  what: LayerKind;
  chemistry: Chemistry;
  paint: string;
  mixed: Mixed | null;
  note: string;
  cautions: readonly string[];
}

/** A stack as it was laid, as a technique: each layer waits for the one under it by its chemistry, whenever it was really done. */
export function techniqueOf(title: string, where: string, layers: readonly LoggedLayer[]): Technique {
  const film = ({ what, chemistry, paint }: LoggedLayer) => ({ what, chemistry, paint, dries: {} });
  return {
    title,
    about: `As it was laid on ${where}.`,
    surface: '',
    testPiece: 'The same layers on scrap, beside the model.',
    steps: layers.map((layer, i): TechniqueStep => {
      const under = layers[i - 1];
      const wait = under ? waitBetween(film(layer), film(under), STANDARD_CLIMATE) : { minutes: 0, why: '' };
      return step(layer.kind, layer.title, Math.max(1, Math.min(600, layer.minutes)), {
        afterMin: wait.minutes,
        why: [wait.why, layer.note].filter(Boolean).join('; ').slice(0, 300),
        lays: { what: layer.what, chemistry: layer.chemistry, paint: layer.paint },
        mixed: layer.mixed,
        caution: layer.cautions.join(' ').slice(0, 300),
      });
    }),
  };
}
