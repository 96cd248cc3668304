import type { StepKind } from '@/core/work/kinds';
import type { MishapName } from './mishaps';

/** What a builder knows of each kind of work: what to look for before going on, what usually goes wrong, what to have at hand. */
export interface StepLore {
  /** Before you go on, look for this. */
  look: string;
  /** The usual failure, and what to do about it at once. */
  failure: string;
  cure: string;
  /** Under which name it is found among the mishaps. */
  mishap: MishapName | null;
  /** What to have at hand beside paint and thinner. */
  tools: readonly string[];
}

const lore = (
  look: string,
  failure: string,
  cure: string,
  tools: readonly string[],
  mishap: MishapName | null = null,
): StepLore => ({ look, failure, cure, tools, mishap });

export const STEP_LORE: Record<StepKind, StepLore> = {
  wash: lore(
    'water runs off in a film and not in beads',
    'release agent is left in corners and paint lifts there later',
    'a soft toothbrush, warm water and washing-up liquid once more',
    ['basin', 'soft brush', 'lint-free cloth'],
  ),
  clean: lore(
    'no mould line catches a fingernail',
    'too much is taken off and a round part is flat',
    'a smear of filler, and round it off again',
    ['scalpel', 'files', 'sanding sticks 400, 600'],
    'broken',
  ),
  fit: lore(
    'it drops into place without force, and the gap is the same all along',
    'paint on a mating face keeps it open',
    'scrape the face bare; shim, never squeeze',
    ['tape', 'files'],
  ),
  glue: lore(
    'it stands square from three sides, and nothing has run',
    'a drip on a painted face',
    'touch nothing until it is hard, then pare it off',
    ['glue', 'clamps and tape', 'props'],
    'glue',
  ),
  fill: lore(
    'a little proud all along, and nothing on the glass',
    'it sinks while it dries',
    'a second thin pass the next day',
    ['filler', 'spatula', 'two tapes', 'swabs'],
  ),
  sand: lore(
    'a raking light shows no step and no scratch, and the lines are still there',
    'panel lines and rivets go with the seam',
    'scribe them again before the primer',
    ['sanding sticks 400, 600, 1000', 'water', 'scriber'],
  ),
  drill: lore(
    'it sits on the mark and goes square through',
    'the drill wanders',
    'start with a needle; fill and mark again',
    ['pin vice and drills', 'needle', 'ruler'],
  ),
  mask: lore(
    'every edge is pressed down, over rivets too, and no gap shows against the light',
    'paint creeps under at raised detail',
    'seal the edges with the ground colour or a clear first',
    ['tape 1, 2, 6 and 10 mm', 'new blade', 'toothpick', 'masking fluid or putty'],
    'bleed',
  ),
  unmask: lore(
    'edges are sharp and nothing has lifted',
    'paint comes off with the tape',
    'stop, score the edge with a new blade, pull flat over itself',
    ['tweezers', 'new blade'],
    'lifted',
  ),
  spray: lore(
    'it covers evenly at arm’s length, without runs, dust or dry grain',
    'dry grain from too far away or too little thinner',
    'nearer, a little more thinner; polish the grain when it is dry',
    ['airbrush', 'paper for a trial', 'cleaner'],
    'dust',
  ),
  brush: lore(
    'no brush marks when the light is low',
    'the second coat draws the first',
    'wait longer; thinner coats, one direction',
    ['good flat brush', 'palette', 'water or thinner'],
    'dust',
  ),
  decal: lore(
    'it lies where it should and no air is under it',
    'silvering on a ground that is not smooth',
    'prick it, softener, and leave it alone',
    ['warm water', 'tweezers', 'setting fluid', 'soft brush', 'paper towel'],
    'silvered',
  ),
  soften: lore(
    'it has drawn into every line and lies flat again',
    'a puddle burns the paint over night',
    'soak it up with the corner of a towel at once',
    ['softener', 'pin', 'soft brush', 'paper towel'],
    'torn',
  ),
  seal: lore(
    'one even sheen from every side',
    'milky haze in damp air',
    'warmer and drier, and a light coat more',
    ['airbrush', 'cleaner'],
    'dust',
  ),
  washcoat: lore(
    'it runs along the lines by itself and pools nowhere',
    'tide marks on a matt ground',
    'clean spirit on a brush while it is wet; next time over gloss',
    ['fine brush', 'spirit', 'swabs'],
  ),
  wipe: lore(
    'lines hold the colour and faces are clean, wiped with the airflow',
    'left too long it will not come off',
    'spirit on a swab, small places, patience',
    ['lint-free cloth', 'swabs', 'spirit'],
  ),
  oil: lore(
    'no edge of a streak can be seen',
    'too much oil stays wet for days',
    'lift it with a dry brush; drain it on card the next time',
    ['oil paints', 'card', 'soft flat brush', 'spirit'],
  ),
  chip: lore(
    'chips sit where hands and feet go and none is larger than the scale bears',
    'a pattern of even dots',
    'join some, wipe most',
    ['sponge', 'pointed brush', 'toothpick'],
  ),
  pigment: lore(
    'it sits in corners and not on faces',
    'a wet coat later swallows it',
    'no clear over it: fix it with spirit from below',
    ['pigments', 'soft brush', 'spirit'],
  ),
  inspect: lore(
    'nothing throws a shadow in a raking light',
    'a flaw shows only under the colour',
    'look twice, at two angles',
    ['lamp held low', 'magnifier', 'pencil'],
  ),
  mend: lore('no finger feels the place', 'the mended place sinks', 'once more, thinner, the next day', [
    'filler',
    'sanding sticks',
    'scriber',
  ]),
  wait: lore('it is dry by the finger on a hidden place', 'impatience', 'do something else', []),
  decide: lore('it is written down at Evidence or Kit', 'decided twice', 'the ruling is what counts', []),
  test: lore(
    'it came out as it should, dry, under the lamp',
    'judged while it was wet',
    'judge it dry; keep it as a test piece',
    ['scrap or spare part', 'marker'],
  ),
  assemble: lore(
    'it is square from three sides',
    'one leg shorter than the others',
    'lift it before the glue sets, and prop it',
    ['glue', 'props', 'tape'],
    'glue',
  ),
  weigh: lore(
    'it stands on its nose wheel with what is still missing laid on it',
    'it tips back in the end',
    'add before it is closed',
    ['weights', 'scales', 'glue'],
  ),
};
