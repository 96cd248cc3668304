import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import type { ToolKind } from '@/core/kit/tools';
import { readSessions } from '@/core/route/sessions-said';
import './new-bench.css';

/** Tools that decide how colours are brought on: the others can wait for the Kit station. */
const ASKED: readonly ToolKind[] = ['airbrush', 'spray can', 'brush'];

/** Of a new brief: what one paints with, and when one is at the bench. */
export function NewBench({
  owned,
  tools,
  onTools,
  week,
  onWeek,
}: {
  /** What the house knows of already. */
  owned: readonly ToolKind[];
  tools: readonly ToolKind[];
  onTools: (tools: ToolKind[]) => void;
  week: string;
  onWeek: (week: string) => void;
}): ReactNode {
  const { understood, faults } = readSessions(week);
  return (
    <>
      <div className="new-tools" role="group" aria-label="I paint with">
        <span>I paint with</span>
        {ASKED.map((kind) => {
          const there = owned.includes(kind);
          const chosen = there || tools.includes(kind);
          return (
            <button
              key={kind}
              type="button"
              className="toggle"
              aria-pressed={chosen}
              disabled={there}
              title={there ? 'in this house already' : undefined}
              onClick={() => onTools(chosen ? tools.filter((own) => own !== kind) : [...tools, kind])}
            >
              {kind}
            </button>
          );
        })}
        {owned.length + tools.length === 0 ? <span className="dim">none said: planned with an airbrush</span> : null}
      </div>
      <TextField
        fullWidth
        label="At the bench"
        placeholder="Tuesdays and Thursdays 19:30 for 2 h; now and then Saturdays"
        value={week}
        onChange={({ target }) => onWeek(target.value)}
        error={faults.length > 0}
        helperText={
          faults.length > 0
            ? faults.join('. ')
            : understood.length > 0
              ? understood.join('; ') === week
                ? 'planned so; any line will do, such as “weekends 10:00 for 3 h; now and then Fridays”'
                : understood.join('; ')
              : 'Nobody’s week: an evening begins when you sit down at the Bench'
        }
      />
    </>
  );
}
