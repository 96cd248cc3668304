import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { touchingZones } from './touching';

describe('zones that meet', () => {
  const { outline } = viewOfDemo().view;
  const pairs = touchingZones(outline).map((pair) => pair.join(' '));
  const meet = (a: string, b: string) => pairs.includes([a, b].sort().join(' '));
  test('neighbours along the fuselage do, its ends do not', () => {
    expect(meet('fuselage-forward-port', 'fuselage-mid-port')).toBe(true);
    expect(meet('cowling-port', 'fin-port')).toBe(false);
  });
  test('the two halves of the airframe are not neighbours across it', () => {
    expect(meet('wing-upper-outer-port', 'wing-upper-outer-starboard')).toBe(false);
  });
  test('each pair stands once', () => expect(new Set(pairs).size).toBe(pairs.length));
});
