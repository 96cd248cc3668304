'use client';

import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useState, type FormEvent, type ReactNode } from 'react';
import { Controller, useForm, useFormState, useWatch, type Control } from 'react-hook-form';
import { parseScale } from '@/core/units/length';
import type { Stamp } from '@/core/kept/act';
import type { Result } from '@/core/interchange/result';
import { beginFilling } from './keys';
import { Offers } from './offers';
import { measuresIn, useMeasures } from './shown-units';
import { ChangedElsewhereNotice, useSaving } from './saving';

export interface Option {
  value: string;
  label: string;
  /** What choosing it means, under its name in the list. */
  detail?: string;
}

/** One field of a form: what it is called, how it is typed, and its unit. */
export interface FieldSpec {
  name: string;
  label: string;
  type?: 'text' | 'long' | 'number' | 'scale' | 'day' | 'time' | 'choice' | 'several' | 'yes-no' | 'suggest';
  options?: readonly Option[];
  unit?: string;
  help?: string;
  /** Share of the row, of 12. */
  width?: number;
  /** An empty field means null. */
  optional?: boolean;
  /** What was typed as it is understood, said under the field while one types. */
  reads?: (text: string) => string;
}

type Values = Record<string, unknown>;

export const optionsOf = (values: readonly string[]): Option[] => values.map((value) => ({ value, label: value }));

const METRIC = measuresIn('metric');

/** What was typed as what the server expects: numbers by either decimal mark and in any unit, empty optional fields as null. */
export function typedValues(fields: readonly FieldSpec[], values: Values, measures = METRIC): Values {
  return Object.fromEntries(
    fields.map(({ name, type, unit, optional }) => {
      const value = values[name];
      if (type === 'scale') return [name, parseScale(String(value ?? '')) ?? value];
      if (type === 'number') {
        const text = String(value ?? '').trim();
        if (text === '') return [name, optional ? null : undefined];
        return [name, measures.read(text, unit ?? '') ?? text];
      }
      if (unit && typeof value === 'string') return [name, measures.withUnit(value, unit)];
      return [name, optional && value === '' ? null : value];
    }),
  );
}

/** A record's values as text for its form. */
export function formValues(fields: readonly FieldSpec[], record: Values, measures = METRIC): Values {
  return Object.fromEntries(
    fields.map(({ name, type, unit }) => {
      const value = record[name];
      if (type === 'several' || type === 'yes-no') return [name, value];
      if (value === null || value === undefined) return [name, ''];
      // A length that is kept as text, as in evidence, is a bare number of its unit.
      return [name, unit && value !== '' ? measures.asTyped(value as number | string, unit) : String(value)];
    }),
  );
}

/** While something typed is not saved, leaving or reloading the page asks first, and no letter is a command. */
export function useUnsaved(unsaved: boolean): void {
  useEffect(() => {
    if (!unsaved) return undefined;
    const filled = beginFilling();
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => {
      filled();
      window.removeEventListener('beforeunload', ask);
    };
  }, [unsaved]);
}

interface RecordFormProps<T> {
  fields: readonly FieldSpec[];
  initial: Values;
  /** Values that come up while the form is open: they fill the fields that are empty. */
  offered?: Values;
  /** The version that the form was opened with; null for something new. */
  version: number | null;
  submit: (values: Values, version: number | null, act: Stamp) => Promise<Result<T>>;
  onDone: (value: T) => void;
  onCancel?: () => void;
  saveLabel: string;
  saved: string;
  /** The field that has the focus when the form appears; null for none, as where the hand goes on elsewhere. */
  focus?: string | null;
  /** Says what the typed values would change, where they are other than those that stand. */
  foresees?: (values: Values) => ReactNode;
  children?: ReactNode;
}

/** A form over one record: keeps what was typed through every refusal, and settles with what was changed elsewhere. */
export function RecordForm<T>({
  fields,
  initial,
  offered,
  version,
  submit,
  onDone,
  onCancel,
  saveLabel,
  saved,
  focus,
  foresees,
  children,
}: RecordFormProps<T>): ReactNode {
  const { run, busy } = useSaving();
  const measures = useMeasures();
  const form = useForm<Values>({ defaultValues: formValues(fields, initial, measures) });
  const [seen, setSeen] = useState(version);
  const given = () => JSON.stringify(formValues(fields, initial));
  const [opened, setOpened] = useState(() => ({ version, given: given() }));
  // What was kept beside this form, as by a button below it, is no change elsewhere where its own fields are as they were.
  if (version !== opened.version) {
    setOpened({ ...opened, version });
    if (given() === opened.given) setSeen(version);
  }
  useUnsaved(form.formState.isDirty);
  const { setValue, getValues, setFocus } = form;
  // What can be closed was opened by a press: the hand goes on in it.
  const first = focus === undefined ? (onCancel ? fields[0]?.name : null) : focus;
  useEffect(() => {
    if (first) setFocus(first, { shouldSelect: true });
  }, [first, setFocus]);
  const [take, setTake] = useState<{ field: string; offers: readonly string[] }[]>([]);
  useEffect(() => {
    for (const [name, value] of Object.entries(offered ?? {})) if (value && !getValues(name)) setValue(name, value);
  }, [offered, setValue, getValues]);
  const [conflict, setConflict] = useState<{ mine: Values; theirs: (Values & { version: number }) | null } | null>(
    null,
  );

  const send = async (values: Values, against: number | null) => {
    const typed = typedValues(fields, values, measures);
    const result = await run((act) => submit(typed, against, act), saved);
    if (result.ok) {
      setConflict(null);
      form.reset(form.getValues());
      onDone(result.value);
      return;
    }
    if ('conflict' in result) {
      setConflict({ mine: typed, theirs: result.conflict.theirs });
      return;
    }
    for (const fault of result.faults)
      if (fault.field) form.setError(fault.field.split('.')[0]!, { message: fault.says }, { shouldFocus: true });
    setTake(result.faults.flatMap(({ field, offers }) => (offers ? [{ field, offers }] : [])));
  };
  const onSubmit = (event?: FormEvent) => {
    form.clearErrors();
    setTake([]);
    void form.handleSubmit((values) => send(values, seen))(event);
  };
  return (
    <form
      className="record-form"
      onSubmit={onSubmit}
      noValidate
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !onCancel || event.defaultPrevented) return;
        event.preventDefault();
        onCancel();
      }}
    >
      {conflict ? (
        <ChangedElsewhereNotice
          mine={conflict.mine}
          theirs={conflict.theirs}
          labels={Object.fromEntries(fields.map((field) => [field.name, field.label]))}
          onTakeTheirs={() => {
            form.reset(formValues(fields, conflict.theirs!, measures));
            setSeen(conflict.theirs!.version);
            setConflict(null);
          }}
          onKeepMine={() => {
            setSeen(conflict.theirs!.version);
            void send(form.getValues(), conflict.theirs!.version);
          }}
        />
      ) : null}
      <div className="field-grid">
        {fields.map((field) => (
          <div key={field.name} style={{ gridColumn: `span ${field.width ?? 4}` }}>
            <Field field={field} control={form.control} />
          </div>
        ))}
      </div>
      {take.map(({ field, offers }) => (
        <Offers
          key={field}
          offers={offers}
          titleOf={(value) =>
            fields.find(({ name }) => name === field)?.options?.find((option) => option.value === value)?.label ?? value
          }
          onTake={(value) => {
            setValue(field, value, { shouldDirty: true });
            onSubmit();
          }}
        />
      ))}
      {children}
      {foresees ? <Foreseen fields={fields} control={form.control} foresees={foresees} /> : null}
      <div className="form-actions">
        <Button type="submit" variant="contained" disabled={busy}>
          {saveLabel}
        </Button>
        {onCancel ? <Button onClick={onCancel}>Close</Button> : null}
      </div>
    </form>
  );
}

function Foreseen({
  fields,
  control,
  foresees,
}: {
  fields: readonly FieldSpec[];
  control: Control<Values>;
  foresees: (values: Values) => ReactNode;
}): ReactNode {
  const measures = useMeasures();
  const values = useWatch({ control });
  const { isDirty } = useFormState({ control });
  return isDirty ? foresees(typedValues(fields, values, measures)) : null;
}

/** A single field bound to a form. */
export function Field({ field, control }: { field: FieldSpec; control: Control<Values> }): ReactNode {
  const measures = useMeasures();
  return (
    <Controller
      name={field.name}
      control={control}
      render={({ field: { ref, ...bound }, fieldState: { error } }) => {
        const help = error?.message ?? field.reads?.(String(bound.value ?? '')) ?? field.help;
        const label = field.unit ? `${field.label}, ${measures.unit(field.unit)}` : field.label;
        const slots = {
          htmlInput: { 'aria-label': label, ...(field.type === 'number' ? { inputMode: 'decimal' as const } : {}) },
        };
        switch (field.type) {
          case 'yes-no':
            return (
              <FormControlLabel
                control={
                  <Checkbox
                    checked={Boolean(bound.value)}
                    onChange={(_, checked) => bound.onChange(checked)}
                    size="small"
                  />
                }
                label={label}
              />
            );
          case 'several': {
            const chosen = (bound.value as string[] | undefined) ?? [];
            return (
              <Autocomplete
                multiple
                size="small"
                options={(field.options ?? []).map((option) => option.value)}
                value={chosen}
                onChange={(_, value) => bound.onChange(value)}
                disableCloseOnSelect
                getOptionLabel={(value) => field.options?.find((option) => option.value === value)?.label ?? value}
                renderInput={(props) => (
                  <TextField {...props} label={label} error={Boolean(error)} helperText={help} inputRef={ref} />
                )}
              />
            );
          }
          case 'suggest':
            return (
              <Autocomplete
                freeSolo
                size="small"
                options={(field.options ?? []).map((option) => option.value)}
                inputValue={String(bound.value ?? '')}
                onInputChange={(_, value) => bound.onChange(value)}
                getOptionLabel={(value) => value}
                renderOption={({ key, ...props }, value) => (
                  <li key={key} {...props}>
                    {field.options?.find((option) => option.value === value)?.label ?? value}
                  </li>
                )}
                renderInput={(props) => (
                  <TextField {...props} label={label} error={Boolean(error)} helperText={help} inputRef={ref} />
                )}
              />
            );
          case 'choice':
            return (
              <TextField
                select
                {...bound}
                inputRef={ref}
                value={bound.value ?? ''}
                label={label}
                error={Boolean(error)}
                helperText={help}
                slotProps={{
                  select: {
                    renderValue: (value) => field.options?.find((option) => option.value === value)?.label ?? '',
                  },
                }}
              >
                {(field.options ?? []).map((option) => (
                  <MenuItem key={option.value} value={option.value} className={option.detail ? 'detailed' : undefined}>
                    {option.label}
                    {option.detail ? <small>{option.detail}</small> : null}
                  </MenuItem>
                ))}
              </TextField>
            );
          default: {
            const native = field.type === 'day' ? 'date' : field.type === 'time' ? 'time' : 'text';
            return (
              <TextField
                {...bound}
                inputRef={ref}
                value={bound.value ?? ''}
                label={label}
                type={native}
                multiline={field.type === 'long'}
                minRows={field.type === 'long' ? 2 : undefined}
                error={Boolean(error)}
                helperText={help}
                slotProps={{ ...slots, ...(native === 'text' ? {} : { inputLabel: { shrink: true } }) }}
              />
            );
          }
        }
      }}
    />
  );
}
