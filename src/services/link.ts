/** Whatever answers over a link: a shop or an instrument. Says in words when it does not. */
export class LinkFault extends Error {}

const PATIENCE_MS = 4000;

/** Posts a question to a service and gives its answer, unchecked. Throws LinkFault. */
export async function ask(base: string | undefined, path: string, body: unknown): Promise<unknown> {
  if (!base) throw new LinkFault('No such service is set up here.');
  let response: Response;
  try {
    response = await fetch(new URL(path, base), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(PATIENCE_MS),
      cache: 'no-store',
    });
  } catch {
    throw new LinkFault('It does not answer. Try again in a moment.');
  }
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) return answer;
  const says = (answer as { says?: unknown } | null)?.says;
  throw new LinkFault(typeof says === 'string' ? says : 'It answered with something that is not understood.');
}
