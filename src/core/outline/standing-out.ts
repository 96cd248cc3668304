import type { Region } from '@/core/geometry/clip';
import { steps, type Point } from '@/core/geometry/polygon';
import type { Xyz } from './body';
import type { Chart } from './chart';
import { project } from './drawing';
import { isSide, type View } from './zones';

/** What of a wing, tail or fin a view shows beside the bodies that it is fixed to: from the line at which it comes out of them. */

/** How near a point is to the eye of a view, m. */
export const NEARER: Readonly<Record<View, (at: Xyz) => number>> = {
  port: ([, y]) => -y,
  starboard: ([, y]) => y,
  upper: ([, , z]) => z,
  lower: ([, , z]) => -z,
};

const STATIONS = 40;
const WAYS_OUT = 32;
const HALVINGS = 12;
/** Nearer than this, m, two surfaces lie at one place. */
const SAME = 1e-5;

/** A body that may hide what is fixed to it, and how far it reaches across in the views from the side and from above, m. */
export interface Hiding {
  body: Chart;
  ends: readonly [first: number, last: number];
  across: { side: readonly [number, number]; plan: readonly [number, number] };
}

/** What of a body's chart is asked again and again while wings come out of it. */
export function hiding(chart: Chart): Hiding {
  const { on } = chart;
  if (on.kind !== 'body') throw new Error(`${chart.id} is no body`);
  const { sections, y } = on.body;
  const half = Math.max(...sections.map(({ width }) => width)) / 2;
  return {
    body: chart,
    ends: [chart.breaks[0]!, chart.breaks.at(-1)!],
    across: {
      // As a view draws them: what lies higher has the smaller number.
      side: [
        Math.min(...sections.map(({ z, height }) => -z - height / 2)),
        Math.max(...sections.map(({ z, height }) => -z + height / 2)),
      ],
      plan: [-Math.abs(y) - half, Math.abs(y) + half],
    },
  };
}

/** The part of a lifting chart that is nearer to the eye of a view than any body before it: a region of the chart, wide beyond its ends. */
export function standingOut(chart: Chart, own: Region, bodies: readonly Hiding[], view: View, length: number): Region {
  const outs = own.flatMap((ring) => ring.map(([out]) => out));
  const xs = own.flatMap((ring) => ring.map(([, x]) => x));
  const [least, most] = [Math.min(...outs), Math.max(...outs)];
  const isHidden = (out: number, x: number): boolean => {
    const at = chart.at([out, x]);
    const drawn = project(view, length, ...at);
    return bodies.some(({ body, ends: [first, last], across }) => {
      if (at[0] < first || at[0] > last) return false;
      const [top, bottom] = isSide(view) ? across.side : across.plan;
      if (drawn[1] < top - SAME || drawn[1] > bottom + SAME) return false;
      const under = body.under(view, drawn);
      if (!under) return false;
      const over = body.at(under);
      const seen = project(view, length, ...over);
      const isBefore = Math.abs(seen[0] - drawn[0]) < SAME && Math.abs(seen[1] - drawn[1]) < SAME;
      return isBefore && NEARER[view](over) > NEARER[view](at) + SAME;
    });
  };
  const step = (most - least) / WAYS_OUT;
  const root = (x: number): number => {
    for (let i = WAYS_OUT; i >= 0; i -= 1) {
      if (!isHidden(least + i * step, x)) continue;
      if (i === WAYS_OUT) return most;
      let [hidden, shown] = [least + i * step, least + (i + 1) * step];
      for (let k = 0; k < HALVINGS; k += 1) {
        const middle = (hidden + shown) / 2;
        if (isHidden(middle, x)) hidden = middle;
        else shown = middle;
      }
      return shown;
    }
    return least - 1;
  };
  const along = steps(Math.min(...xs), Math.max(...xs), STATIONS).map((x): Point => [root(x), x]);
  const [from, to] = [along[0]![1] - 1, along.at(-1)![1] + 1];
  return [[[along[0]![0], from], ...along, [along.at(-1)![0], to], [most + 1, to], [most + 1, from]]];
}
