/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { room } from '@tests/support/resize-observer';
import type { View } from '@/core/outline/zones';
import type { Result } from '@/core/interchange/result';
import { Ledger, supportOf, type CellText } from './evidence/ledger';
import type { EvidencePage, QuestionRow } from './evidence/page-data';
import type { WorkRow } from '@/core/workshop/strip';
import type { RoutePage } from './route/page-data';
import { RouteStrip, ZOOMS, type Zoom } from './route/route-strip';
import { ZoneStack } from './route/zone-stack';

afterEach(cleanup);

const sighting = (sourceId: string, value: string, over = {}) => ({
  id: `${sourceId} ${value}`,
  version: 1,
  questionId: 'q',
  sourceId,
  value,
  sd: null,
  clarity: 'clear' as const,
  sense: 'for' as const,
  ...over,
});
const question = (id: string, over: Partial<QuestionRow> = {}): QuestionRow => ({
  id,
  version: 1,
  zone: 'fin-port',
  zoneTitle: 'Fin and rudder, port',
  aspect: 'colour',
  item: '',
  mirrored: null,
  hasOtherSide: true,
  ruledOpposite: false,
  wish: null,
  aspectTitle: 'Colour',
  state: 'leaning',
  best: 'TCS 27',
  share: 0.834,
  ruledShare: null,
  median: null,
  spread: null,
  sightings: [],
  ruling: null,
  reopened: false,
  isWorkedOn: false,
  open: true,
  gate: 'colour',
  ...over,
});
const source = (id: string, title: string, inWindow: boolean) =>
  ({
    id,
    title,
    inWindow,
    kindTitle: 'Photograph',
    dateFrom: '1951-05-12',
    dateTo: '1951-05-12',
    film: 'unknown',
    sides: [] as View[],
    window: { from: '1951-05-12', to: '1951-05-12' },
  }) as unknown as EvidencePage['sources'][number];
const data = {
  briefId: 'brief',
  events: [],
  gates: [{ name: 'colour', title: 'Begin the colours', start: '2026-12-03T19:30', passed: false, open: 1 }],
  sources: [source('a', 'Apron', true), source('b', 'Kit sheet', false)],
} as unknown as EvidencePage;

describe('the ledger', () => {
  const onEntry = jest.fn<(entry: CellText) => Promise<Result>>(() => Promise.resolve({ ok: true, value: null }));
  afterEach(() => {
    onEntry.mockClear();
    onRule.mockClear();
  });
  const onRule = jest.fn<(id: string) => void>();
  const show = (questions: QuestionRow[], onChoose = jest.fn<(id: string, start?: unknown) => void>()) => {
    render(
      <Ledger
        data={data}
        questions={questions}
        chosen={null}
        onChoose={onChoose}
        onRule={onRule}
        onSource={() => undefined}
        onEntry={onEntry}
      />,
    );
    return onChoose;
  };

  test('many questions are grouped by what closes over them, with the day and how many; few are not', () => {
    const many = Array.from({ length: 14 }, (_, i) => question(`q${i}`, { open: i < 10 }));
    show(many);
    expect(screen.getByText('Before “begin the colours”, Thu 3 Dec: 10')).not.toBeNull();
    expect(screen.getByText('Ruled: 4')).not.toBeNull();
  });
  test('a cell says what the source says, how clearly, and whether against it', () => {
    show([
      question('q', {
        sightings: [
          sighting('a', 'TCS 27'),
          sighting('b', 'TCS 31', { clarity: 'inferred' }),
          sighting('b', 'TCS 27', { sense: 'against' }),
        ],
      }),
    ]);
    const [, , second] = within(screen.getAllByRole('row')[2]!)
      .getAllByRole('cell')
      .map((cell) => cell.textContent);
    const cells = within(screen.getAllByRole('row')[2]!).getAllByRole('cell');
    expect(cells[0]!.textContent).toContain('27');
    expect(cells[1]!.querySelector('.inferred')!.textContent).toContain('31');
    expect(cells[1]!.querySelector('.against')!.textContent).toContain('≠');
    expect(second).toContain('TCS 27 ?');
  });

  test('the target window is a band over its columns', () => {
    show([question('q')]);
    expect(screen.getByRole('columnheader', { name: /Apron/ }).className).toContain('in-window');
    expect(screen.getByRole('columnheader', { name: /Kit sheet/ }).className).not.toContain('in-window');
  });

  test('the ruling stands at the end of the row, marked when it was reopened', () => {
    const ruling = {
      id: 'r',
      version: 1,
      questionId: 'q',
      value: 'TCS 31',
      basis: 'supported' as const,
      reason: 'sheet',
      ruledBy: 'me',
      favoured: null,
    };
    show([question('q', { ruling, reopened: true })]);
    expect(screen.getByText('TCS 31 ?')).toBeTruthy();
  });

  test('on the name of a question r rules what is settled, or opens it to be ruled, and s to say what a source says', () => {
    const onChoose = show([question('one', { state: 'settled' }), question('two', { zoneTitle: 'Cowling' })]);
    fireEvent.keyDown(screen.getByRole('button', { name: /Fin/ }), { key: 'r' });
    expect(onRule).toHaveBeenCalledWith('one');
    fireEvent.keyDown(screen.getByRole('button', { name: /Cowling/ }), { key: 'r' });
    fireEvent.keyDown(screen.getByRole('button', { name: /Cowling/ }), { key: 's' });
    expect(onRule).toHaveBeenCalledTimes(1);
    expect(onChoose.mock.calls).toEqual([
      ['two', 'rule'],
      ['two', 'say'],
    ]);
  });

  test('the support of a ruled question is that of what is ruled', () => {
    const ruling = {
      id: 'r',
      version: 1,
      questionId: 'q',
      value: 'TCS 31',
      basis: 'departure' as const,
      reason: 'taste',
      ruledBy: 'me',
      favoured: null,
    };
    expect(supportOf(question('q', { share: 0.93, ruling, ruledShare: 0.05 }))).toBe('0.05');
    expect(supportOf(question('q', { share: 0.93 }))).toBe('0.93');
  });

  test('a tap opens a cell at once', () => {
    show([question('one')]);
    const [cell] = document.querySelectorAll('td.sighting');
    // The environment knows no pointers of its own.
    const tap = () => Object.assign(new MouseEvent('pointerup', { bubbles: true }), { pointerType: 'touch' });
    fireEvent(cell!, tap());
    const field = document.querySelector<HTMLInputElement>('.cell-input')!;
    fireEvent.change(field, { target: { value: '27' } });
    // A tap into what is being typed does not begin anew.
    fireEvent(field, tap());
    expect(document.querySelector<HTMLInputElement>('.cell-input')!.value).toBe('27');
  });

  test('a code that is asked about opens the cell again with the one that was meant', async () => {
    show([question('one')]);
    onEntry.mockImplementationOnce(() =>
      Promise.resolve({
        ok: false,
        faults: [{ field: '', says: '"fen green" is the name of TCS 31', offers: ['TCS 31'] }],
      }),
    );
    const [cell] = document.querySelectorAll('td.sighting');
    fireEvent.doubleClick(cell!);
    fireEvent.change(document.querySelector('.cell-input')!, { target: { value: 'fen green' } });
    await act(async () => {
      fireEvent.keyDown(document.querySelector('.cell-input')!, { key: 'Enter' });
      await Promise.resolve();
    });
    expect(document.querySelector<HTMLInputElement>('.cell-input')!.value).toBe('TCS 31');
    expect(screen.getByRole('alert').textContent).toMatch(/Enter takes TCS 31/);
  });

  test('a press on the row opens its question', () => {
    const onChoose = show([question('one'), question('two', { zoneTitle: 'Cowling' })]);
    fireEvent.click(screen.getByRole('button', { name: /Cowling/ }));
    expect(onChoose).toHaveBeenCalledWith('two');
  });

  test('a repaint of the zone is a rule before the first source after it; structure has none', () => {
    const dated = (id: string, day: string) => ({ ...source(id, id, false), window: { from: day, to: day } });
    const early = { ...data, sources: [dated('old', '1950-03-10'), dated('new', '1951-05-12')] };
    const event = { zone: 'fin-port', kind: 'repaint', onDay: '1950-11-20' };
    const withRepaint = { ...early, events: [event] } as unknown as EvidencePage;
    const ruled = (aspect: QuestionRow['aspect']) => {
      cleanup();
      render(
        <Ledger
          data={withRepaint}
          questions={[question('q', { aspect })]}
          chosen={null}
          onChoose={() => undefined}
          onRule={() => undefined}
          onSource={() => undefined}
          onEntry={onEntry}
        />,
      );
      return [...document.querySelectorAll('td.sighting')].map((cell) => cell.classList.contains('repainted'));
    };
    expect(ruled('colour')).toEqual([false, true]);
    expect(ruled('seam')).toEqual([false, false]);
  });

  describe('with more sources than there is room for', () => {
    const many = { ...data, sources: Array.from({ length: 14 }, (_, i) => source(`s${i}`, `Source ${i}`, i === 9)) };
    const shown = () => [...document.querySelectorAll('thead th button')].map((button) => button.textContent);
    const showMany = (questions = [question('q')]) => {
      // Beside 362 px for zone, ruling and support there is room for six columns of 54 px, and for a part of a seventh.
      room.width = 362 + 6 * 54 + 40;
      render(
        <Ledger
          data={many}
          questions={questions}
          chosen={null}
          onChoose={() => undefined}
          onRule={() => undefined}
          onSource={() => undefined}
          onEntry={onEntry}
        />,
      );
    };
    afterEach(() => {
      room.width = 0;
    });
    test('whole columns are shown, those of the target window among them; what lies outside is counted', () => {
      showMany();
      expect(shown()).toEqual([4, 5, 6, 7, 8, 9].map((i) => `Source ${i}`));
      expect(screen.getByRole('button', { name: '← 4 earlier sources' })).toBeTruthy();
      fireEvent.click(screen.getByRole('button', { name: '4 more sources →' }));
      expect(shown()).toEqual([8, 9, 10, 11, 12, 13].map((i) => `Source ${i}`));
      expect(screen.queryByRole('button', { name: /more source/ })).toBeNull();
    });
    test('the arrow keys bring the next column into sight', () => {
      showMany();
      const cell = document.querySelector<HTMLElement>('[data-cell="0 9"]')!;
      act(() => cell.focus());
      fireEvent.keyDown(cell, { key: 'ArrowRight' });
      expect(shown()).toContain('Source 10');
      expect(document.activeElement!.getAttribute('data-cell')).toBe('0 10');
      fireEvent.keyDown(document.activeElement!, { key: 'Home' });
      expect(shown()[0]).toBe('Source 0');
    });
    test('of very many questions the first are drawn, and the others when they are asked for', () => {
      showMany(Array.from({ length: 90 }, (_, i) => question(`q${i}`)));
      expect(document.querySelectorAll('tbody tr[data-question]')).toHaveLength(80);
      fireEvent.click(screen.getByRole('button', { name: 'Show all' }));
      expect(document.querySelectorAll('tbody tr[data-question]')).toHaveLength(90);
    });
  });

  describe('by keyboard', () => {
    const cell = (row: number, column: number) =>
      document.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)!;
    const press = (key: string) => fireEvent.keyDown(document.activeElement!, { key });
    const begin = (questions: QuestionRow[]) => {
      show(questions);
      act(() => cell(0, 0).focus());
    };

    test('arrows move from cell to cell and stop at the edge', () => {
      begin([question('one'), question('two')]);
      press('ArrowRight');
      expect(document.activeElement).toBe(cell(0, 1));
      press('ArrowDown');
      press('ArrowDown');
      press('ArrowRight');
      expect(document.activeElement).toBe(cell(1, 1));
      press('Home');
      expect(document.activeElement).toBe(cell(1, 0));
    });

    test('typing fills the cell, Enter keeps it and goes on below', async () => {
      begin([question('one'), question('two')]);
      press('2');
      const input = screen.getByRole('textbox', { name: /What Apron says of Fin and rudder, port, colour/ });
      fireEvent.change(input, { target: { value: '27 ~' } });
      await act(async () => void fireEvent.keyDown(input, { key: 'Enter' }));
      expect(onEntry).toHaveBeenCalledWith({ questionId: 'one', sourceId: 'a', text: '27 ~', standing: null });
      expect(document.activeElement).toBe(cell(1, 0));
    });

    test('Enter opens what stands there; unchanged it is not kept again; Delete takes it away', async () => {
      begin([question('one', { sightings: [sighting('a', 'TCS 27', { questionId: 'one', clarity: 'partial' })] })]);
      press('Enter');
      const input = screen.getByRole<HTMLInputElement>('textbox');
      expect(input.value).toBe('TCS 27 ~');
      await act(async () => void fireEvent.keyDown(input, { key: 'Enter' }));
      expect(onEntry).not.toHaveBeenCalled();
      await act(async () => void press('Delete'));
      expect(onEntry).toHaveBeenCalledWith({
        questionId: 'one',
        sourceId: 'a',
        text: '',
        standing: { id: 'a TCS 27', version: 1 },
      });
    });

    test('what is no answer is refused in the cell, with the reason', async () => {
      begin([question('one', { aspect: 'size' })]);
      press('w');
      const input = screen.getByRole('textbox');
      fireEvent.change(input, { target: { value: 'wide' } });
      await act(async () => void fireEvent.keyDown(input, { key: 'Enter' }));
      expect(screen.getByRole('alert').textContent).toContain('"wide" is no length');
      expect(onEntry).not.toHaveBeenCalled();
      expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('wide');
    });

    test('what the server refuses opens again as it was typed', async () => {
      onEntry.mockResolvedValueOnce({ ok: false, faults: [{ field: '', says: 'gone' }] });
      begin([question('one')]);
      press('2');
      const input = screen.getByRole('textbox');
      fireEvent.change(input, { target: { value: '27' } });
      await act(async () => void fireEvent.keyDown(input, { key: 'Enter' }));
      expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('27');
    });

    test('Esc gives a typed answer up', () => {
      begin([question('one')]);
      press('2');
      fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Escape' });
      expect(screen.queryByRole('textbox')).toBeNull();
      expect(onEntry).not.toHaveBeenCalled();
    });
  });

  test('support in figures: a share, or a spread with its unit', () => {
    expect(supportOf(question('q'))).toBe('0.83');
    expect(supportOf(question('q', { median: 410, spread: 4.4 }))).toBe('± 4 mm');
    expect(supportOf(question('q', { share: null }))).toBe('–');
  });
});

const DAY = 24 * 60;
const work = (number: number, start: number, minutes: number, over: Partial<WorkRow> = {}): WorkRow => ({
  number,
  doneBy: null,
  key: `s${number}`,
  title: `Step ${number}`,
  lane: 'Whole',
  minutes,
  minutesFrom: '',
  segments: [[start, start + minutes]],
  start: '2026-11-24T19:30',
  end: '2026-11-24T20:00',
  done: false,
  session: 'w0',
  gate: null,
  zones: [],
  why: '',
  hex: null,
  dries: 0,
  wet: null,
  latest: null,
  room: null,
  waitsFor: [],
  ...over,
});
const routePage = (list: WorkRow[], gates: RoutePage['gates'] = []): RoutePage => ({
  briefId: 'b',
  briefVersion: 1,
  air: { tempC: 20, humidity: 50, says: '' },
  chemistry: { open: [], waited: 0, barriers: [] },
  tape: [],
  remedies: [],
  open: [],
  broken: [],
  steps: list.length,
  evenings: [],
  lanes: ['Whole', 'Wings'],
  laneTitles: {},
  now: 0,
  sessions: [0, 1, 2].map((i) => ({
    id: `w${i}`,
    start: i * DAY,
    end: i * DAY + 120,
    startLocal: `2026-11-2${4 + i}T19:30`,
    minutes: 120,
    booth: i !== 1,
  })),
  work: list,
  gates,
  finish: null,
  lowerBound: null,
  sessionsLeft: 0,
  loads: 0,
  holding: [],
  because: [],
  origin: '2026-11-24T00:00:00.000Z',
  proposal: null,
  edits: [],
  timeZone: 'UTC',
  today: '2026-01-05',
  stacks: {},
  zoneTitles: {},
  weekly: [],
});

describe('what lies on a zone', () => {
  test('from the plastic up, done or when it comes; a step is opened by a press', () => {
    const opened: string[] = [];
    const data = {
      ...routePage([work(1, 0, 30, { done: true, title: 'Prime' }), work(2, DAY, 20, { title: 'Spray Fen green' })]),
      stacks: {
        fin: [
          { number: 1, what: 'primer' as const },
          { number: 2, what: 'colour' as const },
        ],
      },
      zoneTitles: { fin: 'Fin and rudder' },
    };
    render(<ZoneStack data={data} zone="fin" onChoose={(key) => opened.push(key)} />);
    const layers = screen.getAllByRole('listitem').map((layer) => layer.textContent);
    expect(layers).toEqual([
      expect.stringMatching(/primer: Prime done/),
      expect.stringMatching(/colour: Spray Fen green Tue 24 Nov/),
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Spray Fen green' }));
    expect(opened).toEqual(['s2']);
  });
  test('a zone on which nothing is planned says so', () => {
    render(<ZoneStack data={routePage([])} zone="fin" onChoose={() => undefined} />);
    expect(screen.getByText(/Nothing is planned on it yet/)).toBeTruthy();
  });
});

describe('the route strip', () => {
  const show = (given: RoutePage, zoom: Zoom = 'evenings', chosen: string | null = null) =>
    render(
      <RouteStrip
        data={given}
        from={-Infinity}
        chosen={chosen}
        onChoose={() => undefined}
        isDim={() => false}
        zoom={zoom}
      />,
    ).container;
  const bars = (container: HTMLElement) =>
    [...container.querySelectorAll('.strip-step')].map((step) => step.querySelector('rect')!);

  test('work is to scale within a session: twice the minutes, twice the width', () => {
    const [short, long] = bars(show(routePage([work(1, 0, 30), work(2, 30, 60)])));
    expect(Number(long!.getAttribute('width'))).toBeCloseTo(2 * Number(short!.getAttribute('width')), 6);
    expect(Number(long!.getAttribute('x'))).toBeCloseTo(
      Number(short!.getAttribute('x')) + Number(short!.getAttribute('width')),
      6,
    );
  });

  test('a night takes little room however long it is', () => {
    const [evening, next] = bars(show(routePage([work(1, 100, 20), work(2, DAY, 20)])));
    const gap =
      Number(next!.getAttribute('x')) - Number(evening!.getAttribute('x')) - Number(evening!.getAttribute('width'));
    expect(gap).toBeGreaterThan(5);
    expect(gap).toBeLessThan(60);
  });

  test('drying is a tail behind the work, a wet window a bracket', () => {
    const container = show(routePage([work(1, 0, 30, { dries: 60 }), work(2, 60, 10, { wet: [15, 40] })]));
    const [first, second] = [...container.querySelectorAll('.strip-step')];
    expect(first!.querySelectorAll('path')).toHaveLength(1);
    expect(second!.querySelector('path')!.getAttribute('d')).toMatch(/v-5H/);
  });

  test('steps have their names where there is room, shortened to it, and only where there is none their numbers', () => {
    const titles = (container: HTMLElement) =>
      [...container.querySelectorAll('.strip-step > text')].map((text) => text.textContent);
    const list = [
      work(1, 0, 30, { title: 'Prime' }),
      work(2, 100, 15, { title: 'Spray Fen green on all upper surfaces' }),
      work(3, 115, 5, { title: 'Mask' }),
      work(4, DAY, 20, { title: 'Spray Peat on the fuselage underside' }),
    ];
    const [prime, spray, mask, last] = titles(show(routePage(list)));
    expect(prime).toBe('1 Prime');
    expect(spray).toBe('2');
    expect(mask).toMatch(/^3( Mask)?$/);
    expect(last).toBe('4 Spray Peat on the fuselage underside');
    const between = [list[1]!, work(3, 110 + DAY, 5, { title: 'Mask' })];
    expect(titles(show(routePage(between)))[0]).toMatch(/^2 Spray Fen.*…$/);
  });

  test.each(Object.keys(ZOOMS) as Zoom[])(
    'seen as %s, labels never touch, nor do days; what is chosen keeps its number',
    (zoom) => {
      const list = Array.from({ length: 20 }, (_, i) => work(i + 1, i * 6, 6));
      const container = show(routePage(list), zoom, 's13');
      const placed = (selector: string) =>
        [...container.querySelectorAll(selector)].map((text) => ({
          says: text.textContent!,
          anchor: text.getAttribute('text-anchor'),
          x: Number(text.getAttribute('x')),
          y: Number(text.getAttribute('y')),
        }));
      const numbers = placed('.strip-step text');
      expect(numbers.map(({ says }) => says)).toEqual(expect.arrayContaining(['1', '13']));
      const others = numbers.filter(({ says }) => says !== '13');
      const rows = [...new Set(others.map(({ y }) => y))];
      for (const row of rows) {
        // A letter of 12 px is some 6.5 px broad; names begin where numbers have their middle.
        const ends = others
          .filter(({ y }) => y === row)
          .map(({ says, x, anchor }) => [
            anchor === 'start' ? x : x - says.length * 3.25,
            anchor === 'start' ? x + says.length * 6.5 : x + says.length * 3.25,
          ]);
        ends.slice(1).forEach(([start], i) => expect(start!).toBeGreaterThan(ends[i]![1]!));
      }
      const days = placed('text').filter(({ says }) => /^\w{3} \d+ \w{3}$/.test(says));
      expect(days.length).toBeGreaterThan(0);
      days.slice(1).forEach(({ x }, i) => expect(x - days[i]!.x).toBeGreaterThan(80));
    },
  );

  test('a season is narrower than its weeks, and these than its evenings; work stays to scale', () => {
    const list = [work(1, 0, 30), work(2, 30, 60)];
    const widths = (['evenings', 'weeks', 'season'] as const).map((zoom) => {
      const container = show(routePage(list), zoom);
      const [short, long] = bars(container).map((bar) => Number(bar.getAttribute('width')));
      expect(long! / short!).toBeCloseTo(2, 6);
      return Number(container.querySelector('svg')!.getAttribute('width'));
    });
    expect(widths[0]!).toBeGreaterThan(widths[1]! * 1.5);
    expect(widths[1]!).toBeGreaterThan(widths[2]! * 1.3);
  });

  test('a gate is a post that carries what it closes', () => {
    show(
      routePage(
        [work(1, 0, 30, { gate: 'fuselage' })],
        [
          {
            title: 'Close the fuselage',
            start: '2026-11-24T19:30',
            at: 0,
            passed: false,
            open: ['Nose-wheel bay, colour'],
          },
        ],
      ),
    );
    expect(screen.getByText('Close the fuselage')).toBeTruthy();
    expect(screen.getByText('1 open: Nose-wheel bay, colour')).toBeTruthy();
    expect(screen.getByText(/no spraying/)).toBeTruthy();
  });
});
