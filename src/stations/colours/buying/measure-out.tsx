'use client';

import { useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import { DROPS_PER_ML, planCup, TYPICAL_SPRAYING } from '@/core/paint/quantity';
import { readMeasure } from '@/core/units/measure';
import { Explained } from '@/ui/explained';
import { RecordForm } from '@/ui/fields';
import type { ColoursPage } from '@/stations/colours/page-data';

/** Millilitres, fillings, drops and thinner for each colour and cup, by what this builder really sprays. */
export function MeasureOut({ data }: { data: ColoursPage }): ReactNode {
  const [cupText, setCupText] = useState('2');
  const [coats, setCoats] = useState<number | null>(null);
  const [logging, setLogging] = useState<string | null>(null);
  const parsed = readMeasure(cupText, 'ml');
  const cupMl = parsed && parsed >= 0.5 && parsed <= 50 ? parsed : null;
  const rows = data.calls.filter(({ chosen, areaCm2 }) => chosen && areaCm2 > 0);
  return (
    <section className="bar-line" aria-label="Measure out">
      <h2 style={{ marginTop: 0 }}>How much goes in the cup?</h2>
      <div className="filters">
        <label>
          Cup{' '}
          <input
            size={4}
            inputMode="decimal"
            value={cupText}
            aria-invalid={cupMl === null}
            onChange={(event) => setCupText(event.target.value)}
            aria-label="Cup in millilitres"
          />{' '}
          ml
        </label>
        <label>
          Coats{' '}
          <select value={coats ?? ''} onChange={(event) => setCoats(Number(event.target.value) || null)}>
            <option value="">as many as it takes</option>
            {[1, 2, 3, 4, 6].map((count) => (
              <option key={count}>{count}</option>
            ))}
          </select>
        </label>
        <span className="dim">
          {cupMl === null ? 'A cup holds 0.5 to 50 ml. ' : ''}
          {TYPICAL_SPRAYING.wetFilmUm} µm wet, {TYPICAL_SPRAYING.transfer * 100} % lands, {TYPICAL_SPRAYING.lossMl} ml
          left in the cup each time
          {data.uses.length > 0
            ? `; times ${data.factor.toFixed(2)}, by ${data.uses.length} of your own logged jobs`
            : '; log what it really took, and the next is reckoned by your own hand'}
          . {DROPS_PER_ML} drops to the millilitre.
        </span>
      </div>
      {rows.length === 0 ? (
        <p className="dim">No chosen colour has an area on the airframe yet.</p>
      ) : (
        <div className="scroll-x">
          <table className="plain">
            <thead>
              <tr>
                <th>Colour</th>
                <th className="num">Area, cm²</th>
                <th className="num">Coats</th>
                <th className="num">Sprayed, ml</th>
                <th className="num">Paint, ml</th>
                <th className="num">Thinner, ml</th>
                <th className="num">Fillings</th>
                <th>Each filling</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {rows.map((call) => {
                const plan = planCup(
                  { areaCm2: call.areaCm2, coats: coats ?? call.coats!.coats, ...call.laid.takes },
                  { cupMl: cupMl ?? 2, thinRatio: call.chosen!.thinRatio, factor: data.factor },
                );
                return (
                  <tr key={call.code}>
                    <th scope="row">
                      {call.code} {call.name}
                    </th>
                    <td className="num">{call.areaCm2.toFixed(0)}</td>
                    <td className="num">
                      {coats ?? <Explained says={`${call.coats!.because}.`}>{call.coats!.coats}</Explained>}
                    </td>
                    <td className="num">{plan.sprayedMl.toFixed(1)}</td>
                    <td className="num">{plan.paintMl.toFixed(1)}</td>
                    <td className="num">{plan.thinnerMl.toFixed(1)}</td>
                    <td className="num">{plan.fillings}</td>
                    <td>
                      {plan.paintDrops} drops paint{plan.thinnerDrops > 0 ? `, ${plan.thinnerDrops} thinner` : ''}
                    </td>
                    <td>
                      <button
                        type="button"
                        className="row-button"
                        onClick={() => setLogging(logging === call.code ? null : call.code)}
                      >
                        log what it took
                      </button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
      {logging ? (
        <LogUse key={logging} data={data} code={logging} coats={coats} onDone={() => setLogging(null)} />
      ) : null}
    </section>
  );
}

function LogUse({
  data,
  code,
  coats,
  onDone,
}: {
  data: ColoursPage;
  code: string;
  coats: number | null;
  onDone: () => void;
}): ReactNode {
  const call = data.calls.find((candidate) => candidate.code === code)!;
  return (
    <RecordForm
      fields={[
        { name: 'areaCm2', label: 'Area', unit: 'cm²', type: 'number', width: 2 },
        { name: 'coats', label: 'Coats', type: 'number', width: 2 },
        { name: 'fillings', label: 'Fillings', type: 'number', width: 2 },
        { name: 'sprayedMl', label: 'Sprayed, thinned', unit: 'ml', type: 'number', width: 3 },
        { name: 'onDay', label: 'On', type: 'day', width: 3 },
      ]}
      initial={{
        areaCm2: Math.round(call.areaCm2),
        coats: coats ?? call.coats?.coats ?? TYPICAL_SPRAYING.coats,
        fillings: call.cup?.fillings ?? 1,
        sprayedMl: null,
        onDay: data.today,
      }}
      version={null}
      saveLabel={`Log it for ${code}`}
      saved="Logged: the next job is reckoned by it"
      submit={(values, _, act) =>
        save({
          act,
          briefId: data.briefId,
          station: 'colours',
          entity: 'paint_use',
          id: null,
          version: null,
          fields: { ...values, codeId: call.codeId, note: '' },
        })
      }
      onDone={onDone}
      onCancel={onDone}
    />
  );
}
