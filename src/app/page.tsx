import { unaskedZones } from '@/core/brief/unasked';
import { outlineSpecOf, type BriefSummary } from '@/core/kept/state';
import { buildOutline } from '@/core/outline/outline';
import { BriefList, type ListedBrief } from '@/stations/start/brief-list';
import { listBriefs } from '@/data/briefs';

/** What is open in a brief: its open questions, and what nobody asked yet. */
function openOf({ askedZones, options, ...brief }: BriefSummary): ListedBrief {
  const outline = buildOutline(outlineSpecOf(brief.airframe, { options }));
  return { ...brief, open: brief.openQuestions + unaskedZones(outline, options, askedZones).length };
}

export const dynamic = 'force-dynamic';

export default async function Home() {
  return (
    <>
      <header className="head">
        <div className="head-title">
          <strong>Build Brief</strong>
        </div>
      </header>
      <BriefList briefs={(await listBriefs()).map(openOf)} />
    </>
  );
}
