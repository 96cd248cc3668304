import { describe, expect, test } from '@jest/globals';
import { saidTogether, whyNot } from './conflicts';
import { NOT_BEGUN } from './machine';
import { DEFAULT_OPTIONS, OPTION_CHOICES, OPTION_NAMES, optionsFor, optionsInWords, type Options } from './options';
import { optionsSchema } from './option-fields';
import { sightOf } from './seen';
import type { Machine } from './machine';

const machine: Machine = {
  form: 'aircraft',
  gear: 'retracts',
  thirdWheel: 'nose',
  power: 'propeller',
  exhausts: 'cowling',
  wings: 'fixed',
  glazing: 'canopy',
  wires: 'none',
};

describe('options in a sentence', () => {
  test('are said as a builder says them, and only those that the machine has', () => {
    expect(optionsInWords(DEFAULT_OPTIONS, machine)).toBe(
      'parked, canopy closed, doors closed, gear down, lands on wheels, flaps up, wings or blades spread, no stores, nobody aboard, lights painted, stands on its gear, pre-shaded coats, primed with a primer, cockpit assembled before paint, undercoats as chosen for each colour, gear on after paint, canopy on before paint, wash over gloss, chips sponged on top, decals on a gloss coat, weathered as in service',
    );
    expect(optionsInWords(DEFAULT_OPTIONS, { ...machine, power: 'rotor', wings: 'none' })).toMatch(/blades drooping/);
  });
  test('each choice is told apart from the others', () => {
    const everything: Machine = { ...machine, wings: 'swing', power: 'rotor and propeller', wires: 'braced' };
    for (const name of OPTION_NAMES) {
      const said = OPTION_CHOICES[name].choices.map((choice) =>
        optionsInWords({ ...DEFAULT_OPTIONS, [name]: choice } as Options, everything),
      );
      expect(new Set(said).size).toBe(OPTION_CHOICES[name].choices.length);
    }
  });
  test('a machine has no choice of what it does not have', () => {
    expect(optionsFor(machine)).not.toContain('sweep');
    expect(optionsFor({ ...machine, wings: 'none' })).not.toContain('flaps');
    expect(optionsFor({ ...machine, wings: 'swing' })).toContain('sweep');
  });
  test('what a file leaves out is as usual', () => {
    expect(optionsSchema.parse({})).toEqual(DEFAULT_OPTIONS);
    expect(optionsSchema.safeParse({ state: 'dreaming' }).error?.issues[0]?.message).toMatch(/State of the machine/);
  });
});

describe('choices that do not go together', () => {
  const with_ = (over: Partial<Options>, of: Partial<Machine> = {}, progress = NOT_BEGUN) =>
    whyNot({ ...DEFAULT_OPTIONS, ...over }, { ...machine, ...of }, progress);
  test('gear up on fixed gear, and standing on gear that is up, are refused with the reason', () => {
    expect(with_({ gear: 'up', stand: 'a rod' }, { gear: 'fixed' })).toEqual(['this machine cannot draw its gear up']);
    expect(with_({ gear: 'up' })[0]).toMatch(/cannot stand on it/);
    expect(with_({ gear: 'up', stand: 'a rod' })).toEqual([]);
  });
  test('a nose ski without its weight is refused once the fuselage is closed', () => {
    expect(with_({ landing: 'skis' })).toEqual([]);
    expect(with_({ landing: 'skis' }, {}, { fuselage: 'closed', noseWeight: 'not in' })[0]).toMatch(/weight/);
    expect(with_({ landing: 'skis' }, {}, { fuselage: 'closed', noseWeight: 'in' })).toEqual([]);
    expect(with_({ landing: 'skis' }, { thirdWheel: 'tail' }, { fuselage: 'closed', noseWeight: 'not in' })).toEqual(
      [],
    );
  });
  test('wheels down on a rod is allowed and said', () => {
    const options: Options = { ...DEFAULT_OPTIONS, stand: 'a rod' };
    expect(whyNot(options, machine, NOT_BEGUN)).toEqual([]);
    expect(saidTogether(options, machine, NOT_BEGUN)[0]!.says).toMatch(/approach/);
  });
  test('what flies does not stand on its gear, and only a rotor hovers', () => {
    expect(with_({ state: 'flying' })[0]).toMatch(/in the air/);
    expect(with_({ state: 'hovering', stand: 'a rod' })).toEqual(['only a rotor hovers']);
    expect(with_({ state: 'hovering', stand: 'a rod' }, { power: 'rotor', wings: 'none' })).toEqual([]);
  });
});

describe('what can be seen', () => {
  const sight = (group: string, over: Partial<Options>) => sightOf({ group }, { ...DEFAULT_OPTIONS, ...over });
  test('a closed canopy leaves the cockpit behind glass, an open one or an open door in plain sight', () => {
    expect(sight('interior', {}).sight).toBe('through glass');
    expect(sight('interior', { canopy: 'open' }).sight).toBe('plain');
    expect(sight('interior', { doors: 'open' }).sight).toBe('plain');
  });
  test('covers of a stored machine and closed bay doors hide, and say why; a crew does not', () => {
    expect(sight('interior', { state: 'stored' })).toEqual({
      sight: 'hidden',
      because: 'the covers lie over the glass',
    });
    expect(sight('bays', { gear: 'up' }).sight).toBe('hidden');
    // Seats are seen beside those who sit on them.
    expect(sight('interior', { crew: 'aboard', canopy: 'open' }).sight).toBe('plain');
    expect(sight('tail', { gear: 'up', state: 'stored' }).sight).toBe('plain');
  });
});
