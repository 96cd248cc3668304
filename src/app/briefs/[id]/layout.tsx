import type { ReactNode } from 'react';
import { redirect } from 'next/navigation';
import { isDevice } from '@/actions/of-device';
import { isId } from '@/data/read-brief';
import { pool } from '@/data/database';
import { isRemoved } from '@/data/removed-briefs';
import { numbersOf } from '@/data/revisions';
import { sent } from '@/stations/shell/current-page';
import { BriefShell } from '@/stations/shell/brief-shell';
import { shellData } from './pages';
import { briefView } from './view';

export default async function BriefLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ id: string }>;
}) {
  const { id } = await params;
  if (isId(id) && (await isRemoved(pool(), id))) redirect('/removed');
  const derived = await briefView(id);
  return (
    <BriefShell
      briefId={derived.view.state.brief.id}
      sent={sent({ of: derived.of, data: shellData(derived) })}
      revision={numbersOf(derived.revisions)}
      isDevice={await isDevice()}
    >
      {children}
    </BriefShell>
  );
}
