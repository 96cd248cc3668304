import { zonesCalled } from '@/core/outline/zone-sets';
import type { Zone } from '@/core/outline/zones';

/** One line of a pasted list. */
export interface SaidLine {
  line: number;
  zones: string[];
  value: string;
}

/**
 * Reads a list that somebody wrote down or copied: a line each, the zone (or a set of zones, or a zone without its side for both), then what
 * is said of it, with a colon, a tab or an equals sign between. Lines that cannot be read say why.
 */
export function readSaidList(
  text: string,
  zones: readonly Zone[],
): { said: SaidLine[]; faults: { line: number; says: string }[] } {
  const said: SaidLine[] = [];
  const faults: { line: number; says: string }[] = [];
  text.split(/\r?\n/).forEach((written, i) => {
    const line = i + 1;
    if (!written.trim()) return;
    const match = /^(.*?)\s*[:=\t]\s*(.+)$/.exec(written.trim());
    if (!match) {
      faults.push({ line, says: `"${written.trim()}": write the zone, a colon, then what is said of it` });
      return;
    }
    const [, name, value] = match as unknown as [string, string, string];
    const found = zonesCalled(name, zones);
    if (found) said.push({ line, zones: found, value: value.trim() });
    else faults.push({ line, says: `there is no zone "${name}" on this airframe` });
  });
  return { said, faults };
}
