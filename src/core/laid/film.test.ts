import { describe, expect, test } from '@jest/globals';
import { seenOn, standAfter, type Film, type FilmCoat, type Frame } from './film';

const coat = (over: Partial<FilmCoat>): FilmCoat => ({
  what: 'colour',
  code: null,
  hex: null,
  hides: 1,
  sheen: 'matt',
  marking: null,
  zones: ['wing'],
  ...over,
});
const frame = (title: string, over: Partial<Frame>): Frame => ({
  step: title,
  title,
  on: null,
  isDone: false,
  coats: [],
  tape: null,
  off: [],
  ...over,
});
const FRAMES = [
  frame('prime', { coats: [coat({ what: 'primer', hex: '#999999' })] }),
  frame('green', { coats: [coat({ code: 'GREEN', sheen: 'satin' })] }),
  frame('mask', {
    tape: { of: 'brown', goes: 'on', marking: null, covers: [{ zone: 'wing', code: 'GREEN', panes: false }] },
  }),
  frame('brown', { coats: [coat({ code: 'BROWN' })] }),
  frame('unmask', { tape: { of: 'brown', goes: 'off', marking: null, covers: [] } }),
  frame('gloss', { coats: [coat({ what: 'clear', hides: 0, sheen: 'gloss' })] }),
  frame('star', { coats: [coat({ what: 'decal', marking: 'star', sheen: null })] }),
  frame('wash', { coats: [coat({ what: 'wash', hex: '#333333', hides: 0.1, sheen: null })] }),
];
const film: Film = { frames: FRAMES, grounds: { wing: 'GREEN' }, worn: { wing: ['GREEN', 'BROWN'] }, standard: {} };
const patch = (code: string | null, marking: string | null = null, glass = false) => ({
  zone: 'wing',
  code,
  marking,
  glass,
});
const after = (title: string) => standAfter(film, FRAMES.findIndex((one) => one.title === title) + 1);
const codes = (of: Parameters<typeof seenOn>[0], title: string) =>
  seenOn(of, film, after(title))?.coats.map(({ code, hex }) => code ?? hex);

describe('what is seen of a patch', () => {
  test('nothing on bare plastic', () => {
    expect(seenOn(patch(null), film, standAfter(film, 0))).toEqual({ coats: [], sheen: null, isTaped: false });
  });

  test('the ground of a zone goes over all of it, another colour on its own field alone', () => {
    expect(codes(patch(null), 'prime')).toEqual(['#999999']);
    expect([codes(patch(null), 'green'), codes(patch('BROWN'), 'green')]).toEqual([['GREEN'], ['GREEN']]);
    expect([codes(patch(null), 'brown'), codes(patch('BROWN'), 'brown')]).toEqual([['GREEN'], ['BROWN']]);
  });

  test('a ground that is laid after a field leaves that as it is', () => {
    const turned: Film = { ...film, frames: [FRAMES[3]!, FRAMES[1]!] };
    const stand = standAfter(turned, 2);
    expect(seenOn(patch('BROWN'), turned, stand)!.coats).toMatchObject([{ code: 'BROWN' }]);
    expect(seenOn(patch(null), turned, stand)!.coats).toMatchObject([{ code: 'GREEN' }]);
    // Before that the rest of the zone is as it was.
    expect(seenOn(patch(null), turned, standAfter(turned, 1))!.coats).toEqual([]);
  });

  test('a colour that nothing there wears any more lies on all of it', () => {
    const old: Film = { ...film, frames: [frame('old', { coats: [coat({ code: 'BLUE' })] })] };
    for (const code of [null, 'BROWN'])
      expect(seenOn(patch(code), old, standAfter(old, 1))!.coats).toMatchObject([{ code: 'BLUE' }]);
  });

  test('tape lies on what is masked off, until it comes off', () => {
    expect([after('mask'), after('unmask')].map((stand) => seenOn(patch(null), film, stand)!.isTaped)).toEqual([
      true,
      false,
    ]);
    expect(seenOn(patch('BROWN'), film, after('mask'))!.isTaped).toBe(false);
  });

  test('a mask over panes leaves their frames bare', () => {
    const stand = standAfter(
      {
        ...film,
        frames: [
          frame('panes', {
            tape: { of: 'canopy', goes: 'on', marking: null, covers: [{ zone: 'wing', code: null, panes: true }] },
          }),
        ],
      },
      1,
    );
    expect([true, false].map((glass) => seenOn(patch(null, null, glass), film, stand)!.isTaped)).toEqual([true, false]);
  });

  test('a marking is there from its own work on, in its own colours, and is washed with its zone', () => {
    expect(codes(patch('WHITE', 'star'), 'gloss')).toBeUndefined();
    expect(codes(patch('WHITE', 'star'), 'star')).toEqual(['WHITE']);
    expect(codes(patch('WHITE', 'star'), 'wash')).toEqual(['WHITE', '#333333']);
    expect(codes(patch(null), 'star')).toEqual(['GREEN']);
  });

  test('a clear changes how it takes the light and nothing else', () => {
    expect(seenOn(patch(null), film, after('green'))!.sheen).toBe('satin');
    expect([seenOn(patch(null), film, after('gloss'))!.sheen, codes(patch(null), 'gloss')]).toEqual([
      'gloss',
      ['GREEN'],
    ]);
  });

  test('what a repair took off is off on its zones, and what lies over it stays', () => {
    const mended: Film = {
      ...film,
      frames: [FRAMES[0]!, FRAMES[1]!, frame('strip', { off: [{ frame: 1, zones: ['wing'] }] })],
    };
    expect(seenOn(patch(null), mended, standAfter(mended, 2))!.coats).toMatchObject([{ code: 'GREEN' }]);
    expect(seenOn(patch(null), mended, standAfter(mended, 3))!.coats).toMatchObject([{ hex: '#999999' }]);
  });
});
