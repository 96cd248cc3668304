import { readdirSync, readFileSync } from 'node:fs';

/** Resident memory of the server's processes, MB: the largest last. */
export function memoryOf(root: number): number[] {
  const parents = new Map<number, number>();
  for (const pid of readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .map(Number))
    try {
      parents.set(pid, Number(/^PPid:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]));
    } catch {
      // It ended while it was looked at.
    }
  const isOf = (pid: number): boolean =>
    pid === root || (parents.has(pid) && parents.get(pid)! > 1 && isOf(parents.get(pid)!));
  return [...parents.keys()]
    .filter(isOf)
    .flatMap((pid) => {
      try {
        const found = /^VmRSS:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
        return found ? [Math.round(Number(found[1]) / 1024)] : [];
      } catch {
        return [];
      }
    })
    .sort((a, b) => a - b);
}
