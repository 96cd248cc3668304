import { rectangle, type Polygon } from '@/core/geometry/polygon';
import type { CutPiece, CutSheet } from './cut-sheet';

/** Rivets lie so far apart in reality, mm, and their line is so long. */
export interface Riveting {
  pitchMm: number;
  lineMm: number;
}

/** Least pitch and longest line, mm in reality. */
export const LEAST_PITCH_MM = 2;
export const MOST_LINE_MM = 60_000;

/** A sheet of rivets goes by its figures, mm in reality. */
const KEY = /^rivets-(\d{1,4}(?:\.\d{1,2})?)-(\d{1,5})$/;
export const rivetsKey = ({ pitchMm, lineMm }: Riveting): string =>
  `rivets-${Math.round(pitchMm * 100) / 100}-${Math.round(lineMm)}`;

/** What can be pricked: a line that is longer than its pitch. */
export const isRiveting = ({ pitchMm, lineMm }: Riveting): boolean =>
  pitchMm >= LEAST_PITCH_MM && lineMm >= pitchMm && lineMm <= MOST_LINE_MM;

/** The riveting that a sheet's name stands for; null for any other name. */
export function rivetingOf(key: string): Riveting | null {
  const found = KEY.exec(key);
  const riveting = found && { pitchMm: Number(found[1]), lineMm: Number(found[2]) };
  return riveting && isRiveting(riveting) ? riveting : null;
}

/** A strip to prick through is this broad, mm, and no longer than a sheet; a needle's points merge below this distance, mm. */
const STRIP = { broad: 6, long: 170 };
const NEEDLE_MM = 0.35;

/** Strips with a tick for every rivet; where they would merge, for every second, third ... of them. */
export function rivetSheet({ pitchMm, lineMm }: Riveting, denominator: number): CutSheet {
  const [pitch, line] = [pitchMm / denominator, lineMm / denominator];
  const every = Math.max(1, Math.ceil(NEEDLE_MM / pitch));
  const step = pitch * every;
  const count = Math.floor(line / step + 1e-9) + 1;
  const onOne = Math.floor(STRIP.long / step) + 1;
  const strips = Array.from({ length: Math.ceil(count / onOne) }, (_, i) => Math.min(onOne, count - i * onOne));
  return {
    title: `Rivets every ${pitchMm} mm in reality`,
    pieces: strips.map((ticks, i): CutPiece => {
      const width = (ticks - 1) * step + 4;
      return {
        label: strips.length > 1 ? `strip ${i + 1}` : 'strip',
        width: width + 2,
        height: STRIP.broad + 2,
        cuts: [rectangle(1, 1, width + 1, STRIP.broad + 1)],
        marks: Array.from({ length: ticks }, (_, k): Polygon => [
          [3 + k * step, 1],
          [3 + k * step, 3],
        ]),
      };
    }),
    notes: [
      `${pitchMm} mm in reality are ${pitch.toFixed(2)} mm on the model${every > 1 ? `, too close to prick: every ${every}. rivet, ${step.toFixed(2)} mm` : ''}; ${count} ticks in ${line.toFixed(0)} mm.`,
      'Lay the strip along the line on tape and prick at each tick; what is longer goes on from the last one.',
    ],
  };
}
