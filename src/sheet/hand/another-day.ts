import { UNMEASURED } from '@/core/colour/unmeasured';
import { coloursOn, showsOn, type ColourHistory } from '@/core/evidence/as-on';
import type { Day } from '@/core/units/day';
import type { BriefFilm } from '@/core/workshop/filmed';
import { fullDay } from '@/ui/dates';
import type { SheetOverlay } from '../airframe-sheet';
import type { Palette } from './shown';

/** The machine as it was on another day: the colours of its zones, and which markings were not there. */
export function onDay(history: ColourHistory, film: BriefFilm, day: Day, palette: Palette): SheetOverlay {
  const inkOf = (value: string): string => film.inks[value]?.[palette] ?? UNMEASURED;
  return {
    colours: new Map(
      [...coloursOn(history, day)].map(([zone, { value }]) => [zone, value === null ? null : inkOf(value)]),
    ),
    hidden: new Set(
      film.markings.flatMap(({ id, zone, name }) => (showsOn(history.events, zone, name, day) ? [] : [id])),
    ),
    caption: `As on ${fullDay(day)}`,
  };
}
