import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { dunlin } from '@demo/dunlin';
import { briefFileSchema, type BriefFile } from './brief-file';
import { repairedFile } from './repair';

const whole = () => briefFileSchema.parse(structuredClone(dunlin('2026-11-10').file));
const changed = (change: (file: BriefFile) => void): BriefFile => {
  const file = whole();
  change(file);
  return repairedFile(file, []);
};
const isSound = (file: BriefFile) => briefFileSchema.safeParse(file).success;

describe('a backup', () => {
  test('of a sound brief goes out as it is', () => {
    const file = whole();
    expect(repairedFile(file, [])).toBe(file);
  });
  test('of sources derived from one another lets one link go and keeps both', () => {
    const file = changed(({ sources: [a, b] }) => {
      a!.derivedFrom = [b!.ref];
      b!.derivedFrom = [a!.ref];
    });
    expect(isSound(file)).toBe(true);
    expect(file.sources).toHaveLength(whole().sources.length);
    expect(file.repaired).toHaveLength(1);
    expect(file.repaired[0]).toMatch(/^sources \d+ \(.+\): derivedFrom goes in a circle.*; derivedFrom is left open$/);
  });
  test('of two parts of one number keeps the first', () => {
    const file = changed(({ parts }) => {
      const [part] = briefFileSchema.parse({
        ...whole(),
        parts: [
          {
            sprue: 'A',
            number: '7',
            name: 'wheel',
            count: 1,
            instructionStep: '',
            zone: '',
            origin: 'kit',
            condition: 'sound',
            codes: [],
            painted: 'assembly',
            orderedUntil: null,
            note: '',
          },
        ],
      }).parts;
      parts.push(part!, { ...part!, number: '07' });
    });
    expect(isSound(file)).toBe(true);
    expect(file.parts.map(({ number }) => number)).toEqual(['7']);
    expect(file.repaired[0]).toMatch(/is in the register already; it is left out$/);
  });
  test('of a ruling on a question that is gone leaves the ruling out', () => {
    const file = changed(({ rulings }) => {
      rulings[0]!.question = 'q999';
    });
    expect(isSound(file)).toBe(true);
    expect(file.rulings).toHaveLength(whole().rulings.length - 1);
  });
  test('of options that cannot be begins them anew', () => {
    const file = changed(({ brief }) => {
      brief.options = { ...brief.options, gear: 'up', stand: 'its gear' };
    });
    expect(isSound(file)).toBe(true);
    expect(file.repaired[0]).toMatch(/^brief options: /);
  });
  test('of a brief and a machine that nobody can read begins both anew', () => {
    const file = changed((broken) => {
      Object.assign(broken, { brief: null, airframe: null });
    });
    expect(isSound(file)).toBe(true);
    expect(file.repaired.map((said) => said.split(':')[0])).toEqual(['brief', 'airframe']);
  });
  test('of more than a brief can hold keeps the first', () => {
    const file = changed(({ timers }) => {
      for (let i = 0; i < 120; i += 1)
        timers.push({
          stepKey: '',
          label: `T ${i}`,
          startedAt: '2026-11-10T10:00:00.000Z',
          minutes: 5,
          closesMin: null,
          factor: 1,
        });
    });
    expect(isSound(file)).toBe(true);
    expect(file.timers).toHaveLength(100);
  });
});

type Json = { [key: string]: Json } | Json[] | string | number | boolean | null;
/** Every place of a file that holds something, to break it at. */
const places = (value: Json, at: (string | number)[] = []): (string | number)[][] =>
  typeof value === 'object' && value !== null
    ? Object.entries(value).flatMap(([key, own]) => {
        const place = [...at, Array.isArray(value) ? Number(key) : key];
        return [place, ...places(own, place)];
      })
    : [];

test('however a brief is broken, its backup goes out and is named to be mended', () => {
  const all = places(whole() as unknown as Json).filter(
    ([list]) => list !== 'format' && list !== 'pictures' && list !== 'repaired',
  );
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(all.length - 1), fc.constantFrom(null, '', 'x', -1, 1e21, [], {}, 'a\nb')), {
        minLength: 1,
        maxLength: 6,
      }),
      (breaks) => {
        const file = whole();
        for (const [n, value] of breaks) {
          const place = all[n]!;
          const holder = place
            .slice(0, -1)
            .reduce<Record<string | number, unknown> | null>(
              (held, part) =>
                typeof held === 'object' && held ? (held[part] as Record<string | number, unknown>) : null,
              file as unknown as Record<string | number, unknown>,
            );
          if (typeof holder === 'object' && holder) holder[place.at(-1)!] = value;
        }
        const sound = isSound(file);
        const mended = repairedFile(file, []);
        expect(isSound(mended)).toBe(true);
        expect(mended.repaired.length > 0).toBe(!sound);
      },
    ),
    { numRuns: 150, seed: 6 },
  );
});
