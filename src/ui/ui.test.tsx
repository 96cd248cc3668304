/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { AppRouterContext, type AppRouterInstance } from 'next/dist/shared/lib/app-router-context.shared-runtime';
import { useEffect } from 'react';
import type { Result } from '@/core/interchange/result';
import { clock, longDay, shortDay, windowInWords } from './dates';
import { Explained } from './explained';
import { formValues, optionsOf, RecordForm, typedValues, type FieldSpec } from './fields';
import { KEY_MAP, useKey } from './keys';
import { ChangedElsewhereNotice, SavingProvider, useSaving } from './saving';
import { ButtedSwatches } from './swatch';

afterEach(cleanup);

/** Stands in for the application's router: only rendering again is asked of it. */
const router = { refresh: () => undefined } as AppRouterInstance;

describe('dates in words', () => {
  test.each([
    [null, null, 'no date'],
    ['1951-05-12', null, '12 May 1951'],
    ['1951-05-12', '1951-05-12', '12 May 1951'],
    ['1951-05-08', '1951-05-14', '8–14 May 1951'],
    ['1951-04-28', '1951-05-02', '28 Apr 1951 – 2 May 1951'],
  ])('%s to %s is %s', (from, to, words) => expect(windowInWords(from, to)).toBe(words));
  test('a local date-time is shown as it is, whatever the reader’s own zone', () => {
    expect(shortDay('2026-11-26T19:30')).toBe('Thu 26 Nov');
    expect(longDay('2026-11-26')).toBe('Thursday 26 November');
    expect(clock('2026-11-26T19:30')).toBe('19:30');
    expect(clock(null)).toBe('–');
  });
});

describe('what was typed', () => {
  const fields: FieldSpec[] = [
    { name: 'title', label: 'Title' },
    { name: 'size', label: 'Size', type: 'number' },
    { name: 'sd', label: 'Plus or minus', type: 'number', optional: true },
    { name: 'from', label: 'From', type: 'day', optional: true },
    { name: 'sides', label: 'Sides', type: 'several', options: optionsOf(['port']) },
  ];
  test('numbers by either decimal mark; empty optional fields as nothing', () => {
    expect(typedValues(fields, { title: ' x ', size: '1,5', sd: '', from: '', sides: ['port'] })).toEqual({
      title: ' x ',
      size: 1.5,
      sd: null,
      from: null,
      sides: ['port'],
    });
  });
  test('what is no number is sent as typed, so that the answer can say so', () => {
    expect(typedValues(fields, { size: 'about 5' }).size).toBe('about 5');
    expect(typedValues(fields, { size: '' }).size).toBeUndefined();
  });
  test('a record goes into its form and comes out the same', () => {
    const record = { title: 'a', size: 12.5, sd: null, from: '1951-05-01', sides: ['port'] };
    expect(typedValues(fields, formValues(fields, record))).toEqual(record);
  });
});

describe('butted swatches', () => {
  test('both halves touch; what is missing is hatched, what no screen shows wears a corner', () => {
    const { container } = render(<ButtedSwatches official={[60, -90, 20]} chosen={null} label="one and none" />);
    const [left, right] = [...container.querySelectorAll('.swatch')];
    expect(left!.classList).toContain('clipped');
    expect(right!.classList).toContain('missing');
    expect(left!.nextElementSibling).toBe(right);
    expect(screen.getByRole('img', { name: 'one and none' })).toBeTruthy();
  });
  test('the colour on the screen is that of the paint', () => {
    const { container } = render(<ButtedSwatches official={[100, 0, 0]} chosen={[0, 0, 0]} label="" />);
    const colours = [...container.querySelectorAll<HTMLElement>('.swatch')].map((swatch) => swatch.style.background);
    expect(colours).toEqual(['rgb(255, 255, 255)', 'rgb(0, 0, 0)']);
  });
});

describe('changed elsewhere', () => {
  test('shows only the fields that differ, both values, and lets one decide', () => {
    const take = jest.fn();
    const keep = jest.fn();
    render(
      <ChangedElsewhereNotice
        mine={{ title: 'mine', note: 'same', grade: 1 }}
        theirs={{ title: 'theirs', note: 'same', grade: null }}
        labels={{ title: 'Title', note: 'Note', grade: 'Grade' }}
        onTakeTheirs={take}
        onKeepMine={keep}
      />,
    );
    expect(screen.getByRole('row', { name: 'Title theirs mine' })).toBeTruthy();
    expect(screen.getByRole('row', { name: 'Grade – 1' })).toBeTruthy();
    expect(screen.queryByRole('row', { name: /Note/ })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Save mine over it' }));
    expect(keep).toHaveBeenCalledTimes(1);
    expect(take).not.toHaveBeenCalled();
  });
  test('what was removed elsewhere is said to be removed', () => {
    render(
      <ChangedElsewhereNotice
        mine={{}}
        theirs={null}
        labels={{}}
        onTakeTheirs={() => undefined}
        onKeepMine={() => undefined}
      />,
    );
    expect(screen.getByRole('alert').textContent).toContain('Removed elsewhere');
  });
});

describe('keys', () => {
  function Listener({ onKey }: { onKey: () => void }) {
    useKey('u', onKey);
    return <input aria-label="field" />;
  }
  test('act outside fields only, and not with Ctrl', () => {
    const act = jest.fn();
    render(<Listener onKey={act} />);
    fireEvent.keyDown(document.body, { key: 'u' });
    expect(act).toHaveBeenCalledTimes(1);
    fireEvent.keyDown(screen.getByLabelText('field'), { key: 'u' });
    fireEvent.keyDown(document.body, { key: 'u', ctrlKey: true });
    expect(act).toHaveBeenCalledTimes(1);
  });
  test('every key is listed once', () => {
    const keys = KEY_MAP.map(([key]) => key);
    expect(new Set(keys).size).toBe(keys.length);
    for (const key of ['/', 'n', 'e', 't', 'u', '?']) expect(keys).toContain(key);
  });
});

describe('acts', () => {
  test('are sent one after the other, so that taking back follows what it takes back', async () => {
    const sent: string[] = [];
    const answers: (() => void)[] = [];
    const Two = () => {
      const { run } = useSaving();
      const send = (what: string) =>
        run(() => {
          sent.push(what);
          return new Promise<Result>((answer) => answers.push(() => answer({ ok: true, value: null })));
        });
      return (
        <button
          onClick={() => {
            void send('remove');
            void send('take back');
          }}
        >
          go
        </button>
      );
    };
    render(
      <SavingProvider>
        <Two />
      </SavingProvider>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'go' }));
    await waitFor(() => expect(sent).toEqual(['remove']));
    await act(async () => answers[0]!());
    await waitFor(() => expect(sent).toEqual(['remove', 'take back']));
    await act(async () => answers[1]!());
  });

  test('what an act left is what the next one is done on, though the page has not come yet', async () => {
    const seen: number[] = [];
    const Twice = () => {
      const { run, versionOf } = useSaving();
      return (
        <button
          onClick={() =>
            void run(() => {
              const version = versionOf('row', 3);
              seen.push(version);
              const row = { id: 'row', version: version + 1 };
              return Promise.resolve<Result>({
                ok: true,
                value: null,
                rows: [{ entity: 'source', id: 'row', row }],
              });
            })
          }
        >
          go
        </button>
      );
    };
    render(
      <SavingProvider>
        <Twice />
      </SavingProvider>,
    );
    for (const [i, version] of [3, 4, 5].entries()) {
      fireEvent.click(screen.getByRole('button', { name: 'go' }));
      await waitFor(() => expect(seen).toHaveLength(i + 1));
      expect(seen[i]).toBe(version);
    }
  });

  test('the message that an act was done takes it back, by its name', async () => {
    const back: string[] = [];
    const acts: string[] = [];
    const Done = () => {
      const { run, takenBackBy } = useSaving();
      useEffect(() => takenBackBy((id) => back.push(id)), [takenBackBy]);
      return (
        <button
          onClick={() =>
            void run((stamp) => {
              acts.push(stamp.id);
              return Promise.resolve<Result>({ ok: true, value: null });
            }, 'Chosen')
          }
        >
          choose
        </button>
      );
    };
    render(
      <SavingProvider>
        <Done />
      </SavingProvider>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'choose' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Take back' }));
    expect(back).toEqual(acts);
    await waitFor(() => expect(screen.queryByText('Chosen')).toBeNull());
  });

  test('what is said after something else stands its whole time', async () => {
    jest.useFakeTimers();
    const Teller = () => {
      const { tell } = useSaving();
      return ['first', 'second'].map((said) => (
        <button key={said} onClick={() => tell(`${said} said`)}>
          {said}
        </button>
      ));
    };
    render(
      <SavingProvider>
        <Teller />
      </SavingProvider>,
    );
    const wait = (ms: number) => act(async () => jest.advanceTimersByTimeAsync(ms));
    fireEvent.click(screen.getByRole('button', { name: 'first' }));
    await wait(3000);
    fireEvent.click(screen.getByRole('button', { name: 'second' }));
    await wait(3000);
    expect(screen.getByText('second said')).toBeTruthy();
    await wait(1500);
    expect(screen.queryByText('second said')).toBeNull();
    jest.useRealTimers();
  });
});

describe('a form over one record', () => {
  const fields: FieldSpec[] = [
    { name: 'title', label: 'Title' },
    { name: 'minutes', label: 'Minutes', type: 'number' },
  ];
  function formWith(answers: Result<null>[]) {
    const sent: { values: Record<string, unknown>; version: number | null }[] = [];
    const done = jest.fn();
    render(
      <AppRouterContext.Provider value={router}>
        <SavingProvider>
          <RecordForm
            fields={fields}
            initial={{ title: 'old', minutes: 5 }}
            version={3}
            saveLabel="Save"
            saved="Saved"
            submit={async (values, version) => {
              sent.push({ values, version });
              return answers.shift()!;
            }}
            onDone={done}
          />
        </SavingProvider>
      </AppRouterContext.Provider>,
    );
    return { sent, done };
  }
  const title = () => screen.getByLabelText<HTMLInputElement>('Title');

  test('a refusal is shown at its field, and what was typed stays', async () => {
    const { done } = formWith([{ ok: false, faults: [{ field: 'title', says: 'Title is needed' }] }]);
    fireEvent.change(title(), { target: { value: ' ' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(screen.getAllByText('Title is needed').length).toBeGreaterThan(0));
    expect(title().value).toBe(' ');
    expect(done).not.toHaveBeenCalled();
  });

  test('changed elsewhere: taking what is there fills the form and goes on from its version', async () => {
    const { sent, done } = formWith([
      { ok: false, conflict: { entity: 'log_entry', id: 'x', theirs: { version: 7, title: 'theirs', minutes: 9 } } },
      { ok: true, value: null },
    ]);
    fireEvent.change(title(), { target: { value: 'mine' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => screen.getByRole('button', { name: 'Take what is there now' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take what is there now' }));
    await waitFor(() => expect(title().value).toBe('theirs'));
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(sent.map(({ version }) => version)).toEqual([3, 7]);
    expect(sent[1]!.values).toEqual({ title: 'theirs', minutes: 9 });
  });

  test('changed elsewhere: mine over it is sent against the version that was shown', async () => {
    const { sent, done } = formWith([
      { ok: false, conflict: { entity: 'log_entry', id: 'x', theirs: { version: 7, title: 'theirs', minutes: 9 } } },
      { ok: true, value: null },
    ]);
    fireEvent.change(title(), { target: { value: 'mine' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => screen.getByRole('button', { name: 'Save mine over it' }));
    fireEvent.click(screen.getByRole('button', { name: 'Save mine over it' }));
    await waitFor(() => expect(done).toHaveBeenCalled());
    expect(sent[1]).toEqual({ values: { title: 'mine', minutes: 5 }, version: 7 });
  });
});

describe('a figure that explains itself', () => {
  test('opens into what it comes from by a press, and does not open the row that it stands in', async () => {
    const onRow = jest.fn();
    render(
      <div onClick={onRow}>
        <Explained says="138 cm² × 50 µm × 2 coats">1.3 ml</Explained>
      </div>,
    );
    fireEvent.click(screen.getByRole('button', { name: '1.3 ml' }));
    expect(await screen.findByText('138 cm² × 50 µm × 2 coats')).toBeTruthy();
    expect(onRow).not.toHaveBeenCalled();
  });
});

describe('a form that was asked back', () => {
  test('offers what would be taken, by its title, and takes it with one press', async () => {
    const submit = jest.fn<(values: Record<string, unknown>) => Promise<Result>>((values) =>
      Promise.resolve(
        values.basis === 'choice'
          ? { ok: true, value: null }
          : { ok: false, faults: [{ field: 'basis', says: 'On what does it rest?', offers: ['choice'] }] },
      ),
    );
    const onDone = jest.fn();
    render(
      <SavingProvider>
        <RecordForm
          fields={[
            {
              name: 'basis',
              label: 'Basis',
              type: 'choice',
              options: [
                { value: 'supported', label: 'As supported' },
                { value: 'choice', label: "Builder's choice" },
              ],
            },
          ]}
          initial={{ basis: 'supported' }}
          version={null}
          saveLabel="Rule"
          saved="Ruled"
          submit={submit}
          onDone={onDone}
        />
      </SavingProvider>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Rule' }));
    fireEvent.click(await screen.findByRole('button', { name: "Builder's choice" }));
    await waitFor(() => expect(onDone).toHaveBeenCalled());
    expect(submit.mock.calls.map(([values]) => values.basis)).toEqual(['supported', 'choice']);
  });
});
