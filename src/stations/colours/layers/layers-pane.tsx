'use client';

import { NextThing } from '@/stations/shell/next-thing';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useMemo, useState, type ReactNode } from 'react';
import { deltaE00 } from '@/core/colour/difference';
import { mixed, type Pigment } from '@/core/colour/kubelka-munk';
import { hexOf } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { upsample } from '@/core/colour/upsample';
import { coatThickness, countCoats } from '@/core/paint/coats';
import { groundOf, groundOfPaint, layCoats } from '@/core/paint/films';
import { COAT_WEIGHTS, contrastInWords, GROUNDS, undercoatSchools } from '@/core/paint/grounds';
import { pigmentOfPaint, scaled } from '@/core/paint/paint-pigment';
import { labOfPigment } from '@/core/paint/pigment';
import { paintInFull, paintLabel, type Paint } from '@/core/paint/catalogue';
import { WAYS, type Way } from '@/core/kit/applying';
import { layColour } from '@/actions/choices';
import type { Laying } from '@/core/kept/records';
import { counted } from '@/core/units/words';
import { Explained } from '@/ui/explained';
import { useSaving } from '@/ui/saving';
import { CallChoice } from '../call-choice';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import type { PaneProps } from '../panes';
import { useShelf } from '../shelf';
import { Looking } from './looking';
import '@/ui/swatch.css';

const COATS = 8;

/** What a film does over what is under it: grounds, pre-shading, filters, varnish, lamp and distance. */
export function LayersPane({ data, code, goTo }: PaneProps): ReactNode {
  const shelf = useShelf(data.stamp);
  const calls = data.calls.filter((call) => call.lab && call.record);
  const call =
    calls.find((candidate) => candidate.code === code) ??
    calls.find(({ chosen }) => chosen?.paint.kind === 'solid') ??
    calls[0];
  if (!call)
    return (
      <NextThing to="evidence" does="Rule a colour at Evidence">
        No colour with a known value is called yet.
      </NextThing>
    );
  return (
    <>
      <div className="filters">
        <CallChoice calls={calls} code={call.code} onChoose={(next) => goTo('layers', next)} />
      </div>
      {shelf ? (
        <Layers key={call.code} data={data} call={call} paints={shelf.paints} />
      ) : (
        <LinearProgress aria-label="Fetching the catalogue" />
      )}
    </>
  );
}

/** What is sprayed for a call: its chosen paint or recipe, else the nearest. */
function sprayedFor(
  call: ColourCallRow,
  paints: readonly Paint[],
): { label: string; pigment: Pigment; sure: string } | null {
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const recipe = call.recipes.find(({ inUse }) => inUse);
  if (recipe) {
    const parts = recipe.record.parts.flatMap(({ paintId, drops }) => {
      const paint = byId.get(paintId);
      const known = paint && pigmentOfPaint(paint);
      return known ? [{ pigment: known.pigment, drops }] : [];
    });
    return parts.length > 0
      ? { label: recipe.label, pigment: mixed(parts), sure: 'from the paints of the recipe' }
      : null;
  }
  const paint = (call.chosen && byId.get(call.chosen.paint.id)) ?? byId.get(call.nearest[0]?.paintId ?? '');
  const known = paint && pigmentOfPaint(paint);
  return known
    ? {
        label: `${paintInFull(paint)}${call.chosen ? '' : ' (the nearest; nothing is chosen)'}`,
        pigment: known.pigment,
        sure: `known from ${known.from}`,
      }
    : null;
}

function Layers({
  data,
  call,
  paints,
}: {
  data: ColoursPage;
  call: ColourCallRow;
  paints: readonly Paint[];
}): ReactNode {
  const [weight, setWeight] = useState<(typeof COAT_WEIGHTS)[number]['key']>('coat');
  const sprayed = useMemo(() => sprayedFor(call, paints), [call, paints]);
  const ratio = call.chosen?.thinRatio ?? 1;
  if (!sprayed)
    return (
      <p className="empty">
        No paint with a known colour is chosen for {call.code}, and none comes near: choose one under Calls.
      </p>
    );
  const { coats, one } = COAT_WEIGHTS.find(({ key }) => key === weight)!;
  const full = coatThickness(ratio, call.chosen?.paint.chemistry);
  const coat = { pigment: sprayed.pigment, thickness: coats * full };
  return (
    <>
      <p className="dim">
        {sprayed.label}, {sprayed.sure}; thinned {ratio} to 1, so that a {one} lays {Math.round(100 * coats * full)} %
        of a full wet coat of plain paint.
      </p>
      <div className="filters" role="group" aria-label="Coats">
        <label>
          Laid in{' '}
          <select value={weight} onChange={(event) => setWeight(event.target.value as typeof weight)}>
            {COAT_WEIGHTS.map(({ key, title }) => (
              <option key={key} value={key}>
                {title}
              </option>
            ))}
          </select>
        </label>
      </div>
      <Laid data={data} call={call} />
      <Undercoats data={data} call={call} coat={coat} one={one} />
      <PreShading coat={{ ...coat, thickness: full / 2 }} />
      <Filters
        data={data}
        call={call}
        base={labOfPigment(sprayed.pigment)}
        basePigment={sprayed.pigment}
        paints={paints}
      />
      <Looking data={data} call={call} chosen={labOfPigment(sprayed.pigment)} pigment={sprayed.pigment} />
    </>
  );
}

interface CoatProps {
  coat: { pigment: Pigment; thickness: number };
}

function Undercoats({
  data,
  call,
  coat,
  one,
}: CoatProps & { data: ColoursPage; call: ColourCallRow; one: string }): ReactNode {
  const { lay, busy } = useLaying(data, call);
  const schools = undercoatSchools(call.lab!, call.record!.kind);
  const rows = useMemo(
    () =>
      GROUNDS.map((ground) => {
        const under = groundOf(upsample(ground.lab));
        return {
          ground,
          after: layCoats(
            under,
            Array.from({ length: COATS }, () => coat),
          ),
          toHide: countCoats({ ...coat, ground: { lab: ground.lab } }).coats,
        };
      }),
    [coat],
  );
  const fewest = Math.min(...rows.map(({ toHide }) => toHide ?? Infinity));
  return (
    <section className="bar-line">
      <h2 style={{ marginTop: 0 }}>Which ground?</h2>
      <div className="scroll-x">
        <table className="plain strips">
          <thead>
            <tr>
              <th>Ground</th>
              <th>
                After each {one}, 1 to {COATS}
              </th>
              <th className="num">Until it is hidden</th>
              <th>Custom of the bench</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {rows.map(({ ground, after, toHide }) => {
              const take = schools.take.find(({ ground: key }) => key === ground.key);
              const avoid = schools.avoid.find(({ ground: key }) => key === ground.key);
              return (
                <tr key={ground.key}>
                  <th scope="row">{ground.title}</th>
                  <td>
                    <Strip
                      labs={[ground.lab, ...after.map(({ lab }) => lab)]}
                      label={`${ground.title}, then ${counted(COATS, one)}`}
                    />
                  </td>
                  <td className="num">
                    {toHide === null ? 'more than 12' : counted(toHide, one)}
                    {toHide === fewest ? <div className="dim">fewest</div> : null}
                  </td>
                  <td className="dim">
                    {take?.says}
                    {avoid ? <strong>{avoid.says}</strong> : null}
                  </td>
                  <td>
                    {call.chosen ? (
                      <Button
                        size="small"
                        variant={call.laid.ground === ground.key ? 'contained' : 'outlined'}
                        disabled={busy}
                        aria-label={
                          call.laid.ground === ground.key ? `Do not lay ${ground.title}` : `Lay it over ${ground.title}`
                        }
                        onClick={() =>
                          call.laid.ground === ground.key
                            ? lay({ ground: '', coats: null }, 'Over the ground of the whole build again')
                            : lay({ ground: ground.key, coats: null }, `Laid over ${ground.title.toLowerCase()}`)
                        }
                      >
                        {call.laid.ground === ground.key ? 'Laid over it' : 'Lay it over this'}
                      </Button>
                    ) : null}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="dim">
        A film over each ground as light goes through it:{' '}
        <Explained says="Two streams of light, down and up, in a film that absorbs K and scatters S of it at each wavelength, over a ground of known colour (Kubelka and Munk, 1931)">
          how it is reckoned
        </Explained>
        . Hidden is when the colour is there and a place 15 L* darker in the ground no longer shows at arm’s length
        (fitted to the bench, not measured). The first patch is the bare ground. The last column is what benches hold,
        computed by nobody.
      </p>
    </section>
  );
}

/** Changes how a colour is laid; route, bench and cup follow. */
function useLaying(data: ColoursPage, call: ColourCallRow) {
  const { run, busy } = useSaving();
  const lay = (laying: Partial<Laying>, said: string) =>
    void run((act) => layColour({ act, briefId: data.briefId, codeId: call.codeId, laying }), said);
  return { lay, busy };
}

/** What this colour is laid with: the part of the call that was chosen here. */
function Laid({ data, call }: { data: ColoursPage; call: ColourCallRow }): ReactNode {
  const { lay, busy } = useLaying(data, call);
  if (!call.chosen || !call.coats)
    return (
      <p className="dim">Choose what makes the colour under Calls; then what is chosen here becomes part of it.</p>
    );
  const { laid } = call;
  return (
    <section className="bar-line" aria-label="How it is laid">
      <h2 style={{ marginTop: 0 }}>How it is laid</h2>
      <p>
        {laid.groundTitle ? `Over ${laid.groundTitle.toLowerCase()}` : 'Over the ground of the whole build'}, in{' '}
        <Explained says={`${call.coats.because}.`}>{counted(call.coats.coats, 'coat')}</Explained>
        {laid.filter ? `, with ${laid.filter}` : ''}, by <Explained says={`${laid.byBecause}.`}>{laid.by}</Explained>.
        Route, bench and cup go by it.
      </p>
      <div className="filters">
        <label>
          Coats{' '}
          <select
            value={laid.coats ?? ''}
            disabled={busy}
            onChange={(event) => {
              const coats = Number(event.target.value) || null;
              lay({ coats }, coats ? counted(coats, 'coat') : 'As many coats as are reckoned');
            }}
          >
            <option value="">as many as are reckoned</option>
            {Array.from({ length: 12 }, (_, i) => (
              <option key={i}>{i + 1}</option>
            ))}
          </select>
        </label>
        <label>
          By{' '}
          <select
            value={laid.way}
            disabled={busy}
            onChange={(event) => {
              const way = event.target.value as '' | Way;
              lay({ way }, way ? `By ${way}` : 'The way that is suggested');
            }}
          >
            <option value="">what is suggested</option>
            {WAYS.map((way) => (
              <option key={way}>{way}</option>
            ))}
          </select>
        </label>
        {laid.filter ? (
          <Button size="small" variant="outlined" disabled={busy} onClick={() => lay({ filter: null }, 'No filter')}>
            Leave the filter away
          </Button>
        ) : null}
      </div>
    </section>
  );
}

/** Patches on the neutral mount, in the order in which they come. */
export function Strip({ labs, label }: { labs: readonly Lab[]; label: string }): ReactNode {
  return (
    <span className="strip" role="img" aria-label={label}>
      {labs.map((lab, i) => (
        <span key={i} style={{ background: hexOf(lab) }} />
      ))}
    </span>
  );
}

function PreShading({ coat }: CoatProps): ReactNode {
  const [base, setBase] = useState('light-grey');
  const [line, setLine] = useState('black');
  const labOf = (key: string): Lab => GROUNDS.find((ground) => ground.key === key)!.lab;
  const steps = useMemo(() => {
    const lay = (key: string) =>
      layCoats(
        groundOf(upsample(labOf(key))),
        Array.from({ length: 12 }, () => coat),
      );
    const [one, other] = [lay(base), lay(line)];
    return one.map(({ lab }, i) => ({ base: lab, line: other[i]!.lab, dE00: deltaE00(lab, other[i]!.lab) }));
  }, [base, line, coat]);
  const words = steps.map(({ dE00 }) => contrastInWords(dE00));
  const lastPlain = words.lastIndexOf('plain') + 1;
  const lastHint = words.findLastIndex((word) => word !== 'gone') + 1;
  const choice = (value: string, set: (key: string) => void, label: string) => (
    <label>
      {label}{' '}
      <select value={value} onChange={(event) => set(event.target.value)}>
        {GROUNDS.map(({ key, title }) => (
          <option key={key} value={key}>
            {title}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <section className="bar-line">
      <h2 style={{ marginTop: 0 }}>Pre-shaded or marbled: how many passes?</h2>
      <div className="filters">
        {choice(base, setBase, 'Panels')}
        {choice(line, setLine, 'Lines or marbling')}
      </div>
      <span className="strip double" role="img" aria-label="Panel and line after each pass">
        {steps.slice(0, COATS).map((step, i) => (
          <span key={i}>
            <span style={{ background: hexOf(step.base) }} />
            <span style={{ background: hexOf(step.line) }} />
          </span>
        ))}
      </span>
      <p>
        {base === line ? (
          'Panels and lines are the same: there is nothing to keep visible.'
        ) : lastHint === 0 ? (
          'The first pass covers it already: thin more, or mist.'
        ) : (
          <>
            <strong>Lay {fromTo(Math.max(1, lastPlain), Math.max(1, Math.min(lastHint, steps.length)))}.</strong> The
            shading is plain up to pass {lastPlain || '0'}, a hint up to pass {lastHint}
            {lastHint === steps.length ? ' and beyond' : ''}: ΔE00{' '}
            {steps
              .slice(0, COATS)
              .map(({ dE00 }) => dE00.toFixed(1))
              .join(', ')}
            .
          </>
        )}
      </p>
    </section>
  );
}

/** "1 pass", "2 to 4 passes". */
const fromTo = (least: number, most: number): string =>
  least === most ? counted(most, 'pass') : `${least} to ${counted(most, 'pass')}`;

function Filters({
  data,
  call,
  base,
  basePigment,
  paints,
}: {
  data: ColoursPage;
  call: ColourCallRow;
  base: Lab;
  basePigment: Pigment;
  paints: readonly Paint[];
}): ReactNode {
  const tints = useMemo(
    () => paints.filter((paint) => paint.ownedMl > 0 && paint.lab && (paint.kind === 'solid' || paint.kind === 'wash')),
    [paints],
  );
  const [chosen, setChosen] = useState('');
  const [percent, setPercent] = useState(5);
  const { lay, busy } = useLaying(data, call);
  const paint = tints.find(({ id }) => id === chosen);
  const after = useMemo(() => {
    const known = paint && pigmentOfPaint(paint);
    if (!known) return [];
    const film = { pigment: scaled(known.pigment, percent / 100), thickness: 1 };
    return layCoats(
      groundOfPaint(basePigment),
      Array.from({ length: 6 }, () => film),
    );
  }, [paint, percent, basePigment]);
  return (
    <section className="bar-line">
      <h2 style={{ marginTop: 0 }}>Filter or fade, before it is sprayed</h2>
      <div className="filters">
        <label>
          With{' '}
          <select value={chosen} onChange={(event) => setChosen(event.target.value)}>
            <option value="">a paint of the drawer…</option>
            {tints.map((tint) => (
              <option key={tint.id} value={tint.id}>
                {paintLabel(tint)} {tint.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          Paint in the cup{' '}
          <select value={percent} onChange={(event) => setPercent(Number(event.target.value))}>
            {[2, 5, 10, 25].map((value) => (
              <option key={value} value={value}>
                {value} %
              </option>
            ))}
          </select>
        </label>
      </div>
      {after.length > 0 ? (
        <>
          <Strip labs={[base, ...after.map(({ lab }) => lab)]} label="The colour, then after each pass" />
          <p>
            {after
              .map(({ coat, lab }) => `${counted(coat, 'pass')}: ΔE00 ${deltaE00(base, lab).toFixed(1)}`)
              .join(', ')}
            . Filters are usually kept under 3, fading of upper surfaces under 6.
          </p>
          {call.chosen && paint ? (
            <p className="pane-actions">
              {[1, 2, 3, 4].map((passes) => (
                <Button
                  key={passes}
                  size="small"
                  variant="outlined"
                  disabled={busy}
                  onClick={() => lay({ filter: { paintId: paint.id, percent, passes } }, 'The filter goes over it')}
                >
                  {counted(passes, 'pass')} over it
                </Button>
              ))}
            </p>
          ) : null}
        </>
      ) : (
        <p className="dim">
          Choose a paint: wet passes of it, that thin, over this colour. A filter is about 5 % paint, soot and smoke up
          to 25 %.
        </p>
      )}
    </section>
  );
}
