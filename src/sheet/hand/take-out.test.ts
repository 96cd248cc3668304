import { beforeAll, describe, expect, test } from '@jest/globals';
import { validateBytes } from 'gltf-validator';
import { skinOf } from '@/core/skin/machine';
import { PRESET_NAMES, PRESETS } from '@/core/outline/presets';
import type { Shown } from './shown';
import { modelOf } from './take-out';

/** The machine as other programs open it. */

// Node has no reader of files; what writes the format asks for one.
class Reader {
  result: ArrayBuffer | null = null;
  onloadend: () => void = () => undefined;
  readAsArrayBuffer(blob: Blob) {
    void blob.arrayBuffer().then((bytes) => {
      this.result = bytes;
      this.onloadend();
    });
  }
}
beforeAll(() => {
  Object.assign(globalThis, { FileReader: Reader });
});

describe.each(PRESET_NAMES)('%s', (preset) => {
  test('goes out without a fault, each zone by its name', async () => {
    const spec = { preset, dimensions: PRESETS[preset].dimensions, landing: 'wheels' as const, folded: false };
    const shown = skinOf({ spec, denominator: 72, fields: [], markings: [] }).map((piece): Shown => ({
      piece,
      colour: '#667788',
      opacity: piece.glass ? 0.45 : 1,
      sheen: piece.glass ? 'gloss' : 'matt',
      hatch: null,
    }));
    const bytes = new Uint8Array(await (await modelOf(shown, 1 / 72, (zone) => `zone ${zone}`)).arrayBuffer());
    const { issues, info } = await validateBytes(bytes);
    expect([issues.numErrors, issues.messages.slice(0, 3)]).toEqual([0, []]);
    expect(info.totalTriangleCount).toBe(shown.reduce((sum, { piece }) => sum + piece.index.length / 3, 0));
    const json = JSON.parse(
      new TextDecoder().decode(bytes.subarray(20, 20 + new DataView(bytes.buffer).getUint32(12, true))),
    ) as {
      nodes: { name?: string }[];
    };
    const names = new Set(json.nodes.map(({ name }) => name));
    for (const { piece } of shown) expect(names).toContain(`zone ${piece.zone}`);
  });
});
