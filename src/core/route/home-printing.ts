import { isPrintedAtHome } from '@/core/markings/kinds';
import { PLAIN_PRINTING } from '@/core/markings/printing';
import { SPRAYING } from '@/core/paint/spraying';
import { counted, listed } from '@/core/units/words';
import { workOfWhite } from '@/core/work/making';
import { minutesOf, minutesSaid, type Work } from '@/core/work/minutes';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import { dryingTime } from '@/core/paint/drying';
import type { Joint } from '@/core/work/kinds';
import type { RouteMarking } from './call';
import { driedBy, handledBy } from './by-way';
import type { Addition } from './insert';
import { markingLayer, NO_SIZE, WHITE_GROUND } from './painted-marking';
import type { RouteInput } from './route-input';
import { coatLaid } from './spray-run';
import { WORK_OF } from './takes';
import { BLADE } from './rules/cautions';

/** Decals that are printed at home: made before they are wanted, and what is white under them. */

/** Each print with the film round it, beside its own area. */
const FILM_ROUND = 1.5;

/** Printing, sealing, cutting and trying what is printed at home: all of it on one sheet, in good time before what is let in at the joints. */
export function printingAdditions(
  markings: readonly RouteMarking[],
  joints: readonly Joint[],
  { coats, general, climate }: Pick<RouteInput, 'coats' | 'general' | 'climate'>,
): Addition[] {
  const own = markings.filter(isPrintedAtHome);
  if (own.length === 0) return [];
  const pieces = own.reduce((sum, { pieces: n = 1, printing = PLAIN_PRINTING }) => sum + n + printing.spares, 0);
  const areaCm2 = own.reduce((sum, { painted = NO_SIZE }) => sum + painted.areaCm2, 0) * FILM_ROUND;
  // What was printed for some zones is printed for them; what joins later on others is printed by itself.
  const zones = [...new Set(own.flatMap((marking) => marking.zones))];
  const titles = listed(own.map(({ title }) => title));
  const films = [...new Set(own.map(({ printing = PLAIN_PRINTING }) => printing.film))].sort();
  const step = (key: string, title: string, kind: RouteStep['kind'], work: Work, more: Partial<RouteStep>) =>
    stepOf(key, title, kind, 'Whole', minutesOf(work), {
      minutesFrom: minutesSaid(work),
      family: 'marking',
      stage: 'markings',
      zones,
      ...more,
    });
  const clear = coats.clear;
  const way = clear.way ?? general;
  const sealed = dryingTime(driedBy(way, clear), 'handle', climate);
  return [
    {
      step: step(
        'print-decals',
        `Print ${titles}: ${counted(pieces, 'piece')} with spares, on ${listed(films)} film`,
        'decal',
        { kind: 'stencils', pieces },
        { why: 'on paper first, laid over a ruler: a printer that fits to the page prints small' },
      ),
      after: [],
      before: ['seal-prints'],
      then: 'ink',
    },
    {
      step: step(
        'seal-prints',
        'Seal the prints in two light coats',
        'seal',
        { kind: WORK_OF[way], areaCm2, coats: 2 },
        {
          passes: 2,
          ...handledBy(way, clear, SPRAYING[clear.chemistry].caution),
          kind: 'seal',
          why: 'the first hardly wet, or the ink runs; unsealed it runs in the water',
        },
      ),
      after: ['print-decals'],
      before: [],
    },
    {
      step: step(
        'cut-decals',
        'Cut the prints apart, close to the line',
        'fit',
        { kind: 'stencils', pieces },
        {
          cautions: [BLADE],
          why: films.includes('white')
            ? 'what is on white film to its very line: the film round it is white'
            : 'film that is cut close does not show',
        },
      ),
      after: [{ step: 'seal-prints', minutes: sealed, why: 'the seal may be handled' }],
      before: [],
    },
    {
      step: step(
        'dip-prints',
        'Dip a spare of the prints: does the ink stay, does the film let go?',
        'test',
        { kind: 'stencils', pieces: 1 },
        { why: 'a seal that lets water in is sprayed again; after this there is no more sheet' },
      ),
      after: ['cut-decals'],
      before: joints,
    },
  ];
}

/** The white that lies under a print on clear film, on the model; null where there is none, or it is printed. */
export function whiteUnder(
  { id, title, zones, pieces = 1, isStencil = false, painted = NO_SIZE, printing = PLAIN_PRINTING }: RouteMarking,
  climate: RouteInput['climate'],
): { step: RouteStep; wait: Omit<RouteLink, 'from' | 'to'> } | null {
  const work = workOfWhite(printing, painted, pieces, isStencil);
  if (!work) return null;
  const isPainted = printing.white === 'painted';
  const step = stepOf(
    `marking-ground:${id}`,
    isPainted
      ? `Paint white where ${title} goes, a little inside its line`
      : `Place spare white under ${title}, cut to its shape`,
    isPainted ? 'brush' : 'decal',
    'Whole',
    minutesOf(work),
    {
      minutesFrom: minutesSaid(work),
      family: 'marking',
      stage: 'markings',
      marking: id,
      zones,
      lays: [
        isPainted
          ? { ...markingLayer('marking', WHITE_GROUND.title), what: 'undercoat' }
          : markingLayer('decal', WHITE_GROUND.title),
      ],
      ...(isPainted ? handledBy('brush', WHITE_GROUND, SPRAYING[WHITE_GROUND.chemistry].caution) : {}),
      why: 'ink on clear film lets the ground through',
    },
  );
  return {
    step,
    wait: {
      minLag: isPainted ? dryingTime(coatLaid(step), 'mask', climate) : 0,
      maxLag: null,
      why: isPainted ? 'the white may be wetted' : 'what is under it lies',
    },
  };
}
