import { describe, expect, test } from '@jest/globals';
import { EFFECT_SEEN, effectsSeen, exposureSaid, withSaid, type SaidOfUse } from './from-evidence';
import type { Exposure } from './exposure';

const said = (words: string, over: Partial<SaidOfUse> = {}): SaidOfUse => ({
  words,
  where: 'Picture at dusk',
  zone: null,
  isAgainst: false,
  ...over,
});
const USUAL: Exposure = { ground: 'grass', climate: 'temperate', skin: 'metal', care: 'as usual' };

describe('the exposure as evidence has it', () => {
  test.each([
    ['flown from a concrete apron', { ground: 'tarmac' }],
    ['Carrier squadron, flight deck', { ground: 'deck', climate: 'sea' }],
    ['desert strip, muddy after the rain', { ground: 'dirt', climate: 'desert' }],
    ['fabric patches, filthy underneath', { skin: 'wood and fabric', care: 'neglected' }],
    ['polished for the parade', { care: 'kept clean' }],
  ])('%s', (words, expected) => {
    const found = exposureSaid([said(words)], null);
    for (const [name, value] of Object.entries(expected)) expect(found[name as keyof Exposure]?.value).toBe(value);
  });

  test('says whose word it is; the first word counts, and what was seen not to be there does not', () => {
    const found = exposureSaid(
      [
        said('dirty', { isAgainst: true }),
        said('very clean', { where: 'Ruled' }),
        said('filthy all over', { where: 'A later picture' }),
      ],
      null,
    );
    expect(found.care).toEqual({ value: 'kept clean', because: 'Ruled: “very clean”' });
  });

  test('“not clean” is no word for a clean machine', () => {
    expect(exposureSaid([said('not at all clean')], null).care).toBeUndefined();
  });

  test('a machine that was painted a few weeks before looks kept; words outweigh the calendar', () => {
    expect(exposureSaid([], 20).care?.value).toBe('kept clean');
    expect(exposureSaid([], 200).care).toBeUndefined();
    expect(exposureSaid([said('battered')], 20).care?.value).toBe('neglected');
  });

  test('what nobody speaks of stays as is usual', () => {
    expect(withSaid(USUAL, exposureSaid([said('a fine machine')], null))).toEqual(USUAL);
    expect(withSaid(USUAL, exposureSaid([said('snow on the field')], null))).toEqual({
      ...USUAL,
      ground: 'snow',
      climate: 'arctic',
    });
  });
});

describe('effects that were seen', () => {
  test.each(Object.entries(EFFECT_SEEN))('%s: what a stain in a picture is called is read as it', (effect, words) => {
    expect([...effectsSeen([said(`${words}, 0.42 ± 0.05 m²`, { zone: 'cowling-port' })])]).toEqual([
      [effect, expect.objectContaining({ zones: ['cowling-port'], isAbsent: false })],
    ]);
  });

  test('with their zones and whose word it is', () => {
    const seen = effectsSeen([
      said('exhaust stain to the wing root, oil below the panel', { zone: 'cowling-port' }),
      said('sooty exhaust', { zone: 'cowling-starboard' }),
    ]);
    expect(seen.get('exhaust')).toEqual({
      zones: ['cowling-port', 'cowling-starboard'],
      says: 'Picture at dusk: “exhaust stain to the wing root, oil below the panel”',
      isAbsent: false,
    });
    expect(seen.get('leak')!.zones).toEqual(['cowling-port']);
    expect(seen.has('salt')).toBe(false);
  });

  test('what should show and does not is absent, until something shows it', () => {
    const absent = said('chips at the root', { zone: 'wing-upper-port', isAgainst: true });
    expect(effectsSeen([absent]).get('chips')!.isAbsent).toBe(true);
    expect(effectsSeen([said('no chips anywhere')]).get('chips')!.isAbsent).toBe(true);
    const both = effectsSeen([absent, said('chipped to the metal', { zone: 'cowling-port' })]);
    expect(both.get('chips')).toMatchObject({ isAbsent: false, zones: ['cowling-port'] });
  });
});
