/**
 * Reads a number as people type it: either decimal mark, blanks around it, a true minus sign.
 * Returns null for anything else, and for two marks ("1.234,5"), whose meaning would be a guess.
 */
export function parseNumber(text: string): number | null {
  const plain = text.trim().replace(/\u2212/g, '-');
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(plain)) return null;
  const value = Number(plain.replace(',', '.'));
  return Number.isFinite(value) ? value : null;
}

/** Three numbers in one field, "62 -2 -3,5" or "62; -2; -3.5"; null for anything else. */
export function parseTriple(text: string): [number, number, number] | null {
  const values = text
    .trim()
    .split(/[\s;]+/)
    .map(parseNumber);
  return values.length === 3 && values.every((value) => value !== null) ? (values as [number, number, number]) : null;
}
