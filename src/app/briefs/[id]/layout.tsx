import type { ReactNode } from 'react';
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
  const { view } = await briefView((await params).id);
  return <BriefShell {...shellData(view)}>{children}</BriefShell>;
}
