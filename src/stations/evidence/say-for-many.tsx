'use client';

import Button from '@mui/material/Button';
import { useRef, useState, type FormEvent, type ReactNode } from 'react';
import { copySide, sayForMany, sayList, takeWord } from '@/actions/say-for-many';
import { ASPECT_NAMES, ASPECTS, aspectOf, type Aspect } from '@/core/evidence/aspects';
import { CLARITIES } from '@/core/evidence/weights';
import { counted } from '@/core/units/words';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { useUnsaved } from '@/ui/fields';
import { Offers } from '@/ui/offers';
import { useEscape } from '@/ui/opened';
import { useSaving } from '@/ui/saving';
import type { EvidencePage } from './page-data';
import '@/ui/opened.css';

/** Sources that are made with the first thing they say. */
const NEW_SOURCES = [
  { key: 'new kit sheet', kind: 'kit-sheet', title: 'Kit sheet', says: 'the kit sheet (new)' },
  { key: 'new photograph', kind: 'photograph', title: 'Photograph', says: 'a photograph (new)' },
] as const;

/** One statement of one source for all zones that are chosen; a pasted list; or its word on everything that nothing contradicts. */
export function SayForMany({ data, onClose }: { data: EvidencePage; onClose: () => void }): ReactNode {
  const { run, busy, tell } = useSaving();
  const { zone, choose, several, chooseSeveral } = useZoneChoice();
  const kitSheet = data.sources.find(({ kind }) => kind === 'kit-sheet');
  const [source, setSource] = useState<string>(kitSheet?.id ?? NEW_SOURCES[0].key);
  const [aspect, setAspect] = useState<Aspect>('colour');
  const [value, setValue] = useState('');
  const [clarity, setClarity] = useState('');
  const [list, setList] = useState<string | null>(null);
  const [offers, setOffers] = useState<readonly string[]>([]);
  const zones = several.size > 0 ? [...several] : zone ? [zone] : [];
  const known = data.sources.find(({ id }) => id === source);
  const fresh = NEW_SOURCES.find(({ key }) => key === source);
  // What was made a moment ago may not stand in the list yet.
  const asked = fresh ? { kind: fresh.kind, title: titleFor(fresh.title, data.sources) } : source;
  const said = new Set(
    data.questions.flatMap(({ aspect: about, sightings, zone: of }) =>
      about === aspect && sightings.some(({ sourceId }) => sourceId === source) ? [of] : [],
    ),
  );
  const rest = data.seen.filter((key) => !said.has(key));
  const field = useRef<HTMLInputElement>(null);
  const form = useRef<HTMLFormElement>(null);
  useEscape(onClose, () => form.current);
  useUnsaved(value !== '' || (list ?? '') !== '');

  const say = async (said: string) => {
    setOffers([]);
    const result =
      list === null
        ? await run((act) =>
            sayForMany({
              act,
              briefId: data.briefId,
              source: asked,
              zones,
              aspect,
              value: said,
              clarity: clarity || null,
            }),
          )
        : await run((act) => sayList({ act, briefId: data.briefId, source: asked, aspect, text: list }));
    if (!result.ok) {
      if ('faults' in result) setOffers(result.faults.flatMap(({ offers: given }) => given ?? []));
      return;
    }
    setSource(result.value.sourceId);
    tell(`${ASPECTS[aspect].title} said of ${counted(result.value.said, 'zone')}`, { act: 'last' });
    setValue('');
    field.current?.focus();
    setList(list === null ? null : '');
    // What was chosen has been spoken of: nothing stays narrowed to it.
    chooseSeveral(new Set());
    choose(null);
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void say(value);
  };
  const suggestions =
    aspectOf(aspect).type === 'code' ? data.codes.map(({ value: code }) => code) : (aspectOf(aspect).choices ?? []);
  const add = (keys: readonly string[]) => {
    chooseSeveral(new Set([...zones, ...keys]));
    field.current?.focus();
  };
  return (
    <form
      className="ledger-detail say-many"
      aria-label="Say it for many zones"
      onSubmit={submit}
      ref={form}
      data-opened=""
    >
      <WhoSaysWhat
        data={data}
        source={source}
        onSource={setSource}
        aspect={aspect}
        onAspect={setAspect}
        clarity={clarity}
        onClarity={setClarity}
      />
      {list === null ? (
        <>
          <ZonesSpokenOf data={data} zones={zones} rest={rest} onAdd={add} />
          <p className="pane-actions">
            <label>
              is{' '}
              <input
                list="said-values"
                value={value}
                onChange={(event) => setValue(event.target.value)}
                aria-label="What it says"
                ref={field}
                autoFocus
              />
            </label>
            <datalist id="said-values">
              {suggestions.map((one) => (
                <option key={one} value={one} />
              ))}
            </datalist>
            <Button type="submit" variant="contained" disabled={busy || zones.length === 0 || value.trim() === ''}>
              Say it
            </Button>
            <Button onClick={() => setList('')}>Paste a list</Button>
            <Button onClick={onClose}>Close</Button>
          </p>
        </>
      ) : (
        <PastedList list={list} busy={busy} onList={setList} onClose={onClose} />
      )}
      {offers.length > 0 && list === null ? (
        <Offers
          offers={offers}
          onTake={(offer) => {
            setValue(offer);
            void say(offer);
          }}
        />
      ) : null}
      {known ? <ItsWord briefId={data.briefId} source={known} /> : null}
    </form>
  );
}

/** The source, of what it speaks, and how clearly. */
function WhoSaysWhat({
  data,
  source,
  onSource,
  aspect,
  onAspect,
  clarity,
  onClarity,
}: {
  data: EvidencePage;
  source: string;
  onSource: (source: string) => void;
  aspect: Aspect;
  onAspect: (aspect: Aspect) => void;
  clarity: string;
  onClarity: (clarity: string) => void;
}): ReactNode {
  const hasKitSheet = data.sources.some(({ kind }) => kind === 'kit-sheet');
  return (
    <p>
      <label>
        Source{' '}
        <select value={source} onChange={(event) => onSource(event.target.value)}>
          {NEW_SOURCES.filter(({ kind }) => kind !== 'kit-sheet' || !hasKitSheet).map(({ key, says }) => (
            <option key={key} value={key}>
              {says}
            </option>
          ))}
          {data.sources.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </label>{' '}
      <label>
        says of{' '}
        <select value={aspect} onChange={(event) => onAspect(event.target.value as Aspect)} aria-label="Aspect">
          {ASPECT_NAMES.map((name) => (
            <option key={name} value={name}>
              {ASPECTS[name].title.toLowerCase()}
            </option>
          ))}
        </select>
      </label>{' '}
      <label>
        <select value={clarity} onChange={(event) => onClarity(event.target.value)} aria-label="How clearly">
          <option value="">as clearly as it can</option>
          {CLARITIES.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
    </p>
  );
}

/** The zones that are chosen, and sets of them to add. */
function ZonesSpokenOf({
  data,
  zones,
  rest,
  onAdd,
}: {
  data: EvidencePage;
  zones: readonly string[];
  /** Zones of which the source says nothing yet. */
  rest: readonly string[];
  onAdd: (zones: readonly string[]) => void;
}): ReactNode {
  const { chooseSeveral, titleOf } = useZoneChoice();
  return (
    <>
      <p>
        <strong>{zones.length === 0 ? 'No zone is chosen' : counted(zones.length, 'zone')}</strong>
        {zones.length > 0
          ? `: ${zones.map(titleOf).join('; ')}`
          : ' yet: press zones on the sheet with Shift, draw a line round them, or take a set.'}
      </p>
      <p className="pane-actions">
        {data.sets.map(({ key, title, zones: own }) => (
          <Button key={key} size="small" variant="outlined" onClick={() => onAdd(own)}>
            {title}
          </Button>
        ))}
        <Button size="small" variant="outlined" onClick={() => onAdd(rest)}>
          {rest.length === data.seen.length ? 'Every zone' : `The rest (${rest.length})`}
        </Button>
        {zones.length > 0 ? (
          <Button size="small" onClick={() => chooseSeveral(new Set())}>
            None
          </Button>
        ) : null}
      </p>
    </>
  );
}

/** A list as it was pasted, a zone a line. */
function PastedList({
  list,
  busy,
  onList,
  onClose,
}: {
  list: string;
  busy: boolean;
  onList: (list: string | null) => void;
  onClose: () => void;
}): ReactNode {
  return (
    <>
      <p>
        <label>
          A line each: zone, colon, what it says. “all lower: 14”, “fin: 27”, “spinner: 24”
          <textarea
            rows={6}
            value={list}
            onChange={(event) => onList(event.target.value)}
            aria-label="List"
            style={{ width: '100%', font: 'inherit' }}
          />
        </label>
      </p>
      <p className="pane-actions">
        <Button type="submit" variant="contained" disabled={busy || list.trim() === ''}>
          Say the list
        </Button>
        <Button onClick={() => onList(null)}>Choose zones instead</Button>
        <Button onClick={onClose}>Close</Button>
      </p>
    </>
  );
}

/** What a source that is known can be taken at: its word, or what it shows of one side for the other. */
function ItsWord({ briefId, source: known }: { briefId: string; source: EvidencePage['sources'][number] }): ReactNode {
  const { run, busy, tell } = useSaving();
  return (
    <p className="pane-actions">
      <Button
        variant="outlined"
        disabled={busy || known.onlyWord === 0}
        onClick={() =>
          void run((act) => takeWord({ act, briefId, sourceId: known.id })).then(
            (result) =>
              result.ok && tell(`${counted(result.value.ruled, 'question')} ruled by its word`, { act: 'last' }),
          )
        }
      >
        Take its word where nothing contradicts it ({known.onlyWord})
      </Button>
      {(['port', 'starboard'] as const).map((from) => (
        <Button
          key={from}
          variant="outlined"
          disabled={busy}
          onClick={() =>
            void run((act) => copySide({ act, briefId, sourceId: known.id, from })).then(
              (result) =>
                result.ok && tell(`${counted(result.value.said, 'statement')} copied as inferred`, { act: 'last' }),
            )
          }
        >
          Copy {from} to {from === 'port' ? 'starboard' : 'port'}
        </Button>
      ))}
    </p>
  );
}

/** "Photograph", "Photograph 2": a title that no other source has. */
function titleFor(title: string, sources: EvidencePage['sources']): string {
  const taken = new Set(sources.map((source) => source.title));
  for (let n = 1; ; n += 1) {
    const tried = n === 1 ? title : `${title} ${n}`;
    if (!taken.has(tried)) return tried;
  }
}
