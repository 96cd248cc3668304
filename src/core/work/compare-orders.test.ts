import { describe, expect, test } from '@jest/globals';
import { compareOrders, ORDER_NAMES, type OrdersWanted } from './compare-orders';

describe('orders of spraying side by side', () => {
  const wanted: OrdersWanted = {
    colours: ['grey', 'green', 'white'],
    edges: [
      { a: 'grey', b: 'green', hard: true, modelMm: 200 },
      { a: 'green', b: 'white', hard: true, modelMm: 40 },
      { a: 'grey', b: 'nowhere', hard: true, modelMm: 999 },
    ],
    hides: [
      ['green', 'grey'],
      ['green', 'nowhere'],
    ],
    lightness: { grey: 60, green: 40, white: 95 },
    markingsFirst: [],
    chosen: [],
  };
  test('none takes less than the least, and what is not there is left out', () => {
    const orders = compareOrders({ ...wanted, markingsFirst: [['white', 'green']], chosen: ['white'] })!;
    expect(orders.flatMap(({ names }) => names).sort()).toEqual([...ORDER_NAMES].sort());
    expect(new Set(orders.map(({ order }) => order.join())).size).toBe(orders.length);
    for (const { minutes, order } of orders) {
      expect(minutes).toBeGreaterThanOrEqual(orders[0]!.minutes - 1e-9);
      expect([...order].sort()).toEqual(['green', 'grey', 'white']);
    }
    const first = orders.find(({ names }) => names.includes('markings first'))!.order;
    expect(first.indexOf('white')).toBeLessThan(first.indexOf('green'));
  });
  test('markings that would have to come before each other are no order', () => {
    const circle = compareOrders({
      ...wanted,
      markingsFirst: [
        ['white', 'green'],
        ['green', 'white'],
      ],
    })!;
    expect(circle.flatMap(({ names }) => names)).not.toContain('markings first');
  });
  test('too many colours are none', () => {
    expect(compareOrders({ ...wanted, colours: Array.from({ length: 17 }, (_, i) => `c${i}`) })).toBeNull();
  });
});
