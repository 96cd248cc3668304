import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { subjectFaults } from '@/core/kept/check-subjects';
import { DEFAULT_OPTIONS } from '@/core/kit/options';
import { BASE_LAYERS, subjectName, subjectZone, type BaseLayer, type SubjectKind } from '@/core/kit/subjects';
import { withSubjects } from '@/core/outline/subject-zones';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { waitingCircle } from '@/core/route/schedule/network';
import { outlineFor } from '@tests/support/outline-for';
import { callOf } from '@tests/support/route-call';
import { descendantsOf } from './behind';
import type { RouteCall, RouteSubject } from './call';
import { generalCoats } from './general-coats';
import { buildRoute } from './route';

const subject = (kind: SubjectKind, title: string, over: Partial<RouteSubject> = {}): RouteSubject => ({
  kind,
  title,
  name: subjectName(title),
  count: 1,
  place: '',
  byGate: 'end',
  layers: [],
  ...over,
});
const routeWith = (subjects: RouteSubject[], calls: RouteCall[] = [], stand = DEFAULT_OPTIONS.stand) => {
  const options = { ...DEFAULT_OPTIONS, stand };
  return buildRoute({
    outline: withSubjects(outlineFor(options, 'single'), subjects, 48),
    options,
    climate: STANDARD_CLIMATE,
    denominator: 700,
    general: 'airbrush',
    coats: generalCoats(),
    calls,
    markings: [],
    layers: [],
    callFor: (code) => callOf(code, []),
    subjects,
  });
};
type Built = ReturnType<typeof routeWith>;
const inOrder = (route: Built, keys: readonly string[]) =>
  keys.slice(1).forEach((key, i) => {
    expect(route.steps.map((step) => step.key)).toEqual(expect.arrayContaining([keys[i], key]));
    expect([keys[i], key, descendantsOf(route, [keys[i]!]).has(key)]).toEqual([keys[i], key, true]);
  });
const sound = ({ steps, links }: Built) =>
  expect(waitingCircle({ steps: steps.map(({ key }) => ({ id: key })), links })).toBeNull();

describe('what stands on what', () => {
  const sea = subject('base', 'Sea', { layers: ['foam', 'water', 'water'] });
  const ship = subject('vessel', 'Carrier', { standsOn: sea.name });
  const load = subject('aircraft', 'Deck load', { count: 16, place: 'on the flight deck', standsOn: ship.name });
  const calls = [
    callOf('SEA', [subjectZone(sea.name, 'ground')]),
    callOf('DECK', [subjectZone(ship.name, 'deck')]),
    callOf('BLUE', [subjectZone(load.name, 'upper')]),
  ];
  const route = routeWith([load, ship, sea], calls);

  test('sixteen aircraft on a deck on the sea: each primed and painted before what it carries is fixed, from below upwards', () => {
    inOrder(route, [
      'subject-sea:layer:1:foam',
      'subject-sea:prime',
      'subject-sea:colour:SEA',
      'subject-carrier:place',
    ]);
    inOrder(route, ['subject-carrier:prime', 'subject-carrier:colour:DECK', 'subject-deck-load:place']);
    inOrder(route, ['subject-carrier:place', 'subject-deck-load:place']);
    inOrder(route, ['subject-deck-load:prime', 'subject-deck-load:colour:BLUE', 'subject-deck-load:place']);
    expect(route.steps.filter(({ key }) => key === 'subject-deck-load:place')).toHaveLength(1);
    sound(route);
  });
  test('water is poured over what is painted, round the hull that stands in it', () => {
    inOrder(route, [
      'subject-sea:colour:SEA',
      'subject-carrier:place',
      'subject-sea:layer:2:water',
      'subject-sea:layer:3:water',
    ]);
    // Nothing else is fixed on a sea that carries a ship.
    expect(route.steps.some(({ key }) => key === 'subject-sea:place')).toBe(false);
  });
  test('grass and water come over the paint of a base, foam and ground under it', () => {
    const meadow = subject('base', 'Meadow', { layers: ['foam', 'ground', 'grass'] });
    const built = routeWith([meadow], [callOf('EARTH', [subjectZone(meadow.name, 'ground')])]);
    inOrder(built, [
      'subject-meadow:layer:1:foam',
      'subject-meadow:layer:2:ground',
      'subject-meadow:prime',
      'subject-meadow:colour:EARTH',
      'subject-meadow:layer:3:grass',
      'subject-meadow:place',
    ]);
    sound(built);
  });
  test('a base as subject takes the place of that of the options, and the machine is mounted once', () => {
    const meadow = subject('base', 'Meadow', { layers: ['ground'] });
    const keys = (subjects: RouteSubject[], stand: typeof DEFAULT_OPTIONS.stand) =>
      routeWith(subjects, [], stand).steps.map(({ key }) => key);
    expect(keys([], 'a base')).toEqual(expect.arrayContaining(['base-ground', 'base-paint', 'mount']));
    for (const none of ['base-ground', 'base-paint', 'mount']) expect(keys([meadow], 'a base')).not.toContain(none);
    expect(keys([meadow], 'a base')).toContain('subject-meadow:place');
    expect(keys([meadow], 'a rod')).toContain('mount');
  });
  test('whatever stands on whatever, the network is sound', () => {
    const kinds: SubjectKind[] = ['base', 'vessel', 'aircraft', 'vehicle', 'figure'];
    const any = fc.array(
      fc.record({
        kind: fc.constantFrom(...kinds),
        on: fc.nat(5),
        layers: fc.array(fc.constantFrom<BaseLayer>(...BASE_LAYERS), { maxLength: 3 }),
        byGate: fc.constantFrom('fuselage' as const, 'end' as const),
      }),
      { minLength: 1, maxLength: 5 },
    );
    fc.assert(
      fc.property(any, (list) => {
        const subjects = list.map(({ kind, on, layers, byGate }, i) =>
          subject(kind, `S${i}`, {
            place: 'there',
            byGate,
            layers: kind === 'base' ? layers : [],
            standsOn: on < list.length ? subjectName(`S${on}`) : '',
          }),
        );
        sound(routeWith(subjects));
      }),
      { numRuns: 25, seed: 8 },
    );
  });
  test('what stands on nothing that is there, or on itself, is told', () => {
    const says = (subjects: Parameters<typeof subjectFaults>[0]) => subjectFaults(subjects).map((fault) => fault.says);
    expect(says([{ title: 'Ship', standsOn: 'subject-sea' }])).toEqual(['what "Ship" stands on is not there']);
    expect(says([{ title: 'Ship', standsOn: 'subject-ship' }])).toEqual(['"Ship" would stand on itself']);
    expect(
      says([
        { title: 'Ship', standsOn: 'subject-sea' },
        { title: 'Sea', standsOn: 'subject-ship' },
      ]),
    ).toHaveLength(2);
    expect(says([{ title: 'Ship', standsOn: 'subject-sea' }, { title: 'Sea' }])).toEqual([]);
  });
});
