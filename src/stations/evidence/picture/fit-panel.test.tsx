/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { NOTHING_LAID } from '@/core/skin/camera/kept-camera';
import type { Over } from '@/core/skin/camera/machine-over';
import type { Mend } from '@/core/skin/camera/mends';
import { FitPanel } from './fit-panel';
import type { Laying } from './use-laying';

afterEach(cleanup);

const over: Over = {
  fault: null,
  laid: { rmsPx: 0.8, rmsMm: 8, distanceM: 12.5, distanceSdM: 0.2, places: [], says: [] } as unknown as Extract<
    Over,
    { fault: null }
  >['laid'],
  isMirrorLikely: false,
  lines: new Float32Array(),
  moved: [],
  gone: 0,
};
const laying = {
  draft: { width: 1200, height: 800, ...NOTHING_LAID },
  adjust: () => undefined,
  takeBack: () => undefined,
  canTakeBack: false,
  isChanged: false,
} as unknown as Laying;
const fin: Mend = { dimension: 'finHeight', from: 1.6, to: 1.85, gain: 0.92, better: 3, pictures: 3 };

describe('an outline that pictures have otherwise', () => {
  const mend = jest.fn<(mend: Mend) => Promise<void>>(() => Promise.resolve());
  const show = (mends: Mend[]) =>
    render(
      <FitPanel
        over={over}
        laying={laying}
        onKeep={() => undefined}
        busy={false}
        findMends={() => Promise.resolve(mends)}
        outline={{ busy: false, mend, kitInWords: () => 'Your kit is wrong too.' }}
      />,
    );
  const ask = () => fireEvent.click(screen.getByRole('button', { name: 'Would another outline fit better?' }));

  test('is told with what the kit has, and made so in one press', async () => {
    show([fin]);
    expect(screen.queryByRole('button', { name: 'Make the outline so' })).toBeNull();
    ask();
    const press = await screen.findByRole('button', { name: 'Make the outline so' });
    const said = press.closest('p')!;
    expect(said.textContent).toContain('Fin height 1.85 m instead of 1.60 m would take away 92 %');
    expect(said.textContent).toContain('in 3 of 3 pictures');
    expect(said.textContent).toContain('Your kit is wrong too.');
    fireEvent.click(press);
    expect(mend).toHaveBeenCalledWith(fin);
  });

  test('where none would be better that is said, and nothing is offered', async () => {
    show([]);
    ask();
    expect(await screen.findByText(/^No: no dimension of it/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Make the outline so' })).toBeNull();
  });
});
