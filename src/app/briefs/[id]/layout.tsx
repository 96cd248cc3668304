import type { ReactNode } from 'react';
import { numbersOf } from '@/data/revisions';
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
  const { view, revisions } = await briefView((await params).id);
  return (
    <BriefShell {...shellData(view)} revision={numbersOf(revisions)}>
      {children}
    </BriefShell>
  );
}
