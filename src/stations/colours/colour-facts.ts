import type { BriefView, CallView } from '@/core/brief/derive';
import type { ColourShelf } from '@/core/brief/state';
import type { Lab } from '@/core/colour/types';
import { deltaE00 } from '@/core/colour/difference';
import { combinedSd, differenceInWords } from '@/core/colour/words';
import { compareNeighbours, matchSingle, type Match, type NeighbourPair } from '@/core/match/single';
import type { Kept } from '@/core/brief/records';
import { modelAreaCm2 } from '@/core/outline/outline';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { paintNeeded, TYPICAL_SPRAYING } from '@/core/paint/quantity';
import { SPRAYING } from '@/core/paint/spraying';

export interface ColourCallFacts {
  code: string;
  name: string;
  codeId: string | null;
  record: Kept<'colour_code'> | null;
  lab: Lab | null;
  sd: number;
  zones: { key: string; title: string }[];
  chosen: { paint: Paint; dE00: number | null; says: string; label: string } | null;
  matches: Match[];
  areaCm2: number;
  /** Millilitres of paint for the areas, two coats and one filling, with the chosen paint's thinning. */
  paintMl: number | null;
}

export interface ColourFacts {
  briefId: string;
  calls: ColourCallFacts[];
  neighbours: NeighbourPair[];
  paints: number;
  owned: number;
  codes: number;
  unruled: number;
}

const MATCHES = 7;

export function colourFacts(view: BriefView, shelf: ColourShelf): ColourFacts {
  const { brief } = view.state;
  const calls = view.calls.map((call) => callFacts(call, view, shelf));
  return {
    briefId: brief.id,
    calls,
    neighbours: compareNeighbours(
      calls.flatMap(({ name, code, lab, chosen }) =>
        lab && chosen?.paint.lab && chosen.paint.kind === 'solid'
          ? [{ code: name || code, official: lab, chosen: chosen.paint.lab }]
          : [],
      ),
    ).filter((pair) => pair.officialDE < 20 || pair.chosenDE < 20),
    paints: shelf.paints.length,
    owned: shelf.paints.filter((paint) => paint.ownedMl > 0).length,
    codes: shelf.codes.length,
    unruled: view.questions.filter((question) => question.open && question.record.aspect === 'colour').length,
  };
}

function callFacts(call: CallView, view: BriefView, shelf: ColourShelf): ColourCallFacts {
  const record = call.official?.record ?? null;
  const lab = call.official?.lab ?? null;
  const sd = call.official?.sd ?? 0;
  const zones = call.zones.map((key) => ({
    key,
    title: view.outline.zones.find((zone) => zone.key === key)?.title ?? key,
  }));
  const areaCm2 = call.zones.reduce((total, key) => {
    const zone = view.outline.zones.find((candidate) => candidate.key === key);
    return total + (zone ? modelAreaCm2(zone, view.state.brief.denominator) : 0);
  }, 0);
  const paint = call.choice?.paint ?? null;
  const dE00 = paint?.lab && lab ? deltaE00(lab, paint.lab) : null;
  return {
    code: call.code,
    name: record?.name ?? '',
    codeId: record?.id ?? null,
    record,
    lab,
    sd,
    zones,
    chosen: paint
      ? {
          paint,
          dE00,
          says: dE00 === null ? 'not measured' : differenceInWords(lab!, paint.lab!, dE00, combinedSd(sd, paint.sd)),
          label: paintLabel(paint),
        }
      : null,
    matches:
      lab && record
        ? matchSingle({ lab, sd, code: call.code, finish: record.finish, kind: record.kind }, shelf.paints, MATCHES)
        : [],
    areaCm2,
    paintMl: paint
      ? paintNeeded({ ...TYPICAL_SPRAYING, areaCm2, paintFraction: 1 / (1 + SPRAYING[paint.chemistry].ratio) }).paintMl
      : null,
  };
}
