import { chanceOf, normalOf } from './noise';

/**
 * A thermometer and hygrometer on a bench that is not there. A room that is heated in the evening: warmest at nine, coldest before six; the air
 * is driest when it is warm. The same minute of the same seed reads the same.
 */
export function benchClimate(seed: string, nowMs: number): { tempC: number; humidity: number; at: string } {
  const minute = Math.floor(nowMs / 60_000);
  const hour = (minute / 60) % 24;
  const warmth = Math.cos(((hour - WARMEST) / 24) * 2 * Math.PI);
  const chance = chanceOf(`${seed} ${minute}`);
  return {
    tempC: round(MEAN_TEMP + SWING_TEMP * warmth + NOISE * normalOf(chance)),
    humidity: round(MEAN_HUMIDITY - SWING_HUMIDITY * warmth + 4 * NOISE * normalOf(chance)),
    at: new Date(minute * 60_000).toISOString(),
  };
}

const WARMEST = 21;
const MEAN_TEMP = 18.5;
const SWING_TEMP = 2.5;
const MEAN_HUMIDITY = 52;
const SWING_HUMIDITY = 7;
/** Standard deviation of one reading, degrees. */
const NOISE = 0.15;
const round = (value: number) => Math.round(value * 10) / 10;
