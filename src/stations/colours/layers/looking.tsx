'use client';

import { useState, type ReactNode } from 'react';
import { deltaE00 } from '@/core/colour/difference';
import { masstone, type Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import {
  CUSTOM_SHARES,
  customWhite,
  LAMP_NAMES,
  LAMPS,
  labUnderLamp,
  throughAir,
  underLamp,
  varnished,
} from '@/core/colour/viewing';
import { FINISHES } from '@/core/paint/catalogue';
import { ButtedSwatches } from '@/ui/swatch';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import { useShown } from '@/ui/shown-units';

/** The finished coat under varnish, under a lamp, and from a distance; what is physics and what is custom stands beside each. */
export function Looking({
  data,
  call,
  chosen,
  pigment,
}: {
  data: ColoursPage;
  call: ColourCallRow;
  chosen: Lab;
  pigment: Pigment;
}): ReactNode {
  const shown = useShown();
  const [distance, setDistance] = useState(0.4);
  const [visibility, setVisibility] = useState(20);
  const official = call.lab!;
  const sprayed = call.chosen?.paint.finish ?? call.record!.finish;
  const air = throughAir(chosen, { distanceM: distance, denominator: data.denominator, visibilityKm: visibility });
  const custom = CUSTOM_SHARES.find(({ to }) => data.denominator <= to)!;
  const white = customWhite(chosen, custom.share);
  return (
    <>
      <section className="bar-line">
        <h2 style={{ marginTop: 0 }}>Under varnish</h2>
        <table className="plain">
          <tbody>
            {FINISHES.map((finish) => {
              const lab = varnished(chosen, sprayed, finish);
              return (
                <tr key={finish}>
                  <th scope="row">
                    {finish} {finish === sprayed ? <span className="dim">(as the paint dries)</span> : null}
                  </th>
                  <td>
                    <ButtedSwatches
                      official={chosen}
                      chosen={lab}
                      label={`as it dries, and under ${finish}`}
                      width={110}
                    />
                  </td>
                  <td className="num">{deltaE00(chosen, lab).toFixed(1)}</td>
                  <td className="dim">
                    {finish === sprayed
                      ? ''
                      : `${lab[0] > chosen[0] ? 'lighter' : 'darker'} by ${Math.abs(lab[0] - chosen[0]).toFixed(1)} L*; the figure varies by half from varnish to varnish`}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </section>
      <section className="bar-line">
        <h2 style={{ marginTop: 0 }}>Under which lamp?</h2>
        <table className="plain">
          <thead>
            <tr>
              <th>Lamp</th>
              <th>Official | paint</th>
              <th className="num">ΔE00</th>
              <th className="num">the paint against daylight</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {LAMP_NAMES.map((lamp) => {
              const paint = lamp === 'daylight' ? chosen : underLamp(masstone(pigment), lamp);
              const code = labUnderLamp(official, lamp);
              return (
                <tr key={lamp}>
                  <th scope="row">{LAMPS[lamp].title}</th>
                  <td>
                    <ButtedSwatches
                      official={code}
                      chosen={paint}
                      label={`${call.code} and the paint under ${LAMPS[lamp].title}`}
                      width={110}
                    />
                  </td>
                  <td className="num">{deltaE00(code, paint).toFixed(1)}</td>
                  <td className="num">{deltaE00(chosen, paint).toFixed(1)}</td>
                  <td className="dim">{LAMPS[lamp].says}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <p className="dim">
          Physics, over the smoothest spectra that have these colours: real spectra can differ more. Judge a spray-out
          under the lamp that the model will stand under.
        </p>
      </section>
      <section className="bar-line">
        <h2 style={{ marginTop: 0 }}>From how far?</h2>
        <div className="filters">
          <label>
            Eye to model{' '}
            <select value={distance} onChange={(event) => setDistance(Number(event.target.value))}>
              {[0.25, 0.4, 0.7, 1, 2].map((value) => (
                <option key={value} value={value}>
                  {shown(`${value} m`)}
                </option>
              ))}
            </select>
          </label>
          <label>
            Air of the day{' '}
            <select value={visibility} onChange={(event) => setVisibility(Number(event.target.value))}>
              <option value={40}>very clear, 40 km</option>
              <option value={20}>clear, 20 km</option>
              <option value={8}>haze, 8 km</option>
              <option value={2}>mist, 2 km</option>
            </select>
          </label>
        </div>
        <table className="plain">
          <tbody>
            <tr>
              <th scope="row">Physics</th>
              <td>
                <ButtedSwatches official={chosen} chosen={air} label="plain, and through the air" width={110} />
              </td>
              <td className="num">{deltaE00(chosen, air).toFixed(1)}</td>
              <td>
                the air over {shown(`${(distance * data.denominator).toFixed(0)} m`)}, which is what{' '}
                {shown(`${distance} m`)} at 1/
                {data.denominator} stands for
              </td>
            </tr>
            <tr>
              <th scope="row">Custom</th>
              <td>
                <ButtedSwatches official={chosen} chosen={white} label="plain, and lightened by custom" width={110} />
              </td>
              <td className="num">{deltaE00(chosen, white).toFixed(1)}</td>
              <td>
                the bench custom of {Math.round(custom.share * 100)} % white at this scale: it equals mist, and is a
                school, not a law
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </>
  );
}
