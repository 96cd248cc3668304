import type { LayerKind } from '@/core/work/kinds';

/**
 * What the steps of earlier houses laid, by their names of then: files of versions 1 to 9 do not say it of their entries. Read once, when such
 * a file comes in; nothing else asks a step's name for anything. The same stands in migration 025, for houses.
 */
const LAID: readonly (readonly [of: RegExp, what: LayerKind])[] = [
  [
    /^(prime|prime-again|prime-paint|prime-paint-again|prime-interior|prime-bays|prime-parts|subject-.*:prime)$/,
    'primer',
  ],
  [/^((spray|interior|bay|part):.*:ground|marking-ground:.*|frames-inside)$/, 'undercoat'],
  [/^((spray|interior|bay|part):.*:filter|shade|black-base|highlight)$/, 'tone'],
  [/^((spray|interior|bay|part|layer|temporary|open):.*|subject-.*:colour:.*)$/, 'colour'],
  [/^marking-spray:/, 'marking'],
  [/^(barrier:.*|gloss|seal|matt|matt-for-wash|matt-for-oils|matt-interior|chip-fluid|temporary-fluid)$/, 'clear'],
  [/^(wash:.*|wash-interior|wash-bays|weather-gear)$/, 'wash'],
  [/^(streaks|shade-ribs|neglect)$/, 'oil'],
];
const RUN = /^(rework|technique|weather):/;
const MARKING = /^marking:/;

/** What was laid by a step of an earlier house; '' for nothing, null for work whose run says it. */
export function laidThen(stepKey: string, stepKind: string): LayerKind | '' | null {
  if (RUN.test(stepKey)) return null;
  if (MARKING.test(stepKey)) return stepKind === 'brush' ? 'marking' : 'decal';
  return LAID.find(([of]) => of.test(stepKey))?.[1] ?? '';
}
