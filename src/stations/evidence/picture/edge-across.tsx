'use client';

import type { ReactNode, Ref } from 'react';
import { fitEdge, profileAcross, SOFT_WIDTHS } from '@/core/evidence/picture/edge';
import { roundToSd } from '@/core/evidence/picture/measure';
import type { Point } from '@/core/geometry/polygon';
import type { TracedHere } from '@/core/skin/camera/machine-over';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';
import { pictureOf, pixelsOf } from '@/ui/pixels';
import { useShown } from '@/ui/shown-units';
import { useAnswered } from '@/ui/use-standing-worker';
import { Becomes, type FigureKeeper } from './becomes';
import '../evidence.css';

/** A narrower border is as hard as a picture shows any. */
const HARD_PX = 3;
/** So much round the two points is read, px. */
const ROUND_PX = 12;

type Edge = { says: string } | { says: null; isHard: boolean; widthMm: number; sdMm: number; zone: string | null };

/** How soft a border is, across it: its width on the machine, and what that becomes a sighting of. */
export function EdgeAcross({
  data,
  source,
  trace,
  lengthOf,
  ref,
}: {
  data: EvidencePage;
  source: SourceRow;
  trace: readonly [Point, Point];
  /** What lies between two points, on the skin. */
  lengthOf: (points: Point[]) => Promise<TracedHere | null>;
  ref: Ref<FigureKeeper>;
}): ReactNode {
  const shown = useShown();
  const edge = useAnswered<Edge>(JSON.stringify(trace), () => edgeIn(source.pictureId!, trace, lengthOf));
  if (!edge) return null;
  if (edge.says !== null) return <p role="status">{edge.says}</p>;
  const { isHard, widthMm, sdMm } = edge;
  const { value, sd } = roundToSd(widthMm, sdMm);
  const says = isHard ? `hard, or at most ${Math.round(widthMm)} mm wide` : `soft over ${value} ± ${sd} mm`;
  return (
    <>
      <div className="measured" role="status">
        <p>
          <strong className="figure">{shown(says)}</strong>{' '}
          <span className="dim">
            {isHard
              ? 'no picture as fine as this one tells it from a masked edge.'
              : 'from a tenth to nine tenths of the way between the colours; what the lens blurs is in it. One standard deviation.'}
          </span>
        </p>
      </div>
      <Becomes
        data={data}
        source={source}
        aspects={isHard ? ['boundary'] : ['boundaryWidth']}
        onZone={edge.zone}
        value={isHard ? 'hard' : String(value)}
        sd={isHard ? null : sd}
        says={says}
        note={`read across it in the picture: ${says}`}
        marks={{ tool: 'edge', onSkin: true, points: trace.map(([u, v]) => [u, v]), calibration: null }}
        ref={ref}
      />
    </>
  );
}

async function edgeIn(
  pictureId: string,
  [from, to]: readonly [Point, Point],
  lengthOf: (points: Point[]) => Promise<TracedHere | null>,
): Promise<Edge> {
  const image = await pictureOf(pictureId);
  const { naturalWidth: wide, naturalHeight: high } = image;
  const [left, top] = [0, 1].map((k) => Math.max(0, Math.floor(Math.min(from[k]!, to[k]!)) - ROUND_PX)) as [
    number,
    number,
  ];
  const right = Math.min(wide, Math.ceil(Math.max(from[0], to[0])) + ROUND_PX);
  const bottom = Math.min(high, Math.ceil(Math.max(from[1], to[1])) + ROUND_PX);
  const [width, height] = [right - left, bottom - top];
  if (width < 2 || height < 2) return { says: 'This lies beside the picture.' };
  const pixels = pixelsOf(image, Math.max(width, height), {
    x: left / wide,
    y: top / high,
    width: width / wide,
    height: height / high,
  });
  const local = ([u, v]: Point): [number, number] => [u - left, v - top];
  const profile = profileAcross(pixels, local(from), local(to));
  const fit = profile && fitEdge(profile);
  if (!fit) return { says: 'No border is told there: put the points further apart, one well into each colour.' };
  const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const pointAt = (px: number): Point => [
    from[0] + (px / long) * (to[0] - from[0]),
    from[1] + (px / long) * (to[1] - from[1]),
  ];
  const widthPx = SOFT_WIDTHS * fit.spread;
  const isHard = widthPx < HARD_PX;
  const half = Math.max(widthPx, HARD_PX) / 2;
  const on = await lengthOf([pointAt(fit.at - half), pointAt(fit.at + half)]);
  if (!on?.figure) return { says: on?.says[0] ?? 'It does not lie on the machine.' };
  const { value, parts } = on.figure;
  return {
    says: null,
    isHard,
    widthMm: value,
    sdMm: Math.hypot(parts.camera, (value * fit.sd) / fit.spread),
    zone: on.zones[0] ?? null,
  };
}
