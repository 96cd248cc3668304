import { stageOf, type Stage } from './rules';
import type { RouteStep } from './step';

/** Families of steps that the build itself adds, by the beginning of their keys. */
const FAMILIES: readonly (readonly [prefix: RegExp, stage: Stage])[] = [
  [/^(interior|bay|open:interior|open:bay)\b/, 'interior'],
  [/^(part:|open:part)/, 'small-parts'],
  [/^(spray|mask|unmask|layer|open:outside)\b/, 'colours'],
  [/^marking/, 'markings'],
  [/^(temporary|wear-temporary)/, 'weathering'],
  [/^store:.*:hang$/, 'assembly'],
  [/^store:.*:drill$/, 'closing'],
  [/^store:/, 'small-parts'],
  [/^structure:|^ruled:/, 'seams'],
  [/^rework:/, 'colours'],
  [/^(technique|weather):/, 'weathering'],
];

/** The stage of the build that a step belongs to; what stands beside the machine belongs to the base, parts to the cleaning. */
export function stageOfStep({ key, lane }: Pick<RouteStep, 'key' | 'lane'>): Stage {
  const ruled = stageOf(key);
  if (ruled) return ruled;
  const family = FAMILIES.find(([prefix]) => prefix.test(key));
  if (family) return family[1];
  return lane === 'Base' ? 'base' : 'clean';
}
