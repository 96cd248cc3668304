'use client';

import type { ReactNode } from 'react';
import { ADHESIVES, type Adhesive } from '@/core/bench/adhesives';
import { durationInWords } from '@/core/units/minutes';

const GLASS: Record<Adhesive['glass'], string> = {
  safe: 'safe',
  fogs: '▲ fogs it',
  crazes: '▲ crazes it',
};
const time = (minutes: number): string => (minutes < 1 ? `${Math.round(minutes * 60)} s` : durationInWords(minutes));

/** What holds which joint, and for how long it may be moved, until it is handled, until it bears. */
export function GluesPane(): ReactNode {
  return (
    <div className="scroll-x">
      <table className="plain">
        <thead>
          <tr>
            <th>Glue</th>
            <th>Joins</th>
            <th className="num">May be moved</th>
            <th className="num">Handled after</th>
            <th className="num">Bears after</th>
            <th>Near glass</th>
          </tr>
        </thead>
        <tbody>
          {Object.entries(ADHESIVES).map(([key, { title, joins, open, handle, full, glass, caution }]) => (
            <tr key={key}>
              <th scope="row">{title}</th>
              <td>
                {joins}
                {caution ? <div className="dim">▲ {caution}</div> : null}
              </td>
              <td className="num nowrap">{time(open)}</td>
              <td className="num nowrap">{time(handle)}</td>
              <td className="num nowrap">{time(full)}</td>
              <td className="nowrap">{GLASS[glass]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="dim">
        Typical at 20 °C. Dry-fit before each of them; scrape or mask mating faces that were painted.
      </p>
    </div>
  );
}
