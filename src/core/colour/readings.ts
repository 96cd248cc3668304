import { deltaE00 } from './difference';
import type { Lab } from './types';

/** One reading of an instrument. */
export interface InstrumentReading {
  lab: Lab;
  /** Whether its lamp is warm. */
  warm: boolean;
  /** Minutes since it was set on its white tile; null = never. */
  tileAgeMin: number | null;
}

export interface PooledReadings {
  lab: Lab;
  /** Uncertainty, dE00: of the mean, with the instrument's own. */
  sd: number;
  /** What is wrong with them, in words. */
  warnings: string[];
}

/** Agreement between two instruments, dE00. */
const INSTRUMENT_SD = 0.35;
/** What a cold lamp, and a missing white, may be off by. */
const COLD_SD = 1.2;
const UNSET_SD = 1.8;

/** Readings of one place as one: their mean, and how far it may be off. Throws RangeError for fewer than two. */
export function poolReadings(readings: readonly InstrumentReading[]): PooledReadings {
  const count = readings.length;
  if (count < 2) throw new RangeError('two readings are the least');
  const mean = (axis: 0 | 1 | 2) => readings.reduce((sum, { lab }) => sum + lab[axis], 0) / count;
  const lab: Lab = [mean(0), mean(1), mean(2)];
  const scatter = Math.sqrt(readings.reduce((sum, reading) => sum + deltaE00(reading.lab, lab) ** 2, 0) / (count - 1));
  const { warm, tileAgeMin } = readings.at(-1)!;
  return {
    lab,
    sd: Math.hypot(INSTRUMENT_SD, scatter / Math.sqrt(count), warm ? 0 : COLD_SD, tileAgeMin === null ? UNSET_SD : 0),
    warnings: [
      ...(warm ? [] : ['Its lamp is still cold: wait three minutes, set it on its tile again, and measure again.']),
      ...(tileAgeMin === null ? ['It was not set on its white tile.'] : []),
    ],
  };
}
