import { describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/derive/derive';
import { MARKING_METHODS } from '@/core/markings/kinds';
import { PLAIN_PRINTING, WHITES } from '@/core/markings/printing';
import { minutesOfMaking } from '@/core/work/making';
import { NOW, shelfOfDemo, stateOfDemo } from '@tests/support/demo-brief';
import { minutesOfMethods } from './marking-minutes';

const shelf = shelfOfDemo();
const demo = { ...stateOfDemo(shelf), log: [], mishaps: [], plans: [], edits: [], runs: [] };

describe('what a marking takes', () => {
  test.each(MARKING_METHODS)('by %s is what the route plans for it', (method) => {
    const markings = demo.markings.map((marking) => ({ ...marking, method }));
    const view = deriveBrief({ ...demo, markings }, shelf, { nowUtc: NOW, effort: 0 });
    for (const marking of markings) {
      const own = view.route.steps.filter((step) => step.marking === marking.id);
      const planned = own.reduce((sum, { minutes }) => sum + minutes, 0);
      expect([marking.title, minutesOfMethods(view, marking)[method]]).toEqual([marking.title, planned]);
    }
  });

  test.each(WHITES)('printed at home with white under it, %s, too', (white) => {
    const printing = { ...PLAIN_PRINTING, white };
    const markings = demo.markings.map((marking) => ({ ...marking, method: 'own decal' as const, printing }));
    const view = deriveBrief({ ...demo, markings }, shelf, { nowUtc: NOW, effort: 0 });
    for (const marking of markings) {
      const own = view.route.steps.filter((step) => step.marking === marking.id);
      expect(own).toHaveLength(white === 'painted' || white === 'spare decal' ? 2 : 1);
      const planned = own.reduce((sum, { minutes }) => sum + minutes, 0);
      expect([marking.title, minutesOfMethods(view, marking)['own decal']]).toEqual([marking.title, planned]);
    }
  });

  test('grows with edges, colours and places, and never shrinks', () => {
    const marking = (pieces: number, colours: number) => ({
      painted: {
        edgeMm: 100 * pieces,
        areaCm2: pieces * colours,
        ofCodes: Array.from({ length: colours }, () => ({ edgeMm: 20 * pieces, areaCm2: pieces })),
      },
      pieces,
      isStencil: false,
      coats: Array.from({ length: colours }, (_, i) => ({
        what: 'colour' as const,
        of: [i],
        covers: 'own' as const,
        because: '',
      })),
      printing: PLAIN_PRINTING,
      covered: false,
      sprays: true,
    });
    for (const method of MARKING_METHODS)
      for (const [pieces, colours] of [
        [1, 1],
        [2, 3],
        [4, 2],
      ] as const) {
        const of = (more: number, richer: number) => minutesOfMaking(method, marking(pieces + more, colours + richer));
        expect(of(1, 0)).toBeGreaterThanOrEqual(of(0, 0));
        expect(of(0, 1)).toBeGreaterThanOrEqual(of(0, 0));
      }
  });
});
