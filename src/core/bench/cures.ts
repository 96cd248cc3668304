import type { Part } from '@/core/kit/parts';
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
  /** What the register then says of the part. */
  part?: Pick<Part, 'origin' | 'condition'>;
}

const SANDING = 'Sanding dust: wet, with a mask; resin above all.';
const SOLVENT = 'Solvent vapour: respirator for organic vapour, extraction, gloves, no flame.';
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
  caution: SANDING,
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
    caution: 'Blades: cut away from the hand.',
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
    caution: 'Blades: cut away from the hand.',
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
    how: 'Five parts in a hundred of the colour that it lacks, in passes so thin that each barely shows.',
  },
  overcoat: {
    title: 'Spray the right colour over it',
    down: 'primer',
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
    caution: 'Blades: cut away from the hand.',
  },
  pinAndGlue: {
    title: 'Pin it and glue it again',
    down: null,
    minutes: 25,
    waits: 2 * h,
    how: 'A pin of wire in both halves takes the load; clean the faces of paint first.',
    caution: 'Cyanoacrylate: fumes, skin; never near glass.',
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
    caution: 'Blades: cut away from the hand.',
  },
  strip: {
    title: 'Strip it',
    down: 'plastic',
    minutes: 45,
    waits: 12 * h,
    how: 'A stripper that the plastic bears, tried on the sprue, brushed on and washed off; clear parts and decals well masked.',
    caution: SOLVENT,
  },
  sandThrough,
  feather: (down: Depth): Cure => ({ ...sandThrough(down), title: `Feather the edge out, ${DEPTH_WORDS[down]}` }),
  cureAndSand: (down: Depth): Cure => ({
    ...sandThrough(down),
    title: `Let it cure, then sand, ${DEPTH_WORDS[down]}`,
    waits: 24 * h,
  }),
} as const satisfies Record<string, Cure | ((down: Depth) => Cure)>;
