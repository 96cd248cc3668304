import { describe, expect, test } from '@jest/globals';
import { BLANK_SIGHTING } from '@/core/kept/blank';
import type { BriefState } from '@/core/kept/state';
import { viewOfDemo } from '../../../tests/support/demo-brief';
import type { QuestionView } from './questions';
import type { BriefView } from './derive';

const find = (view: BriefView, zone: string, aspect: string): QuestionView =>
  view.questions.find((q) => q.record.zone === zone && q.record.aspect === aspect)!;
const say = (state: BriefState, question: { zone: string; aspect: string }, source: string, value: string) => {
  const { id } = state.questions.find((q) => q.zone === question.zone && q.aspect === question.aspect)!;
  state.sightings.push({
    ...BLANK_SIGHTING,
    id: `${source} ${value}`,
    version: 1,
    questionId: id,
    sourceId: state.sources.find((s) => s.title.startsWith(source))!.id,
    value,
  });
};

describe('mirrored sides', () => {
  const bay = (side: string) => ({ zone: `well-main-${side}`, aspect: 'colour' });
  test('are weighed as one, and one ruling holds for both', () => {
    const { view } = viewOfDemo();
    const [port, starboard] = [find(view, 'well-main-port', 'colour'), find(view, 'well-main-starboard', 'colour')];
    expect(port.weighed.support).toEqual(starboard.weighed.support);
    expect(port.sightings.length).toBe(starboard.sightings.length);
    expect(port.ruledOpposite).toBe(false);
    expect(starboard).toMatchObject({ ruledOpposite: true, open: false });
    expect(view.calls.find((call) => call.code === 'TCS 42')!.zones).toContain('well-main-starboard');
  });
  test('apart, each side has only what is said of it, and is open by itself', () => {
    const { view } = viewOfDemo((state) => {
      state.mirrors = [];
    });
    expect(find(view, 'well-main-starboard', 'colour').open).toBe(true);
    const together = viewOfDemo().view;
    expect(find(view, 'well-main-starboard', 'colour').sightings.length).toBeLessThan(
      find(together, 'well-main-starboard', 'colour').sightings.length,
    );
  });
  test('a sighting of one side moves the support of the other', () => {
    const before = find(viewOfDemo().view, 'well-main-starboard', 'colour').bestShare!;
    const { view } = viewOfDemo((state) => say(state, bay('port'), 'Apron', 'TCS 60'));
    expect(find(view, 'well-main-starboard', 'colour').bestShare!).toBeLessThan(before);
  });
  test('a repaint of one side counts for the pair', () => {
    const { view } = viewOfDemo((state) => {
      state.mirrors.push({ id: 'm', version: 1, zone: 'fin', aspect: 'colour', item: '', reason: 'alike' });
    });
    const starboard = find(view, 'fin-starboard', 'colour');
    const delivery = view.state.sources.find((s) => s.title === 'Delivery flight')!.id;
    expect(starboard.weighed.contributions.find((c) => c.source === delivery)!.weight).toBe(0);
    expect(starboard.best).toBe('TCS 27');
  });
});

describe('structure outlasts paint', () => {
  test('a museum machine that was repainted still tells a seam', () => {
    const repainted = (state: BriefState) => {
      state.events.push({
        id: 'e',
        version: 1,
        zone: 'fuselage-lower',
        kind: 'repaint',
        onDay: '1990-01-01',
        value: '',
        showsUnder: false,
        note: '',
      });
      say(state, { zone: 'fuselage-lower', aspect: 'colour' }, 'Museum', 'TCS 12');
    };
    const { view } = viewOfDemo(repainted);
    const museum = view.state.sources.find((s) => s.kind === 'museum-visit')!.id;
    const weightIn = (aspect: string) =>
      find(view, 'fuselage-lower', aspect).weighed.contributions.find((c) => c.source === museum)!.factors.dateFit;
    expect(weightIn('seam')).toBeGreaterThan(0);
    expect(weightIn('colour')).toBe(0);
  });
});

describe('wishes and lengths', () => {
  test('a wish weighs nothing and is told beside the support', () => {
    const door = find(viewOfDemo().view, 'canopy', 'door');
    expect(door.wish).toBe('open');
    expect(door.best).toBe('closed');
    expect(door.weighed.contributions.find((c) => c.value === 'open')).toMatchObject({ weight: 0, counted: false });
  });
  test('a ruled size reopens when new measurements move the median beyond its spread', () => {
    const size = { zone: 'fuselage-rear-port', aspect: 'size' };
    expect(find(viewOfDemo().view, size.zone, size.aspect).reopened).toBe(false);
    const { view } = viewOfDemo((state) => {
      for (const source of ['Delivery', 'Taxiing', 'Hangar', 'Low pass', 'Works']) say(state, size, source, '520');
    });
    expect(find(view, size.zone, size.aspect)).toMatchObject({ best: '520', reopened: true, open: true });
  });
  test('several markings of one zone are questions of their own', () => {
    const { view } = viewOfDemo((state) => {
      state.questions.push({ id: 'second', version: 1, zone: 'fuselage-rear-port', aspect: 'size', item: 'serial' });
      state.sightings.push({
        ...BLANK_SIGHTING,
        id: 's',
        version: 1,
        questionId: 'second',
        sourceId: state.sources.find((s) => s.title.startsWith('Apron'))!.id,
        value: '190',
      });
    });
    const sizes = view.questions.filter((q) => q.record.aspect === 'size');
    expect(Number(sizes[0]!.best)).toBeGreaterThan(400);
    expect(sizes[1]!.best).toBe('190');
    expect(sizes[1]!.aspectTitle).toBe('Marking, size: serial');
  });
});

test('a builder who trusts kit sheets more moves the support; what is not changed stays', () => {
  const share = (kit?: number) =>
    find(
      viewOfDemo((state) => {
        state.brief.weights = { kind: kit === undefined ? {} : { 'kit-sheet': kit }, clarity: {} };
      }).view,
      'well-nose',
      'colour',
    );
  expect(share().weighed.contributions[0]!.factors.kind).toBe(0.7);
  expect(share(3).weighed.contributions[0]!.factors.kind).toBe(3);
  expect(share(3).bestShare!).toBeGreaterThan(share().bestShare!);
  expect(share(0).weighed.state).toBe('unseen');
});

describe('what follows for the route', () => {
  test('a patch over old letters is laid after the finished coat, and belongs to the plan', () => {
    const { view } = viewOfDemo();
    expect(
      view.layers.find((order) => order.zone === 'fuselage-rear-port')!.layers.map((layer) => layer.value),
    ).toEqual(['TCS 21', 'TCS 31', 'Fuselage band']);
    const patch = view.plan.work.find((work) => work.key.startsWith('layer:fuselage-rear-port'))!;
    const coat = view.plan.work.find((work) => work.key === 'spray:TCS 21')!;
    expect(patch.step.title).toMatch(/^Patch over/);
    expect(patch.start > coat.end).toBe(true);
    // The band is a marking with steps of its own.
    expect(view.route.steps.filter((step) => step.key.startsWith('layer:')).length).toBe(1);
  });
  test('a coat that shows through a repaint is laid before it', () => {
    const { view } = viewOfDemo((state) => {
      state.events = state.events.map((event) => (event.zone === 'fin-port' ? { ...event, showsUnder: true } : event));
    });
    const [under, sand] = view.plan.work.filter((work) => work.key.startsWith('layer:fin-port:'));
    const over = view.plan.work.find((work) => work.key === 'spray:TCS 27')!;
    expect(under!.step.title).toMatch(/^Earlier coat/);
    // Between the old and the new it is sanded, once it is hard.
    expect(sand!.step).toMatchObject({ kind: 'sand', zones: ['fin-port'] });
    const hard = view.route.links.find(({ from, to }) => from === under!.key && to === sand!.key)!;
    expect(hard.minLag).toBeGreaterThanOrEqual(12 * 60);
    expect(under!.end < sand!.start && sand!.end <= over.start).toBe(true);
  });
  test('what is chased names what it blocks, what it would cost, and who could be asked', () => {
    const { view } = viewOfDemo();
    const bay = view.chase.find((item) => item.question.record.zone === 'well-nose')!;
    expect(bay.gate.name).toBe('fuselage');
    expect(bay.redoMinutes).toBeGreaterThan(60);
    expect(bay.find.photographs).toBe(1);
    const fin = view.chase.find((item) => item.question.record.zone === 'fin-starboard')!;
    expect(fin.find.views).toEqual(['starboard']);
    expect(fin.lookAt.every((id) => !fin.question.sightings.some((s) => s.sourceId === id))).toBe(true);
    for (const item of view.chase)
      expect(item.score).toBeCloseTo((item.chance * item.redoMinutes) / 60 / Math.max(0.5, item.daysLeft ?? 60), 9);
  });
});

describe("a builder's choice", () => {
  const zone = { zone: 'fin-port', aspect: 'colour' };
  const ruled = (favoured: string | null, over: (state: BriefState) => void = () => undefined) => {
    const { view } = viewOfDemo((state) => {
      const { id } = state.questions.find((q) => q.zone === zone.zone && q.aspect === zone.aspect)!;
      state.mirrors = state.mirrors.filter((mirror) => mirror.zone !== 'fin');
      state.sightings = state.sightings.filter(({ questionId }) => questionId !== id);
      state.rulings = state.rulings.filter(({ questionId }) => questionId !== id);
      // Two that do not settle it.
      say(state, zone, 'Apron', 'TCS 60');
      say(state, zone, 'Hangar', 'TCS 12');
      state.sightings.at(-1)!.clarity = 'partial';
      state.rulings.push({
        id: 'own',
        version: 1,
        questionId: id,
        value: 'TCS 27',
        basis: 'choice',
        reason: 'liked better',
        ruledBy: 'builder',
        favoured,
      });
      over(state);
    });
    return find(view, zone.zone, zone.aspect);
  };
  test('stands while the sources favour what they favoured when it was made', () => {
    expect(ruled('TCS 60')).toMatchObject({ reopened: false, open: false });
  });
  test('is asked again when they favour another value than then, unless it is the chosen one', () => {
    expect(ruled('TCS 31')).toMatchObject({ reopened: true, open: true });
    expect(ruled('')).toMatchObject({ reopened: true });
    expect(ruled('TCS 31', (state) => (state.rulings.at(-1)!.value = 'TCS 60'))).toMatchObject({ reopened: false });
  });
  test('of which nobody knows what it rested on is left alone until the sources settle', () => {
    expect(ruled(null).reopened).toBe(ruled(null).weighed.state === 'settled');
  });
  test('a departure from the record is never asked again', () => {
    expect(ruled('TCS 31', (state) => (state.rulings.at(-1)!.basis = 'departure'))).toMatchObject({ reopened: false });
  });
  test('what was ruled as supported has lost its ground when no source speaks any more', () => {
    const lost = (favoured: string | null) =>
      ruled(favoured, (state) => {
        Object.assign(state.rulings.at(-1)!, { basis: 'supported', value: 'TCS 60' });
        state.sightings = state.sightings.filter(({ questionId }) => questionId !== state.rulings.at(-1)!.questionId);
      });
    expect(lost('TCS 60')).toMatchObject({ best: null, reopened: true, open: true });
    expect(lost(null)).toMatchObject({ best: null, reopened: false });
  });
});
