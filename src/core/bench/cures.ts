import type { Part } from '@/core/kit/parts';
import { SPRAYING } from '@/core/paint/spraying';
import { BLADE, CA, DUST } from '@/core/route/rules/cautions';
import type { Minutes } from '@/core/units/minutes';
import { DEPTH_WORDS, type Depth } from './depth';

/** One rung of a ladder of cures. */
export interface Cure {
  title: string;
  /** The last layer that stays; null where nothing that lies there is taken off. */
  down: Depth | null;
  /** At the bench. */
  minutes: Minutes;
  /** What has to dry or set before anything is laid on it again. */
  waits: Minutes;
  how: string;
  caution?: string;
  /** It lays something over what lies there, which stays as covered: a filter, or the called colour once more. */
  lays?: 'filter' | 'called colour';
  /** What the register then says of the part. */
  part?: Pick<Part, 'origin' | 'condition'>;
}

const h = 60;

const sandThrough = (down: Depth): Cure => ({
  title: `Sand the place, ${DEPTH_WORDS[down]}`,
  down,
  minutes: down === 'plastic' ? 35 : down === 'primer' ? 30 : 20,
  waits: 60,
  how:
    down === 'clear'
      ? 'Wet, 2000 grit and finer, until the flaw is gone; rinse, and let it dry.'
      : 'Let it harden first. Wet, 600 to 2000 grit, feathered out so that no step is felt; rinse, and let it dry.',
  caution: DUST.says,
});

/** The ways of mending, each told once. */
export const CURES = {
  wipeOff: {
    title: 'Wipe it off',
    down: null,
    minutes: 5,
    waits: 20,
    how: 'While it is fresh: a damp swab, rolled and never rubbed, with a dry one after it.',
  },
  leaveToSet: {
    title: 'Let it set and pare it off',
    down: null,
    minutes: 10,
    waits: 12 * h,
    how: 'Touch nothing while it is wet. When it is hard, pare it with a new blade held flat, and polish.',
    caution: BLADE.says,
  },
  polish: {
    title: 'Polish',
    down: null,
    minutes: 15,
    waits: 20,
    how: 'Micro-mesh or polishing paste, in small circles, once the coat is through; wash the paste off.',
  },
  touchUp: {
    title: 'Touch up with a brush or a fine needle',
    down: null,
    minutes: 20,
    waits: 60,
    how: 'The colour as it was mixed, thinned a little more, built up in several thin touches.',
  },
  scrape: {
    title: 'Scrape the edge back',
    down: null,
    minutes: 15,
    waits: 0,
    how: 'A new blade drawn backwards along a straight edge, or a toothpick with a drop of the thinner that the lower coat bears.',
    caution: BLADE.says,
  },
  pickOut: {
    title: 'Pick it out while it is wet',
    down: null,
    minutes: 5,
    waits: 60,
    how: 'Pointed tape or a needle; the next wet pass closes the mark. Once it has dried, polish instead.',
  },
  prick: {
    title: 'Prick it and soften again',
    down: null,
    minutes: 15,
    waits: 12 * h,
    how: 'Prick the bubble with a new blade, a drop of softener, and leave it alone. Not over night in a puddle.',
  },
  closeTear: {
    title: 'Push the tear together',
    down: null,
    minutes: 15,
    waits: 12 * h,
    how: 'Wet it, float the pieces together with a soft brush, press out; touch up the join with the colour of the sheet.',
  },
  bleach: {
    title: 'Bleach it in a window',
    down: null,
    minutes: 5,
    waits: 3 * 24 * h,
    how: 'Some days of sun through glass, turned every day.',
  },
  liftDecal: {
    title: 'Take the decal off and lay a new one',
    down: 'colour',
    minutes: 20,
    waits: 60,
    how: 'Strong tape pressed on and pulled back over itself, what is left with softener; the gloss under it goes with it. A spare or a mask in its place.',
  },
  filterOver: {
    title: 'Bring it round with a filter',
    down: null,
    minutes: 20,
    waits: 60,
    how: 'A few parts in a hundred of the colour that it lacks, in passes so thin that each barely shows.',
    lays: 'filter',
  },
  overcoat: {
    title: 'Spray the right colour over it',
    down: null,
    lays: 'called colour',
    minutes: 10,
    waits: 20,
    how: 'Smooth what is raised; count the coats for the colour that is there now, and not for the primer.',
  },
  dipClear: {
    title: 'Dip or flow it with clear',
    down: null,
    minutes: 10,
    waits: 24 * h,
    how: 'A coat of water-based gloss closes a fine scratch and clears a light fog.',
  },
  polishGlass: {
    title: 'Polish the glass',
    down: null,
    minutes: 40,
    waits: 60,
    how: 'Through the grits to polishing paste on a soft cloth, with the inside held up; then dip it.',
  },
  replaceGlass: {
    title: 'Take it off and fit another',
    down: 'plastic',
    minutes: 60,
    waits: 12 * h,
    how: 'Score round the joint with a new blade, ease it off, clean the seat; mask the new one first.',
    caution: BLADE.says,
  },
  pinAndGlue: {
    title: 'Pin it and glue it again',
    down: null,
    minutes: 25,
    waits: 2 * h,
    how: 'A pin of wire in both halves takes the load; clean the faces of paint first.',
    caution: CA.says,
  },
  drySheet: {
    title: 'Blot it and let it dry flat',
    down: null,
    minutes: 10,
    waits: 12 * h,
    how: 'Between blotting paper under a book. Then try one item in water before any other.',
  },
  spareSheet: {
    title: 'Look for the same height on other sheets, or cut a mask',
    down: null,
    minutes: 30,
    waits: 0,
    how: 'Markings proposes spares of the same height from the sheets that you own.',
  },
  spare: {
    title: 'A spare',
    down: null,
    minutes: 20,
    waits: 0,
    how: 'From the box of spares, or the same part of the other side turned over.',
    part: { origin: 'spare', condition: 'sound' },
  },
  order: {
    title: 'Order a replacement',
    down: null,
    minutes: 10,
    waits: 0,
    how: 'The steps that want it wait for its day.',
    part: { origin: 'kit', condition: 'sound' },
  },
  scratchBuild: {
    title: 'Build it from sheet, rod and wire',
    down: null,
    minutes: 60,
    waits: 2 * h,
    how: 'The part of the other side is the pattern.',
    part: { origin: 'scratch-built', condition: 'sound' },
    caution: BLADE.says,
  },
  rinse: {
    title: 'Wash it off with clean water',
    down: null,
    minutes: 10,
    waits: 60,
    how: 'A soft brush and a drop of soap, before anything is laid over it; blot, and let it dry standing.',
  },
  freshClear: {
    title: 'Lay a fresh clear over it',
    down: null,
    minutes: 15,
    waits: 60,
    how: 'What was dulled shines again under a thin wet coat of the same clear; what is still seen is polished first.',
  },
  loosenWash: {
    title: 'Loosen it with its own thinner',
    down: null,
    minutes: 25,
    waits: 12 * h,
    how: 'A swab barely damp with the thinner that it was made with, rolled along the airflow, turned at each stroke. A wash in spirit comes off for about a day, oils for three, an acrylic one for minutes; what has set is polished, or veiled.',
  },
  veil: {
    title: 'Veil it with a thin coat of the ground colour',
    down: null,
    minutes: 20,
    waits: 60,
    how: 'The colour of the place with nine parts of thinner, in passes so thin that each barely shows, until it only breaks the shade.',
  },
  fromOutside: {
    title: 'Do from outside what can be done',
    down: null,
    minutes: 45,
    waits: 0,
    how: 'A hole is drilled from outside, measured from a datum and the centre line; colour goes in by a long brush through what is open; weight goes in as shot and glue through a wheel bay. What cannot be reached is left, and written down.',
    caution: BLADE.says,
  },
  openSeam: {
    title: 'Open the seam again',
    down: 'plastic',
    minutes: 60,
    waits: 16 * h,
    how: 'Score along the joint with a new blade, many light strokes, or let solvent creep into it; close it again as at the first time, and fill what opened.',
    caution: BLADE.says,
  },
  dress: {
    title: 'Dress the faces until it fits',
    down: null,
    minutes: 30,
    waits: 0,
    how: 'Dry, with marker on one face: what rubs off is filed. Paint and sprue gates on mating faces first, then pins and sockets.',
    caution: DUST.says,
  },
  shim: {
    title: 'Shim the gap with sheet',
    down: null,
    minutes: 40,
    waits: 12 * h,
    how: 'Sheet a little too thick, cemented to one side, sanded down to the line once it is hard.',
    caution: DUST.says,
  },
  setAnew: {
    title: 'Loosen the joint and set it again in a jig',
    down: null,
    minutes: 40,
    waits: 12 * h,
    how: 'Cement softens its own joint within a day, debonder a glued one; the machine stands on blocks, measured from both wing tips to the table, until it has set.',
    caution: CA.says,
  },
  fileWheels: {
    title: 'File the flats of the tyres',
    down: null,
    minutes: 15,
    waits: 0,
    how: 'A millimetre on one tyre lifts a wing tip by several: a little at a time, on paper on a flat table.',
  },
  maskAnew: {
    title: 'Mask the right line and spray what changes',
    down: 'primer',
    minutes: 10,
    waits: 20,
    how: 'Draw the line first and look at it from where it will be seen. Only the strip between the two lines is sprayed again: the colour that comes down goes over, the one that goes up needs its own coats.',
  },
  strip: {
    title: 'Strip it',
    down: 'plastic',
    minutes: 45,
    waits: 12 * h,
    how: 'A stripper that the plastic bears, tried on the sprue, brushed on and washed off; clear parts and decals well masked.',
    caution: SPRAYING.AL.caution.says,
  },
  sandThrough,
  feather: (down: Depth): Cure => ({ ...sandThrough(down), title: `Feather the edge out, ${DEPTH_WORDS[down]}` }),
  cureAndSand: (down: Depth): Cure => ({
    ...sandThrough(down),
    title: `Let it cure, then sand, ${DEPTH_WORDS[down]}`,
    waits: 24 * h,
  }),
} as const satisfies Record<string, Cure | ((down: Depth) => Cure)>;
