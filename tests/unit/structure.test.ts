import { describe, expect, test } from '@jest/globals';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { CORE_ROOMS, LAYERS } from '../../rooms.mjs';

/** The imports of the whole house, walked by the one ordered list. */
const ROOT = path.join(process.cwd(), 'src');
const files = (readdirSync(ROOT, { recursive: true }) as string[]).filter(
  (file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file),
);

function target(from: string, wanted: string): string | null {
  const base = wanted.startsWith('@/')
    ? wanted.slice(2)
    : wanted.startsWith('.')
      ? path.posix.join(path.posix.dirname(from), wanted)
      : null;
  if (base === null) return null;
  return (
    ['.ts', '.tsx', '.json', '.css', ''].map((end) => base + end).find((file) => existsSync(path.join(ROOT, file))) ??
    null
  );
}

const imports = new Map(
  files.map((file) => [
    file,
    [...readFileSync(path.join(ROOT, file), 'utf8').matchAll(/(?:from|import\(|new URL\()\s*'([^']+)'/g)].flatMap(
      (found) => target(file, found[1]!) ?? [],
    ),
  ]),
);
const arrows = [...imports].flatMap(([from, list]) => list.map((to) => [from, to] as const));
const uses: Record<string, string[]> = LAYERS;
const layerOf = (file: string): string => file.split('/')[0]!;
const roomOf = (file: string) => file.split('/')[1]!;

describe('the house', () => {
  test('every folder of core is a room of the list', () => {
    const rooms = new Set(files.filter((file) => layerOf(file) === 'core').map(roomOf));
    expect([...rooms].filter((room) => !CORE_ROOMS.includes(room))).toEqual([]);
  });
  test('a room of core uses only those before it', () => {
    const wrong = arrows.filter(
      ([from, to]) =>
        layerOf(from) === 'core' &&
        layerOf(to) === 'core' &&
        CORE_ROOMS.indexOf(roomOf(to)) > CORE_ROOMS.indexOf(roomOf(from)),
    );
    expect(wrong).toEqual([]);
  });
  test('the layers stand in their order', () => {
    const order = Object.keys(uses);
    const later = order.flatMap((layer, at) =>
      uses[layer]!.filter((used) => !used.startsWith('@') && !order.slice(0, at).includes(used)),
    );
    expect(later).toEqual([]);
  });
  test('a layer uses only what it may', () => {
    const wrong = arrows.filter(
      ([from, to]) =>
        from.includes('/') && layerOf(from) !== layerOf(to) && !uses[layerOf(from)]?.includes(layerOf(to)),
    );
    expect(wrong).toEqual([]);
  });
  test('no file leads back to itself', () => {
    const state = new Map<string, 'open' | 'done'>();
    const circles: string[] = [];
    const walk = (file: string, way: readonly string[]) => {
      if (state.get(file) === 'done') return;
      if (state.get(file) === 'open') {
        circles.push([...way.slice(way.indexOf(file)), file].join(' -> '));
        return;
      }
      state.set(file, 'open');
      for (const next of imports.get(file) ?? []) walk(next, [...way, file]);
      state.set(file, 'done');
    };
    for (const file of files) walk(file, []);
    expect(circles).toEqual([]);
  });
});
