/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { PRESETS } from '@/core/outline/presets';
import { BAND } from '@tests/support/band';
import { buildOutline } from '@/core/outline/outline';
import { AirframeSheet } from './airframe-sheet';
import type { SheetMode } from './fill-of';
import type { SheetData, ShownSheet } from './sheet-data';
import { shownViews } from '@/core/markings/views';

afterEach(cleanup);

const spec = {
  preset: 'single' as const,
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels' as const,
  folded: false,
};
const sheet: SheetData = {
  spec,
  denominator: 48,
  titleBlock: [{ label: 'Airframe', value: 'Testbird' }],
  zones: buildOutline(spec).zones.map((zone) => ({
    key: zone.key,
    title: zone.title,
    certainty: zone.key === 'fin-port' ? 'contested' : zone.key === 'cowling-port' ? 'settled' : 'unseen',
    colour: zone.key === 'fin-port' ? '#445533' : null,
    progress: zone.key === 'fin-port' ? 1 : null,
  })),
  markings: [BAND],
  fields: [],
  inks: { 'TCS 05': '#d09a2a' },
};

const data: ShownSheet = { ...sheet, views: shownViews(buildOutline(spec), sheet.fields, sheet.markings) };

const fillOf = (zone: string) => document.getElementById(`sheet-port-zone-${zone}`)!.getAttribute('fill')!;

describe('the airframe sheet', () => {
  const choose = jest.fn<(zone: string | null) => void>();
  beforeEach(() => {
    choose.mockClear();
  });
  const show = (mode: SheetMode, selected: string | null = null) =>
    render(<AirframeSheet data={data} mode={mode} selected={selected} onSelect={choose} />);

  test('certainty is told by hatch, never by colour', () => {
    const { container } = show('certainty');
    expect(fillOf('cowling-port')).toBe('#8c8c8c');
    expect(fillOf('fin-port')).toMatch(/^url\(#.*contested\)$/);
    expect(document.getElementById('sheet-port-zone-spinner')!.getAttribute('stroke-dasharray')).not.toBeNull();
    for (const path of container.querySelectorAll('path[fill^="#"]')) {
      const [r, g, b] = path.getAttribute('fill')!.slice(1).match(/../g)!;
      expect([g, b]).toEqual([r, r]);
    }
  });

  test('colours show what will be painted; what is not ruled stays open', () => {
    show('colours');
    expect(fillOf('fin-port')).toBe('#445533');
    expect(document.getElementById('sheet-port-zone-cowling-port')!.getAttribute('stroke-dasharray')).not.toBeNull();
  });

  test('markings lie on it in their colours, but not where certainty is shown', () => {
    const { container, unmount } = show('markings');
    expect(container.querySelector('path[fill="#d09a2a"]')).not.toBeNull();
    unmount();
    const { container: certain } = show('certainty');
    expect(certain.querySelector('path[fill="#d09a2a"]')).toBeNull();
  });

  test('a zone is chosen on the drawing, by the list, and given up by choosing it again', () => {
    show('certainty', 'fin-port');
    fireEvent.click(document.getElementById('sheet-port-zone-cowling-port')!);
    expect(choose).toHaveBeenLastCalledWith('cowling-port');
    fireEvent.click(
      within(screen.getByRole('list', { name: 'Zones' })).getByRole('button', { name: /Fin and rudder, port/ }),
    );
    expect(choose).toHaveBeenLastCalledWith(null);
  });

  test('two quick presses with shift choose both zones, though nothing was drawn between them', () => {
    let several: ReadonlySet<string> = new Set();
    render(
      <AirframeSheet
        data={data}
        mode="certainty"
        selected={null}
        onSelect={choose}
        several={several}
        onSeveral={(become) => {
          several = become(several);
        }}
      />,
    );
    const press = (zone: string) =>
      fireEvent.click(document.getElementById(`sheet-port-zone-${zone}`)!, { shiftKey: true });
    press('cowling-port');
    press('fin-port');
    expect([...several]).toEqual(['cowling-port', 'fin-port']);
    press('cowling-port');
    expect([...several]).toEqual(['fin-port']);
  });

  test('arrow keys go through all zones and round again', () => {
    show('certainty', data.zones.at(-1)!.key);
    const drawing = screen.getByRole('listbox', { name: /seen from port/ });
    fireEvent.keyDown(drawing, { key: 'ArrowDown' });
    expect(choose).toHaveBeenLastCalledWith(data.zones[0]!.key);
    fireEvent.keyDown(drawing, { key: 'ArrowUp' });
    expect(choose).toHaveBeenLastCalledWith(data.zones.at(-2)!.key);
    fireEvent.keyDown(drawing, { key: 'Escape' });
    expect(choose).toHaveBeenLastCalledWith(null);
  });

  test('the scale bar is true: its length in px stands to the drawing as its mm to the model', () => {
    const { container } = show('certainty');
    const bar = screen.getByRole('img', { name: /Scale bar/ });
    const mm = Number(/(\d+) mm/.exec(bar.getAttribute('aria-label')!)![1]);
    const barPx = parseFloat((bar.querySelector('span') as HTMLElement).style.width);
    const upper = container.querySelector('.view-upper svg')!;
    // Four px of room on either side of the drawing; the span of 11.1 m stands across it.
    const spanPx = Number(upper.getAttribute('height')) - 8;
    expect(spanPx / barPx).toBeCloseTo(11_100 / 48 / mm, 2);
  });

  test('all four views share one scale', () => {
    const { container } = show('certainty');
    const outline = buildOutline(spec);
    const scales = (['port', 'starboard', 'upper', 'lower'] as const).map((view) => {
      const { left, right } = outline.extents[view];
      return (Number(container.querySelector(`.view-${view} svg`)!.getAttribute('width')) - 8) / (right - left);
    });
    for (const scale of scales) expect(scale).toBeCloseTo(scales[0]!, 6);
  });
});
