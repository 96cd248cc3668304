import { localDay } from '@/core/route/calendar';
import type { BriefView } from '@/core/derive/derive';
import { identityOf, type ColourShelf } from '@/core/kept/state';
import { deltaE00 } from '@/core/colour/difference';
import { hexOf } from '@/core/colour/spaces';
import { combinedSd, differenceInWords } from '@/core/colour/words';
import { checkSize } from '@/core/markings/size';
import { optionsInWords } from '@/core/kit/options';
import { machineOf } from '@/core/outline/presets';
import { paintInFull } from '@/core/paint/catalogue';
import { CHEMISTRIES } from '@/core/paint/chemistry';
import { SPRAYING } from '@/core/paint/spraying';
import { thinningOf } from '@/core/paint/thinning';
import { calledWhere } from '@/core/workshop/called-where';
import { libertiesOf, type Liberty } from '@/core/workshop/liberties';
import { capital, counted } from '@/core/units/words';
import { workBySession } from '@/core/route/plan';
import { dueInWords } from '@/ui/due-words';
import { sheetData, type SheetData } from '@/sheet/sheet-data';
import { clock, fullDay, longDay } from '@/ui/dates';
import { dossierPaper, type DossierPaper } from './dossier-data';
import { machineInWords } from './machine';
import { barInWords } from './scale-bar';

/** Everything the printed brief says, as plain text and figures: what is sent to the thread that sets the pages. */
export interface BriefPaper {
  title: string;
  subtitle: string;
  printedOn: string;
  sheet: SheetData;
  /** What the bar under the views says. */
  bar: string;
  options: string;
  notes: string;
  dossier: DossierPaper;
  open: { question: string; state: string; by: string }[];
  /** What was taken whatever the sources say. */
  liberties: Liberty[];
  colours: {
    code: string;
    name: string;
    official: string | null;
    chosen: string | null;
    paint: string;
    difference: string;
    thinning: string;
    zones: string;
  }[];
  markings: { title: string; method: string; trueSize: string; modelSize: string; printed: string; verdict: string }[];
  sessions: {
    title: string;
    steps: { time: string; title: string; minutes: string; hex: string | null; gate: boolean; note: string }[];
  }[];
  cautions: { says: string; steps: string }[];
}

export function briefPaper(view: BriefView, shelf: ColourShelf, nowUtc: string): BriefPaper {
  const { airframe, brief, markings } = view.state;
  return {
    title: identityOf(airframe),
    subtitle: machineInWords(airframe),
    printedOn: fullDay(localDay(nowUtc, view.state.brief.timeZone)),
    sheet: sheetData(view),
    bar: barInWords(brief.denominator),
    options: optionsInWords(brief.options, machineOf(airframe)),
    notes: brief.notes,
    dossier: dossierPaper(view, nowUtc),
    liberties: libertiesOf(view),
    open: view.open.map(({ says, question, due }) => ({
      question: says,
      state: !question ? 'not asked' : question.reopened ? 'reopened' : question.weighed.state,
      by: dueInWords(due),
    })),
    colours: view.calls.map((call) => {
      const { official } = call;
      const paint = call.choice?.paint ?? null;
      const dE = official?.lab && paint?.lab ? deltaE00(official.lab, paint.lab) : null;
      const advice = paint ? SPRAYING[paint.chemistry] : null;
      const thinning = paint && thinningOf(paint);
      return {
        code: call.code,
        name: official?.record.name ?? '',
        official: official?.lab ? hexOf(official.lab) : null,
        chosen: paint?.lab ? hexOf(paint.lab) : null,
        paint: paint
          ? `${paintInFull(paint)}, ${CHEMISTRIES[paint.chemistry].title.toLowerCase()}, ${paint.finish}`
          : call.painted
            ? 'not chosen yet'
            : 'no paint is needed',
        difference:
          dE === null
            ? ''
            : `${differenceInWords(official!.lab!, paint!.lab!, dE, combinedSd(official!.sd, paint!.sd))} (${dE.toFixed(1)})`,
        thinning:
          advice && thinning
            ? `${thinning.ratio}:1 ${thinning.thinner}, ${advice.pressureBar} bar, ${counted(call.coats?.coats ?? 0, 'coat')}`
            : '',
        zones: capital(calledWhere(view.outline, call)),
      };
    }),
    markings: markings.map((marking) => {
      const check = checkSize(marking.heightMm, brief.denominator, marking.printedMm);
      return {
        title: `${marking.title} ${marking.text}`.trim(),
        method: marking.method,
        trueSize: `${marking.heightMm.toFixed(0)} mm`,
        modelSize: `${check.modelMm.toFixed(2)} mm`,
        printed: marking.printedMm === null ? '–' : `${marking.printedMm.toFixed(2)} mm`,
        verdict: check.says,
      };
    }),
    sessions: sessionsAhead(view),
    cautions: cautionsOf(view),
  };
}

function sessionsAhead(view: BriefView): BriefPaper['sessions'] {
  const hexOfCode = new Map(
    view.calls.map((call) => [call.code, call.choice?.paint.lab ?? call.official?.lab ?? null]),
  );
  return workBySession(view.plan).flatMap(({ session, work }) => {
    const ahead = work.filter((item) => !item.done);
    if (ahead.length === 0) return [];
    return [
      {
        title: `${longDay(session.startLocal)}, ${clock(session.startLocal)}, ${session.end - session.start} min`,
        steps: ahead.map((item) => {
          const goesOn = item.session !== session.id;
          const lab = item.step.code ? hexOfCode.get(item.step.code) : null;
          const gate = view.gates.find((candidate) => candidate.name === item.step.gate);
          const open =
            gate && gate.open.length > 0 ? `still open: ${gate.open.map(({ says }) => says).join('; ')}` : '';
          return {
            time: clock(goesOn ? session.startLocal : item.start),
            title: goesOn ? `${item.step.title}, goes on` : item.step.title,
            minutes: `${item.step.minutes} min`,
            hex: lab ? hexOf(lab) : null,
            gate: item.step.gate !== null,
            note: open || item.step.why,
          };
        }),
      },
    ];
  });
}

/** Each caution once, with the steps it belongs to. */
function cautionsOf(view: BriefView): BriefPaper['cautions'] {
  const steps = new Map<string, string[]>();
  for (const item of view.plan.work) {
    if (item.done) continue;
    for (const { says } of item.step.cautions) steps.set(says, [...(steps.get(says) ?? []), item.step.title]);
  }
  return [...steps].map(([says, titles]) => ({
    says,
    steps: titles.length > 6 ? `${titles.slice(0, 6).join('; ')} and ${titles.length - 6} more` : titles.join('; '),
  }));
}
