import { describe, expect, test } from '@jest/globals';
import { shelfOfDemo, stateOfDemo, NOW } from '@tests/support/demo-brief';
import { deriveBrief } from '@/core/derive/derive';
import { EFFECTS } from '@/core/weathering/effects';
import { exposureOf } from './use-said';
import { weatherOf, weatherRuns } from './weather';

const shelf = shelfOfDemo();
const demo = () => stateOfDemo(shelf);
const viewOf = (state: ReturnType<typeof demo>) => deriveBrief(state, shelf, { nowUtc: NOW, effort: 0 });

describe('the weathering of a brief', () => {
  test('reads what was ruled of wear: the stain is there, whoever kept her, and says whose word it is', () => {
    const view = viewOf(demo());
    const { layers } = weatherOf(view, shelf, { ...exposureOf(view).exposure, care: 'kept clean' });
    const exhaust = layers.find(({ effect }) => effect === 'exhaust')!;
    expect(exhaust.zones).toContain('cowling-port');
    expect(exhaust.seen!.isAbsent).toBe(false);
    expect(exhaust.seen!.says).toContain('exhaust stain to the wing root');
    expect(layers.find(({ effect }) => effect === 'chips')?.seen ?? null).toBeNull();
  });

  test('where it stood follows its unit and place; the option on its gear stands where nobody speaks', () => {
    const state = demo();
    state.airframe = { ...state.airframe, unit: 'Harbour Flight', place: 'desert strip at the coast' };
    expect(exposureOf(viewOf(state)).exposure.climate).toBe('desert');
    const silent = demo();
    silent.airframe = { ...silent.airframe, unit: '', place: '' };
    silent.sources = [];
    silent.sightings = [];
    silent.brief = { ...silent.brief, options: { ...silent.brief.options, landing: 'floats' } };
    expect(exposureOf(viewOf(silent)).exposure.ground).toBe('water');
  });

  test('a machine that was repainted all over shortly before looks kept; one zone says nothing', () => {
    const state = demo();
    state.airframe = { ...state.airframe, targetFrom: '1944-06-20', targetTo: '1944-06-30' };
    const repaint = (zone: string) => ({
      id: `repaint ${zone}`,
      version: 1,
      zone,
      kind: 'repaint' as const,
      onDay: '1944-06-01',
      value: '',
      showsUnder: false,
      note: '',
    });
    const { zones } = viewOf(state).outline;
    state.events = [repaint('fin-port')];
    expect(exposureOf(viewOf(state)).said.care).toBeUndefined();
    state.events = zones.map(({ key }) => repaint(key));
    expect(exposureOf(viewOf(state)).said.care).toMatchObject({ value: 'kept clean' });
  });

  test('the wash is told as the route lays it, in a colour darker than what it lies on', () => {
    const view = viewOf(demo());
    const { wash, bases } = weatherOf(view, shelf, exposureOf(view).exposure);
    expect(wash!.steps).toBe(view.route.steps.filter(({ key }) => key.startsWith('wash:')).length);
    expect(bases.some(([, lab]) => lab[0] > wash!.colour[0])).toBe(true);
  });

  test('in the route every effect lies in its place, after what carries it and before what seals it', () => {
    const view = viewOf(demo());
    const { layers } = weatherOf(view, shelf, exposureOf(view).exposure);
    const runs = weatherRuns(view, layers, 'abc');
    const keys = new Set(view.route.steps.map(({ key }) => key));
    expect(runs.flatMap(({ run }) => run.steps)).toHaveLength(layers.length);
    for (const { run } of runs) for (const step of [...run.after, ...run.before]) expect(keys.has(step)).toBe(true);
  });

  test('stands for the general steps as long as it is there: taken out, they are back', () => {
    const view = viewOf(demo());
    const { layers } = weatherOf(view, shelf, exposureOf(view).exposure);
    const general = new Set(layers.flatMap(({ effect }): readonly string[] => EFFECTS[effect].instead));
    const keys = ({ route }: typeof view) => route.steps.map(({ key }) => key).filter((key) => general.has(key));
    expect(keys(view).length).toBeGreaterThan(0);
    const state = demo();
    state.runs = weatherRuns(view, layers, 'abc').map((run, i) => ({
      ...run,
      origin: 'weathering' as const,
      id: `run ${i}`,
      version: 1,
    }));
    const taken = viewOf(state);
    expect(keys(taken)).toEqual([]);
    expect(taken.route.steps.filter(({ key }) => key.startsWith('weather:')).length).toBe(layers.length);
    expect(keys(viewOf({ ...state, runs: [] }))).toEqual(keys(view));
  });
});
