import type { Options } from '@/core/kit/options';
import { buildOutline, type Outline, type OutlineSpec } from '@/core/outline/outline';
import { PRESETS, type PresetName } from '@/core/outline/presets';

/** The outline of a layout in its own dimensions with the options of a build, and with what the machine has otherwise. */
export const outlineFor = (options: Options, preset: PresetName, own: Partial<OutlineSpec> = {}): Outline =>
  buildOutline({
    preset,
    dimensions: PRESETS[preset].dimensions,
    landing: options.landing,
    folded: options.wings === 'folded',
    swept: options.sweep === 'swept',
    ...own,
  });
