import { describe, expect, test } from '@jest/globals';
import { outlineIn } from '@tests/support/photographed';
import { bestViewpoints, cameraFrom, placesOver, seenOf, seenPoorly, type Viewpoint } from './best-seen';
import { landerOn } from './landing';
import { lookingAt } from './view';

const outline = outlineIn('single');
const land = landerOn(outline, false);
const REAR = ['fuselage-rear-port', 'fuselage-rear-starboard'] as const;
const pictureFrom = (from: Viewpoint) => ({
  id: Object.values(from).join(' '),
  camera: cameraFrom(from, outline),
  land,
  // The whole machine is in it, and more.
  width: 1600,
  height: 1200,
});
const abeam = (side: 'port' | 'starboard') => pictureFrom({ along: 'abeam', side, height: 'level' });

describe('how well pictures show a zone', () => {
  test('the side that is looked at is shown well, the other in none of them', () => {
    const over = placesOver(outline, REAR);
    expect(seenPoorly(over, [abeam('port')])).toEqual([{ zone: 'fuselage-rear-starboard', best: null }]);
    expect(seenPoorly(over, [abeam('port'), abeam('starboard')])).toEqual([]);
  });
  test('what is seen only aslant is told by the picture that looks at it most squarely', () => {
    const over = placesOver(outline, ['wing-upper-outer-port']);
    const low = pictureFrom({ along: 'abeam', side: 'port', height: 'level' });
    const [found] = seenPoorly(over, [low]);
    expect(found!.best?.deg ?? 0).toBeLessThan(30);
    const high = pictureFrom({ along: 'behind', side: 'port', height: 'above' });
    expect(seenPoorly(over, [low, high])).toEqual([]);
  });
  test('a wing from straight above is looked at squarely; beside the picture nothing is seen', () => {
    const [places] = placesOver(outline, ['wing-upper-outer-port']).values();
    const centre = [3000, 0, 90_000] as const;
    const camera = {
      focalPx: 4000,
      principal: [800, 600],
      k1: 0,
      centre,
      rotation: lookingAt(centre, [3000, 0, 0]),
    } as const;
    const { share, deg } = seenOf(places!, camera, land, { width: 1600, height: 1200 });
    expect(share).toBeGreaterThan(0.8);
    expect(deg).toBeGreaterThan(75);
    expect(seenOf(places!, { ...camera, principal: [9000, 600] }, land, { width: 1600, height: 1200 }).share).toBe(0);
  });
});

describe('from where a picture would show most', () => {
  const best = (...zones: string[]) =>
    bestViewpoints(
      outline,
      land,
      zones.map((zone) => ({ zone, weight: 1 })),
    );
  test('of one side from that side, of the underside from below', () => {
    expect(best('fuselage-rear-starboard', 'fuselage-forward-starboard')[0]).toMatchObject({
      share: 1,
      from: { side: 'starboard' },
    });
    expect(best('wing-lower-port', 'wing-lower-starboard')[0]!.from.height).toBe('below');
  });
  test('what weighs more decides, and is named first', () => {
    const wanted = (port: number) =>
      bestViewpoints(outline, land, [
        { zone: REAR[0], weight: port },
        { zone: REAR[1], weight: 1 },
      ])[0]!;
    expect(wanted(3).from.side).toBe('port');
    expect(wanted(3).share).toBeCloseTo(0.75, 9);
    expect(wanted(0.2).from.side).toBe('starboard');
  });
  test('of what lies inside no picture from outside shows anything', () => {
    expect(best('cockpit', 'no such zone')).toEqual([]);
    expect(best()).toEqual([]);
  });
});
