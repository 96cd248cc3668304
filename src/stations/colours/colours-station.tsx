'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { Fragment, useState, type ReactNode } from 'react';
import { chooseColour } from '@/actions/briefs';
import { CHEMISTRIES } from '@/core/paint/chemistry';
import { paintLabel } from '@/core/paint/catalogue';
import { StationFrame } from '@/stations/shell/station-frame';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { useKey } from '@/ui/keys';
import { useSaving } from '@/ui/saving';
import { ButtedSwatches } from '@/ui/swatch';
import type { ColourCallFacts, ColourFacts } from './colour-facts';
import { SampleShelf } from './sample-shelf';

const ChipForm = dynamic(() => import('./chip-form').then((module) => module.ChipForm));
const PaintForm = dynamic(() => import('./paint-form').then((module) => module.PaintForm));

export function ColoursStation({ facts }: { facts: ColourFacts }): ReactNode {
  const wanted = useSearchParams().get('code');
  const [open, setOpen] = useState<string | null>(wanted);
  const [adding, setAdding] = useState(false);
  const { zone } = useZoneChoice();
  useKey('n', () => setAdding(true));
  const shown = facts.calls.filter((call) => !zone || call.zones.some((item) => item.key === zone));
  return (
    <StationFrame
      station="colours"
      now={whatMatters(facts)}
      actions={
        <Button variant="outlined" onClick={() => setAdding(!adding)}>
          Add a paint (n)
        </Button>
      }
    >
      {adding ? <PaintForm briefId={facts.briefId} onClose={() => setAdding(false)} /> : null}
      {facts.codes === 0 || facts.paints === 0 ? <SampleShelf codes={facts.codes} paints={facts.paints} /> : null}
      {facts.calls.length === 0 ? (
        <div className="empty">
          <strong>No colour is called yet.</strong> A ruling on the colour of a zone at Evidence makes a call; it stands
          here with the paints that come nearest, your drawer first.
        </div>
      ) : (
        <div className="scroll-x">
          <table className="plain">
            <thead>
              <tr>
                <th scope="col">Code</th>
                <th scope="col">Where</th>
                <th scope="col">Official | chosen</th>
                <th scope="col">Difference</th>
                <th scope="col" className="num">
                  ΔE00
                </th>
                <th scope="col">Made from</th>
                <th scope="col">Have it?</th>
              </tr>
            </thead>
            <tbody>
              {shown.map((call) => (
                <Fragment key={call.code}>
                  <CallRow
                    call={call}
                    open={open === call.code}
                    onToggle={() => setOpen(open === call.code ? null : call.code)}
                  />
                  {open === call.code ? (
                    <tr className="detail">
                      <td colSpan={7}>
                        <Candidates facts={facts} call={call} onDone={() => setOpen(null)} />
                      </td>
                    </tr>
                  ) : null}
                </Fragment>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {facts.neighbours.length > 0 ? (
        <section className="bar-line">
          <h2 style={{ marginTop: 0 }}>Neighbours</h2>
          <table className="plain">
            <thead>
              <tr>
                <th>Pair</th>
                <th className="num">in reality</th>
                <th className="num">in your paints</th>
                <th>So</th>
              </tr>
            </thead>
            <tbody>
              {facts.neighbours.map((pair) => (
                <tr key={`${pair.a} ${pair.b}`}>
                  <td>
                    {pair.a} and {pair.b}
                  </td>
                  <td className="num">{pair.officialDE.toFixed(1)}</td>
                  <td className="num">{pair.chosenDE.toFixed(1)}</td>
                  <td>{pair.says}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ) : null}
      <p className="dim">
        Differences are CIEDE2000 between the chip and the paint’s own colour; below twice the combined uncertainty they
        are “can’t tell apart”. A screen is not a paint: judge on a spray-out.
      </p>
    </StationFrame>
  );
}

function whatMatters(facts: ColourFacts): string {
  const missing = facts.calls.filter((call) => !call.chosen);
  const open =
    facts.unruled > 0
      ? ` ${facts.unruled} colour ${facts.unruled === 1 ? 'question is' : 'questions are'} still open at Evidence.`
      : '';
  if (facts.calls.length === 0) return `Nothing is called yet.${open}`;
  if (missing.length === 0) return `All ${facts.calls.length} calls have a paint.${open}`;
  const first = missing[0]!;
  return `${facts.calls.length - missing.length} of ${facts.calls.length} calls have a paint; choose one for ${first.name || first.code}.${open}`;
}

function CallRow({ call, open, onToggle }: { call: ColourCallFacts; open: boolean; onToggle: () => void }): ReactNode {
  const { chosen } = call;
  const suggested = chosen ? null : call.matches[0];
  return (
    <tr>
      <th scope="row">
        <button type="button" className="row-button" aria-expanded={open} onClick={onToggle}>
          <span className="code">{call.code}</span>
        </button>
        <div style={{ fontFamily: 'Atkinson Hyperlegible', fontWeight: 400 }}>{call.name}</div>
      </th>
      <td className="dim">{where(call)}</td>
      <td>
        <ButtedSwatches
          official={call.lab}
          chosen={chosen?.paint.lab ?? null}
          label={`${call.code} and ${chosen ? chosen.label : 'no paint yet'}`}
          width={132}
        />
      </td>
      <td>
        {chosen ? (
          chosen.says
        ) : call.lab ? (
          suggested ? (
            <span className="dim">
              nearest: {paintLabel(suggested.paint)}, {suggested.says}
            </span>
          ) : (
            'no paint of this kind'
          )
        ) : (
          'no colour is known for this code'
        )}
      </td>
      <td className="num">{chosen?.dE00?.toFixed(1) ?? ''}</td>
      <td>
        {chosen ? (
          `${chosen.label} ${chosen.paint.name}`
        ) : (
          <Button variant="outlined" size="small" onClick={onToggle}>
            Choose
          </Button>
        )}
      </td>
      <td className="have">
        {chosen ? (chosen.paint.ownedMl > 0 ? `in the drawer, ${chosen.paint.ownedMl.toFixed(0)} ml` : 'to buy') : ''}
        {chosen && call.paintMl !== null ? <div className="dim">needs {call.paintMl.toFixed(1)} ml</div> : null}
      </td>
    </tr>
  );
}

function where(call: ColourCallFacts): string {
  const titles = call.zones.map((zone) => zone.title);
  return titles.length <= 2 ? titles.join('; ') : `${titles[0]} and ${titles.length - 1} more`;
}

function Candidates({
  facts,
  call,
  onDone,
}: {
  facts: ColourFacts;
  call: ColourCallFacts;
  onDone: () => void;
}): ReactNode {
  const { run, busy } = useSaving();
  const [another, setAnother] = useState(false);
  const choose = async (paintId: string | null) => {
    const result = await run(
      () => chooseColour({ briefId: facts.briefId, codeId: call.codeId, paintId }),
      paintId ? 'Chosen' : 'Choice taken away',
    );
    if (result.ok && paintId) onDone();
  };
  if (!call.lab || !call.record) return <ChipForm facts={facts} call={call} />;
  return (
    <>
      <p className="dim">
        {call.record.finish}, {call.record.kind}; chip L* {call.lab[0].toFixed(1)} a* {call.lab[1].toFixed(1)} b*{' '}
        {call.lab[2].toFixed(1)}, ± {call.sd.toFixed(1)} ΔE00. {call.zones.map((zone) => zone.title).join('; ')}:{' '}
        {call.areaCm2.toFixed(0)} cm² on the model.
      </p>
      {call.matches.length === 0 ? (
        <p>No paint of this kind is in the catalogue.</p>
      ) : (
        <table className="plain candidate-list">
          <thead>
            <tr>
              <th />
              <th>Official | paint</th>
              <th>Paint</th>
              <th>Difference</th>
              <th className="num">ΔE00</th>
              <th>Chemistry, finish</th>
              <th>Drawer</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {call.matches.map((match, i) => {
              const inUse = call.chosen?.paint.id === match.paint.id;
              return (
                <tr key={match.paint.id}>
                  <td className="dim">{groupLabel(call, i)}</td>
                  <td>
                    <ButtedSwatches
                      official={call.lab}
                      chosen={match.paint.lab}
                      label={`${call.code} and ${paintLabel(match.paint)}`}
                      width={120}
                    />
                  </td>
                  <td>
                    <strong>{paintLabel(match.paint)}</strong> {match.paint.name}
                    {match.claimed ? <div className="dim">claims {call.code}</div> : null}
                  </td>
                  <td>{match.says}</td>
                  <td className="num" title={`uncertainty ± ${match.sd.toFixed(1)}`}>
                    {match.dE00.toFixed(1)}
                  </td>
                  <td>
                    {CHEMISTRIES[match.paint.chemistry].title}
                    <div className="dim">
                      {match.finishAdvice ?? match.paint.finish}, {match.paint.opacity}
                    </div>
                  </td>
                  <td>
                    {match.inDrawer ? (
                      `${match.paint.ownedMl.toFixed(0)} ml`
                    ) : (
                      <span className="dim">
                        {(match.paint.priceCents / 100).toFixed(2)} for {match.paint.sizeMl} ml
                      </span>
                    )}
                  </td>
                  <td>
                    <Button
                      variant={inUse ? 'contained' : 'outlined'}
                      disabled={busy}
                      onClick={() => choose(inUse ? null : match.paint.id)}
                      aria-label={inUse ? `Do not use ${paintLabel(match.paint)}` : `Use ${paintLabel(match.paint)}`}
                    >
                      {inUse ? 'In use' : 'Use'}
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {another ? (
        <ChipForm facts={facts} call={call} />
      ) : (
        <p>
          <button type="button" className="row-button" onClick={() => setAnother(true)}>
            Another chip for {call.code}
          </button>
        </p>
      )}
    </>
  );
}

function groupLabel(call: ColourCallFacts, i: number): string {
  const [before, here] = [call.matches[i - 1], call.matches[i]!];
  if (before && before.inDrawer === here.inDrawer) return '';
  return here.inDrawer ? 'drawer' : 'shops';
}
