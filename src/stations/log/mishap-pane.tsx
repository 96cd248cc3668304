'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useSearchParams } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import { mishapCost, takeOnMishap } from '@/actions/mishaps';
import { MISHAP_NAMES, MISHAPS, type MishapName } from '@/core/bench/mishaps';
import type { Cure } from '@/core/bench/cures';
import type { LogWindow } from '@/core/workshop/log-book';
import type { MishapPlan } from '@/core/workshop/mishap-plan';
import { readLook, SAY_IT_AS } from '@/core/colour/observation';
import { daysBetween } from '@/core/units/day';
import { durationInWords } from '@/core/units/minutes';
import { counted, capital, countedInWords, listed, lowered } from '@/core/units/words';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { useOutbox } from '@/stations/shell/outbox';
import { RemoveButton } from '@/stations/shell/remove-button';
import { useChosenZones, ZoneSelect } from '@/stations/shell/zone-select';
import { clock, shortDay } from '@/ui/dates';
import { BENCH_PICTURE, OnePicture } from '@/ui/picture-drop';
import { useSaving } from '@/ui/saving';
import { useFetched } from '@/ui/use-fetched';
import { useSettled } from '@/ui/use-settled';
import type { LogPage } from './page-data';

type Cost = Omit<MishapPlan, 'laid' | 'record'>;

const kindAsked = (name: string | null): MishapName | '' => MISHAP_NAMES.find((own) => own === name) ?? '';

/** What went wrong: where, how deep, how it is mended, and what that costs before it is taken on. */
export function MishapPane({ data }: { data: LogPage }): ReactNode {
  const { chooseSeveral, titleOf } = useZoneChoice();
  const chosen = useChosenZones();
  // Nobody chose: it happened where the last work was, most likely.
  const zones = chosen.length > 0 || !data.lastZone ? chosen : [data.lastZone];
  const { isAway } = useOutbox();
  const wanted = useSearchParams();
  const [kind, setKind] = useState<MishapName | ''>(() => kindAsked(wanted.get('kind')));
  const [cure, setCure] = useState(() => (kind ? MISHAPS[kind].ladder[0]!.title : ''));
  // Who comes from a ruling comes with the zones that it is about.
  const given = wanted.get('zones');
  useEffect(() => {
    if (given) chooseSeveral(new Set(given.split(',')));
  }, [given, chooseSeveral]);
  const [note, setNote] = useState('');
  const [pictureId, setPictureId] = useState<string | null>(null);
  const [looks, setLooks] = useState('');
  const [partId, setPartId] = useState('');
  const [orderedUntil, setOrderedUntil] = useState('');
  const { run, busy } = useSaving();
  const known = kind ? MISHAPS[kind] : null;
  const rung = known?.ladder.find(({ title }) => title === cure) ?? null;
  const isFiltered = rung?.lays === 'filter';
  const said = useSettled(isFiltered ? looks : '');
  const asked = kind && rung && zones.length > 0 ? JSON.stringify({ kind, cure, zones, looks: said }) : null;
  const { cost, fault } = useCost(data.briefId, asked, data.revision);

  const pick = (name: MishapName | '') => {
    setKind(name);
    setCure(name ? MISHAPS[name].ladder[0]!.title : '');
  };
  const take = async () => {
    const part = data.parts.find(({ id }) => id === partId);
    const result = await run(
      (act) =>
        takeOnMishap({
          act,
          briefId: data.briefId,
          kind,
          zones,
          cure,
          looks: isFiltered ? looks : '',
          note,
          pictureId,
          happenedAt: act.at,
          part: part && rung?.part ? { id: part.id, version: part.version, orderedUntil: orderedUntil || null } : null,
        }),
      'Taken on: the route and the plan carry it',
    );
    if (!result.ok) return;
    pick('');
    setNote('');
    setLooks('');
    setPictureId(null);
    chooseSeveral(new Set());
  };
  return (
    <>
      <section className="mishap-form" aria-label="Something went wrong">
        <div className="filters">
          <label>
            What happened{' '}
            <select value={kind} onChange={(event) => pick(event.target.value as MishapName | '')}>
              <option value="">choose</option>
              {MISHAP_NAMES.map((name) => (
                <option key={name} value={name}>
                  {MISHAPS[name].title}: {MISHAPS[name].looks}
                </option>
              ))}
            </select>
          </label>
          <ZoneSelect
            label="Where"
            zones={data.zones}
            empty={
              chosen.length === 0 && data.lastZone
                ? `${titleOf(data.lastZone)}, worked on last`
                : 'on the sheet, or here'
            }
          />
          <span className="dim">Several: Shift and a press on the sheet.</span>
        </div>
        {known ? (
          <>
            <Ladder ladder={known.ladder} cure={cure} onCure={setCure} />
            {rung?.part ? (
              <PartAgain
                data={data}
                partId={partId}
                onPart={setPartId}
                until={orderedUntil}
                onUntil={setOrderedUntil}
                onOrder={rung.title === MISHAPS.lost.ladder[1]!.title}
              />
            ) : null}
            {isFiltered ? (
              <HowItLooks
                looks={looks}
                onLooks={setLooks}
                isReckoned={cost !== null && said === looks}
                filter={cost?.filter ?? null}
              />
            ) : null}
            {zones.length === 0 ? <p>Choose where, and it says what has to be done again.</p> : null}
            {isAway ? (
              <p role="status">
                What it costs is reckoned by the server, and it can be taken on when that answers. How it is mended
                stands above: begin with it, and write it down as other work.
              </p>
            ) : fault ? (
              <p role="alert">✕ {fault}</p>
            ) : null}
            {cost && asked ? <CostOfIt cost={cost} titleOf={titleOf} /> : null}
            <div className="mishap-more">
              <TextField
                label="Note"
                value={note}
                multiline
                minRows={2}
                onChange={(event) => setNote(event.target.value)}
                sx={{ flex: 1, minWidth: 240 }}
              />
              <OnePicture
                says={BENCH_PICTURE}
                pictureId={pictureId}
                onPicture={(picture) => setPictureId(picture?.id ?? null)}
              />
            </div>
            <p className="pane-actions">
              <Button variant="contained" disabled={busy || !cost || isAway} onClick={() => void take()}>
                Take it on
              </Button>{' '}
              <span className="dim">So it does not happen again: {lowered(known.next)}</span>
            </p>
          </>
        ) : (
          <p>
            Say what happened and where: the layers of that place are walked down to the damage, and what is lost comes
            back with the recipes as you logged them.
          </p>
        )}
      </section>
      <PastMishaps data={data} />
    </>
  );
}

const filterInWords = ({ paint, percent, passes, owned, was, now }: NonNullable<Cost['filter']>): string =>
  `${percent} % ${paint}${owned ? '' : ' (not owned)'} in ${counted(passes, 'pass')}: ΔE ${was.toFixed(1)} now, about ${now.toFixed(1)} with it.`;

/** Any colour stands for the called one: whether it is understood does not hang on that. */
const readsAsLook = (text: string): boolean => readLook(text, [50, 0, 0]) !== null;

/** The ways of mending it, one of them chosen. */
function Ladder({
  ladder,
  cure,
  onCure,
}: {
  ladder: readonly Cure[];
  cure: string;
  onCure: (title: string) => void;
}): ReactNode {
  return (
    <fieldset className="ladder">
      <legend>How it is mended, what disturbs least first</legend>
      {ladder.map(({ title, how, minutes, waits, caution }) => (
        <label key={title} className={cure === title ? 'chosen' : undefined}>
          <input type="radio" name="cure" checked={cure === title} onChange={() => onCure(title)} />
          <span>
            <strong>{title}</strong>{' '}
            <span className="dim">
              {minutes} min{waits > 0 ? `, then ${durationInWords(waits)} to dry` : ''}
            </span>
            <br />
            {how}
            {caution && cure === title ? (
              <span className="caution-line">
                {' '}
                <strong className="danger">▲ Caution</strong> {caution}
              </span>
            ) : null}
          </span>
        </label>
      ))}
    </fieldset>
  );
}

/** How the colour came out, in the builder's words, and the filter that follows from it. */
function HowItLooks({
  looks,
  onLooks,
  isReckoned,
  filter,
}: {
  looks: string;
  onLooks: (text: string) => void;
  isReckoned: boolean;
  filter: Cost['filter'];
}): ReactNode {
  const says =
    !isReckoned || looks.trim() === ''
      ? `Its filter is reckoned from that. ${SAY_IT_AS}`
      : filter
        ? filterInWords(filter)
        : readsAsLook(looks)
          ? 'No filter of a known paint brings it nearer: spray the right colour over it.'
          : SAY_IT_AS;
  return (
    <p>
      <TextField
        label="It looks, beside the colour that was called for"
        value={looks}
        onChange={(event) => onLooks(event.target.value)}
        helperText={says}
        fullWidth
        sx={{ mt: 1 }}
      />
    </p>
  );
}

/** What it costs, asked of the server; the last answer stays while the next one is worked out. */
function useCost(briefId: string, asked: string | null, revision: number) {
  const [answer, setAnswer] = useState<{ of: string; cost: Cost | null; fault: string } | null>(null);
  const of = `${asked ?? ''} ${revision}`;
  useEffect(() => {
    if (!asked) return undefined;
    let stale = false;
    mishapCost({ briefId, ...(JSON.parse(asked) as object) }).then(
      (result) =>
        !stale &&
        setAnswer(
          result.ok
            ? { of, cost: result.value, fault: '' }
            : { of, cost: null, fault: 'faults' in result ? result.faults.map(({ says }) => says).join('. ') : '' },
        ),
      () => !stale && setAnswer({ of, cost: null, fault: 'The server cannot be reached.' }),
    );
    return () => {
      stale = true;
    };
  }, [asked, briefId, of]);
  return answer?.of === of ? answer : { cost: null, fault: '' };
}

function CostOfIt({ cost, titleOf }: { cost: Cost; titleOf: (zone: string) => string }): ReactNode {
  const { was, now } = cost.finish;
  const later = was && now ? daysBetween(was.slice(0, 10), now.slice(0, 10)) : 0;
  return (
    <section aria-label="What it costs" className="mishap-cost">
      <p className="mishap-sum">
        <strong>
          {durationInWords(cost.hours * 60)} at the bench, {counted(cost.steps.length, 'step')}.
        </strong>{' '}
        {now === null
          ? 'There is no whole plan with it.'
          : later > 0
            ? `The build ends ${counted(later, 'day')} later: ${shortDay(now.slice(0, 10))}.`
            : `The build still ends on ${shortDay(now.slice(0, 10))}.`}{' '}
        {cost.moved > 0
          ? `${countedInWords(cost.moved, 'step')} ${cost.moved === 1 ? 'moves' : 'move'} to another session.`
          : 'Nothing else moves to another session.'}
      </p>
      {cost.closedIn.length > 0 ? (
        <p>
          <strong>{capital(listed(cost.closedIn.map((zone) => lowered(titleOf(zone)))))}: behind closed skin.</strong>{' '}
          It is reached from outside only, or the seam is opened: “{MISHAPS.closedOver.title}” says how.
        </p>
      ) : null}
      {cost.lost.map(({ zone, called }) => (
        <p key={zone}>
          Lost on {lowered(titleOf(zone))}: {listed(called)}.
        </p>
      ))}
      <ol className="mishap-steps">
        {cost.steps.map(({ title, minutes, afterMin, because, start }, i) => (
          <li key={i}>
            <span>
              {title}
              {i > 0 && afterMin > 0 ? (
                <span className="dim">
                  {' '}
                  after {durationInWords(afterMin)}: {because}
                </span>
              ) : null}
            </span>
            <span className="num">{minutes} min</span>
            <span className="dim nowrap">{start ? `${shortDay(start.slice(0, 10))} ${clock(start)}` : ''}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Which part it is, and, where it is ordered, until when. */
function PartAgain({
  data,
  partId,
  onPart,
  until,
  onUntil,
  onOrder,
}: {
  data: LogPage;
  partId: string;
  onPart: (id: string) => void;
  until: string;
  onUntil: (day: string) => void;
  onOrder: boolean;
}): ReactNode {
  if (data.parts.length === 0)
    return (
      <p className="dim">The parts are not in the register yet: Kit takes them, and then the route waits for it.</p>
    );
  return (
    <div className="filters">
      <label>
        Which part{' '}
        <select value={partId} onChange={(event) => onPart(event.target.value)}>
          <option value="">not in the register</option>
          {data.parts.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {onOrder ? (
        <label>
          Expected on <input type="date" value={until} onChange={(event) => onUntil(event.target.value)} />
        </label>
      ) : null}
    </div>
  );
}

function PastMishaps({ data }: { data: LogPage }): ReactNode {
  const all = useFetched<LogWindow>(
    data.mishaps > 0 ? `/briefs/${data.briefId}/log/lines?kind=mishap&of=${data.revision}` : null,
  );
  const { titleOf } = useZoneChoice();
  if (!all || all.lines.length === 0) return null;
  return (
    <>
      <h2>What went wrong so far</h2>
      <ul className="plain-list">
        {all.lines.map((line) =>
          line.kind === 'mishap' ? (
            <li key={line.id}>
              {shortDay(line.at.slice(0, 10))} {clock(line.at)} · <strong>{line.title}</strong> ·{' '}
              {line.zones.map(titleOf).join(', ')} · {lowered(line.mishap.cure)}
              {line.steps > 0 ? ` · ${counted(line.steps, 'step')}` : ''}{' '}
              <RemoveButton
                briefId={data.briefId}
                station="log"
                entity="mishap"
                record={{ id: line.id, version: line.version }}
                said={`${line.title} is taken out, with its steps; u brings it back`}
                label={`Take ${line.title} out of the record`}
              >
                take it out
              </RemoveButton>
              {line.mishap.note ? <p className="log-note">{line.mishap.note}</p> : null}
            </li>
          ) : null,
        )}
      </ul>
    </>
  );
}
