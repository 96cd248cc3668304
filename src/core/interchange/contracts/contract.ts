import { z } from 'zod';

/** One fault of an input: where it is (`pairs[0].a.lab`) and what is wrong there. */
export interface Fault {
  path: string;
  says: string;
}

export class ContractFaults extends Error {
  readonly faults: Fault[];
  /** `all` is how many there are, where not every one of them was put into words. */
  constructor(found: Fault[], all = found.length) {
    const more = all - MOST_FAULTS;
    const faults =
      more > 0 ? [...found.slice(0, MOST_FAULTS), { path: 'input', says: `and ${more} faults more` }] : found;
    super(faults.map(printFault).join('\n'));
    this.faults = faults;
  }
}

export const printFault = (fault: Fault): string => `${fault.path}: ${fault.says}`.replace(/\s*\n\s*/g, ' ');

/** A computation of the headless command line: a checked JSON value in, a JSON value out. */
export interface Contract {
  run(input: unknown): object;
}

/** The longest list of anything, so that work and faults are bounded before they begin. */
const MOST_ITEMS = 20_000;
/** Faults that are named; more are counted. */
const MOST_FAULTS = 100;

/** The first list that is too long, at whatever depth; null without any. */
function tooLong(value: unknown, path: readonly PropertyKey[] = []): Fault | null {
  if (typeof value !== 'object' || value === null) return null;
  if (Array.isArray(value) && value.length > MOST_ITEMS)
    return { path: printPath(path), says: `has ${value.length} entries: at most ${MOST_ITEMS} are taken` };
  for (const [key, item] of Object.entries(value)) {
    const found = tooLong(item, [...path, Array.isArray(value) ? Number(key) : key]);
    if (found) return found;
  }
  return null;
}

/** Parses by schema; throws ContractFaults with one fault per finding, unknown fields named one by one. */
export function parseInput<T>(schema: z.ZodType<T>, input: unknown): T {
  const long = tooLong(input);
  if (long) throw new ContractFaults([long]);
  const parsed = schema.safeParse(input);
  if (parsed.success) return parsed.data;
  const { issues } = parsed.error;
  const named = issues.slice(0, MOST_FAULTS).flatMap(faultsOf);
  throw new ContractFaults(named, named.length + Math.max(0, issues.length - MOST_FAULTS));
}

function faultsOf(issue: z.core.$ZodIssue): Fault[] {
  const path = printPath(issue.path);
  if (issue.code === 'unrecognized_keys') {
    return issue.keys.map((key) => ({ path: printPath([...issue.path, key]), says: 'unknown field' }));
  }
  if (issue.code === 'invalid_union') {
    // Of several readings, the one that got furthest is the one that was meant.
    const readings = issue.errors.map((errors) =>
      errors.flatMap((error) => faultsOf({ ...error, path: [...issue.path, ...error.path] } as z.core.$ZodIssue)),
    );
    const meant = readings.filter((faults) => faults.length > 0).sort((a, b) => a.length - b.length)[0];
    return meant ?? [{ path, says: issue.message }];
  }
  return [{ path, says: issue.message }];
}

export function printPath(path: readonly PropertyKey[]): string {
  if (path.length === 0) return 'input';
  return path.map((part, i) => (typeof part === 'number' ? `[${part}]` : `${i ? '.' : ''}${String(part)}`)).join('');
}

export const finite = z.number({ error: 'must be a number' });
export const text = z.string({ error: 'must be text' }).min(1, 'must not be empty');
