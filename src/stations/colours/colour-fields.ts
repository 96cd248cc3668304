import { CHEMISTRIES, CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import type { FieldSpec } from '@/ui/fields';

/** The forms in which a colour is typed: any one of them. */
export const COLOUR_FIELDS: FieldSpec[] = [
  { name: 'L', label: 'L*', type: 'number', width: 2 },
  { name: 'a', label: 'a*', type: 'number', width: 2 },
  { name: 'b', label: 'b*', type: 'number', width: 2 },
  { name: 'sd', label: '± ΔE00', type: 'number', optional: true, width: 2 },
  { name: 'munsell', label: 'or Munsell', help: '5.5GY 4.2/3.1', width: 2 },
  { name: 'hex', label: 'or screen colour', help: '#rrggbb, counts as eyeballed', width: 2 },
  { name: 'reflectance', label: 'or a curve (reflectance)', help: '31 values, 400 to 700 nm by 10', width: 4 },
];

/** What a line of paints says of itself beside its name and how it dries. */
export const LINE_FIELDS: FieldSpec[] = [
  {
    name: 'chemistry',
    label: 'Chemistry',
    type: 'choice',
    options: CHEMISTRY_NAMES.map((value) => ({ value, label: CHEMISTRIES[value].title })),
    width: 3,
  },
  { name: 'thinner', label: 'Its thinner', width: 3 },
  { name: 'thinRatio', label: 'Thinner to 1 of paint', type: 'number', optional: true, width: 3 },
];

/** Choices of which '' is that it is not known. */
export const orNotKnown = (values: readonly string[]) =>
  values.map((value) => ({ value, label: value || 'not known' }));

/** Leaves out what was not filled in, so that one form of the colour is sent. */
export function given(values: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(values).filter(
      ([name, value]) =>
        !(['L', 'a', 'b', 'hex', 'munsell', 'reflectance'].includes(name) && (value === '' || value === null)) &&
        value !== undefined,
    ),
  );
}
