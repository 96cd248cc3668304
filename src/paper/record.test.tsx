/** @jest-environment node */
import { describe, expect, test } from '@jest/globals';
import { NOW, shelfOfDemo, stateOfDemo, viewOfDemo, workedUntil } from '@tests/support/demo-brief';
import { deriveBrief } from '@/core/derive/derive';
import { recordPaper } from './record-data';
import sharp from 'sharp';
import { recordHtml } from './record-html';
import { threeQuarterOf } from './three-quarter';
import { printed } from '@tests/support/paper';

const shelf = shelfOfDemo();
const worked = workedUntil(stateOfDemo(shelf), viewOfDemo().view, 'gloss');
const nasty = '<script>alert("x")</script> & "quoted"';
const state = {
  ...worked,
  log: worked.log.map((entry, i) => ({
    ...entry,
    note: i === 3 ? nasty : '',
    pictureId: i === 5 ? 'p1' : null,
    who: 'Wim',
  })),
};
const view = deriveBrief(state, shelf, { nowUtc: NOW, effort: 0 });
const data = recordPaper(view, new Date(NOW).toISOString());
const written = async (pictureOf: (id: string) => Promise<Uint8Array | null> = () => Promise.resolve(null)) => {
  let text = '';
  for await (const piece of recordHtml(data, '<svg></svg>', await threeQuarterOf(data.sheet), pictureOf)) text += piece;
  return text;
};

describe('the record of a build', () => {
  test('tells every step done, from the first day on, who did it and how long it took', () => {
    const lines = data.days.flatMap((day) => day.lines);
    expect(lines).toHaveLength(state.log.length);
    expect(lines[0]!.title).toBe(state.log[0]!.title);
    expect(data.summary).toContain(`${state.log.length} steps`);
    expect(data.summary).toContain('by Wim');
  });
  test('tells how each zone was made, from the plastic up, and of layers that are there only', () => {
    const side = data.zones.find(({ title }) => title === 'Cowling, port')!;
    expect(side.layers[0]).toMatch(/primer/i);
    expect(side.layers.at(-1)).toMatch(/clear/i);
    expect(side.layers.join()).not.toMatch(/wash/i);
  });
  test('as one page needs nothing beside itself: no script, nothing fetched, pictures within; what was typed stays text', async () => {
    const page = await written(() => Promise.resolve(new Uint8Array([255, 216, 255])));
    expect(page).not.toContain('<script');
    expect(page).toContain('&lt;script&gt;');
    expect(page).not.toMatch(/(src|href)="(?!data:)/);
    expect(page).toContain('src="data:image/jpeg;base64,/9j/"');
    expect(page.trim().endsWith('</html>')).toBe(true);
  });
  test('a picture that is gone leaves no hole', async () => {
    expect(await written()).not.toContain('data:image/jpeg');
  });
  test('begins with the machine as it stands, from its port bow', async () => {
    const [, png] = /<img class="whole" alt="The machine as it stands" src="data:image\/png;base64,([^"]+)">/.exec(
      await written(),
    )!;
    const { data: pixels, info } = await sharp(Buffer.from(png!, 'base64'))
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const drawn = pixels.filter((value, i) => i % 4 === 3 && value > 127).length;
    expect(drawn).toBeGreaterThan((info.width * info.height) / 12);
  });
  test('is a PDF', async () => {
    const bytes = await printed({ kind: 'record', data, pictures: {} });
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  });
});
