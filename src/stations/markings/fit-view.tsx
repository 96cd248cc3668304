'use client';

import { UNMEASURED } from '@/core/colour/unmeasured';
import { useMemo, type ReactNode } from 'react';
import { shownView } from '@/core/markings/views';
import { fitsOf, neighboursOf, type PlacedFit } from '@/core/markings/fit-on';
import { leastDetail } from '@/core/markings/fit';
import { proportionsOf, seenFields } from '@/core/markings/drawn';
import { coatsInAll, groundsUnder } from '@/core/markings/grounds';
import { compareMethods, makeable, testPiece, type MethodFacts } from '@/core/markings/methods';
import { onSkin, type OnSkin } from '@/core/markings/placing';
import { areaOn } from '@/core/outline/chart';
import { extentOf } from '@/core/geometry/polygon';
import type { View } from '@/core/outline/zones';
import { fieldsInView } from '@/core/scheme/in-view';
import { durationInWords } from '@/core/units/minutes';
import { capital, counted } from '@/core/units/words';
import { useDrawn, type Drawn } from './use-drawn';
import { ViewDrawing, viewBox } from '@/sheet/view-drawing';
import type { MarkingsPage } from './page-data';
import { useShown } from '@/ui/shown-units';

type Marking = MarkingsPage['markings'][number];

/** What decides how a marking is made, from its fit and from what the house owns. */
export function factsOf(
  data: MarkingsPage,
  on: Drawn,
  marking: Marking,
  fits: readonly PlacedFit[],
  year: number,
): MethodFacts {
  const { width, height } = proportionsOf(marking);
  const modelMm = marking.heightMm / data.denominator;
  const seen = seenFields(marking);
  // All places are alike in size: the first that lies on a surface will do.
  let skin: OnSkin | null = null;
  for (let i = 0; !skin && i < marking.places.length; i += 1) skin = onSkin(on.outline, marking, i);
  const areaM2 = skin ? areaOfFields(skin) : 0;
  const sheet = data.sheets.find(({ id }) => id === marking.sheetId);
  const isOnSheet = sheet !== undefined || marking.printedMm !== null || marking.method === 'decal';
  return {
    heightMm: modelMm * (height || 1),
    widthMm: modelMm * (width || 1),
    leastDetailMm: seen.length > 0 ? Math.min(...seen.map(({ region }) => leastDetail(region))) * modelMm : null,
    areaCm2: (areaM2 * 1e4) / data.denominator ** 2,
    colours: Math.max(1, marking.codes.length),
    coats: coatsInAll(
      marking.codes,
      groundsUnder(on.outline, marking, on.painted, (zone) => data.ruled[zone]),
      (code, ground) => data.coatsOver[code]?.[ground] ?? data.coats[code] ?? 2,
    ),
    minutes: marking.minutes,
    stretchPercent: Math.max(0, ...fits.map(({ stretchPercent }) => stretchPercent)),
    crosses: Math.max(0, ...fits.map(({ fit }) => fit.crosses.length)),
    sheet: isOnSheet
      ? {
          age: sheet?.printedOn ? Math.max(0, year - sheet.printedOn) : null,
          filmUm: sheet?.filmUm ?? null,
          condition: sheet?.condition ?? 'good',
          errorPercent: marking.check.errorPercent,
        }
      : null,
    printing: marking.printing,
    rubDown: marking.method === 'dry transfer',
    isMatt: marking.zones.some((zone) => data.matt.includes(data.ruled[zone] ?? '')),
    lines: data.lines,
  };
}

/** The greatest extent of the machine, mm. */
const largestMm = ({ spec: { dimensions: d } }: Drawn['outline']): number =>
  1000 * Math.max(d.length, d.span, d.rotorDiameter);

const areaOfFields = ({ chart, fields }: OnSkin): number =>
  fields.reduce((sum, { region }) => sum + areaOn(chart, region), 0);

/** A marking on its zone at true proportion, how it fits at each of its places, and the ways to make it. */
export function FitView({ data, marking }: { data: MarkingsPage; marking: Marking }): ReactNode {
  const shown = useShown();
  const on = useDrawn(data);
  const { outline, painted } = on;
  const fits = useMemo(
    () => fitsOf(outline, data.denominator, marking, neighboursOf(outline, data.markings), painted),
    [outline, data.denominator, marking, data.markings, painted],
  );
  const year = new Date().getFullYear();
  const facts = useMemo(() => factsOf(data, on, marking, fits, year), [data, on, marking, fits, year]);
  const choices = compareMethods(facts);
  const own = choices.find(({ method }) => method === marking.method)!;
  const best = choices[0]!;
  const made = makeable(facts, own.leastMm);
  const piece = testPiece(facts, marking.method, marking.kind);
  return (
    <div className="fit">
      <ToScale data={data} on={on} marking={marking} />
      <p>
        <strong>{shown(`${marking.heightMm.toFixed(0)} mm`)}</strong> in reality,{' '}
        <strong>{shown(`${marking.check.modelMm.toFixed(2)} mm`)}</strong> at 1/{data.denominator},{' '}
        {marking.printedMm ? (
          <>
            <strong>{shown(`${marking.printedMm.toFixed(2)} mm`)}</strong> on the sheet: {marking.check.says}
            {marking.check.errorPercent !== null && marking.check.says !== 'right'
              ? shown(`; as printed it would be ${marking.check.equalsRealMm!.toFixed(0)} mm in reality`)
              : ''}
          </>
        ) : (
          'not measured on the sheet'
        )}
        . {capital(made.says)}.
      </p>
      {marking.heightMm > largestMm(outline) ? (
        <p>
          <strong>It is larger than the whole machine</strong> ({shown(`${(largestMm(outline) / 1000).toFixed(1)} m`)}):
          its true height is meant in mm of reality.
        </p>
      ) : null}
      {marking.places.length === 0 ? (
        <p className="dim">It has no place yet: give it one, and how it fits there is said here.</p>
      ) : null}
      {fits.length > 0 ? (
        <ul className="fit-says">
          {fits.map(({ place, says, fit, field }) => (
            <li key={place}>
              {marking.places.length > 1 ? <span className="dim">{capital(marking.places[place]!.view)}: </span> : null}
              {!fit.inside || (field && !field.fit.inside) ? <strong>{capital(says[0]!)}</strong> : capital(says[0]!)}
              {says.length > 1 ? `; ${says.slice(1).join('; ')}` : ''}.
            </li>
          ))}
        </ul>
      ) : null}
      <table className="plain methods">
        <thead>
          <tr>
            <th>Ways to make it</th>
            <th className="num">Work</th>
            <th className="num">Film, µm</th>
            <th>Edge</th>
            <th>What goes wrong</th>
          </tr>
        </thead>
        <tbody>
          {choices.map(({ method, hours, filmUm, edge, risks, cannot }) => (
            <tr key={method} className={cannot ? 'cannot' : undefined}>
              <th scope="row">
                {method}
                {method === best.method ? ' – lightest here' : ''}
                {method === marking.method ? <strong> (chosen)</strong> : null}
              </th>
              <td className="num">{cannot ? '–' : durationInWords(Math.round(hours * 60))}</td>
              <td className="num">{cannot ? '–' : Math.round(filmUm)}</td>
              <td>{cannot ? '' : edge}</td>
              <td>{cannot ? `cannot be: ${cannot}` : risks.join('; ') || 'little'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {piece ? (
        <p>
          <strong>Test piece.</strong> {piece}
        </p>
      ) : null}
      <p className="dim">
        Reckoned for {counted(marking.pieces, 'piece')} of {facts.areaCm2.toFixed(2)} cm²,{' '}
        {counted(facts.colours, 'colour')},{' '}
        {facts.stretchPercent > 0.5
          ? `skin curved both ways (a flat piece is stretched by ${facts.stretchPercent.toFixed(1)} %)`
          : 'flat or singly curved skin'}
        , {counted(facts.crosses, 'line')} crossed.
      </p>
    </div>
  );
}

/** The marking on its zone at true proportion. */
function ToScale({ data, on, marking }: { data: MarkingsPage; on: Drawn; marking: Marking }): ReactNode {
  const { outline, painted } = on;
  const view: View | undefined = marking.places[0]?.view;
  const drawn = useMemo(
    () => view && shownView(outline, view, fieldsInView(outline, painted, view), [marking]),
    [outline, painted, view, marking],
  );
  if (!view || !drawn) return <p className="dim">Give it a place to see it on the airframe.</p>;
  const around = drawn.artwork[0]?.extent ?? extentOf([]);
  const scale = Math.min(80, 640 / (drawn.extent.right - drawn.extent.left));
  const box = viewBox(drawn.extent, scale);
  const height = Math.min(box.height, 230);
  const middle = ((around.top + around.bottom) / 2 - box.y) * scale;
  const top = Math.max(0, Math.min(box.height - height, middle - height / 2));
  return (
    <div className="to-scale" style={{ height }} role="img" aria-label={`${marking.title} on the ${view} view`}>
      <div style={{ marginTop: -top }}>
        <ViewDrawing
          view={view}
          drawn={drawn}
          scale={scale}
          selected={marking.zone}
          fillOf={(zone) => ({ paint: data.zoneColours[zone] ?? '#efefef' })}
          inkOf={(code) => data.inks[code] ?? UNMEASURED}
          idPrefix={`scale-${marking.id}`}
          zoneTitle={(zone) => zone}
        />
      </div>
    </div>
  );
}
