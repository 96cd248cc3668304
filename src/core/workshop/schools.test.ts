import { describe, expect, test } from '@jest/globals';
import { NOW, shelfOfDemo, viewOfDemo } from '@tests/support/demo-brief';
import { OPTION_CHOICES, SCHOOL_NAMES } from '@/core/kit/options';
import { stacksIn } from '@tests/support/stacks';
import { COLOUR_ORDER, comparedSchools, stripOfChoice } from './schools';
import { weatheredThoughClean } from './use-said';

describe('schools side by side', () => {
  const { view } = viewOfDemo();
  const shelf = shelfOfDemo();
  const schools = [...comparedSchools(view, shelf, new Date(NOW).toISOString())];
  const of = (name: (typeof SCHOOL_NAMES)[number], choice: string) =>
    schools.find((school) => school.name === name)!.choices.find((one) => one.choice === choice)!;
  test('every choice of each is there, one of them is the chosen one, none is recommended against another', () => {
    for (const { name, choices } of schools) {
      if (name !== COLOUR_ORDER) expect(choices.map(({ choice }) => choice)).toEqual([...OPTION_CHOICES[name].choices]);
      expect(choices.filter(({ isChosen }) => isChosen)).toHaveLength(1);
      expect(choices.filter(({ because }) => because !== null).length).toBeLessThanOrEqual(1);
    }
  });
  test('the chosen ones are the same schedule; more weathering is more work, none the least', () => {
    const chosen = schools.map(({ choices }) => choices.find(({ isChosen }) => isChosen)!.minutes);
    expect(new Set(chosen).size).toBe(1);
    const work = OPTION_CHOICES.weathering.choices.map((choice) => of('weathering', choice).minutes);
    expect(work).toEqual([...work].sort((a, b) => a - b));
    expect(of('decalGround', 'straight on').minutes).toBeLessThan(of('decalGround', 'gloss coat').minutes);
  });
  test('the orders of the colours: each once, with its time under tape, and drawn as the route would be', () => {
    const { choices } = schools.find(({ name }) => name === COLOUR_ORDER)!;
    const orders = choices.map(({ order }) => order!.join());
    expect(new Set(orders).size).toBe(orders.length);
    expect(choices.map(({ choice }) => choice).join()).toMatch(/least masking.*light to dark/);
    for (const { choice, order, risk } of choices) {
      expect(risk).toMatch(/under tape in \d+ masking sessions?, [\d.]+ m of tape/);
      const { view: other } = viewOfDemo((state) => {
        state.brief.maskOrder = order!;
      });
      const sprays = other.route.steps.flatMap(({ key }) =>
        key.startsWith('spray:') && !key.endsWith(':ground') ? [key.slice(6)] : [],
      );
      expect(sprays.filter((code) => order!.includes(code))).toEqual(order!.filter((code) => sprays.includes(code)));
      expect(stripOfChoice(view, shelf, new Date(NOW).toISOString(), COLOUR_ORDER, choice)).not.toBeNull();
    }
    expect(stripOfChoice(view, shelf, new Date(NOW).toISOString(), COLOUR_ORDER, 'by weight')).toBeNull();
  });
  test('another tonal ground is reckoned with the coats that every colour takes over it', () => {
    const { view: black } = viewOfDemo((state) => {
      state.brief.options = { ...state.brief.options, tonal: 'black base' };
    });
    const minutes = black.plan.work.reduce((sum, item) => sum + item.step.minutes, 0);
    expect(of('tonal', 'black base').minutes).toBe(minutes);
  });
  test('plain coats at a small scale, a gloss coat under decals, and why', () => {
    const small = viewOfDemo((state) => {
      state.brief.denominator = 144;
    }).view;
    const [tonal] = [...comparedSchools(small, shelf, new Date(NOW).toISOString())].filter(
      ({ name }) => name === 'tonal',
    );
    expect(tonal!.choices.find(({ because }) => because)).toMatchObject({
      choice: 'plain',
      because: 'at 1/144 shading hardly shows',
    });
    expect(of('decalGround', 'gloss coat').because).toMatch(/decals/);
  });
});

describe('a machine that was kept clean', () => {
  const { view } = viewOfDemo((state) => {
    state.rulings = state.rulings.map((ruling) =>
      ruling.value.includes('exhaust stain') ? { ...ruling, value: 'polished, not a stain' } : ruling,
    );
  });
  test('is not to be weathered: recommended at the schools, said at the kit until it is chosen', () => {
    const weathering = [...comparedSchools(view, shelfOfDemo(), NOW)].find(({ name }) => name === 'weathering')!;
    const because = new Map(weathering.choices.map((one) => [one.choice, one.because]));
    expect(because.get('none')).toMatch(/kept clean: Ruled: “polished/);
    expect(because.get('in service')).toBeNull();
    expect(weatheredThoughClean(view)).toMatch(/polished.*left out by “Weathering: none”/);
    const options = { ...view.state.brief.options, weathering: 'none' as const };
    expect(
      weatheredThoughClean({ ...view, state: { ...view.state, brief: { ...view.state.brief, options } } }),
    ).toBeNull();
  });
  test('nothing is said of one of which nobody says so', () => {
    expect(weatheredThoughClean(viewOfDemo().view)).toBeNull();
  });
});

describe('chips by fluid beneath', () => {
  const { view } = viewOfDemo((state) => {
    state.brief.options = { ...state.brief.options, chips: 'fluid beneath' };
  });
  test('the fluid lies under one colour on the upper surfaces, over the ground, and is worn before anything is looked over', () => {
    const keys = view.route.steps.map(({ key }) => key);
    expect(keys).toEqual(expect.arrayContaining(['chip-fluid', 'chip-wear']));
    expect(keys).not.toContain('chips');
    const stacks = stacksIn(view.route, view.outline);
    const { zones } = view.route.steps.find(({ key }) => key === 'chip-fluid')!;
    const facing = new Map(view.outline.zones.map(({ key, faces }) => [key, faces]));
    expect(new Set(zones.map((zone) => facing.get(zone)))).toEqual(new Set(['up']));
    for (const zone of zones) {
      const stack = stacks.get(zone)!;
      const fluid = stack.findIndex(({ step }) => step === 'chip-fluid');
      expect([zone, fluid > 0 && stack[fluid + 1]!.what]).toEqual([zone, 'colour']);
    }
    const startOf = (key: string) => view.plan.work.find((item) => item.key === key)!.segments[0]![0];
    expect(startOf('chip-wear')).toBeGreaterThan(startOf('chip-fluid'));
    expect(startOf('look-over')).toBeGreaterThan(startOf('chip-wear'));
  });
});

describe('undercoats', () => {
  const grounds = (undercoats: 'as chosen' | 'white' | 'warm') => {
    const { view } = viewOfDemo((state) => {
      state.brief.options = { ...state.brief.options, undercoats };
    });
    return view.route.steps.flatMap(({ key, title }) =>
      key.endsWith(':ground') && !key.startsWith('marking') ? [title] : [],
    );
  };
  test('white goes under what hides badly, pink under yellow where warm ones are laid; nothing where each colour has its own', () => {
    expect(grounds('as chosen').some((title) => /Signal ochre/.test(title))).toBe(false);
    expect(grounds('white')).toContainEqual(expect.stringMatching(/^Lay white under Signal ochre/));
    expect(grounds('warm')).toContainEqual(expect.stringMatching(/^Lay pink under Signal ochre/));
    // Dark green hides by itself.
    expect(grounds('white').some((title) => /Fen green/.test(title))).toBe(false);
  });
  test('a ground that was chosen for a colour stays', () => {
    const { view } = viewOfDemo((state) => {
      state.brief.options = { ...state.brief.options, undercoats: 'white' };
      state.choices.forEach((choice) => (choice.ground = 'red-brown'));
    });
    const laid = view.route.steps.filter(({ key }) => key.endsWith(':ground') && !key.startsWith('marking'));
    expect(laid.length).toBeGreaterThan(0);
    expect(laid.every(({ title }) => /red-brown/.test(title))).toBe(true);
  });
});

describe('one way as it is drawn', () => {
  const { view } = viewOfDemo();
  const at = new Date(NOW).toISOString();
  test('has the steps of that way, its sessions in order, and none that is no way of the school', () => {
    const strip = stripOfChoice(view, shelfOfDemo(), at, 'washOver', 'matt')!;
    expect(strip.work.map(({ key }) => key)).toContain('matt-for-wash');
    expect(strip.sessions.every(({ start }, i) => i === 0 || start > strip.sessions[i - 1]!.start)).toBe(true);
    expect(stripOfChoice(view, shelfOfDemo(), at, 'washOver', 'toString')).toBeNull();
  });
});
