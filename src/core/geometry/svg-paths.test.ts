import { describe, expect, test } from '@jest/globals';
import { polygonArea } from './polygon';
import { DrawingFault, shapesOfSvg } from './svg-paths';

const svg = (inside: string) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${inside}</svg>`;
const area = (inside: string) =>
  shapesOfSvg(svg(inside)).reduce((sum, { rings }) => sum + rings.reduce((all, ring) => all + polygonArea(ring), 0), 0);

describe('closed shapes of a drawing', () => {
  test.each<[string, number]>([
    ['<rect x="1" y="2" width="10" height="20"/>', 200],
    ['<circle cx="50" cy="50" r="10"/>', Math.PI * 100],
    ['<ellipse cx="0" cy="0" rx="10" ry="5"/>', Math.PI * 50],
    ['<polygon points="0,0 10,0 10,10"/>', 50],
    ['<path d="M0 0h10v10h-10z"/>', 100],
    ['<path d="M0 0C0 5.5228 4.4772 10 10 10V0Z"/>', (Math.PI / 4) * 100],
    ['<path d="M0 0A10 10 0 0 1 10 10L0 10Z"/>', (Math.PI / 4) * 100],
    ['<path d="M0 0Q10 0 10 10L0 10z"/>', 50 + 100 / 3],
    ['<g transform="translate(5 5)"><g transform="scale(2)"><rect width="3" height="3"/></g></g>', 36],
    ['<rect width="4" height="4" transform="rotate(30)"/>', 16],
  ])('%s', (inside, right) => expect(Math.abs(area(inside) / right - 1)).toBeLessThan(2e-3));

  test('transforms are done from the inside out', () => {
    const [shape] = shapesOfSvg(
      svg('<g transform="translate(100 0)"><rect width="1" height="1" transform="scale(10)"/></g>'),
    );
    expect(Math.max(...shape!.rings[0]!.map(([x]) => x))).toBeCloseTo(110, 6);
  });
  test('fills are told, from the style, the shape or its group; what is not filled is left out', () => {
    const fills = shapesOfSvg(
      svg(
        '<g fill="red"><rect width="1" height="1"/><rect width="1" height="1" style="stroke:#000;fill: blue"/></g><rect width="1" height="1" fill="none"/>',
      ),
    ).map(({ fill }) => fill);
    expect(fills).toEqual(['red', 'blue']);
  });
  test('an open line has no area; one that comes back to its beginning has', () => {
    expect(() => shapesOfSvg(svg('<path d="M0 0L10 0L10 10"/>'))).toThrow(/no closed shape/);
    expect(area('<path d="M0 0L10 0L10 10L0 0"/>')).toBeCloseTo(50, 3);
  });
});

describe('what is refused, with a sentence', () => {
  test.each<[string, string, RegExp]>([
    ['a script', svg('<script>alert(1)</script>'), /holds a script/],
    ['a handler', svg('<rect width="1" height="1" onclick="x()"/>'), /a script \(“onclick”\)/],
    ['a picture', svg('<image href="data:image/png;base64,AA"/>'), /outside of it|a picture/],
    ['a reference outwards', svg('<rect width="1" height="1" fill="url(x.svg#a)"/>'), /refers to something outside/],
    ['references within', svg('<use href="#a"/>'), /refers to something|references/],
    ['foreign content', svg('<foreignObject><b/></foreignObject>'), /foreign content/],
    ['entities', `<!DOCTYPE svg [<!ENTITY a "b">]>${svg('<rect width="1" height="1"/>')}`, /entities/],
    ['groups without end', svg('<g>'.repeat(100_000)), /nests groups more than 60 deep/],
    ['no drawing', '<html><body/></html>', /no drawing in SVG/],
    ['what is no markup', 'hello', /no drawing/],
    ['a tag that is not closed', '<svg><rect', /no drawing|cannot be read/],
    ['text', svg('<text>A</text>'), /outlines first/],
    ['numbers that are none', svg('<path d="M0 0L1e999 0L10 10Z"/>'), /no closed shape/],
    ['sizes of nought', svg('<rect width="0" height="10"/><circle r="-3"/>'), /no closed shape/],
  ])('%s', (_, text, says) => {
    expect(() => shapesOfSvg(text)).toThrow(DrawingFault);
    expect(() => shapesOfSvg(text)).toThrow(says);
  });
  test('two megabytes and more', () => {
    expect(() => shapesOfSvg(`<svg>${' '.repeat(2 * 1024 * 1024)}</svg>`)).toThrow(/more than 2 MB/);
  });
});
