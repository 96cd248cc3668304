import { isInRegion } from '@/core/geometry/polygon';
import { describe, expect, test } from '@jest/globals';
import type { MarkingPlace } from '@/core/markings/place';
import { planeOn, turned } from '@/core/markings/placing';
import { buildOutline, chartsOf } from '@/core/outline/outline';
import { namedPlaces } from '@/core/outline/named-places';
import { times } from '@/core/outline/space';
import { clicked, even, outlineIn, photographed, PICTURE, portLine } from '@tests/support/photographed';
import { landerOn } from './landing';
import { laidOver, movedSince } from './laid-over';
import { traceOnSkin } from './traced';
import { project } from './view';

const PRESETS = ['single', 'tail-wheel', 'twin', 'jet', 'high-wing'] as const;
const RUNS = Array.from({ length: 60 }, (_, run) => run);
const presetOf = (run: number) => PRESETS[run % PRESETS.length]!;

describe('a point of a picture', () => {
  test('lands where it came from, in the zone that lies there, wherever nothing is before it', () => {
    for (const preset of PRESETS) {
      const { outline, camera, land } = photographed(preset, 3);
      let met = 0;
      for (const chart of chartsOf(outline)) {
        const own = outline.regions.filter((part) => part.chart === chart);
        for (const { zone, region } of own) {
          const points = region.flat();
          const middle = [0, 1].map((k) => points.reduce((sum, at) => sum + at[k]!, 0) / points.length);
          const at = [middle[0]!, middle[1]!] as const;
          if (!isInRegion(at, region)) continue;
          const place = times(chart.at(at), 1000);
          const landed = land(camera, project(camera, place)!, 1)!;
          if (Math.hypot(...landed.xyz.map((value, k) => value - place[k]!)) > 1) {
            // Something stands before it: that is nearer.
            const far = (xyz: readonly number[]) => Math.hypot(...xyz.map((value, k) => value - camera.centre[k]!));
            expect(far(landed.xyz)).toBeLessThan(far(place));
            continue;
          }
          met += 1;
          expect(own.filter((part) => isInRegion(at, part.region)).map((part) => part.zone)).toContain(landed.zone);
          expect(landed.zone).toBe(zone);
        }
      }
      expect(met).toBeGreaterThan(5);
    }
  });
  test('beside the machine lands nowhere; on a wheel it lands on the gear, and not when that is up', () => {
    const { outline, camera, land } = photographed('single', 1);
    expect(land(camera, [-5000, -5000], 1)).toBeNull();
    const wheel = namedPlaces(outline).find(({ id }) => id === 'wheel-port')!;
    const at = project(camera, times(wheel.at, 1000))!;
    expect(land(camera, at, 1)!.zone).toBe('gear-main');
    expect(landerOn(outline, true)(camera, at, 1)?.zone).not.toBe('gear-main');
  });
});

describe('what is traced', () => {
  /** How far off the truth, and the stated standard deviation, over many pictures. */
  const traced = (
    tool: 'border' | 'length',
    lineOf: (run: number) => readonly number[],
    truth: (run: number) => number,
  ) =>
    RUNS.flatMap((run) => {
      const picture = photographed(presetOf(run), run, 1.5);
      const { outline, land, kept } = picture;
      const height = outline.spec.dimensions.fuselageHeight * (0.4 + 0.3 * even(run, 7));
      const points = clicked(picture, portLine(picture, height, lineOf(run)), run, 1);
      if (!points) return [];
      const figure = traceOnSkin(
        tool,
        points,
        laidOver(kept, namedPlaces(outline)),
        land,
        outline.spec.dimensions.length,
      ).figure;
      return figure ? [{ off: figure.value - truth(run) * height * 1000, sd: figure.sd, value: figure.value }] : [];
    });

  test('a border along the side is told by its height: the truth lies within twice what is stated', () => {
    const found = traced(
      'border',
      () => [0.3, 0.4, 0.5, 0.6, 0.7],
      () => 1,
    );
    expect(found.length).toBeGreaterThan(20);
    const within = found.filter(({ off, sd }) => Math.abs(off) <= 2 * sd).length;
    expect(within / found.length).toBeGreaterThanOrEqual(0.95);
    // Nor is more stated than is true.
    const root = Math.sqrt(found.reduce((sum, { off, sd }) => sum + (off / sd) ** 2, 0) / found.length);
    expect(root).toBeGreaterThan(0.3);
  });
  test('is as long as it is on the machine, aslant or not', () => {
    for (const run of RUNS.slice(0, 20)) {
      const picture = photographed(presetOf(run), run);
      const line = portLine(picture, picture.outline.spec.dimensions.fuselageHeight * 0.55, [0.62, 0.66]);
      const points = clicked(picture, line, run, 0);
      if (!points) continue;
      const { outline, kept, land } = picture;
      const { figure } = traceOnSkin(
        'length',
        points,
        laidOver(kept, namedPlaces(outline)),
        land,
        outline.spec.dimensions.length,
      );
      const straight = Math.hypot(...line[1]!.map((value, k) => value - line[0]![k]!));
      expect(Math.abs(figure!.value - straight) / straight).toBeLessThan(0.005);
    }
  });
  test('a mirrored print is turned over: it tells the same', () => {
    const picture = photographed('single', 2);
    const { outline, kept, land } = picture;
    const points = clicked(picture, portLine(picture, 0.9, [0.5, 0.6, 0.7]), 2, 0)!;
    const turned = {
      ...kept,
      isMirrored: true,
      points: kept.points.map((one) => ({ ...one, at: [PICTURE.width - one.at[0], one.at[1]] as [number, number] })),
    };
    const places = namedPlaces(outline);
    const [one, other] = [laidOver(kept, places), laidOver(turned, places)];
    expect(traceOnSkin('border', points, other, land, outline.spec.dimensions.length).figure!.value).toBeCloseTo(
      traceOnSkin('border', points, one, land, outline.spec.dimensions.length).figure!.value,
      3,
    );
  });
  test('off the machine it is told as missed, and no length is made of it', () => {
    const picture = photographed('single', 2);
    const { outline, kept, land } = picture;
    const [on] = clicked(picture, portLine(picture, 0.9, [0.5]), 2, 0)!;
    const told = traceOnSkin(
      'length',
      [on!, [-3000, -3000]],
      laidOver(kept, namedPlaces(outline)),
      land,
      outline.spec.dimensions.length,
    );
    expect(told.figure).toBeNull();
    expect(told.says.join(' ')).toMatch(/misses the machine/);
    expect(told.corners.map(({ isKnown }) => isKnown)).toEqual([true, false]);
  });
});

describe('a machine laid over a picture', () => {
  const laid = photographed('tail-wheel', 4);
  const places = namedPlaces(laid.outline);
  test('fits exact places, and says from how far it was taken', () => {
    const over = laidOver(laid.kept, places);
    expect(over.rmsPx).toBeLessThan(1e-4);
    const middle = [0, 1, 2].map(
      (k) => laid.kept.points.reduce((sum, { xyz }) => sum + xyz[k]!, 0) / laid.kept.points.length,
    );
    const distance = Math.hypot(...middle.map((value, k) => value - laid.camera.centre[k]!)) / 1000;
    expect(over.distanceM).toBeCloseTo(distance, 2);
  });
  test('names the place that was set on another machine', () => {
    const [first, ...rest] = laid.kept.points;
    const wrong = { ...first!, at: [first!.at[0] + 90, first!.at[1] - 40] as [number, number] };
    const over = laidOver({ ...laid.kept, points: [wrong, ...rest] }, places);
    expect(over.places.filter(({ isOutlier }) => isOutlier).map(({ id }) => id)).toEqual([first!.place]);
    expect(over.places.find(({ isOutlier }) => isOutlier)!.offPx).toBeCloseTo(Math.hypot(90, 40), -1);
  });
  test('needs six places while the focal length is not told, four where it is', () => {
    const few = { ...laid.kept, points: laid.kept.points.slice(0, 4) };
    expect(() => laidOver(few, places)).toThrow('2 places more are needed');
    expect(() => laidOver({ ...few, focalPx: 2000 }, places)).not.toThrow();
  });
  test('says which places an outline has elsewhere now, and keeps the others', () => {
    const { spec } = laid.outline;
    const higher = { ...spec, dimensions: { ...spec.dimensions, finHeight: spec.dimensions.finHeight + 0.2 } };
    const kept = {
      ...laid.kept,
      points: places.map(({ id, at }) => ({
        place: id,
        at: [0, 0] as [number, number],
        xyz: times(at, 1000) as unknown as [number, number, number],
      })),
    };
    const moved = movedSince(kept, namedPlaces(outlineIn('tail-wheel')));
    expect(moved).toEqual([]);
    expect(movedSince(kept, namedPlaces(buildOutline(higher))).map(({ title }) => title)).toContain('Top of the fin');
  });
});

describe('a marking traced by three of its corners', () => {
  /** Letters on the port side of a machine, as they were painted. */
  const painted = (run: number): { place: MarkingPlace; size: [wide: number, high: number] } => ({
    place: {
      view: 'port',
      station: (0.45 + 0.2 * even(run, 8)) * outlineIn(presetOf(run)).spec.dimensions.length,
      offset: (0.45 + 0.15 * even(run, 9)) * outlineIn(presetOf(run)).spec.dimensions.fuselageHeight,
      turn: run % 3 === 0 ? 0 : Math.round(-20 + 40 * even(run, 10)),
      mirrored: false,
    },
    size: [0.5 + 0.4 * even(run, 11), 0.35 + 0.2 * even(run, 3)],
  });
  const tracedIn = (run: number, noisePx: number) => {
    const picture = photographed(presetOf(run), run, noisePx);
    const { outline, kept, land } = picture;
    const { place, size } = painted(run);
    const { chart, put } = planeOn(outline, place, 'fuselage-rear-port')!;
    const [w, h] = [size[0] / 2, size[1] / 2];
    const corners = [[-w, -h] as const, [w, -h] as const, [-w, h] as const].map((corner) =>
      times(chart.at(put(turned(place, corner))), 1000),
    );
    const points = clicked(picture, corners, run, noisePx / 2);
    if (!points) return null;
    const laid = laidOver(kept, namedPlaces(outline));
    return { place, size, told: traceOnSkin('marking', points, laid, land, outline.spec.dimensions.length) };
  };

  test('lies, stands and is as large as it was painted: letters within 1.5 % of their height', () => {
    const found = RUNS.flatMap((run) => tracedIn(run, 0) ?? []).filter(({ told }) => told.marking);
    expect(found.length).toBeGreaterThan(15);
    for (const { place, size, told } of found) {
      const { marking } = told;
      expect(marking!.place.view).toBe('port');
      expect(Math.abs(marking!.highMm / (1000 * size[1]) - 1)).toBeLessThan(0.015);
      expect(Math.abs(marking!.wideMm / (1000 * size[0]) - 1)).toBeLessThan(0.03);
      expect(Math.abs(marking!.place.station - place.station)).toBeLessThan(0.03);
      expect(Math.abs(marking!.place.offset - place.offset)).toBeLessThan(0.05);
      expect(Math.abs(marking!.place.turn - place.turn)).toBeLessThan(4);
      expect(told.figure!.value).toBe(marking!.highMm);
    }
  });
  test('as a hand clicks it, its height lies within twice what is stated', () => {
    const found = RUNS.flatMap((run) => tracedIn(run, 2) ?? []).flatMap(({ size, told: { figure } }) =>
      figure ? [Math.abs(figure.value - 1000 * size[1]) <= 2 * figure.sd] : [],
    );
    expect(found.length).toBeGreaterThan(15);
    expect(found.filter(Boolean).length / found.length).toBeGreaterThanOrEqual(0.95);
  });
  test('of fewer corners nothing is told', () => {
    const picture = photographed('single', 2);
    const { outline, kept, land } = picture;
    const points = clicked(picture, portLine(picture, 0.9, [0.5, 0.6]), 2, 0)!;
    const told = traceOnSkin(
      'marking',
      points,
      laidOver(kept, namedPlaces(outline)),
      land,
      outline.spec.dimensions.length,
    );
    expect([told.figure, told.marking]).toEqual([null, null]);
  });
});
