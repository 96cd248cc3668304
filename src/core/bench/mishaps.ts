import { CURES, type Cure } from './cures';

/** What goes wrong at a bench, how it is mended, and how deep each cure goes. */

export interface MishapKind {
  title: string;
  /** What a builder sees, so that he finds it in the list. */
  looks: string;
  /** From the one that disturbs least on; tried in this order. */
  ladder: readonly Cure[];
  /** What it takes off does not come back: something else is wanted there. */
  staysOff?: true;
  /** It happened to a part, and not to what lies on the model. */
  ofPart?: true;
  /** What keeps it from happening again. */
  next: string;
}

const TABLE = {
  glue: {
    title: 'Glue drip',
    looks: 'cement or cyanoacrylate on a painted face',
    ladder: [CURES.leaveToSet, CURES.sandThrough('colour'), CURES.sandThrough('primer'), CURES.sandThrough('plastic')],
    next: 'Glue from a needle or a fine brush, and lay the tube down away from the model.',
  },
  overspray: {
    title: 'Overspray',
    looks: 'a rough haze of another colour past the edge',
    ladder: [CURES.polish, CURES.touchUp, CURES.sandThrough('colour'), CURES.sandThrough('primer')],
    next: 'Mask further out than the spray reaches, and spray away from the neighbour.',
  },
  lifted: {
    title: 'Tape lifted paint',
    looks: 'flakes came off with the tape',
    ladder: [CURES.touchUp, CURES.feather('primer'), CURES.feather('plastic')],
    next: 'Take the tack off the tape on the back of the hand, and pull it back over itself, slowly.',
  },
  bleed: {
    title: 'Bleed under the mask',
    looks: 'a ragged edge, most of all over raised detail',
    ladder: [CURES.scrape, CURES.touchUp, CURES.sandThrough('colour')],
    next: 'Seal the edge of the mask with the ground colour or a clear before the new colour.',
  },
  crazing: {
    title: 'Crazing or wrinkles',
    looks: 'a new coat has attacked the one under it',
    ladder: [CURES.cureAndSand('colour'), CURES.cureAndSand('primer'), CURES.strip],
    next: 'Let what lies under it cure and seal it, or begin with mist coats.',
  },
  silvered: {
    title: 'Silvered decal',
    looks: 'air under the film shines through',
    ladder: [CURES.prick, CURES.liftDecal, CURES.sandThrough('colour')],
    next: 'A smooth, glossy ground, and the film trimmed close.',
  },
  torn: {
    title: 'Torn decal',
    looks: 'it broke or folded on the model',
    ladder: [CURES.closeTear, CURES.liftDecal],
    next: 'Test a spare of an old sheet first, and back it with a coat of clear film.',
  },
  yellowed: {
    title: 'Yellowing',
    looks: 'clear coat or decal film has gone yellow',
    ladder: [CURES.bleach, CURES.sandThrough('clear'), CURES.liftDecal, CURES.sandThrough('colour')],
    next: 'Water-based clear over white and pale colours, and the sheet bleached in a window beforehand.',
  },
  glass: {
    title: 'Scratched or fogged glass',
    looks: 'a scratch, a haze from glue, or dust inside',
    ladder: [CURES.dipClear, CURES.polishGlass, CURES.replaceGlass],
    next: 'White glue or clear paint on glass; cyanoacrylate fogs it.',
  },
  dust: {
    title: 'Dust or hair in a coat',
    looks: 'a speck under gloss or metal',
    ladder: [CURES.pickOut, CURES.polish, CURES.sandThrough('colour')],
    next: 'A box over the model while it dries, and a damp floor.',
  },
  fingerprint: {
    title: 'Fingerprint',
    looks: 'a print in metal or a soft coat',
    ladder: [CURES.wipeOff, CURES.polish, CURES.sandThrough('colour'), CURES.sandThrough('primer')],
    next: 'Gloves, and a grip or stick for everything that is wet.',
  },
  spill: {
    title: 'Spill on the decal sheet',
    looks: 'water, paint or softener ran over the sheet',
    ladder: [CURES.drySheet, CURES.spareSheet],
    next: 'Cut out what the evening needs and put the sheet away.',
  },
  wrongColour: {
    title: 'Wrong colour',
    looks: 'the code or the bottle was not the one that was ruled',
    ladder: [CURES.overcoat, CURES.sandThrough('primer'), CURES.strip],
    next: 'Hold the bottle against the card before it goes into the cup.',
  },
  ruledAnew: {
    title: 'Ruled anew after paint',
    looks: 'another colour is wanted now where one lies already',
    ladder: [CURES.sandThrough('primer'), CURES.strip],
    staysOff: true,
    next: 'Rule a colour before it is sprayed: the gates ask for it.',
  },
  offColour: {
    title: 'Colour is off after spraying',
    looks: 'too blue, too dark or too clean against its neighbours',
    ladder: [CURES.filterOver, CURES.overcoat, CURES.sandThrough('primer')],
    next: 'A spray-out on the same ground, dry, under the lamp by which it is judged.',
  },
  rings: {
    title: 'Rings and wrinkles of softener',
    looks: 'dull rings or a wrinkled film where softener stood',
    ladder: [CURES.rinse, CURES.polish, CURES.freshClear, CURES.sandThrough('clear')],
    next: 'Touch the puddle off with the corner of a tissue, and never leave one over night.',
  },
  stainedGloss: {
    title: 'Fluid stained the gloss',
    looks: 'the clear went milky or tacky under a fluid',
    ladder: [CURES.rinse, CURES.freshClear, CURES.sandThrough('clear'), CURES.sandThrough('colour')],
    next: 'Try the fluid on the test piece, on this clear, and let the clear cure first.',
  },
  washHeavy: {
    title: 'Wash or filter too heavy',
    looks: 'too dark, or the whole panel is tinted',
    ladder: [CURES.loosenWash, CURES.veil, CURES.sandThrough('clear')],
    next: 'One panel first, looked at dry; a gloss ground for what shall come off again.',
  },
  washSet: {
    title: 'Wash set hard',
    looks: 'it was wiped too late and does not come off',
    ladder: [CURES.loosenWash, CURES.polish, CURES.veil, CURES.sandThrough('clear')],
    next: 'In sections, each wiped before the next is laid; the clock of the card rings for it.',
  },
  tideMarks: {
    title: 'Tide marks',
    looks: 'a hard rim where a wash, a filter or water dried',
    ladder: [CURES.loosenWash, CURES.rinse, CURES.veil, CURES.sandThrough('clear')],
    next: 'Keep the edge wet, and draw it out with a brush that is almost dry.',
  },
  closedOver: {
    title: 'Closed over what was forgotten',
    looks: 'a hole, a part, a colour or the weight is wanted behind closed skin',
    ladder: [CURES.fromOutside, CURES.openSeam],
    next: 'The gate asks for it: what is open there is looked at before the glue.',
  },
  noFit: {
    title: 'A part does not fit',
    looks: 'a step, a gap, or it stands off',
    ladder: [CURES.dress, CURES.shim],
    next: 'Dry first, and before both halves are painted.',
  },
  stance: {
    title: 'It stands wrong',
    looks: 'one wing low, toes in, a wheel off the ground',
    ladder: [CURES.fileWheels, CURES.setAnew],
    next: 'A jig until the glue has set, and both tips measured from the table.',
  },
  crept: {
    title: 'A mask crept',
    looks: 'the edge is not where it was taped',
    ladder: [CURES.scrape, CURES.touchUp, CURES.maskAnew],
    next: 'Press the tape down again just before the spray; round curves in short pieces, never stretched.',
  },
  lineWrong: {
    title: 'A line of the scheme lies wrong',
    looks: 'too high, too low, or the two sides do not meet',
    ladder: [CURES.maskAnew, CURES.sandThrough('primer')],
    next: 'Transfer both sides from the same stations, and look along the spine before the spray.',
  },
  broken: {
    title: 'Broken part',
    looks: 'it snapped off, painted or not',
    ladder: [CURES.pinAndGlue, CURES.sandThrough('primer')],
    ofPart: true,
    next: 'Fragile parts go on last.',
  },
  lost: {
    title: 'Lost part',
    looks: 'gone into the carpet',
    ladder: [CURES.spare, CURES.order, CURES.scratchBuild],
    ofPart: true,
    next: 'A tray with a rim, and the part left on its sprue until it is wanted.',
  },
} as const satisfies Record<string, MishapKind>;

export type MishapName = keyof typeof TABLE;
export const MISHAPS: Record<MishapName, MishapKind> = TABLE;
export const MISHAP_NAMES = Object.keys(TABLE) as [MishapName, ...MishapName[]];
export const mishapOf = (name: string): MishapKind | null =>
  Object.hasOwn(MISHAPS, name) ? MISHAPS[name as MishapName] : null;

/** Paint that is taken off because another colour was ruled over it: its mishap, and the cure by its title. */
export const STRIPPED_FIRST = { kind: 'ruledAnew', cure: CURES.strip.title } as const satisfies {
  kind: MishapName;
  cure: string;
};
