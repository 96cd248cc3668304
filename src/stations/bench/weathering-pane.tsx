'use client';

import Button from '@mui/material/Button';
import { useEffect, useState, type ReactNode } from 'react';
import { takeWeathering, weatheringPlan } from '@/actions/weathering';
import { hexOf } from '@/core/colour/spaces';
import { EFFECTS, type EffectName } from '@/core/weathering/effects';
import { CARES, CLIMATES, GROUNDS, SKINS, type Exposure } from '@/core/weathering/exposure';
import type { WeatherLayer } from '@/core/weathering/plan';
import { counted, plural } from '@/core/units/words';
import { useSheetOverlay } from '@/stations/shell/zone-choice';
import { useSaving } from '@/ui/saving';
import { Chip } from '@/ui/swatch';
import type { BenchPage } from './page-data';

const ASKED = [
  ['ground', 'It stood on', GROUNDS],
  ['climate', 'Climate', CLIMATES],
  ['skin', 'Under the paint', SKINS],
  ['care', 'It was', CARES],
] as const;

/** Chips are points, and a fade is the base colour itself: neither is drawn as a colour of a whole zone. */
const NOT_DRAWN: ReadonlySet<EffectName> = new Set(['chips', 'fade']);

/** What weather and use would leave on this machine, bounded by its scale, and the way into the route. */
export function WeatheringPane({ data }: { data: BenchPage }): ReactNode {
  const [exposure, setExposure] = useState<Exposure>(data.exposure);
  const [layers, setLayers] = useState<WeatherLayer[] | null>(null);
  const [fault, setFault] = useState('');
  const [off, setOff] = useState<ReadonlySet<EffectName>>(new Set());
  const { run, busy } = useSaving();
  const overlay = useSheetOverlay();
  const asked = JSON.stringify(exposure);
  useEffect(() => {
    let stale = false;
    weatheringPlan({ briefId: data.briefId, exposure: JSON.parse(asked) as Exposure }).then(
      (result) => {
        if (stale) return;
        if (result.ok) setLayers(result.value);
        else setFault('faults' in result ? result.faults.map(({ says }) => says).join('. ') : '');
      },
      () => !stale && setFault('The server cannot be reached.'),
    );
    return () => {
      stale = true;
    };
  }, [asked, data.briefId]);
  // What would show is drawn over the sheet: each zone in the colour of the strongest thing on it.
  useEffect(() => {
    if (!layers) return undefined;
    const colours = new Map<string, string>();
    for (const { zones, colour, effect } of layers)
      if (!off.has(effect) && !NOT_DRAWN.has(effect)) for (const zone of zones) colours.set(zone, hexOf(colour));
    overlay({
      colours,
      hidden: new Set(),
      caption: 'Where filter, stains, dust and salt would lie, in their own colours',
    });
    return () => overlay(null);
  }, [layers, off, overlay]);

  const chosen = (layers ?? []).filter(({ effect }) => !off.has(effect));
  const take = () =>
    run(
      (act) => takeWeathering({ act, briefId: data.briefId, exposure, effects: chosen.map(({ effect }) => effect) }),
      'The weathering is in the route, in place of its general steps; u takes it out again',
    );
  return (
    <>
      <div className="filters">
        {ASKED.map(([name, label, choices]) => (
          <label key={name}>
            {label}{' '}
            <select
              value={exposure[name]}
              onChange={(event) => setExposure({ ...exposure, [name]: event.target.value } as Exposure)}
            >
              {choices.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          </label>
        ))}
      </div>
      {fault ? <p role="alert">{fault}</p> : null}
      {!layers ? (
        <p className="dim">Reckoning…</p>
      ) : layers.length === 0 ? (
        <p>Nothing would show: so it is left as it is.</p>
      ) : (
        <>
          <div className="scroll-x">
            <table className="plain">
              <thead>
                <tr>
                  <th>In this order</th>
                  <th>Paint</th>
                  <th>Amount at 1/{data.denominator}</th>
                  <th className="num">Minutes</th>
                </tr>
              </thead>
              <tbody>
                {layers.map((layer) => (
                  <Effect
                    key={layer.effect}
                    layer={layer}
                    isOn={!off.has(layer.effect)}
                    onToggle={(on) =>
                      setOff(new Set(on ? [...off].filter((one) => one !== layer.effect) : [...off, layer.effect]))
                    }
                  />
                ))}
              </tbody>
            </table>
          </div>
          <p className="pane-actions">
            <Button variant="contained" disabled={busy || chosen.length === 0} onClick={() => void take()}>
              Take {counted(chosen.length, 'step')} into the route
            </Button>
          </p>
        </>
      )}
    </>
  );
}

function Effect({
  layer,
  isOn,
  onToggle,
}: {
  layer: WeatherLayer;
  isOn: boolean;
  onToggle: (on: boolean) => void;
}): ReactNode {
  const { title, how, test } = EFFECTS[layer.effect];
  const { mark, paint, passes, guard, zones } = layer;
  return (
    <tr>
      <th scope="row">
        <label>
          <input type="checkbox" checked={isOn} onChange={(event) => onToggle(event.target.checked)} /> {title}
        </label>
        <div className="dim">
          {counted(zones.length, 'zone')}. {how}
        </div>
        <div className="dim">Try first: {test}</div>
        {guard ? (
          <div>
            <strong className="danger">▲</strong> {guard}
          </div>
        ) : null}
      </th>
      <td>
        {paint ? (
          <>
            <Chip hex={hexOf(paint.lab)} /> {paint.label}{' '}
            <span className="dim">{paint.dE00 < 3 ? 'as wanted' : `${paint.dE00.toFixed(0)} off`}</span>
          </>
        ) : (
          <span className="dim">none in the drawer</span>
        )}
      </td>
      <td>
        {mark
          ? mark.isSeen
            ? `up to ${mark.modelMm.toFixed(1)} mm, ${mark.wideModelMm.toFixed(1)} mm wide`
            : `${mark.wideModelMm.toFixed(2)} mm wide: nobody would see it, leave it`
          : passes
            ? `${passes.count} ${plural('pass', passes.count)} of ${passes.percent} %, ${passes.dE00.toFixed(1)} dE`
            : `${layer.strength.toFixed(1)} × the usual`}
      </td>
      <td className="num">{layer.minutes}</td>
    </tr>
  );
}
