import { redirect } from 'next/navigation';

export default async function BriefStart({ params }: { params: Promise<{ id: string }> }) {
  redirect(`/briefs/${(await params).id}/evidence`);
}
