/** So long may a browser take to fetch what it is handed. */
const FETCHED_MS = 60_000;

/** Hands a file to whoever sits there. */
export function keepAs(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), FETCHED_MS);
}
