'use client';

import type { ReactNode } from 'react';
import { Bar, BarChart, CartesianGrid, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { LaneComparison } from '@/core/bench/compare';
import { DIM, INK, RULE } from '@/ui/theme';

/** Planned against logged minutes, a pair of bars for each lane. */
export function LaneChart({ lanes }: { lanes: LaneComparison[] }): ReactNode {
  return (
    <figure
      style={{ margin: '4px 0 12px' }}
      aria-label={`Minutes planned and taken: ${lanes.map((lane) => `${lane.lane} ${lane.planned} and ${lane.actual}`).join(', ')}`}
    >
      <ResponsiveContainer width="100%" height={230}>
        <BarChart data={lanes} margin={{ top: 8, right: 8, bottom: 0, left: 0 }} barGap={2}>
          <CartesianGrid stroke={RULE} vertical={false} />
          <XAxis dataKey="lane" stroke={INK} tick={{ fill: INK, fontSize: 14 }} />
          <YAxis stroke={INK} tick={{ fill: INK, fontSize: 13 }} unit=" min" width={70} />
          <Tooltip formatter={(value) => `${String(value)} min`} contentStyle={{ borderRadius: 0 }} />
          <Legend formatter={(value) => <span style={{ color: INK }}>{value}</span>} />
          <Bar dataKey="planned" name="planned" fill="#ffffff" stroke={INK} isAnimationActive={false} />
          <Bar dataKey="actual" name="taken" fill={DIM} isAnimationActive={false} />
        </BarChart>
      </ResponsiveContainer>
    </figure>
  );
}
