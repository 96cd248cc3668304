'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useForm, useFormState, useWatch, type Control } from 'react-hook-form';
import { createBrief, saveSetup } from '@/actions/briefs';
import { weighSetup } from '@/actions/weighing';
import type { Result } from '@/core/interchange/result';
import type { Stamp } from '@/core/kept/act';
import type { Turn } from '@/core/kept/turn';
import { AS_OUTLINED } from '@/core/kept/new-brief';
import type { Fields, Kept } from '@/core/kept/records';
import { shownViews } from '@/core/markings/views';
import { OPTION_CHOICES, OPTION_NAMES, optionsFor, type Options } from '@/core/kit/options';
import { DIMENSION_NAMES, DIMENSIONS, OTHER_FORMS, type Dimensions } from '@/core/outline/dimensions';
import { dimensionsSchema } from '@/core/outline/dimension-fields';
import { buildOutline, ownOutline } from '@/core/outline/outline';
import { FORM_TITLES, formOf, machineOf, PRESET_NAMES, PRESETS, type PresetName } from '@/core/outline/presets';
import type { ToolKind } from '@/core/kit/tools';
import { readSessions, sessionsInWords } from '@/core/route/sessions-said';
import { acrossOf, acrossTitle, scaledTo } from '@/core/outline/scaled';
import { parseScale } from '@/core/units/length';
import { WhatItTurns } from '@/stations/shell/what-it-turns';
import { AirframeSheet } from '@/sheet/airframe-sheet';
import { Field, formValues, optionsOf, typedValues, type FieldSpec } from '@/ui/fields';
import { ChangedElsewhereNotice, SavingProvider, useSaving } from '@/ui/saving';
import css from './machine-form.module.css';
import { AsItIsFields, asItIs, type AsItIs } from './as-it-is';
import { NewBench } from './new-bench';
import type { ShownUnits } from '@/core/units/shown';
import { ShownUnitsContext, useMeasures, type Measures } from '@/ui/shown-units';
import '../shell/desk.css';
import '@/sheet/sheet.css';

type Values = Record<string, unknown>;

/** Without these there is nothing to begin with; all else has a default that is good enough for the first evening. */
const SCALE_FIELD: FieldSpec = { name: 'denominator', label: 'Scale', type: 'scale', width: 2 };
/** What ships are usually built at: at the scale of an aircraft one would be as long as the room. */
const SHIP_SCALE = '350';
const FIRST_FIELDS: FieldSpec[] = [
  { name: 'type', label: 'Type', width: 4 },
  { name: 'variant', label: 'Variant', width: 2 },
  { name: 'serial', label: 'Serial', width: 3 },
  { name: 'codeLetters', label: 'Code letters', width: 3 },
  SCALE_FIELD,
  { name: 'length', label: 'Length', unit: 'm', type: 'number', width: 3 },
  { name: 'span', label: 'Span', unit: 'm', type: 'number', width: 3 },
];
const AIRFRAME_FIELDS: FieldSpec[] = [
  { name: 'name', label: 'Name', width: 4 },
  { name: 'unit', label: 'Unit', width: 4 },
  { name: 'place', label: 'Place', width: 4 },
  { name: 'targetFrom', label: 'Depicts from', type: 'day', optional: true, width: 3 },
  { name: 'targetTo', label: 'Depicts to', type: 'day', optional: true, width: 3 },
  { name: 'lostOn', label: 'Machine lost on', type: 'day', optional: true, width: 3 },
];

const KIT_FIELDS: FieldSpec[] = [
  { name: 'title', label: 'Name of the brief', help: 'empty: what stands on the machine', width: 12 },
  { name: 'kitMaker', label: 'Kit maker', width: 4 },
  { name: 'kitNumber', label: 'Kit number', width: 3 },
  { name: 'boughtOn', label: 'Kit bought', type: 'day', optional: true, width: 3 },
  { name: 'startOn', label: 'Begins', type: 'day', width: 3 },
  { name: 'tempC', label: 'Bench temperature', unit: '°C', type: 'number', width: 3 },
  { name: 'humidity', label: 'Humidity', unit: '%', type: 'number', width: 3 },
  { name: 'timeZone', label: 'Time zone', help: 'such as Europe/Berlin', width: 6 },
  { name: 'notes', label: 'Notes', type: 'long', width: 12 },
];

const OPTION_FIELDS: FieldSpec[] = OPTION_NAMES.map((name) => ({
  name,
  label: OPTION_CHOICES[name].title,
  type: 'choice',
  options: optionsOf(OPTION_CHOICES[name].choices),
  width: 4,
}));
const UNITS = { m: 'm', deg: '°', pieces: '' } as const;
const dimensionField = (name: (typeof DIMENSION_NAMES)[number]): FieldSpec => ({
  name,
  label: DIMENSIONS[name].title,
  unit: UNITS[DIMENSIONS[name].unit],
  type: 'number',
  width: 3,
});
const DIMENSION_FIELDS = DIMENSION_NAMES.filter((name) => name !== 'length' && name !== 'span').map(dimensionField);

/** The fields that a layout is asked for: first those that it is drawn from at once, then all others that it has. */
function dimensionsOf(preset: PresetName): { first: FieldSpec[]; more: FieldSpec[] } {
  const form = formOf(preset);
  if (form === 'aircraft') return { first: FIRST_FIELDS.slice(4), more: DIMENSION_FIELDS };
  const has = Object.entries(OTHER_FORMS[form]).map(([name, label]): FieldSpec => ({
    ...dimensionField(name as (typeof DIMENSION_NAMES)[number]),
    label,
  }));
  return { first: [SCALE_FIELD, ...has.slice(0, 3)], more: has.slice(3) };
}
const ALL_DIMENSIONS = DIMENSION_NAMES.map(dimensionField);
const LABELS = Object.fromEntries(
  [...FIRST_FIELDS, ...AIRFRAME_FIELDS, ...KIT_FIELDS, ...OPTION_FIELDS, ...DIMENSION_FIELDS].map((field) => [
    field.name,
    field.label,
  ]),
);

export interface MachineProps {
  brief: Fields<'brief'> | Kept<'brief'>;
  airframe: Fields<'airframe'> | Kept<'airframe'>;
  /** Of a new brief: what it would be planned with. */
  sessions?: Fields<'weekly_session'>[];
  /** What the house knows of already. */
  owned?: ToolKind[];
  /** In what the house shows its measures; a brief’s shell knows it already. */
  units?: ShownUnits;
}

/** The airframe, the kit, the options and the outline, with the four views drawn as they are typed. */
export function MachineForm(props: MachineProps): ReactNode {
  // Inside a brief the shell already provides saving; a new brief has no shell.
  return 'id' in props.brief ? (
    <Machine {...props} />
  ) : (
    <ShownUnitsContext.Provider value={props.units ?? 'metric'}>
      <SavingProvider>
        <div className={css.machine}>
          <Machine {...props} />
        </div>
      </SavingProvider>
    </ShownUnitsContext.Provider>
  );
}

function Machine({ brief, airframe, sessions = [], owned = [] }: MachineProps): ReactNode {
  const measures = useMeasures();
  const kept = 'id' in brief && 'id' in airframe ? { brief, airframe } : null;
  const router = useRouter();
  const { run, busy } = useSaving();
  const [preset, setPreset] = useState<PresetName>(airframe.preset);
  /** What it has otherwise than its layout. */
  const [own, setOwn] = useState<AsItIs>(asItIs(airframe));
  const [versions, setVersions] = useState(
    kept ? { brief: kept.brief.version, airframe: kept.airframe.version } : null,
  );
  const [conflict, setConflict] = useState<{
    entity: 'brief' | 'airframe';
    mine: Values;
    theirs: (Values & { version: number }) | null;
  } | null>(null);
  const [faults, setFaults] = useState<string[]>([]);
  const [tools, setTools] = useState<ToolKind[]>([]);
  const [week, setWeek] = useState(() => sessionsInWords(sessions));
  const form = useForm<Values>({ defaultValues: flat(brief, airframe, measures) });

  const fill = (dimensions: Dimensions, except: readonly string[] = []) => {
    for (const name of DIMENSION_NAMES)
      if (!except.includes(name))
        form.setValue(name, measures.asTyped(dimensions[name], dimensionField(name).unit ?? ''));
  };
  const choosePreset = (next: PresetName) => {
    setPreset(next);
    setOwn(asItIs(AS_OUTLINED));
    fill(PRESETS[next].dimensions);
    form.setValue('landing', PRESETS[next].landing);
    if (!kept && formOf(next) === 'ship') form.setValue('denominator', SHIP_SCALE);
  };
  const layout = useRef<HTMLSelectElement>(null);
  useEffect(() => {
    // Who was quicker than the page has chosen already.
    const chosen = PRESET_NAMES.find((name) => name === layout.current?.value);
    if (chosen && chosen !== preset) choosePreset(chosen);
    // Once, when the page has come alive.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  /** Everything else in proportion to length and span, where those were typed. */
  const scale = () => {
    // What is asked of a ship or a base is asked in full.
    if (formOf(preset) !== 'aircraft') return;
    const [length, span] = ['length', 'span'].map((name) => measures.read(String(form.getValues(name) ?? ''), 'm'));
    const { dimensions } = PRESETS[preset];
    const across = acrossOf(dimensions);
    if (length && length > 0)
      fill(scaledTo(preset, length, span && span > 0 ? span : across * (length / dimensions.length)), [
        'length',
        'span',
      ]);
  };
  const asTyped = (values: Values) => {
    const { brief: typedBrief, airframe: typedAirframe } = recordsFrom(values, preset, measures);
    // What other stations keep with the brief stays.
    return {
      brief: { ...fieldsOf(brief), ...typedBrief },
      airframe: {
        ...fieldsOf(airframe),
        ...(airframe.preset === preset ? {} : AS_OUTLINED),
        ...typedAirframe,
        ...own,
      },
    };
  };
  /** Both as the server is told of them. */
  const setupOf = (typed: ReturnType<typeof asTyped>, against: NonNullable<typeof versions>) => ({
    briefId: kept!.brief.id,
    brief: { id: kept!.brief.id, version: against.brief, fields: typed.brief },
    airframe: { id: kept!.airframe.id, version: against.airframe, fields: typed.airframe },
  });
  const send = async (values: Values, against = versions) => {
    const typed = asTyped(values);
    setFaults([]);
    const said = readSessions(week);
    if (!kept && said.faults.length > 0) return setFaults(said.faults);
    const result =
      kept && against
        ? await run((act) => saveSetup({ act, ...setupOf(typed, against) }), 'Machine and kit kept')
        : await run(
            (act) => createBrief({ act, brief: typed.brief, airframe: typed.airframe, sessions: said.sessions, tools }),
            'The brief is begun',
          );
    if (result.ok) {
      router.push(kept ? `/briefs/${kept.brief.id}/kit` : `/briefs/${result.value}/evidence`);
      return;
    }
    if ('conflict' in result) {
      const entity = result.conflict.entity as 'brief' | 'airframe';
      const theirs = result.conflict.theirs;
      setConflict({
        entity,
        mine: flat(typed.brief as never, typed.airframe as never, measures),
        theirs: theirs && ({ ...flatPart(theirs), version: theirs.version } as Values & { version: number }),
      });
      return;
    }
    setFaults(result.faults.map((fault) => fault.says));
    for (const fault of result.faults) {
      const name = fault.field.split('.').at(-1)!;
      if (name in LABELS) form.setError(name, { message: fault.says });
    }
  };
  // What was refused is never folded away.
  const wrong = (fields: readonly FieldSpec[]) => fields.some(({ name }) => name in form.formState.errors);
  return (
    <form
      className={css.desk}
      noValidate
      onSubmit={(event) => {
        form.clearErrors();
        void form.handleSubmit((values) => send(values))(event);
      }}
    >
      <div>
        {conflict ? (
          <ChangedElsewhereNotice
            mine={conflict.mine}
            theirs={conflict.theirs}
            labels={LABELS}
            onTakeTheirs={() => {
              form.reset({
                ...form.getValues(),
                ...Object.fromEntries(
                  Object.entries(conflict.theirs!).map(([key, value]) => [key, value === null ? '' : String(value)]),
                ),
              });
              setVersions({ ...versions!, [conflict.entity]: conflict.theirs!.version });
              setConflict(null);
            }}
            onKeepMine={() => {
              const next = { ...versions!, [conflict.entity]: conflict.theirs!.version };
              setVersions(next);
              setConflict(null);
              void send(form.getValues(), next);
            }}
          />
        ) : null}
        {faults.length > 0 ? (
          <div className="changed-elsewhere" role="alert">
            <strong>Not saved.</strong> {faults.join('. ')}
          </div>
        ) : null}
        <Group fields={FIRST_FIELDS.slice(0, 4)} control={form.control} />
        <p>
          <label>
            Layout{' '}
            <select
              ref={layout}
              style={{ width: 360 }}
              value={preset}
              onChange={(event) => choosePreset(event.target.value as PresetName)}
            >
              {PRESET_NAMES.map((name) => (
                <option key={name} value={name}>
                  {PRESETS[name].title}
                </option>
              ))}
            </select>
          </label>{' '}
        </p>
        {formOf(preset) === 'aircraft' ? <AsItIsFields preset={preset} own={own} onOwn={setOwn} /> : null}
        <div onBlur={kept ? undefined : scale}>
          <Group fields={dimensionsOf(preset).first} control={form.control} />
        </div>
        {kept ? null : <NewBench owned={owned} tools={tools} onTools={setTools} week={week} onWeek={setWeek} />}
        <Fold title="Unit, name and the day it depicts" open={Boolean(kept) || wrong(AIRFRAME_FIELDS)}>
          <Group fields={AIRFRAME_FIELDS} control={form.control} />
        </Fold>
        <Fold title="Kit and bench" open={Boolean(kept) || wrong(KIT_FIELDS)}>
          <Group fields={KIT_FIELDS} control={form.control} />
        </Fold>
        {kept ? null : (
          <Fold
            title={
              formOf(preset) === 'aircraft'
                ? 'Options: closed, gear down, weathered in service unless you say otherwise'
                : 'Options: weathered in service unless you say otherwise'
            }
            open={wrong(OPTION_FIELDS)}
          >
            <Group
              fields={OPTION_FIELDS.filter(({ name }) =>
                optionsFor(machineOf({ preset, ...own })).includes(name as never),
              )}
              control={form.control}
            />
          </Fold>
        )}
        {dimensionsOf(preset).more.length > 0 ? (
          <Fold title="All dimensions of the outline" open={wrong(DIMENSION_FIELDS)}>
            <Group fields={dimensionsOf(preset).more} control={form.control} />
          </Fold>
        ) : null}
        {kept && versions ? (
          <Foreseen
            control={form.control}
            isAnother={preset !== airframe.preset || JSON.stringify(own) !== JSON.stringify(asItIs(airframe))}
            asTyped={asTyped}
            weigh={(typed, act) => weighSetup({ act, ...setupOf(typed, versions) })}
          />
        ) : null}
        <div className="form-actions">
          <Button type="submit" variant="contained" disabled={busy}>
            {kept ? 'Save' : 'Begin the brief'}
          </Button>
          <Button onClick={() => router.back()}>Back</Button>
        </div>
      </div>
      <Preview
        control={form.control}
        preset={preset}
        own={own}
        last={{ dimensions: airframe.dimensions, preset: airframe.preset }}
      />
    </form>
  );
}

/** What the machine as it is typed would change in the brief, where it is another than the one that stands. */
function Foreseen<T extends { brief: object; airframe: object }>({
  control,
  isAnother,
  asTyped,
  weigh,
}: {
  control: Control<Values>;
  /** Whether something beside the fields was changed. */
  isAnother: boolean;
  asTyped: (values: Values) => T;
  weigh: (typed: T, act: Stamp) => Promise<Result<Turn[]>>;
}): ReactNode {
  const typed = asTyped(useWatch({ control }));
  const { isDirty } = useFormState({ control });
  return <WhatItTurns of={isDirty || isAnother ? JSON.stringify(typed) : null} weigh={(act) => weigh(typed, act)} />;
}

/** What has a sane default is folded away until it is wanted. */
function Fold({ title, open = false, children }: { title: string; open?: boolean; children: ReactNode }): ReactNode {
  return (
    <details open={open} className={css.fold}>
      <summary>{title}</summary>
      {children}
    </details>
  );
}

function Group({
  title,
  fields,
  control,
}: {
  title?: string;
  fields: readonly FieldSpec[];
  control: Control<Values>;
}): ReactNode {
  return (
    <section>
      {title ? <h2>{title}</h2> : null}
      <div className="field-grid">
        {fields.map((field) => (
          <div key={field.name} style={{ gridColumn: `span ${field.width ?? 4}` }}>
            <Field field={field} control={control} />
          </div>
        ))}
      </div>
    </section>
  );
}

/** The sheet as typed; while a dimension is impossible the last possible one stays and the fault is said. */
function Preview({
  control,
  preset,
  own,
  last,
}: {
  control: Control<Values>;
  preset: PresetName;
  own: AsItIs;
  last: { dimensions: Dimensions; preset: PresetName };
}): ReactNode {
  const measures = useMeasures();
  const { shown } = measures;
  const values = useWatch({ control });
  const [zone, setZone] = useState<string | null>(null);
  const typed = Object.fromEntries(
    ALL_DIMENSIONS.map(({ name, unit = '' }) => [name, measures.read(String(values[name] ?? ''), unit)]),
  );
  const parsed = dimensionsSchema.safeParse(typed);
  const denominator = parseScale(String(values.denominator ?? '')) || 72;
  const key = parsed.success ? JSON.stringify(parsed.data) : null;
  const data = useMemo(() => {
    const dimensions: Dimensions = key ? (JSON.parse(key) as Dimensions) : last.dimensions;
    const spec = {
      preset: key ? preset : last.preset,
      dimensions,
      landing: (values.landing as Options['landing']) ?? 'wheels',
      folded: values.wings === 'folded',
      swept: values.sweep === 'swept',
      ...ownOutline(own),
    };
    const outline = buildOutline(spec);
    const zones = outline.zones.map((item) => ({
      key: item.key,
      title: `${item.title}${item.areaM2 > 0 ? `, ${item.areaM2.toFixed(1)} m²` : ''}`,
      certainty: 'unasked' as const,
      colour: null,
      progress: null,
    }));
    return {
      spec,
      denominator,
      zones,
      markings: [],
      fields: [],
      views: shownViews(outline, [], []),
      inks: {},
      titleBlock: [
        {
          label: FORM_TITLES[formOf(spec.preset)],
          value: `${String(values.type ?? '')} ${String(values.variant ?? '')}`.trim() || '–',
        },
        { label: 'Length at scale', value: shown(`${((dimensions.length * 1000) / denominator).toFixed(1)} mm`) },
        {
          label: `${acrossTitle(spec)} at scale`,
          value: shown(`${((acrossOf(dimensions) * 1000) / denominator).toFixed(1)} mm`),
        },
      ],
    };
  }, [
    key,
    preset,
    own,
    denominator,
    values.landing,
    values.wings,
    values.sweep,
    values.type,
    values.variant,
    last,
    shown,
  ]);
  return (
    <div>
      <AirframeSheet data={data} mode="progress" selected={zone} onSelect={setZone} />
      {parsed.success ? null : (
        <p role="status" className="danger">
          ✕ {parsed.error.issues[0]!.message}
        </p>
      )}
    </div>
  );
}

function flat(brief: Fields<'brief'>, airframe: Fields<'airframe'>, measures: Measures): Values {
  return {
    ...formValues(FIRST_FIELDS, { ...airframe, ...brief }, measures),
    ...formValues(AIRFRAME_FIELDS, airframe, measures),
    ...formValues(KIT_FIELDS, brief, measures),
    ...formValues(OPTION_FIELDS, brief.options),
    ...formValues(ALL_DIMENSIONS, airframe.dimensions, measures),
  };
}

/** A kept brief or airframe by the names of the form's fields. */
function flatPart(record: Values): Values {
  const nested = {
    ...record,
    ...(record.options as object | undefined),
    ...(record.dimensions as object | undefined),
  } as Values;
  return Object.fromEntries(
    Object.keys(LABELS).flatMap((name) =>
      name in nested ? [[name, nested[name] === null ? '' : String(nested[name])]] : [],
    ),
  );
}

/** A record without its identity, where it has one. */
function fieldsOf<F extends object>(record: F): Omit<F, 'id' | 'version'> {
  const { id: _id, version: _version, ...fields } = { id: null, version: null, ...record };
  return fields;
}

function recordsFrom(values: Values, preset: PresetName, measures: Measures) {
  return {
    brief: {
      ...typedValues(KIT_FIELDS, values, measures),
      denominator: typedValues(FIRST_FIELDS, values).denominator,
      options: typedValues(OPTION_FIELDS, values),
    },
    airframe: {
      ...typedValues(FIRST_FIELDS.slice(0, 4), values),
      ...typedValues(AIRFRAME_FIELDS, values),
      preset,
      dimensions: typedValues(ALL_DIMENSIONS, values, measures),
    },
  };
}
