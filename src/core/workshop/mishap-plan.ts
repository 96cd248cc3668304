import { paintInFull } from '@/core/paint/catalogue';
import type { MishapName } from '@/core/bench/mishaps';
import type { Kept } from '@/core/kept/records';
import type { BriefState, ColourShelf } from '@/core/kept/state';
import { asAccepted, type AcceptedPlan } from '@/core/route/accepted-plan';
import { deriveBrief, type BriefView, type DeriveSettings } from '@/core/derive/derive';
import { closedIn } from '@/core/derive/gate-views';
import { calledLayer } from './how-made';
import { cureCalled, mend } from './mend';

/** What happened, as the builder says it. */
export interface ToldMishap {
  kind: MishapName;
  zones: readonly string[];
  /** The cure by its title. */
  cure: string;
  /** How the colour looks, in words or as L* a* b*; '' where nobody says. */
  looks: string;
}

/** What a mishap costs, before it is taken on. */
export interface MishapPlan {
  record: Pick<Kept<'mishap'>, 'kind' | 'zones' | 'cure' | 'down' | 'run'>;
  steps: { title: string; kind: string; minutes: number; afterMin: number; because: string; start: string | null }[];
  /** What comes off, by zone, from the plastic up. */
  lost: { zone: string; called: string[] }[];
  hours: number;
  /** Zones of it that lie behind closed skin. */
  closedIn: string[];
  /** The filter that brings the colour round, by name; null where none is asked for or none helps. */
  filter: { paint: string; percent: number; passes: number; owned: boolean; was: number; now: number } | null;
  /** Local days on which the build ends without it and with it; null where there is no whole plan. */
  finish: { was: string | null; now: string | null };
  /** Steps of the plan that lie in another session because of it. */
  moved: number;
  /** The plan that carries it, as it would be kept; null where none is kept. */
  laid: AcceptedPlan['laid'] | null;
}

/** What a mishap costs in a brief: the rework by the layers as they were logged, and the plan that carries it. Null for a cure that its kind does not know. */
export function planMishap(
  view: BriefView,
  shelf: ColourShelf,
  told: ToldMishap,
  key: string,
  settings: DeriveSettings,
): MishapPlan | null {
  const cure = cureCalled(told.kind, told.cure);
  if (!cure) return null;
  const zones = [...told.zones];
  const { rework, run, filter } = mend(view, told.kind, cure, zones, key, { looks: told.looks, paints: shelf.paints });
  const record = { kind: told.kind, zones, cure: cure.title, down: cure.down, run };
  const draft = { ...record, id: 'draft', version: 1, happenedAt: settings.nowUtc, note: '', pictureId: null };
  const after = deriveBrief(withMishap(view.state, draft), shelf, settings);
  const plan = after.proposal?.next ?? after.plan;
  const own = new Set(run.steps.map((step) => step.key));
  const session = new Map(view.plan.work.map((work) => [work.key, work.session]));
  const start = new Map(plan.work.map((work) => [work.key, work.start]));
  return {
    record,
    steps: run.steps.map(({ key: step, title, kind, minutes, afterMin, because }) => ({
      title,
      kind,
      minutes,
      afterMin,
      because,
      start: start.get(step) ?? null,
    })),
    lost: zones.flatMap((zone) => {
      const gone = rework.lost.filter((layer) => layer.zone === zone);
      return gone.length > 0 ? [{ zone, called: gone.map(({ made }) => calledLayer(made)) }] : [];
    }),
    hours: rework.hours,
    closedIn: closedIn(view, zones),
    filter: filter && {
      paint: paintInFull(filter.paint),
      percent: filter.percent,
      passes: filter.passes,
      owned: filter.paint.ownedMl > 0,
      was: filter.was,
      now: filter.now,
    },
    finish: { was: view.plan.finish, now: plan.finish },
    moved: plan.work.filter((work) => !work.done && !own.has(work.key) && session.get(work.key) !== work.session)
      .length,
    laid: after.proposal ? asAccepted(plan) : null,
  };
}

const withMishap = (state: BriefState, mishap: Kept<'mishap'>): BriefState => ({
  ...state,
  mishaps: [...state.mishaps, mishap],
});
