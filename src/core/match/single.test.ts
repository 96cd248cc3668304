import { describe, expect, test } from '@jest/globals';
import type { Lab } from '@/core/colour/types';
import type { Paint } from '@/core/paint/catalogue';
import { paintOf } from '@tests/support/paints';
import { compareNeighbours, matchSingle, type Target } from './single';

const paint = (id: string, lab: Lab | null, over: Partial<Paint> = {}): Paint =>
  paintOf({ id, number: id, lab, ...over });
const target: Target = { lab: [40, -8, 12], sd: 0.5, code: 'TCS 31', finish: 'matt', kind: 'solid' };

describe('the nearest paints', () => {
  test('the drawer comes first even when the shop has a nearer one', () => {
    const found = matchSingle(target, [
      paint('shop', [40, -8, 12]),
      paint('mine', [43, -8, 12], { ownedMl: 4 }),
      paint('mine too', [41, -8, 12], { ownedMl: 1 }),
    ]);
    expect(found.map((m) => m.paint.id)).toEqual(['mine too', 'mine', 'shop']);
    expect(found[2]!.dE00).toBe(0);
    expect(found[2]!.says).toBe("can't tell apart");
  });
  test('metallics, clears and paints without colour data are not matched to a solid', () => {
    expect(matchSingle(target, [paint('silver', [40, -8, 12], { kind: 'metallic' }), paint('unknown', null)])).toEqual(
      [],
    );
  });
  test('an empty catalogue gives nothing, and says so by an empty list', () => {
    expect(matchSingle(target, [])).toEqual([]);
  });
  test('a claim is shown with how far it is really off; a wrong finish gets a clear', () => {
    const [m] = matchSingle(target, [paint('claimed', [48, -8, 12], { claims: ['TCS 31'], finish: 'gloss' })]);
    expect(m!.claimed).toBe(true);
    expect(m!.dE00).toBeGreaterThan(6);
    expect(m!.finishAdvice).toBe('gloss: a matt clear over it');
  });
});

test('two colours that merge after substitution are named', () => {
  const [pair] = compareNeighbours([
    { code: 'a', official: [40, 0, 0], chosen: [42, 0, 0] },
    { code: 'b', official: [46, 0, 0], chosen: [43, 0, 0] },
  ]);
  expect(pair!.officialDE).toBeGreaterThan(5);
  expect(pair!.says).toBe('these two will hardly show apart');
});
