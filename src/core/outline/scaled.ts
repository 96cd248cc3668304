import { DIMENSION_NAMES, DIMENSIONS, type DimensionName, type Dimensions } from './dimensions';
import { formOf, PRESETS, type PresetName } from './presets';

/** Dimensions across the machine: they follow the span (or the rotor), all others the length. */
const ACROSS: ReadonlySet<DimensionName> = new Set([
  'span',
  'tailSpan',
  'mainTrack',
  'engineSpacing',
  'boomSpacing',
  'rotorDiameter',
]);

/** What a layout measures across: of what has neither wings nor rotor, its breadth. */
export const acrossOf = ({ span, rotorDiameter, fuselageWidth }: Dimensions): number =>
  span || rotorDiameter || fuselageWidth;

/** What that measure is called. */
export const acrossTitle = ({
  preset,
  dimensions: { span, rotorDiameter },
}: {
  preset: PresetName;
  dimensions: Dimensions;
}) => (span ? 'Span' : rotorDiameter ? 'Rotor' : formOf(preset) === 'ship' ? 'Beam' : 'Breadth');

/** The outline of a layout from its length and span alone, metres: everything else in proportion. */
export function scaledTo(preset: PresetName, length: number, span: number): Dimensions {
  const base = PRESETS[preset].dimensions;
  const along = length / base.length;
  const across = span / acrossOf(base);
  return Object.fromEntries(
    DIMENSION_NAMES.map((name) => {
      const { least, most, unit } = DIMENSIONS[name];
      if (unit !== 'm') return [name, base[name]];
      const scaled = base[name] * (ACROSS.has(name) ? across : along);
      return [name, Math.min(most, Math.max(least, Math.round(scaled * 1000) / 1000))];
    }),
  ) as unknown as Dimensions;
}
