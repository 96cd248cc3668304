import type { Finish } from '@/core/paint/catalogue';
import type { Day } from '@/core/units/day';
import type { LayerKind } from '@/core/work/kinds';

/** The build as a film: what each piece of work changes in how the model looks. Facts first, then what is planned. */

/** How a surface takes the light. */
export type Sheen = Finish | 'metal';

/** A coat as it is seen. */
export interface FilmCoat {
  what: LayerKind;
  /** The colour code that it shows; null for general coats. */
  code: string | null;
  /** Its screen colour where no code says it; null where it has none: clears. */
  hex: string | null;
  /** How much of what lies under it it hides, 0 to 1. */
  hides: number;
  /** Null where it leaves the sheen as it was. */
  sheen: Sheen | null;
  /** The marking that it is of; null for skin. */
  marking: string | null;
  zones: readonly string[];
}

/** What tape lies on. */
export interface Covered {
  zone: string;
  /** The colour that is masked off there; null for all of the zone. */
  code: string | null;
  /** Only the panes of it. */
  panes: boolean;
}

export interface FilmTape {
  /** By which it is taken off again. */
  of: string;
  goes: 'on' | 'off';
  covers: readonly Covered[];
  /** The marking that is masked. */
  marking: string | null;
}

/** One piece of work: an entry of the log, or a step that is planned. */
export interface Frame {
  step: string;
  title: string;
  /** When it was done, or is planned; null where no session has room for it. */
  on: Day | null;
  isDone: boolean;
  coats: readonly FilmCoat[];
  tape: FilmTape | null;
  /** What it takes off: coats of earlier frames, by their places. */
  off: readonly { frame: number; zones: readonly string[] }[];
}

export interface Film {
  frames: readonly Frame[];
  /** The code of each zone's own colour, under the fields of the scheme. */
  grounds: Readonly<Record<string, string>>;
  /** Codes that each zone wears. */
  worn: Readonly<Record<string, readonly string[]>>;
  /** Codes as the standards write them, where fields and markings write them otherwise. */
  standard: Readonly<Record<string, string>>;
}

/** How the model stands between two pieces of work. */
export interface Stand {
  /** By zone, from the plastic up. */
  coats: ReadonlyMap<string, readonly FilmCoat[]>;
  tapes: readonly FilmTape[];
}

/** How the model stands when so many frames are over; 0 for bare plastic. */
export function standAfter({ frames }: Film, count: number): Stand {
  const coats = new Map<string, { frame: number; coat: FilmCoat }[]>();
  let tapes: FilmTape[] = [];
  frames.slice(0, count).forEach((frame, i) => {
    for (const { frame: of, zones } of frame.off)
      for (const zone of zones)
        coats.set(
          zone,
          (coats.get(zone) ?? []).filter((own) => own.frame !== of),
        );
    for (const coat of frame.coats)
      for (const zone of coat.zones) coats.set(zone, [...(coats.get(zone) ?? []), { frame: i, coat }]);
    if (frame.tape?.goes === 'off') tapes = tapes.filter(({ of }) => of !== frame.tape!.of);
    else if (frame.tape) tapes = [...tapes, frame.tape];
  });
  return { coats: new Map([...coats].map(([zone, own]) => [zone, own.map(({ coat }) => coat)])), tapes };
}

/** A piece of the model of one zone and one colour. */
export interface Patch {
  zone: string;
  /** Null for the zone's own colour. */
  code: string | null;
  marking: string | null;
  glass: boolean;
}

/** What is seen of a patch. */
export interface Seen {
  /** From the lowest that shows through: what has no code has a screen colour. None on bare plastic, and on glass. */
  coats: readonly FilmCoat[];
  sheen: Sheen | null;
  isTaped: boolean;
}

/**
 * What is seen of a patch; null for a marking that is not there yet. A zone's own colour goes over all of it and is masked off where another
 * lies already; a colour of its fields goes on these alone; one that nothing there wears lies on all of it.
 */
export function seenOn(
  patch: Patch,
  film: Pick<Film, 'grounds' | 'worn' | 'standard'>,
  { coats, tapes }: Stand,
): Seen | null {
  const { zone, marking, glass } = patch;
  const own = patch.code === null ? (film.grounds[zone] ?? null) : (film.standard[patch.code] ?? patch.code);
  const isTaped = tapes.some((tape) =>
    tape.marking !== null
      ? tape.marking === marking
      : marking === null &&
        tape.covers.some((on) => on.zone === zone && (on.code === null ? !on.panes || glass : on.code === own)),
  );
  if (glass) return { coats: [], sheen: null, isTaped };
  const seen: FilmCoat[] = [];
  let hasOwn = false;
  for (const coat of coats.get(zone) ?? []) {
    if (marking !== null ? !liesOnMarking(coat, { marking, own }, seen.length > 0) : coat.marking !== null) continue;
    if (marking === null && coat.what === 'colour' && coat.code !== own) {
      const isGround = coat.code === film.grounds[zone];
      if (isGround ? hasOwn : (film.worn[zone] ?? []).includes(coat.code!)) continue;
    }
    if (coat.what === 'colour' && coat.code === own) hasOwn = true;
    // A decal is printed in all of its colours.
    seen.push(coat.what === 'decal' ? { ...coat, code: own } : coat);
  }
  if (marking !== null && seen.length === 0) return null;
  const from = Math.max(
    0,
    seen.findLastIndex(({ hides }) => hides >= 1),
  );
  return {
    coats: seen.slice(from).filter(({ hides }) => hides > 0),
    sheen: seen.findLast(({ sheen }) => sheen !== null)?.sheen ?? null,
    isTaped,
  };
}

/** Of a marking its own coats, each colour on its own pieces, and what came over all of the zone afterwards. */
function liesOnMarking(coat: FilmCoat, of: { marking: string; own: string | null }, isThere: boolean): boolean {
  if (coat.marking === null) return isThere;
  return coat.marking === of.marking && (coat.what !== 'marking' || coat.code === null || coat.code === of.own);
}
