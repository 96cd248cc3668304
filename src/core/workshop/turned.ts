import { aspectOf } from '@/core/evidence/aspects';
import { questionInWords } from '@/core/evidence/question-words';
import type { Turn } from '@/core/kept/turn';
import { checkSize, isRightSize } from '@/core/markings/size';
import { atScale } from '@/core/units/length';
import { spokenZones } from '@/core/outline/spoken';
import { localDay } from '@/core/route/calendar';
import { dayInWords, momentInWords } from '@/core/units/day';
import { durationInWords } from '@/core/units/minutes';
import { counted, listed, lowered, plural } from '@/core/units/words';
import { conflictsByPair } from '@/core/laid/guard';
import { isGrave } from '@/core/paint/chemistry';
import type { BriefView } from '@/core/derive/derive';
import { closedIn } from '@/core/derive/gate-views';
import type { QuestionView } from '@/core/derive/questions';
import { causeOf } from './chemistry-notes';

const MOST_NAMED = 3;

/** "fin, colour: signal red 0.31 against yellow 0.57; fin, finish: …; and 2 more" */
function named<T>(items: readonly T[], says: (item: T) => string): string {
  const left = items.length - MOST_NAMED;
  return [...items.slice(0, MOST_NAMED).map(says), ...(left > 0 ? [`and ${left} more`] : [])].join('; ');
}

/**
 * What stands otherwise in a brief after a change, in words, the weightiest first: rulings that no longer stand, what is done and no longer
 * part of the route, chosen paints, sizes on the model, what is asked, and the plan. Empty where the change turned nothing. Both views are
 * reckoned with the same clock and effort, so that what differs is of the change.
 */
export function turnedBetween(before: BriefView, after: BriefView): Turn[] {
  return [
    ...turnedRulings(before.questions, after.questions),
    ...turnedPaint(before, after),
    ...turnedPaints(before, after),
    ...turnedChemistry(before, after),
    ...turnedSizes(before, after),
    ...turnedAnswers(before.questions, after.questions),
    ...turnedAsking(before, after),
    ...turnedPlan(before, after),
  ];
}

/** Of a change, only what it does to work that is done: what lies under another colour now, what is to do again, what has no place. */
export const turnedPaint = (before: BriefView, after: BriefView): Turn[] => [
  ...turnedLaid(before, after),
  ...turnedDone(before, after),
  ...turnedAgain(before, after),
];

type Asked = Pick<
  QuestionView,
  | 'record'
  | 'zoneTitle'
  | 'aspectTitle'
  | 'ruling'
  | 'ruledOpposite'
  | 'ruledShare'
  | 'reopened'
  | 'best'
  | 'bestShare'
  | 'hidden'
  | 'open'
>;

const byQuestion = (questions: readonly Asked[]) =>
  new Map(questions.map((question) => [question.record.id, question]));

/** Rulings that do not stand any more, and that stand again. A ruling that holds for both sides is told once. */
export function turnedRulings(before: readonly Asked[], after: readonly Asked[]): Turn[] {
  const then = byQuestion(before);
  const isTold = ({ ruling, hidden, ruledOpposite }: Asked) => ruling !== null && hidden === null && !ruledOpposite;
  const stoodBefore = ({ record, ruling }: Asked) => {
    const old = then.get(record.id);
    // What was ruled in the change itself is the builder's own word.
    return old?.ruling?.version === ruling?.version ? (old ?? null) : null;
  };
  const fallen = after.filter((one) => isTold(one) && one.reopened && stoodBefore(one)?.reopened === false);
  const again = after.filter((one) => isTold(one) && !one.reopened && stoodBefore(one)?.reopened === true);
  return [
    ...(fallen.length > 0
      ? [
          {
            says: `${counted(fallen.length, 'ruling')} no longer ${plural('stands', fallen.length)}: ${named(fallen, against)}: look again`,
            at: 'evidence' as const,
            questionId: fallen[0]!.record.id,
          },
        ]
      : []),
    ...(again.length > 0
      ? [
          {
            says: `${counted(again.length, 'ruling')} ${plural('stands', again.length)} again: ${named(again, ({ ruling, ...asked }) => `${questionInWords(asked)}, ${ruling!.value}`)}`,
            at: 'evidence' as const,
            questionId: again[0]!.record.id,
          },
        ]
      : []),
  ];
}

/** "Fin, colour: signal red 0.31 against yellow 0.57" */
function against(asked: Asked): string {
  const { ruling, ruledShare, best, bestShare } = asked;
  const question = questionInWords(asked);
  const isLength = aspectOf(asked.record.aspect).type === 'length';
  const value = isLength ? `${ruling!.value} mm` : ruling!.value;
  if (best === null) return `${question}: no source says ${value} any more`;
  const share = (of: number | null) => (of === null ? '' : ` ${of.toFixed(2)}`);
  return `${question}: ${value}${share(ruledShare)} against ${best}${isLength ? ' mm' : ''}${share(bestShare)}`;
}

/** What attacks what since the change, each cause once, and what no longer does. */
function turnedChemistry(before: BriefView, after: BriefView): Turn[] {
  const causesIn = ({ standing }: BriefView) =>
    new Map(
      conflictsByPair(standing.stacks).flatMap(({ over, under, verdict, says }) =>
        // What only has to cure is waited for by the plan.
        verdict === 'after cure'
          ? []
          : [[causeOf(over.chemistry, under.chemistry, { verdict, says }), isGrave(verdict)] as const],
      ),
    );
  const [then, now] = [causesIn(before), causesIn(after)];
  const told = (says: string): Turn => ({ says, at: 'route', questionId: null });
  return [
    ...[...now].flatMap(([cause, grave]) => (then.has(cause) ? [] : [told(grave ? `▲ ${cause}` : cause)])),
    ...[...then].flatMap(([cause]) => (now.has(cause) ? [] : [told(`No more of this: ${lowered(cause)}`)])),
  ];
}

/** Questions without a ruling of which another answer is the likeliest now. */
function turnedAnswers(before: readonly Asked[], after: readonly Asked[]): Turn[] {
  const then = byQuestion(before);
  const turned = after.filter(({ record, ruling, hidden, best }) => {
    const old = then.get(record.id);
    return ruling === null && hidden === null && old !== undefined && old.ruling === null && old.best !== best;
  });
  if (turned.length === 0) return [];
  const says = (one: Asked) =>
    `${questionInWords(one)}: ${one.best ?? 'nothing is known'}, not ${then.get(one.record.id)!.best ?? 'unknown'}`;
  return [
    {
      says: `${counted(turned.length, 'open question')} ${plural('has', turned.length)} another likeliest answer: ${named(turned, says)}`,
      at: 'evidence',
      questionId: turned[0]!.record.id,
    },
  ];
}

function turnedAsking(before: BriefView, after: BriefView): Turn[] {
  const then = byQuestion(before.questions);
  const now = byQuestion(after.questions);
  const isNeeded = (question: Asked | undefined) => question !== undefined && question.hidden === null;
  const asked = after.questions.filter((one) => isNeeded(one) && !isNeeded(then.get(one.record.id)));
  const dropped = before.questions.filter((one) => isNeeded(one) && !isNeeded(now.get(one.record.id)));
  const turn = (list: QuestionView[], says: string): Turn[] =>
    list.length === 0
      ? []
      : [
          {
            says: `${counted(list.length, 'question')} ${plural('is', list.length)} ${says}: ${named(list, questionInWords)}`,
            at: 'evidence',
            questionId: list[0]!.record.id,
          },
        ];
  return [...turn(asked, 'asked beside those before'), ...turn(dropped, 'not asked any more')];
}

function turnedPaints(before: BriefView, after: BriefView): Turn[] {
  const paintOf = ({ calls }: BriefView) =>
    new Map(
      calls.flatMap(({ code, choice, painted }) => (painted ? [[code, choice?.paint.name ?? null] as const] : [])),
    );
  const [then, now] = [paintOf(before), paintOf(after)];
  const idle = [...then].filter(([code, paint]) => paint !== null && !now.has(code));
  const lacking = [...now].filter(([code, paint]) => paint === null && (!then.has(code) || then.get(code) !== null));
  const turns: Turn[] = [];
  if (idle.length > 0)
    turns.push({
      says: `${listed(idle.map(([code, paint]) => `${code} (${paint})`))} ${plural('is', idle.length)} not called for any more`,
      at: 'colours',
      questionId: null,
    });
  if (lacking.length > 0)
    turns.push({
      says: `${listed(lacking.map(([code]) => code))} ${plural('is', lacking.length)} called for and ${plural('has', lacking.length)} no paint yet`,
      at: 'colours',
      questionId: null,
    });
  return turns;
}

const skinOf = ({ calls }: BriefView) => calls.reduce((sum, { areaCm2 }) => sum + areaCm2, 0);

function turnedSizes(before: BriefView, after: BriefView): Turn[] {
  const [then, now] = [before.state.brief.denominator, after.state.brief.denominator];
  const turns: Turn[] = [];
  if (then !== now) {
    const sizes = after.state.markings.map(
      ({ title, heightMm }) =>
        `${title} ${atScale(heightMm, then).toFixed(1)} → ${atScale(heightMm, now).toFixed(1)} mm`,
    );
    const skin = `painted skin ${skinOf(before).toFixed(0)} → ${skinOf(after).toFixed(0)} cm²`;
    turns.push({
      says: `Every size on the model × ${(then / now).toFixed(2)}: ${named([...sizes.slice(0, MOST_NAMED - 1), skin], (size) => size)}`,
      at: 'markings',
      questionId: null,
    });
  }
  const fits = ({ state }: BriefView) =>
    new Set(
      state.markings.flatMap(({ id, heightMm, printedMm }) =>
        printedMm !== null && isRightSize(heightMm, state.brief.denominator, printedMm) ? [id] : [],
      ),
    );
  const [fitted, fit] = [fits(before), fits(after)];
  const off = after.state.markings.filter(({ id }) => fitted.has(id) && !fit.has(id));
  if (off.length > 0)
    turns.push({
      says: `${counted(off.length, 'printed marking')} no longer of the right size: ${named(off, ({ title, heightMm, printedMm }) => `${title} is ${checkSize(heightMm, now, printedMm).says}`)}`,
      at: 'markings',
      questionId: null,
    });
  return turns;
}

/** "Sleet lies on 6 zones since 3 January: Peat goes over it in 2 coats (35 min, mask 20 min), or it is stripped first." */
function turnedLaid(before: BriefView, after: BriefView): Turn[] {
  const nameOf = (code: string) => after.official.get(code)?.record.name || code;
  const then = new Set(
    before.standing.changed.flatMap(({ from, to, zones }) => zones.map((zone) => `${from} ${to} ${zone}`)),
  );
  return after.standing.changed.flatMap(
    ({ from, to, since, zones, coats, minutes, maskMinutes, inAll, strip, again }): Turn[] => {
      if (zones.every((zone) => then.has(`${from} ${to} ${zone}`))) return [];
      const day = dayInWords(localDay(since, after.state.brief.timeZone));
      const over = `${nameOf(to)} goes over it in ${counted(coats, 'coat')} (${durationInWords(minutes)}${maskMinutes > 0 ? `, mask ${durationInWords(maskMinutes)}` : ''})`;
      const how =
        closedIn(after, zones).length > 0
          ? 'it is closed in, and out of reach unless it is opened again'
          : strip === 'chemistry'
            ? `it does not bear ${nameOf(to)}: strip it first`
            : strip === 'too thick'
              ? `${over}, and ${counted(inAll, 'coat')} in all would fill the detail: better strip it first`
              : `${over}, or it is stripped first`;
      const buried = again.length > 0 ? `; over it again: ${named(again, (title) => title)}` : '';
      return [
        {
          says: `${nameOf(from)} lies on ${counted(zones.length, 'zone')} since ${day}: ${how}${buried}`,
          at: 'log',
          questionId: null,
          strip: zones,
        },
      ];
    },
  );
}

/** Finished work that is not finished any more, beside what lies under another colour. */
function turnedAgain(before: BriefView, after: BriefView): Turn[] {
  const buried = new Set(after.standing.changed.flatMap(({ again }) => again));
  const open = after.route.steps.filter(({ key, title }) => {
    const [was, is] = [before.standing.progress.get(key), after.standing.progress.get(key)!];
    return was?.isFinished && was.endedAt !== null && !is.isFinished && !buried.has(title);
  });
  if (open.length === 0) return [];
  const minutes = open.reduce((sum, { key }) => sum + after.standing.progress.get(key)!.minutesLeft, 0);
  return [
    {
      says: `${counted(open.length, 'finished step')} ${plural('has', open.length)} more to do (${durationInWords(minutes)}): ${named(open, ({ key, title }) => `${title}, on ${spokenZones(after.outline.zones, after.standing.progress.get(key)!.toDo)}`)}`,
      at: 'route',
      questionId: null,
    },
  ];
}

/** Work that is done and has no place in the route any more: the log keeps it. */
function turnedDone(before: BriefView, after: BriefView): Turn[] {
  const keysOf = ({ route }: BriefView) => new Set(route.steps.map(({ key }) => key));
  const [then, now] = [keysOf(before), keysOf(after)];
  const lost = [
    ...new Map(
      after.state.log
        .filter(({ stepKey }) => then.has(stepKey) && !now.has(stepKey))
        .map((entry) => [entry.stepKey, entry]),
    ).values(),
  ];
  if (lost.length === 0) return [];
  const minutes = lost.reduce((sum, { actualMinutes }) => sum + actualMinutes, 0);
  return [
    {
      says: `${counted(lost.length, 'done step')} (${durationInWords(minutes)}) ${plural('is', lost.length)} not part of the route any more, and ${plural('stands', lost.length)} in the log: ${named(lost, ({ title }) => title)}`,
      at: 'log',
      questionId: null,
    },
  ];
}

function turnedPlan(before: BriefView, after: BriefView): Turn[] {
  const then = new Map(before.route.steps.map((step) => [step.key, step]));
  const now = new Map(after.route.steps.map((step) => [step.key, step]));
  const come = after.route.steps.filter(({ key }) => !then.has(key));
  const gone = before.route.steps.filter(({ key }) => !now.has(key));
  const minutes = minutesOf(after) - minutesOf(before);
  const [ready, was] = [after.plan.finish, before.plan.finish];
  const parts = [
    ...(ready !== was
      ? [`${ready ? `ready ${momentInWords(ready)}` : 'no date any more'}${was ? `, not ${momentInWords(was)}` : ''}`]
      : []),
    ...(minutes !== 0 ? [`${durationInWords(Math.abs(minutes))} ${minutes > 0 ? 'more' : 'less'} work`] : []),
    ...(come.length > 0 ? [`${counted(come.length, 'step')} more: ${named(come, ({ title }) => title)}`] : []),
    ...(gone.length > 0 ? [`${counted(gone.length, 'step')} fewer: ${named(gone, ({ title }) => title)}`] : []),
  ];
  return parts.length === 0 ? [] : [{ says: `The plan: ${parts.join('; ')}`, at: 'route', questionId: null }];
}

const minutesOf = ({ route }: BriefView) => route.steps.reduce((sum, { minutes }) => sum + minutes, 0);
