import { newBrief } from '@/core/kept/new-brief';
import { stamp } from './stamp';

/** A brief without sessions in the database of the test, made as a builder makes one; answers with its id. */
export async function testBrief(): Promise<string> {
  // Imported when it is asked for: what the framework gives must be stood in for before.
  const { createBrief } = await import('@/actions/briefs');
  const setup = newBrief('2026-11-20');
  const made = await createBrief({
    act: stamp(),
    brief: { ...setup.brief, timeZone: 'UTC' },
    airframe: { ...setup.airframe, type: 'Testbird' },
    sessions: [],
  });
  if (!made.ok) throw new Error(JSON.stringify(made));
  return made.value;
}
