import { generalCoats } from './general-coats';
import { describe, expect, test } from '@jest/globals';
import { DEFAULT_OPTIONS } from '@/core/kit/options';
import { modelAreaOfZones } from '@/core/outline/outline';
import { PRESETS, type PresetName } from '@/core/outline/presets';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { outlineFor } from '../../../tests/support/outline-for';
import { callOf } from '@tests/support/route-call';
import type { RouteCall, RouteMarking } from './call';
import { buildRoute } from './route';
import { partsShare, piecesOf, workOf, type Sized } from './takes';

const SCALES = [24, 32, 48, 72, 144, 700];

function routeAt(preset: PresetName, denominator: number, way: RouteCall['way'] = 'airbrush') {
  const options = { ...DEFAULT_OPTIONS, landing: PRESETS[preset].landing };
  const outline = outlineFor(options, preset);
  const outside = outline.zones.filter(({ group }) => group === 'fuselage' || group === 'wings').map(({ key }) => key);
  const call = (code: string, zones: string[], light: number) =>
    callOf(code, zones, { lab: [light, 0, 0], coats: way === 'airbrush' ? 2 : 3, way });
  const marking = (id: string, method: RouteMarking['method']): RouteMarking => ({
    id,
    title: id,
    name: id,
    zones: [outside[0]!],
    method,
    pieces: 4,
    painted: { edgeMm: 4800 / denominator, areaCm2: 90_000 / denominator ** 2, ofCodes: [] },
  });
  return buildRoute({
    outline,
    options,
    denominator,
    general: way === 'brush' ? 'brush' : 'airbrush',
    coats: generalCoats(),
    climate: STANDARD_CLIMATE,
    calls: [call('A', outside.slice(0, 4), 70), call('B', outside.slice(4), 40)],
    markings: [marking('band', 'mask'), marking('letters', 'decal'), marking('name', 'brush')],
    layers: [],
    callFor: (code) => call(code, [], 50),
  });
}

describe.each(['single', 'twin', 'jet', 'rotorcraft', 'transport'] satisfies PresetName[])(
  'the minutes of a %s',
  (preset) => {
    const routes = new Map(SCALES.map((scale) => [scale, routeAt(preset, scale)]));
    /** Minutes of a job, all pieces of it where it is too long for an evening. */
    const jobAt = (scale: number, key: string) =>
      routes
        .get(scale)!
        .steps.filter((step) => step.key === key || step.alike.includes(key))
        .reduce((sum, { minutes }) => sum + minutes, 0);
    const whole = (scale: number) => routes.get(scale)!.steps.reduce((sum, { minutes }) => sum + minutes, 0);

    test('no step takes longer at a smaller scale', () => {
      SCALES.slice(1).forEach((scale, i) => {
        for (const { key } of routes.get(scale)!.steps)
          expect([key, jobAt(scale, key) <= jobAt(SCALES[i]!, key)]).toEqual([key, true]);
      });
    });

    test('the whole at 1/144 takes under six tenths of 1/48', () => {
      expect(whole(144)).toBeLessThan(0.6 * whole(48));
    });

    test('what is sprayed over all of it goes by its area', () => {
      const primed = (scale: number) =>
        routes.get(scale)!.steps.filter(({ key, alike }) => key === 'prime' || alike.includes('prime'));
      const outline = outlineFor({ ...DEFAULT_OPTIONS, landing: PRESETS[preset].landing }, preset);
      for (const scale of SCALES) {
        const steps = primed(scale);
        const zones = steps.flatMap((step) => step.zones);
        const area = modelAreaOfZones(outline, zones, scale);
        const pieces = piecesOf(outline.zones.filter(({ key }) => zones.includes(key)));
        const minutes = Math.ceil(5 + 1 + 0.03 * area + 0.5 * pieces - 1e-9);
        const sum = jobAt(scale, 'prime');
        // In pieces, cup and airbrush are made ready for each.
        if (steps.length === 1) expect(sum).toBe(minutes);
        else expect(Math.abs(sum - minutes - 6 * (steps.length - 1))).toBeLessThanOrEqual(2 * steps.length);
        expect(Math.max(...steps.map((step) => step.minutes))).toBeLessThanOrEqual(180);
      }
    });

    test('drying between brushed coats is no work at the bench, and one may stop there', () => {
      const brushed = routeAt(preset, 72, 'brush').steps.find(({ key }) => key === 'spray:A')!;
      const outline = outlineFor({ ...DEFAULT_OPTIONS, landing: PRESETS[preset].landing }, preset);
      const area = modelAreaOfZones(outline, brushed.zones, 72);
      expect(brushed.minutes).toBeGreaterThanOrEqual(Math.ceil(2 + 3 * 0.25 * area - 1e-9));
      expect(brushed.splittable).toBe(true);
    });

    test('only one coat takes more than an hour at one go: between several one may stop', () => {
      for (const { minutes, splittable, booth, passes, title } of routes.get(24)!.steps)
        if (minutes > 60) expect([title, splittable || (booth && passes === 1)]).toEqual([title, true]);
    });
  },
);

describe('what work is made of', () => {
  const outline = outlineFor({ ...DEFAULT_OPTIONS }, 'single');
  const sized = (denominator: number): Sized => ({
    outline,
    denominator,
    outside: outline.zones.filter(({ group }) => group === 'wings').map(({ key }) => key),
  });

  test('seams fall with the scale, areas with its square', () => {
    const seam = (scale: number) => workOf({ work: 'sand', along: 'fuselage' }, [], sized(scale)).seamMm!;
    const area = (scale: number) => workOf({ work: 'wipe' }, [], sized(scale)).areaCm2!;
    expect(seam(48) / seam(144)).toBeCloseTo(3, 9);
    expect(area(48) / area(144)).toBeCloseTo(9, 9);
    expect(seam(48)).toBeCloseTo((2 * outline.spec.dimensions.length * 1000) / 48, 6);
  });

  test('a model has fewer parts the smaller it is, and no more than at 1/48', () => {
    expect([24, 48, 72, 144, 700].map(partsShare)).toEqual([1, 1, 0.7, 0.4, 0.4]);
    expect(partsShare(60)).toBeCloseTo(0.85, 9);
  });

  test('glass is masked pane by pane along its frames', () => {
    const { panes, frameMm } = workOf({ work: 'panes', times: 2 }, ['canopy'], sized(48));
    const once = workOf({ work: 'panes' }, ['canopy'], sized(48));
    expect(panes).toBe(2 * once.panes!);
    expect(once.panes).toBeGreaterThan(1);
    expect(frameMm! / once.frameMm!).toBeCloseTo(2, 9);
  });
});
