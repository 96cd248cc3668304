import { Document, Page, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import type { BriefView } from '@/core/brief/derive';
import { identityOf } from '@/core/kept/state';
import { elapsedToLocal } from '@/core/route/calendar';
import { workBySession, type PlannedWork } from '@/core/route/plan';
import { momentInWords } from '@/core/units/day';
import { durationInWords } from '@/core/units/minutes';
import { clock, fullDay, longDay } from '@/ui/dates';
import { Foot, INK, registerFonts, s } from './paper';

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
  const { plan, route, state } = view;
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
    printedOn: fullDay(nowUtc.slice(0, 10)),
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
            cautions: item.step.cautions.join(' '),
            gate: item.step.gate !== null,
          })),
        },
      ];
    }),
  };
}

export function BenchPlanPdf({ data }: { data: BenchPlan }): ReactNode {
  registerFonts();
  return (
    <Document title={`${data.title}: bench plan`}>
      <Page size="A4" style={s.page}>
        <Text style={s.title}>{data.title}</Text>
        <Text style={s.subtitle}>
          Bench plan of {data.printedOn}; it ends {data.ends}.
        </Text>
        {data.sessions.map((session) => (
          <Box key={session.title}>
            <Text style={s.h2} minPresenceAhead={50}>
              {session.title}
            </Text>
            {session.airbrush ? <Text style={s.dim}>{session.airbrush}</Text> : null}
            {session.steps.map((step, i) => (
              <Box key={i} style={s.row} wrap={false}>
                <Box
                  style={{
                    width: 11,
                    height: 11,
                    border: `0.9pt solid ${INK}`,
                    backgroundColor: step.gate ? '#d0d0d0' : '#ffffff',
                  }}
                />
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
            ))}
          </Box>
        ))}
        <Foot data={data} />
      </Page>
    </Document>
  );
}
