import type { Server } from 'node:http';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { colorimeter } from '../colorimeter';
import { readBench } from '../bench-sensor';
import { LinkFault } from '../link';
import { benchClimate } from './bench-sensor';
import { askShops } from '../shops';
import { DeviceFault, SimulatedColorimeter } from './colorimeter';
import { serveSimulated } from './serve';
import { shopsAt } from './shops';

const chip: Lab = [62, -2, -3];
const minute = 60_000;

describe('the simulated bench sensor', () => {
  const at = (iso: string) => benchClimate('a', Date.parse(iso));
  test('a heated room: warmer and drier in the evening than before dawn', () => {
    const [evening, dawn] = [at('2026-01-05T21:00:00Z'), at('2026-01-05T06:00:00Z')];
    expect(evening.tempC).toBeGreaterThan(dawn.tempC + 2);
    expect(evening.humidity).toBeLessThan(dawn.humidity);
  });
  test('the same minute reads the same; the reading says when it was', () => {
    expect(at('2026-01-05T21:00:10Z')).toEqual(at('2026-01-05T21:00:50Z'));
    expect(at('2026-01-05T21:00:10Z').at).toBe('2026-01-05T21:00:00.000Z');
  });
  test('answers over its link as a real one would; nothing that answers is said in words', async () => {
    const { url, server } = await serveSimulated(() => Date.parse('2026-01-05T21:00:00Z'));
    const { tempC, humidity } = await readBench(url);
    expect([tempC > 15 && tempC < 25, humidity > 30 && humidity < 70]).toEqual([true, true]);
    server.close();
    await expect(readBench('http://127.0.0.1:9')).rejects.toThrow(LinkFault);
    await expect(readBench(undefined)).rejects.toThrow(/set up/);
  });
});

describe('the simulated colorimeter', () => {
  test('cold it reads too dark; warm and set on its tile it is within its noise', () => {
    const device = new SimulatedColorimeter('a');
    device.switchOn(0);
    device.setOnTile(0);
    expect(device.read(chip, 3 * minute).lab[0] - chip[0]).toBeGreaterThan(0.8);
    device.setOnTile(6 * minute);
    const { lab, warm } = device.read(chip, 6 * minute);
    expect(warm).toBe(true);
    expect(deltaE00(lab, chip)).toBeLessThan(0.6);
  });
  test('never twice the same, and the same again from the same start', () => {
    const readings = () => {
      const device = new SimulatedColorimeter('b');
      device.switchOn(0);
      return [device.read(chip, 10 * minute).lab, device.read(chip, 10 * minute).lab];
    };
    const [one, other] = readings();
    expect(one).not.toEqual(other);
    expect(readings()).toEqual([one, other]);
  });
  test('says when it was never set on its tile, and that it is off', () => {
    const device = new SimulatedColorimeter('c');
    expect(() => device.read(chip, 0)).toThrow(DeviceFault);
    device.switchOn(0);
    expect(device.read(chip, 10 * minute).tileAgeMin).toBeNull();
  });
});

describe('the simulated shops', () => {
  const asked = Array.from({ length: 40 }, (_, i) => ({
    paintId: `p${i}`,
    label: `Hask ${i}`,
    priceCents: 300,
    currency: 'EUR',
  }));
  const at = (day: number, hour = 12) => shopsAt(asked, Date.UTC(2026, 10, day, hour));
  test('three shops, each with its postage; the same hour gives the same answer', () => {
    expect(at(20)).toHaveLength(3);
    expect(at(20)).toEqual(at(20));
    for (const shop of at(20)) expect(shop.postageCents).toBeGreaterThan(0);
  });
  test('stock changes from day to day, and no shop has everything', () => {
    const stock = (day: number) => at(day).map(({ offers }) => offers.map(({ stock: count }) => count));
    expect(stock(20)).not.toEqual(stock(27));
    for (const { offers } of at(20)) {
      const has = offers.filter(({ stock: count }) => count > 0).length;
      expect(has).toBeGreaterThan(0);
      expect(has).toBeLessThan(asked.length);
    }
  });
  test('what is sold out comes back on a day ahead', () => {
    const out = at(20).flatMap(({ offers }) => offers.filter(({ stock }) => stock === 0));
    expect(out.length).toBeGreaterThan(0);
    for (const { restockOn } of out) expect(restockOn! > '2026-11-20').toBe(true);
  });
});

describe('over the link', () => {
  let url = '';
  let server: Server;
  let now = 0;
  beforeAll(async () => {
    ({ url, server } = await serveSimulated(() => now));
  });
  afterAll(() => new Promise<void>((resolve) => server.close(() => resolve())));

  test('the drivers speak to it as to a real one', async () => {
    const device = colorimeter(url);
    expect((await device.switchOn()).model).toMatch(/Simulated/);
    now = 10 * minute;
    await device.setOnTile();
    expect(deltaE00((await device.read(chip)).lab as Lab, chip)).toBeLessThan(0.6);
    const shops = await askShops([{ paintId: 'p', label: 'Hask 1', priceCents: 300, currency: 'EUR' }], url);
    expect(shops.map(({ currency }) => currency)).toEqual(['EUR', 'EUR', 'EUR']);
  });
  test('listens on loopback only', () => expect(url).toMatch(/^http:\/\/127\.0\.0\.1:\d+$/));
  test('nonsense is refused, and a silent service is said to be silent', async () => {
    await expect(colorimeter(url).read([500, 0, 0])).rejects.toThrow(LinkFault);
    await expect(askShops([], 'http://127.0.0.1:9')).rejects.toThrow('It does not answer. Try again in a moment.');
    await expect(askShops([], undefined)).rejects.toThrow('No such service is set up here.');
  });
});
