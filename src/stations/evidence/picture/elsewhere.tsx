import type { ReactNode } from 'react';
import { roundToSd } from '@/core/evidence/picture/measure';
import { compared } from '@/core/skin/camera/compared';
import type { SeenElsewhere, TraceElsewhere, TracedHere } from '@/core/skin/camera/machine-over';
import type { EvidencePage } from '@/stations/evidence/page-data';
import { useShown } from '@/ui/shown-units';
import { FIGURES } from './figures';
import { Label, LightOverDark, pathOf } from './over-picture';

/** What was traced on the machine in other pictures that it lies over. */
export const tracesElsewhere = ({ questions, sources }: EvidencePage, here: string): TraceElsewhere[] =>
  questions.flatMap(({ id, sightings }) =>
    sightings.flatMap((sighting) => {
      const source = sources.find((one) => one.id === sighting.sourceId);
      const { marks } = sighting;
      // A tone is read off a picture; it is no line on the machine.
      if (!marks?.onSkin || marks.tool === 'tone' || !source?.camera) return [];
      if (source.id === here || sighting.questionId !== id) return [];
      return [
        {
          id: sighting.id,
          label: `${source.title}: ${sighting.value}${sighting.sd ? ` ± ${sighting.sd}` : ''}`,
          camera: source.camera,
          tool: marks.tool,
          points: marks.points,
        },
      ];
    }),
  );

/** What other pictures have where: dotted, so that it is told from what is traced here. */
export function Elsewhere({ traces, px }: { traces: readonly SeenElsewhere[]; px: number }): ReactNode {
  return traces.map(({ id, label, lines }) => (
    <g key={id} className="traced-elsewhere">
      <LightOverDark d={lines.map((line) => pathOf(line)).join('')} px={px} light={2} dark={4} dashes={[2, 5]} />
      <Label at={lines[0]![0]!} px={px}>
        {label}
      </Label>
    </g>
  ));
}

/** What other pictures have of it, and whether that agrees with what is traced here. */
export function AsOthersHaveIt({
  traces,
  traced,
}: {
  traces: readonly SeenElsewhere[];
  traced: TracedHere | null;
}): ReactNode {
  const shown = useShown();
  if (traces.length === 0) return null;
  const figure = traced?.figure;
  const told = traces.flatMap(({ id, label, figure: other, zones }) => {
    const both = figure && other && zones.some((zone) => traced.zones.includes(zone)) ? compared(figure, other) : null;
    return both ? [{ id, label, both }] : [];
  });
  return (
    <>
      <p className="dim">Dotted, as other pictures have it: {traces.map(({ label }) => label).join('; ')}.</p>
      {told.map(({ id, label, both: { apart, sigmas, together } }) => {
        const { unit } = FIGURES[figure!.of];
        const mean = together && roundToSd(together.value, together.sd);
        return (
          <p key={id} role="status">
            {shown(`${roundToSd(Math.abs(apart), figure!.sd).value} ${unit}`)} {apart < 0 ? 'less' : 'more'} than{' '}
            {label}, {sigmas.toFixed(1)} standard deviations:{' '}
            {mean
              ? shown(`they agree; together ${mean.value} ± ${mean.sd} ${unit}.`)
              : 'one of them is wrong, or they show two states. Kept, both stand at their question with their sources.'}
          </p>
        );
      })}
    </>
  );
}
