import { tonightOf, type Tonight } from '@/core/bench/tonight';
import type { BriefView } from '@/core/derive/derive';
import type { ToolKind } from '@/core/kit/tools';
import { peopleOf } from '@/core/workshop/log-book';
import { spokenZones } from '@/core/outline/spoken';
import type { ColourShelf } from '@/core/kept/state';
import { exposureOf } from '@/core/workshop/use-said';
import type { Exposure } from '@/core/weathering/exposure';
import type { SaidExposure } from '@/core/weathering/from-evidence';
import { brokenInWords } from '@/ui/broken-words';
import type { TimerRow } from '@/stations/shell/running-timers';

export interface BenchPage {
  briefId: string;
  tonight: Tonight;
  timers: TimerRow[];
  finish: string | null;
  /** What can be done while a coat dries, with the tools that are owned. */
  meanwhile: string;
  /** Steps that are not done, planned or not. */
  left: number;
  broken: string[];
  /** Changes to the kept plan that wait to be accepted. */
  waiting: number;
  people: string[];
  denominator: number;
  /** What weathering begins with, and what evidence says of it. */
  weather: { exposure: Exposure; said: SaidExposure };
  /** Those of the house; the others are known to every page. */
  ownTechniques: ColourShelf['techniques'];
  /** Techniques that are in the route of this build. */
  taken: { id: string; version: number; title: string; where: string }[];
}

/** Whoever listed no tools is planned with an airbrush. */
function meanwhileWith(tools: ColourShelf['tools']): string {
  const owns = (kind: ToolKind) => tools.some((tool) => tool.kind === kind);
  const clean = tools.length === 0 || owns('airbrush') ? 'airbrush' : owns('brush') ? 'brushes' : null;
  return [clean && `clean the ${clean}`, 'cut masks'].filter(Boolean).join(', ');
}

export function benchPage(view: BriefView, shelf: ColourShelf): BenchPage {
  return {
    briefId: view.state.brief.id,
    tonight: tonightOf(view),
    timers: view.state.timers,
    finish: view.plan.finish,
    meanwhile: meanwhileWith(shelf.tools),
    left: [...view.standing.progress.values()].filter(({ isFinished }) => !isFinished).length,
    broken: view.plan.broken.map(brokenInWords),
    waiting: view.proposal?.changes.length ?? 0,
    people: peopleOf(view),
    denominator: view.state.brief.denominator,
    weather: exposureOf(view),
    ownTechniques: shelf.techniques,
    taken: view.state.runs.map(({ id, version, title, zones }) => ({
      id,
      version,
      title,
      where: spokenZones(view.outline.zones, zones),
    })),
  };
}
