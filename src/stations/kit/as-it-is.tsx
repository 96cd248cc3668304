'use client';

import type { ReactNode } from 'react';
import type { Fields } from '@/core/kept/records';
import { COCKPITS, PRESETS, type PresetName } from '@/core/outline/presets';
import { SURFACES, type Surfaces } from '@/core/outline/zones';
import './as-it-is.css';

/** What a machine has otherwise than its layout. */
export type AsItIs = Pick<Fields<'airframe'>, 'gear' | 'spinner' | 'cockpit' | 'surfaces'>;

export const asItIs = ({ gear, spinner, cockpit, surfaces }: AsItIs): AsItIs => ({ gear, spinner, cockpit, surfaces });

const COCKPIT_TITLES: Record<(typeof COCKPITS)[number], string> = {
  canopy: 'one canopy',
  open: 'one open cockpit',
  'two open': 'two open cockpits',
};
const SKINNED: readonly (readonly [part: keyof Surfaces, title: string])[] = [
  ['fuselage', 'Fuselage of'],
  ['wings', 'Wings of'],
  ['tail', 'Tail of'],
];

/** Gear, spinner, cockpits and skin: what no drawing of a layout knows. */
export function AsItIsFields({
  preset,
  own,
  onOwn,
}: {
  preset: PresetName;
  own: AsItIs;
  onOwn: (own: AsItIs) => void;
}): ReactNode {
  const usual = PRESETS[preset];
  return (
    <p className="as-it-is">
      <label>
        <input
          type="checkbox"
          checked={(own.gear || usual.gear) === 'fixed'}
          onChange={({ target }) => {
            const next = target.checked ? 'fixed' : 'retracts';
            onOwn({ ...own, gear: next === usual.gear ? '' : next });
          }}
        />{' '}
        fixed gear
      </label>
      {usual.propulsion.endsWith('nose propeller') ? (
        <label>
          <input
            type="checkbox"
            checked={!own.spinner}
            onChange={({ target }) => onOwn({ ...own, spinner: !target.checked })}
          />{' '}
          no spinner
        </label>
      ) : null}
      <label>
        Crew under{' '}
        <select
          value={own.cockpit}
          onChange={({ target }) => onOwn({ ...own, cockpit: target.value as AsItIs['cockpit'] })}
        >
          <option value="">
            {usual.glazing === 'canopy' ? COCKPIT_TITLES.canopy : `a ${usual.glazing} with windows`}
          </option>
          {COCKPITS.filter((name) => name !== usual.glazing).map((name) => (
            <option key={name} value={name}>
              {COCKPIT_TITLES[name]}
            </option>
          ))}
        </select>
      </label>
      {SKINNED.map(([part, title]) => (
        <label key={part}>
          {title}{' '}
          <select
            value={own.surfaces[part] || usual.surface}
            onChange={({ target }) => {
              const chosen = target.value as (typeof SURFACES)[number];
              onOwn({
                ...own,
                surfaces: { ...own.surfaces, [part]: chosen === usual.surface ? '' : chosen },
              });
            }}
          >
            {SURFACES.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
      ))}
    </p>
  );
}
