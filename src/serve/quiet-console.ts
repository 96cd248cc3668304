/** A fault is one line in the log: what went wrong and where. `STACKS=1` shows the whole way there. */
export function quietConsole(): void {
  if (process.env.STACKS) return;
  const print = console.error.bind(console);
  console.error = (...given: unknown[]) => print(oneLine(given));
}

export function oneLine(given: readonly unknown[]): string {
  const words = given.map((item) => {
    if (!(item instanceof Error)) return typeof item === 'string' ? item : safeJson(item);
    const where = item.stack?.split('\n').find((line) => line.trimStart().startsWith('at '));
    return `${item.name}: ${item.message}${where ? ` (${where.trim()})` : ''}`;
  });
  return words
    .join(' ')
    .replaceAll(/\s*\n\s*/g, ' ')
    .slice(0, 1000);
}

function safeJson(item: unknown): string {
  try {
    return JSON.stringify(item) ?? String(item);
  } catch {
    return String(item);
  }
}
