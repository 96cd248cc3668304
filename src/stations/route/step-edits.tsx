'use client';

import Button from '@mui/material/Button';
import { useState, type FormEvent, type ReactNode } from 'react';
import { LANES, STEP_KINDS, type Lane, type StepKind } from '@/core/work/kinds';
import type { RouteEdit } from '@/core/route/edits';
import { parseNumber } from '@/core/units/number';
import { RemoveButton } from '@/stations/shell/remove-button';
import type { WorkRow } from '@/core/workshop/strip';
import type { RoutePage } from './page-data';
import { useEdits } from './use-edits';

type Ask = 'change' | 'split' | 'merge' | 'order' | 'add' | null;

/** What can be done with one step of the route: changed, split, done with another, put before it, left out; and a step of one's own after it. */
export function StepEdits({ data, work }: { data: RoutePage; work: WorkRow }): ReactNode {
  const { add, busy } = useEdits(data);
  const [ask, setAsk] = useState<Ask>(null);
  const done = (edit: RouteEdit, said: string) =>
    void add(edit, said).then((result) => {
      if (result.ok) setAsk(null);
    });
  const button = (name: Exclude<Ask, null>, title: string) => (
    <Button
      variant="outlined"
      size="small"
      aria-expanded={ask === name}
      onClick={() => setAsk(ask === name ? null : name)}
    >
      {title}
    </Button>
  );
  if (work.done) return null;
  return (
    <div className="step-edits">
      <p className="pane-actions">
        {button('change', 'Change')}
        {work.gate ? null : button('split', 'Split in two')}
        {work.gate ? null : button('merge', 'Do with another')}
        {button('order', 'Put before')}
        {button('add', 'A step of mine after it')}
        {work.gate ? null : (
          <Button
            variant="outlined"
            size="small"
            disabled={busy}
            onClick={() => done({ kind: 'off', step: work.key }, 'Left out; u brings it back')}
          >
            Leave out
          </Button>
        )}
      </p>
      {ask === 'change' ? (
        <Asked
          key="change"
          fields={[
            ['title', 'Called', work.title],
            ['minutes', 'Minutes', String(work.minutes)],
          ]}
          save="Change it"
          busy={busy}
          onSave={({ title, minutes }) =>
            done(
              {
                kind: 'change',
                step: work.key,
                title: title === work.title ? null : title!,
                minutes: wholeOf(minutes) === work.minutes ? null : wholeOf(minutes),
              },
              'Changed',
            )
          }
        />
      ) : null}
      {ask === 'split' ? (
        <Asked
          key="split"
          fields={[
            ['first', 'First part', `${work.title}, one half`],
            ['firstMinutes', 'Minutes', String(Math.ceil(work.minutes / 2))],
            ['second', 'Second part', `${work.title}, the other`],
            ['secondMinutes', 'Minutes', String(Math.max(1, Math.floor(work.minutes / 2)))],
          ]}
          save="Split it"
          busy={busy}
          onSave={({ first, firstMinutes, second, secondMinutes }) =>
            done(
              {
                kind: 'split',
                step: work.key,
                parts: [
                  { title: first!, minutes: wholeOf(firstMinutes) },
                  { title: second!, minutes: wholeOf(secondMinutes) },
                ],
              },
              'Split',
            )
          }
        />
      ) : null}
      {ask === 'merge' ? (
        <Asked
          key="merge"
          others={othersThan(work, data)}
          fields={[['title', 'Called', work.title]]}
          save="Do them as one"
          busy={busy}
          onSave={({ title, other }) =>
            done({ kind: 'merge', steps: [work.key, other!], title: title! }, 'Done as one')
          }
        />
      ) : null}
      {ask === 'order' ? (
        <Asked
          key="order"
          others={othersThan(work, data)}
          fields={[['wait', 'Wait between, minutes', '0']]}
          save="Put it before"
          busy={busy}
          onSave={({ other, wait }) =>
            done({ kind: 'order', first: work.key, then: other!, wait: wholeOf(wait) }, 'Put before')
          }
        />
      ) : null}
      {ask === 'add' ? (
        <Asked
          key="add"
          kinds
          lane={work.lane as Lane}
          fields={[
            ['title', 'What', ''],
            ['minutes', 'Minutes', '15'],
          ]}
          save="Add the step"
          busy={busy}
          onSave={({ title, minutes, work: kind, lane }) =>
            done(
              {
                kind: 'add',
                key: `own:${crypto.randomUUID().slice(0, 8)}`,
                title: title!,
                work: kind as StepKind,
                lane: lane as Lane,
                minutes: wholeOf(minutes),
                after: [work.key],
                before: [],
              },
              'Added',
            )
          }
        />
      ) : null}
    </div>
  );
}

/** The other steps of the plan that are not done, to choose one of. */
const othersThan = (work: WorkRow, data: RoutePage) =>
  data.work.flatMap(({ key, title, done }) => (done || key === work.key ? [] : [{ value: key, label: title }]));

/** What was typed as a whole number; what is none is sent as one that is refused with a sentence. */
const wholeOf = (text: string | undefined): number => Math.round(parseNumber(text ?? '') ?? 0);

/** A few fields in a line and the button that keeps them. */
function Asked({
  fields,
  others,
  kinds = false,
  lane,
  save,
  busy,
  onSave,
}: {
  fields: readonly (readonly [name: string, label: string, value: string])[];
  others?: readonly { value: string; label: string }[];
  kinds?: boolean;
  lane?: Lane;
  save: string;
  busy: boolean;
  onSave: (typed: Record<string, string>) => void;
}): ReactNode {
  const [typed, setTyped] = useState<Record<string, string>>(() => ({
    ...Object.fromEntries(fields.map(([name, , value]) => [name, value])),
    other: '',
    work: 'fit',
    lane: lane ?? 'Whole',
  }));
  const put = (name: string) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [name]: event.target.value });
  const choice = (name: string, label: string, options: readonly { value: string; label: string }[]) => (
    <label>
      {label}{' '}
      <select value={typed[name]} onChange={put(name)}>
        {options.map(({ value, label: said }) => (
          <option key={value} value={value}>
            {said}
          </option>
        ))}
      </select>
    </label>
  );
  const plain = (values: readonly string[]) => values.map((value) => ({ value, label: value }));
  return (
    <form
      className="corner-row"
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        onSave(typed);
      }}
    >
      {fields.map(([name, label]) => (
        <label key={name}>
          {label}{' '}
          <input
            value={typed[name]}
            onChange={put(name)}
            size={/minutes|wait/i.test(name) ? 5 : 26}
            inputMode={/minutes|wait/i.test(name) ? 'numeric' : undefined}
          />
        </label>
      ))}
      {others ? choice('other', 'Which', [{ value: '', label: 'choose a step' }, ...others]) : null}
      {kinds ? choice('work', 'Kind', plain(STEP_KINDS)) : null}
      {kinds ? choice('lane', 'Lane', plain(LANES)) : null}
      <Button type="submit" variant="contained" size="small" disabled={busy || (others !== undefined && !typed.other)}>
        {save}
      </Button>
    </form>
  );
}

/** The edits as they stand, each to be taken back. */
export function EditList({ data }: { data: RoutePage }): ReactNode {
  if (data.edits.length === 0) return null;
  return (
    <section aria-label="Your own changes to the route">
      <h2>Your own changes to the route</h2>
      <table className="plain">
        <tbody>
          {data.edits.map((own) => (
            <tr key={own.id}>
              <td>
                {own.says}
                {own.asleep ? <span className="dim"> – sleeps: {own.asleep}</span> : null}
              </td>
              <td className="num">
                <RemoveButton
                  briefId={data.briefId}
                  station="route"
                  entity="route_edit"
                  record={own}
                  said="Taken back; u makes it again"
                  label={`Take back: ${own.says}`}
                >
                  take back
                </RemoveButton>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
