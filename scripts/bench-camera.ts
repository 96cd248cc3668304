import { buildOutline } from '../src/core/outline/outline';
import { PRESETS } from '../src/core/outline/presets';
import { namedPlaces } from '../src/core/outline/named-places';
import { laidOver } from '../src/core/skin/camera/laid-over';
import { MachineOver } from '../src/core/skin/camera/machine-over';
import { photographed } from '../tests/support/photographed';
import { median, medianAndWorst, pace, paceNs, show, timed, type Figure } from './bench-figures';

/** The machine laid over a picture, as its worker does it for each step of a place that is pulled about. */

const STEPS = 60;

export async function benchCamera(): Promise<Figure[]> {
  const { dimensions, landing } = PRESETS.single;
  const spec = { preset: 'single' as const, dimensions, landing, folded: false };
  const places = namedPlaces(buildOutline(spec));
  const machine = new MachineOver({ spec, denominator: 48 });
  const { kept } = photographed('single', 3, 1);
  let step = 0;
  const pulled = (count: number) => {
    step += 1;
    const [first, ...rest] = kept.points.slice(0, count) as [(typeof kept.points)[number], ...typeof kept.points];
    const at: [number, number] = [first.at[0] + 20 * Math.sin(step / 5), first.at[1] + 20 * Math.cos(step / 7)];
    return { ...kept, points: [{ ...first, at }, ...rest] };
  };
  const figures: Figure[] = [];
  for (const count of [12, kept.points.length]) {
    const found = await timed(() => laidOver(pulled(count), places), STEPS);
    const drawn = await timed(() => machine.over(pulled(count)), STEPS);
    const ns = paceNs();
    const at1 = (all: readonly number[]) => (median(all) / ns).toFixed(0);
    figures.push(
      {
        what: `a camera by ${count} places, ms (median, worst); median at 1 ns`,
        found: `${medianAndWorst(found)}; ${at1(found)}`,
        asked: '50 at 1 ns by 12',
      },
      {
        what: 'with its lines drawn, hidden ones hidden, ms (median, worst); median at 1 ns',
        found: `${medianAndWorst(drawn)}; ${at1(drawn)}`,
        asked: '33: 30 frames a second',
      },
    );
  }
  return figures;
}

if (process.argv[1]?.endsWith('bench-camera.ts')) {
  show(pace());
  for (const figure of await benchCamera()) show(figure);
}
