'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { acceptPlan, letPlanGo, planInput } from '@/actions/plan';
import type { PlanChange } from '@/core/route/accepted';
import { asAccepted, type AcceptedPlan } from '@/core/route/accepted-plan';
import type { ImprovedSoFar } from '@/core/route/improving';
import type { RoutePlan } from '@/core/route/plan';
import { daysBetween } from '@/core/units/day';
import { counted, listed } from '@/core/units/words';
import { clock, fullDay, shortDay } from '@/ui/dates';
import { useSaving } from '@/ui/saving';
import { useWorker } from '@/ui/use-worker';
import type { PlanWorker } from '@/workers/plan.worker';
import type { RoutePage } from './page-data';
import { useEdits } from './use-edits';

const SAID: Record<PlanChange['kind'], string> = {
  moved: 'moved',
  missed: 'missed',
  new: 'new',
  gone: 'no longer wanted',
};

/** The kept plan: accepted, what would change in it, and a better one looked for while one watches. */
export function PlanSection({ data }: { data: RoutePage }): ReactNode {
  const { run, busy } = useSaving();
  const [fault, setFault] = useState<string | null>(null);
  const { answer, working, start, stop, settle } = useWorker<PlanWorker, ImprovedSoFar | null>(
    () => new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' }),
  );
  const { briefId, proposal } = data;
  const accept = (laid: AcceptedPlan['laid'], said: string) =>
    void run((act) => acceptPlan({ act, briefId, laid }), said).then((result) => result.ok && settle(null));
  const improve = async () => {
    setFault(null);
    const input = await planInput({ briefId });
    if (input.ok) await start((api, hear) => api.improve(input.value, hear));
    else setFault('faults' in input ? (input.faults[0]?.says ?? null) : null);
  };
  if (data.work.length === 0 || !data.finish) return null;
  const changes = proposal?.changes ?? [];
  return (
    <section className="bar-line" aria-label="The plan that counts">
      {proposal === null ? (
        <p>
          <strong>This plan is made anew with every change.</strong> Keep it, and bench, head and milestones hold to it;
          what would change it later is shown first.
        </p>
      ) : changes.length === 0 ? (
        <p>
          <strong>Kept as you accepted it:</strong> nothing would have to move.
        </p>
      ) : (
        <Changes data={data} changes={changes} onAccept={() => accept(proposal.laid, 'Accepted')} busy={busy} />
      )}
      <p className="pane-actions">
        {proposal === null ? (
          <Button
            variant="contained"
            disabled={busy}
            onClick={() => accept(laidOf(data), 'This plan is kept; u lets it go')}
          >
            Keep this plan
          </Button>
        ) : (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() =>
              void run((act) => letPlanGo({ act, briefId }), 'Made anew with every change; u keeps it again')
            }
          >
            Make it anew each time
          </Button>
        )}
        {working ? (
          <Button variant="outlined" onClick={stop}>
            Stop looking
          </Button>
        ) : (
          <Button variant="outlined" onClick={() => void improve()}>
            Look for a better plan
          </Button>
        )}
      </p>
      {fault ? (
        <p role="alert" className="danger">
          ✕ {fault}
        </p>
      ) : null}
      {answer ? (
        <p role="status">
          Best so far: {fullDay(answer.plan.finish!.slice(0, 10))}, {counted(answer.plan.loads, 'filling')} of the
          airbrush, {counted(answer.plan.sessionsLeft, 'session')}; {gapInWords(answer.plan)}.{' '}
          {working ? `${counted(answer.left, 'round')} to go. ` : ''}
          <Button
            variant="outlined"
            size="small"
            disabled={busy}
            onClick={() => {
              stop();
              accept(asAccepted(answer.plan), 'This plan is kept; u brings the other back');
            }}
          >
            Keep this one
          </Button>
        </p>
      ) : working ? (
        <p role="status">Looking…</p>
      ) : null}
    </section>
  );
}

/** The plan that is shown, as it is kept. */
const laidOf = ({ origin, work }: RoutePage): AcceptedPlan['laid'] =>
  asAccepted({
    origin,
    work: work.map(({ key, title, segments, done }) => ({ key, segments, done, step: { title } })),
  });

/** How far a plan may be from the best there is. */
function gapInWords({ finish, lowerBound }: RoutePlan): string {
  const days = daysBetween(lowerBound!.slice(0, 10), finish!.slice(0, 10));
  return days <= 0 ? 'no plan ends sooner' : `none ends more than ${counted(days, 'day')} sooner`;
}

function Changes({
  data,
  changes,
  onAccept,
  busy,
}: {
  data: RoutePage;
  changes: readonly PlanChange[];
  onAccept: () => void;
  busy: boolean;
}): ReactNode {
  const { add } = useEdits(data);
  const count = (kind: PlanChange['kind']) => changes.filter((change) => change.kind === kind).length;
  const counts = (Object.keys(SAID) as PlanChange['kind'][]).flatMap((kind) =>
    count(kind) > 0 ? [`${count(kind)} ${SAID[kind]}`] : [],
  );
  const later =
    data.proposal!.finish && data.proposal!.finish.slice(0, 10) !== data.finish!.slice(0, 10)
      ? ` It would end on ${fullDay(data.proposal!.finish.slice(0, 10))} instead of ${fullDay(data.finish!.slice(0, 10))}.`
      : '';
  const at = (local: string | null) => (local ? `${shortDay(local)} ${clock(local)}` : '–');
  return (
    <>
      <p>
        <strong>The kept plan no longer fits: {listed(counts)}.</strong>
        {later}
      </p>
      <div className="changes" role="region" aria-label="Changes to the kept plan" tabIndex={0}>
        <table className="plain">
          <thead>
            <tr>
              <th>Step</th>
              <th>What happens</th>
              <th>Was</th>
              <th>Would be</th>
              <th aria-label="Decide" />
            </tr>
          </thead>
          <tbody>
            {changes.map((change) => (
              <tr key={change.key}>
                <th scope="row">{change.title}</th>
                <td>{SAID[change.kind]}</td>
                <td className="nowrap">{at(change.was)}</td>
                <td className="nowrap">{at(change.now)}</td>
                <td>
                  {change.kind === 'new' ? (
                    <Button
                      size="small"
                      aria-label={`Leave out ${change.title}`}
                      onClick={() => void add({ kind: 'off', step: change.key }, 'Left out; u brings it back')}
                    >
                      Leave out
                    </Button>
                  ) : null}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Button variant="contained" disabled={busy} onClick={onAccept}>
        Accept the changes
      </Button>
    </>
  );
}
