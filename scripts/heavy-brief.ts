import { BriefBuilder } from '../demo/builder';
import { BLANK_LOG_ENTRY, BLANK_PART } from '../src/core/kept/blank';
import { newBrief } from '../src/core/kept/new-brief';
import { buildOutline } from '../src/core/outline/outline';
import { PRESETS } from '../src/core/outline/presets';
import type { BriefFile } from '../src/core/interchange/brief-file';
import { addDays } from '../src/core/units/day';

/** A generated brief as heavy as a builder may make one over years, for measuring. */
export interface Weight {
  questions: number;
  sources: number;
  sightings: number;
  markings: number;
  log: number;
  parts: number;
}
export const HEAVY: Weight = { questions: 200, sources: 100, sightings: 2000, markings: 60, log: 1000, parts: 1000 };

const ASPECTS = ['colour', 'finish', 'marking', 'wear', 'seam', 'fit', 'boundary'] as const;

/** The same weight gives the same brief; `today` is the day it began. */
export function heavyBrief(weight: Weight, today: string): BriefFile {
  const setup = newBrief(today);
  const preset = 'twin';
  const { dimensions } = PRESETS[preset];
  const zones = buildOutline({ preset, dimensions, landing: 'wheels', folded: false }).zones.map(({ key }) => key);
  const b = new BriefBuilder(
    { ...setup.brief, timeZone: 'UTC' },
    { ...setup.airframe, type: 'Measured', preset, dimensions, targetFrom: '1951-05-08', targetTo: '1951-05-14' },
  );
  b.week([
    [2, '19:30', 120, true],
    [6, '10:00', 180, true],
  ]);
  for (let i = 0; i < weight.sources; i += 1) {
    const on = `${1948 + (i % 4)}-0${1 + (i % 9)}-1`;
    b.source(`s${i}`, i % 4 ? 'photograph' : 'kit-sheet', `Source ${i}`, { from: `${on}0`, to: `${on}2` });
  }
  const asked = Array.from({ length: weight.questions }, (_, q) => ({
    zone: zones[q % zones.length]!,
    aspect: ASPECTS[Math.floor(q / zones.length) % ASPECTS.length]!,
    item: q >= zones.length * ASPECTS.length ? `no ${q}` : '',
  }));
  const each = Math.ceil(weight.sightings / weight.questions);
  asked.forEach(({ aspect, zone, item }, q) => {
    const code = `TCS ${10 + (q % 8)}`;
    const answer =
      { finish: 'matt', boundary: 'hard', seam: 'real', colour: code }[aspect as string] ?? `answer ${q % 3}`;
    for (let i = 0; i < each; i += 1)
      b.saw(`s${(q * 7 + i * 3) % weight.sources}`, aspect, { [zone]: answer }, i % 3 ? 'clear' : 'partial', { item });
    if (q % 3) b.rule(aspect, zone, answer, 'supported', 'as seen', { item });
  });
  for (let i = 0; i < weight.markings; i += 1)
    b.marking(
      i % 3 ? 'lettering' : 'insignia',
      `Marking ${i}`,
      zones[i % zones.length]!,
      200 + 10 * i,
      ['TCS 10', 'TCS 11'],
      i % 2 ? 'decal' : 'mask',
      {
        text: i % 3 ? `M${i}` : '',
        printedMm: 4 + i / 10,
        places: [
          ['port', 2 + (i % 6), 0.5],
          ['starboard', 2 + (i % 6), 0.5],
        ],
      },
    );
  const { file } = b.file();
  const { replacesIds: _none, ...blank } = BLANK_PART;
  return {
    ...file,
    parts: Array.from({ length: weight.parts }, (_, i) => ({
      ...blank,
      replaces: [],
      sprue: 'ABCDEFGHIJ'[i % 10]!,
      number: String(1 + Math.floor(i / 10)),
      name: `part ${i}`,
      zone: zones[i % zones.length]!,
      // One in twenty needs work.
      condition: i % 20 ? ('sound' as const) : ('broken' as const),
    })),
    log: Array.from({ length: weight.log }, (_, i) => {
      const day = addDays(today, -Math.floor(i / 5));
      return {
        ...BLANK_LOG_ENTRY,
        stepKey: '',
        title: `Work ${i}`,
        lane: 'Whole',
        plannedMinutes: 20,
        actualMinutes: 20 + (i % 15),
        startedAt: `${day}T1${i % 5}:00:00.000Z`,
        endedAt: `${day}T1${i % 5}:30:00.000Z`,
        zones: [zones[i % zones.length]!],
      };
    }),
  };
}
