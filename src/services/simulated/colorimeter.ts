import type { Lab } from '@/core/colour/types';
import { chanceOf, normalOf } from './noise';

/**
 * A pocket colorimeter that is not there: it answers as a real one would over its link. What lies under it is told to it, since it has no
 * eye: it adds noise, an error that fades while it warms up, and the shift of an instrument that was not set on its white tile.
 */
export class SimulatedColorimeter {
  private readonly seed: string;
  private startedMs: number | null = null;
  private tileMs: number | null = null;
  private readings = 0;

  constructor(seed: string) {
    this.seed = seed;
  }

  /** Switching on starts its warm-up. */
  switchOn(nowMs: number): { model: string; serial: string } {
    this.startedMs ??= nowMs;
    return { model: 'Simulated pocket colorimeter', serial: 'SIM-0001' };
  }

  setOnTile(nowMs: number): void {
    if (this.startedMs === null) throw new DeviceFault('It is switched off.');
    this.tileMs = nowMs;
  }

  read(under: Lab, nowMs: number): { lab: Lab; warm: boolean; tileAgeMin: number | null } {
    if (this.startedMs === null) throw new DeviceFault('It is switched off.');
    this.readings += 1;
    const chance = chanceOf(`${this.seed} ${this.readings}`);
    const [L, a, b] = under;
    // The lamp brightens until it is warm: what the tile took out counts from the tile on.
    const drift = (ms: number) => -WARM_UP_ERROR * Math.exp(-ms / WARM_UP_MS);
    const since =
      drift(nowMs - this.startedMs) - (this.tileMs === null ? -UNSET_SHIFT : drift(this.tileMs - this.startedMs));
    return {
      lab: [
        Math.min(100, Math.max(0, L + since * (L / 100) + NOISE * normalOf(chance))),
        a + 0.15 * since + NOISE * normalOf(chance),
        b + 0.25 * since + NOISE * normalOf(chance),
      ],
      warm: nowMs - this.startedMs >= 3 * WARM_UP_MS,
      tileAgeMin: this.tileMs === null ? null : (nowMs - this.tileMs) / 60_000,
    };
  }
}

export class DeviceFault extends Error {}

/** Standard deviation of one reading on each axis. */
const NOISE = 0.12;
/** How far L* is off at white when it is cold. */
const WARM_UP_ERROR = 2.5;
const WARM_UP_MS = 60_000;
const UNSET_SHIFT = 1.8;
