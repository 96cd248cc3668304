import { modelAreaOfZones, type Outline } from '@/core/outline/outline';
import { areasByColour, cellsOf, type PaintedField } from './cells';
import { contradictions } from './contradictions';
import { bordersOf, edgesByColour } from './edges';

/** What a scheme lies on: the colour that each zone is ruled to have, the zones whose border is soft, and the scale. */
export interface SchemeBases {
  ruled: Record<string, string>;
  soft: string[];
  denominator: number;
}

/** What follows from a scheme: areas by colour and edges on the model, the colours outside, and what contradicts itself. */
export function schemeFigures(outline: Outline, painted: readonly PaintedField[], bases: SchemeBases) {
  const { ruled, denominator } = bases;
  const baseOf = (zone: string) => ruled[zone] ?? null;
  const cells = cellsOf(outline, baseOf, painted);
  const soft = new Set(bases.soft);
  const byId = new Map(painted.map(({ field }) => [field.id, field]));
  const areas = new Map<string, number>();
  for (const { code, areaM2 } of areasByColour(outline, baseOf, cells))
    areas.set(code ?? '', (areas.get(code ?? '') ?? 0) + areaM2);
  const toModel = 1e4 / denominator ** 2;
  return {
    areas: [...areas].map(([code, m2]) => ({ code, cm2: m2 * toModel })).sort((a, b) => b.cm2 - a.cm2),
    whole: modelAreaOfZones(
      outline,
      outline.zones.map(({ key }) => key),
      denominator,
    ),
    edges: edgesByColour(
      bordersOf(cells),
      ({ zone, field }) => (field === null ? baseOf(zone) : (byId.get(field)?.code ?? null)),
      byId,
      (a, b) => soft.has(a) || soft.has(b),
    ).map((edge) => ({ ...edge, modelMm: (edge.lengthM * 1000) / denominator })),
    /** Colours that are sprayed on the outside, where they meet others. */
    outside: [...new Set(cells.flatMap(({ code, glass }) => (code && !glass ? [code] : [])))].sort(),
    faults: contradictions(outline, painted, cells, baseOf),
  };
}
