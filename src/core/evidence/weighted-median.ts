/**
 * The lowest value at which the cumulated weight reaches half; the mean of it and the next when it is exactly half.
 * Items of weight 0 do not count. Returns null without any weight.
 */
export function weightedMedian(items: readonly { value: number; weight: number }[]): number | null {
  const sorted = items.filter((item) => item.weight > 0).sort((a, b) => a.value - b.value);
  const total = sorted.reduce((t, item) => t + item.weight, 0);
  if (total <= 0) return null;
  let cumulated = 0;
  for (const [i, item] of sorted.entries()) {
    cumulated += item.weight;
    const beyondHalf = cumulated - total / 2;
    // "Exactly half" is meant of the weights as written, not of their rounded sum.
    if (Math.abs(beyondHalf) <= 1e-12 * total) return (item.value + (sorted[i + 1]?.value ?? item.value)) / 2;
    if (beyondHalf > 0) return item.value;
  }
  return sorted.at(-1)!.value;
}
