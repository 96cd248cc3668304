/** A colour system: how its codes are written and read. */
export interface ColourSystem {
  id: string;
  title: string;
  /** What is printed before the number, as in `TCS 31`. */
  prefix: string;
  /** How many digits a number has; shorter ones are filled up with zeros. */
  digits: number;
}

/**
 * Reads a code as people write it (any case; blanks, hyphens, dots; the prefix left out) and prints it canonically, `TCS 31`.
 * Null when it is no code of this system.
 */
export function canonicalCode(system: ColourSystem, text: string): string | null {
  const plain = text.toUpperCase().replace(/[\s.\-_/]+/g, '');
  const number = plain.startsWith(system.prefix) ? plain.slice(system.prefix.length) : plain;
  if (!/^\d+$/.test(number) || number.length > system.digits) return null;
  return `${system.prefix} ${number.padStart(system.digits, '0')}`;
}

/** The canonical form of a code in whichever of the systems takes it; the trimmed text itself when none does. */
export function canonicalIn(systems: readonly ColourSystem[], text: string): string {
  for (const system of systems) {
    const code = canonicalCode(system, text);
    if (code) return code;
  }
  return text.trim();
}
