import { Document, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import type { BriefView } from '@/core/derive/derive';
import { identityOf } from '@/core/kept/state';
import { elapsedToLocal, localDay } from '@/core/route/calendar';
import { workBySession, type PlannedWork } from '@/core/route/plan';
import { momentInWords } from '@/core/units/day';
import { durationInWords } from '@/core/units/minutes';
import { clock, fullDay, longDay } from '@/ui/dates';
import { Contents, Flow, heightOf, mayBreak, line, ROW_PADDING, section, TickBox, titled, type Piece } from './flow';
import { registerFonts, s } from './paper';

/** The sessions ahead, to be ticked off at the bench where no screen is wanted. */
export interface BenchPlan {
  title: string;
  printedOn: string;
  ends: string;
  sessions: {
    title: string;
    /** What of it was sprayed with: one filling after the other. */
    airbrush: string;
    steps: {
      time: string;
      title: string;
      minutes: string;
      note: string;
      then: string;
      cautions: string;
      gate: boolean;
    }[];
  }[];
}

export function benchPlan(view: BriefView, nowUtc: string): BenchPlan {
  const { plan, state } = view;
  const route = view.standing.left;
  const titles = new Map(route.steps.map(({ key, title }) => [key, title]));
  /** What follows within a greatest wait, or only after hours: the clock times that a paper must carry. */
  const then = ({ key, segments }: PlannedWork): string =>
    route.links
      .filter(({ from, maxLag }) => from === key && maxLag !== null)
      .map(({ to, minLag, maxLag }) => {
        const end = segments.at(-1)![1];
        const at = (minutes: number) => momentInWords(elapsedToLocal(end + minutes, state.brief.timeZone, plan.origin));
        return `${titles.get(to)}: ${minLag > 0 ? `from ${at(minLag)} ` : ''}until ${at(maxLag!)}`;
      })
      .join('; ');
  return {
    title: identityOf(state.airframe),
    printedOn: fullDay(localDay(nowUtc, state.brief.timeZone)),
    ends: plan.finish ? fullDay(plan.finish.slice(0, 10)) : 'not all of it fits',
    sessions: workBySession(plan).flatMap(({ session, work }) => {
      const ahead = work.filter(({ done }) => !done);
      if (ahead.length === 0) return [];
      const sprays = [...new Set(ahead.flatMap(({ step }) => (step.load ? [step.load.title] : [])))];
      return [
        {
          title: `${longDay(session.startLocal)}, ${clock(session.startLocal)}, ${durationInWords(session.end - session.start)}`,
          airbrush: sprays.length > 0 ? `Airbrush: ${sprays.join(', then ')}` : session.booth ? '' : 'no spraying',
          steps: ahead.map((item) => ({
            time: clock(item.session === session.id ? item.start : session.startLocal),
            title: item.session === session.id ? item.step.title : `${item.step.title}, goes on`,
            minutes: `${item.step.minutes} min`,
            note: item.step.why,
            then: then(item),
            cautions: item.step.cautions.map(({ says }) => says).join(' '),
            gate: item.step.gate !== null,
          })),
        },
      ];
    }),
  };
}

export function BenchPlanPdf({ data, contents }: { data: BenchPlan; contents: Contents }): ReactNode {
  registerFonts();
  const pieces: Piece[] = [
    ...titled(data.title, `Bench plan of ${data.printedOn}; it ends ${data.ends}.`),
    ...data.sessions.flatMap((session) => [
      section(session.title),
      ...(session.airbrush ? [line(session.airbrush, true)] : []),
      ...session.steps.map(stepPiece),
    ]),
  ];
  return (
    <Document title={`${data.title}: bench plan`}>
      <Flow data={data} contents={contents} pieces={pieces} isFirst />
    </Document>
  );
}

function stepPiece(step: BenchPlan['sessions'][number]['steps'][number]): Piece {
  const width = 340;
  const said = [step.note, step.then && `Then: ${step.then}`, step.cautions && `! ${step.cautions}`];
  const height =
    heightOf(`${step.title}, ${step.minutes}`, width, undefined, true) +
    said.reduce((sum, text) => sum + (text ? heightOf(text, width) : 0), 0) +
    ROW_PADDING;
  return {
    height,
    node: (
      <Box style={s.row} wrap={mayBreak(height)}>
        <TickBox size={11} fill={step.gate ? '#d0d0d0' : '#ffffff'} />
        <Text style={{ width: 30 }}>{step.time}</Text>
        <Box style={{ flex: 1 }}>
          <Text style={s.strong}>
            {step.title}, {step.minutes}
          </Text>
          {step.note ? <Text style={s.dim}>{step.note}</Text> : null}
          {step.then ? <Text>Then: {step.then}</Text> : null}
          {step.cautions ? <Text>! {step.cautions}</Text> : null}
        </Box>
        <Text style={{ width: 110, borderBottom: '0.5pt solid #777777' }}> </Text>
      </Box>
    ),
  };
}
