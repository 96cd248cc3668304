'use client';

import Button from '@mui/material/Button';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { takeWeathering, weatheringPlan } from '@/actions/weathering';
import { hexOf } from '@/core/colour/spaces';
import { EFFECTS, type EffectName } from '@/core/weathering/effects';
import type { BriefWeather } from '@/core/workshop/weather';
import { EXPOSURE_CHOICES, type Exposure } from '@/core/weathering/exposure';
import { withSaid } from '@/core/weathering/from-evidence';
import { looksUnder } from '@/core/weathering/looks';
import type { WeatherLayer } from '@/core/weathering/plan';
import { capital, counted, plural } from '@/core/units/words';
import { useSheetOverlay } from '@/stations/shell/zone-choice';
import { useSaving } from '@/ui/saving';
import { Chip } from '@/ui/swatch';
import type { BenchPage } from './page-data';
import { useShown } from '@/ui/shown-units';

const ASKED = [
  ['ground', 'It stood on'],
  ['climate', 'Climate'],
  ['skin', 'Under the paint'],
  ['care', 'It was'],
] as const;

/** What weather and use would leave on this machine, bounded by its scale, and the way into the route. */
export function WeatheringPane({ data }: { data: BenchPage }): ReactNode {
  const [exposure, setExposure] = useState<Exposure>(data.weather.exposure);
  const [weather, setWeather] = useState<BriefWeather | null>(null);
  const [fault, setFault] = useState('');
  /** What the builder said of an effect himself; the others are on, but for what was seen not to be there. */
  const [own, setOwn] = useState<ReadonlyMap<EffectName, boolean>>(new Map());
  const { run, busy } = useSaving();
  const overlay = useSheetOverlay();
  useEffect(() => {
    let stale = false;
    weatheringPlan({ briefId: data.briefId, exposure }).then(
      (result) => {
        if (stale) return;
        if (result.ok) setWeather(result.value);
        else setFault('faults' in result ? result.faults.map(({ says }) => says).join('. ') : '');
      },
      () => !stale && setFault('The server cannot be reached.'),
    );
    return () => {
      stale = true;
    };
  }, [exposure, data.briefId]);
  const chosen = useMemo(
    () => (weather?.layers ?? []).filter(({ effect, seen }) => own.get(effect) ?? !seen?.isAbsent),
    [weather, own],
  );
  // The sheet wears what is chosen: each zone as it would look from afar.
  useEffect(() => {
    if (!weather) return undefined;
    const looks = looksUnder(new Map(weather.bases), chosen, exposure);
    overlay({
      colours: new Map([...looks].map(([zone, lab]) => [zone, hexOf(lab)])),
      hidden: new Set(),
      caption: 'As it would look from an arm’s length and more: the base colours with what is chosen mixed in by area',
    });
    return () => overlay(null);
  }, [weather, chosen, exposure, overlay]);

  const take = () =>
    run(
      (act) => takeWeathering({ act, briefId: data.briefId, exposure, effects: chosen.map(({ effect }) => effect) }),
      'The weathering is in the route, in place of its general steps; u takes it out again',
    );
  return (
    <>
      <div className="filters">
        {ASKED.map(([name, label]) => (
          <label key={name}>
            {label}{' '}
            <select
              value={exposure[name]}
              onChange={(event) => setExposure({ ...exposure, [name]: event.target.value } as Exposure)}
            >
              {EXPOSURE_CHOICES[name].map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          </label>
        ))}
      </div>
      <Said
        said={data.weather.said}
        exposure={exposure}
        onTake={() => setExposure(withSaid(exposure, data.weather.said))}
      />
      {fault ? <p role="alert">{fault}</p> : null}
      {!weather ? (
        <p className="dim">Reckoning…</p>
      ) : weather.layers.length === 0 ? (
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
                {weather.wash ? <Wash wash={weather.wash} /> : null}
                {weather.layers.map((layer) => (
                  <Effect
                    key={layer.effect}
                    layer={layer}
                    isOn={chosen.includes(layer)}
                    onToggle={(on) => setOwn(new Map(own).set(layer.effect, on))}
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

/** Whose word the exposure is, and a way back to it. */
function Said({
  said,
  exposure,
  onTake,
}: {
  said: BenchPage['weather']['said'];
  exposure: Exposure;
  onTake: () => void;
}): ReactNode {
  const known = ASKED.flatMap(([name]) => (said[name] ? [{ name, ...said[name] }] : []));
  if (known.length === 0)
    return (
      <p className="dim">
        No evidence speaks of where it stood or how it was kept (aspect “Wear and stains”, the machine’s unit and
        place): this is what is usual.
      </p>
    );
  const isOther = known.some(({ name, value }) => exposure[name] !== value);
  return (
    <>
      <p className="dim">
        From the evidence: {known.map(({ value, because }) => `${value} (${because})`).join('; ')}. The rest is what is
        usual.
      </p>
      {isOther ? (
        <Button size="small" onClick={onTake}>
          As the evidence has it
        </Button>
      ) : null}
    </>
  );
}

/** The wash is the route's own, section by section with its windows: here is how it goes at this scale. */
function Wash({ wash }: { wash: NonNullable<BriefWeather['wash']> }): ReactNode {
  const shown = useShown();
  const { kind, because, paint, colour, lineMm, lineRealMm, steps } = wash;
  return (
    <tr>
      <th scope="row">
        {kind === 'pin' ? 'Wash along the lines' : 'Wash over everything'}
        <div className="dim">
          In the route already, in {counted(steps, 'section')}, each with its time to wipe. {capital(because)}.
        </div>
      </th>
      <td>
        <Chip hex={hexOf(colour)} /> wanted
        {paint ? (
          <div>
            <NearestPaint paint={paint} />
          </div>
        ) : (
          <div className="dim">no wash or oil in the drawer</div>
        )}
      </td>
      <td>{shown(`lines of ${lineMm} mm, as if ${lineRealMm.toFixed(0)} mm wide`)}</td>
      <td className="num">{'\u2013'}</td>
    </tr>
  );
}

/** A paint of the drawer, and how far it is off what is wanted. */
function NearestPaint({
  paint,
}: {
  paint: Pick<NonNullable<WeatherLayer['paint']>, 'label' | 'lab' | 'dE00'>;
}): ReactNode {
  return (
    <>
      <Chip hex={hexOf(paint.lab)} /> {paint.label}{' '}
      <span className="dim">{paint.dE00 < 3 ? 'as wanted' : `${paint.dE00.toFixed(0)} off`}</span>
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
  const shown = useShown();
  const { title, how, test } = EFFECTS[layer.effect];
  const { mark, paint, passes, guard, zones, seen } = layer;
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
        {seen ? (
          <div>
            {seen.isAbsent ? 'Not to be seen' : 'Seen'}: {seen.says}
          </div>
        ) : null}
        {guard ? (
          <div>
            <strong className="danger">▲</strong> {guard}
          </div>
        ) : null}
      </th>
      <td>{paint ? <NearestPaint paint={paint} /> : <span className="dim">none in the drawer</span>}</td>
      <td>
        {mark
          ? mark.isSeen
            ? shown(`up to ${mark.modelMm.toFixed(1)} mm, ${mark.wideModelMm.toFixed(1)} mm wide`)
            : shown(`${mark.wideModelMm.toFixed(2)} mm wide: nobody would see it, leave it`)
          : passes
            ? `${passes.count} ${plural('pass', passes.count)} of ${passes.percent} %, ${passes.dE00.toFixed(1)} dE`
            : `${layer.strength.toFixed(1)} × the usual`}
      </td>
      <td className="num">{layer.minutes}</td>
    </tr>
  );
}
