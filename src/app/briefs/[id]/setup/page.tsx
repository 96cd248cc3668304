import { redirect } from 'next/navigation';

/** The set-up is a pane of Kit now: links from before lead there. */
export default async function SetupPage({ params }: { params: Promise<{ id: string }> }) {
  redirect(`/briefs/${(await params).id}/kit?show=machine`);
}
