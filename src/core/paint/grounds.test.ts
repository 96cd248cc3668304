import { describe, expect, test } from '@jest/globals';
import type { Lab } from '@/core/colour/types';
import { GROUNDS, groundOfSchool, undercoatSchools } from './grounds';

const YELLOW: Lab = [78, 8, 70];
const RED: Lab = [42, 55, 35];
const WHITE: Lab = [96, 0, 2];
const CREAM: Lab = [88, 1, 16];
const OLIVE: Lab = [38, -4, 18];

describe('grounds by school', () => {
  const key = (school: 'as chosen' | 'white' | 'warm', lab: Lab) => groundOfSchool(school, lab, 'solid')?.key ?? null;
  test('white under yellow, red, white and cream', () => {
    expect([YELLOW, RED, WHITE, CREAM].map((lab) => key('white', lab))).toEqual(['white', 'white', 'white', 'white']);
  });
  test('warm: pink under yellow and cream, white under red', () => {
    expect([YELLOW, CREAM, RED].map((lab) => key('warm', lab))).toEqual(['pink', 'pink', 'white']);
  });
  test('nothing under what hides, under metal, or where each colour has its own', () => {
    expect(key('white', OLIVE)).toBeNull();
    expect(key('as chosen', YELLOW)).toBeNull();
    expect(groundOfSchool('white', YELLOW, 'metallic')).toBeNull();
    expect(groundOfSchool('white', null, 'solid')).toBeNull();
  });
  test('a school never lays what is to be avoided under a colour', () => {
    for (const lab of [YELLOW, RED, WHITE, CREAM])
      for (const school of ['white', 'warm'] as const) {
        const { avoid } = undercoatSchools(lab, 'solid');
        expect(avoid.map(({ ground }) => ground)).not.toContain(key(school, lab));
      }
    expect(GROUNDS.map((ground) => ground.key)).toContain('pink');
  });
});
