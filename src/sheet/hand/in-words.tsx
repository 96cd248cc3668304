'use client';

import type { ReactNode } from 'react';
import { seenOn, type Seen, type Stand } from '@/core/laid/film';
import type { SkinPiece } from '@/core/skin/piece';
import type { BriefFilm } from '@/core/workshop/filmed';
import type { LayerKind } from '@/core/work/kinds';
import { capital } from '@/core/units/words';
import type { SheetMode } from '../fill-of';
import type { ZoneData } from '../sheet-data';
import './in-words.css';

const SAID: Readonly<Record<LayerKind, string>> = {
  primer: 'primer',
  undercoat: 'undercoat',
  tone: 'toned',
  colour: 'a colour that nobody decided',
  marking: 'marking',
  decal: 'decal',
  clear: 'clear',
  wash: 'washed',
  oil: 'oils',
  chip: 'chips',
  pigment: 'dust',
};

/** What is drawn, zone by zone, for whoever would rather read it. */
export function InWords({
  film,
  stand,
  told,
  pieces,
  zones,
  selected,
  onSelect,
}: {
  film: BriefFilm;
  stand: Stand;
  /** What the sheet tells where no step is chosen: of colours these alone, as they are ruled, and nothing of weather. */
  told: SheetMode | null;
  pieces: readonly SkinPiece[];
  zones: readonly ZoneData[];
  selected: string | null;
  onSelect: (zone: string | null) => void;
}): ReactNode {
  return (
    <ul className="in-words" aria-label="In words">
      {zones.map((zone) => {
        const { key, title } = zone;
        const drawn = pieces.filter((piece) => piece.zone === key && piece.marking === null);
        const said = new Set(
          (drawn.length > 0 ? drawn : [{ zone: key, code: null, marking: null, glass: false }]).flatMap((piece) => {
            const seen = seenOn(piece, film, stand);
            return seen
              ? [piece.glass ? `glass${seen.isTaped ? ', under tape' : ''}` : saidOf(seen, film, told !== null)]
              : [];
          }),
        );
        return (
          <li key={key}>
            <button
              type="button"
              aria-pressed={key === selected}
              onClick={() => onSelect(key === selected ? null : key)}
            >
              <strong>{title}</strong> {capital(tells(told, zone) ?? [...said].join('; '))}
              {drawn.length === 0 ? ' (not drawn in space)' : ''}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** How sure it is, or how far; null where its colours are told. */
function tells(told: SheetMode | null, { certainty, progress }: ZoneData): string | null {
  if (told === 'certainty') return certainty;
  if (told !== 'progress') return null;
  return progress === null ? 'nothing to do' : `${Math.round(100 * progress)} % of its steps done`;
}

/** What hides all under it, then what came over that. */
function saidOf({ coats, sheen, isTaped }: Seen, film: BriefFilm, isRuled: boolean): string {
  const named = coats.map(({ code, what }) => (code === null ? SAID[what] : (film.inks[code]?.name ?? code)));
  const [under = isRuled ? 'not decided' : 'bare plastic', ...over] = named;
  return [under, ...(isRuled ? [] : new Set(over)), ...(sheen ? [sheen] : []), ...(isTaped ? ['under tape'] : [])].join(
    ', ',
  );
}
