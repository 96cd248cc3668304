import type { Outline } from '@/core/outline/outline';
import { rememberedFor } from '@/core/units/remembered';
import { cellsOf, type PaintedField } from './cells';
import { bordersOf, isHard, type Border, type BorderSide } from './edges';

/** Two colours where they meet on the model, zone by zone: what is masked when one of them is sprayed. */
export interface SkinEdge {
  a: { zone: string; code: string };
  b: { zone: string; code: string };
  /** On the model. */
  mm: number;
  hard: boolean;
}

/** The borders of a skin with the fields that lie on it: they depend on no colour. */
export const bordersOn = (outline: Outline, painted: readonly PaintedField[]): Border[] =>
  bordersOf(cellsOf(outline, () => null, painted));

/** The borders between the zones of an outline, each in its own colour; found once. */
export const zoneBorders = rememberedFor((outline: Outline): Border[] => bordersOn(outline, []));

/** Borders with the colours that they have; those of one colour, or where nobody has decided, are none. */
export function skinEdges(
  borders: readonly Border[],
  colourOf: (zone: string) => string | null,
  painted: readonly PaintedField[],
  soft: ReadonlySet<string>,
  denominator: number,
): SkinEdge[] {
  const fields = new Map(painted.map(({ field }) => [field.id, field]));
  const codeOf = ({ zone, field }: BorderSide) => (field === null ? colourOf(zone) : (fields.get(field)?.code ?? null));
  return borders.flatMap(({ a, b, lengthM }): SkinEdge[] => {
    const [one, other] = [codeOf(a), codeOf(b)];
    if (one === null || other === null || one === other) return [];
    return [
      {
        a: { zone: a.zone, code: one },
        b: { zone: b.zone, code: other },
        mm: (lengthM * 1000) / denominator,
        hard: isHard(a, b, fields, (zone, next) => soft.has(zone) || soft.has(next)),
      },
    ];
  });
}
