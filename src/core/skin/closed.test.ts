import { describe, expect, test } from '@jest/globals';
import type { Xyz } from '@/core/outline/body';
import { PRESET_NAMES, PRESETS } from '@/core/outline/presets';
import { skinOf } from './machine';
import { eyeFrom, framed, seenFrom, THREE_QUARTER } from './seen-from';

/** Seen from anywhere a machine shows its outside: nobody looks into it. */

const FROM: readonly Xyz[] = [
  THREE_QUARTER,
  [0.7, 0.5, -0.5],
  [-0.2, 0.9, 0.1],
  [0, 0, 1],
  [0.05, 0.02, -1],
  [1, 0.3, 0.3],
];
const [WIDE, HIGH] = [300, 180];

describe.each(PRESET_NAMES)('%s', (preset) => {
  test('what is seen of it looks towards the eye', () => {
    const pieces = skinOf({
      spec: { preset, dimensions: PRESETS[preset].dimensions, landing: 'wheels', folded: false },
      denominator: 48,
      fields: [],
      markings: [],
    });
    for (const direction of FROM) {
      const eye = eyeFrom(direction);
      const seen = seenFrom(pieces, framed(pieces, eye, WIDE, HIGH), WIDE, HIGH);
      const inside = new Map<string, number>();
      let all = 0;
      seen.piece.forEach((piece, at) => {
        if (piece < 0) return;
        all += 1;
        const facing = [0, 1, 2].reduce((sum, k) => sum + seen.normal[3 * at + k]! * eye.toward[k]!, 0);
        const { zone, glass } = pieces[piece]!;
        if (facing < -0.05 && !glass) inside.set(zone, (inside.get(zone) ?? 0) + 1);
      });
      expect(all).toBeGreaterThan((WIDE * HIGH) / 40);
      const off = [...inside.values()].reduce((sum, count) => sum + count, 0);
      expect(`${off < all / 200 ? 'ok' : 'open'} ${direction} ${off} of ${all}: ${[...inside].join(' ')}`).toContain(
        'ok ',
      );
    }
  });
});
