import { z } from 'zod';

/** One fault of an input: where it is (`pairs[0].a.lab`) and what is wrong there. */
export interface Fault {
  path: string;
  says: string;
}

export class ContractFaults extends Error {
  constructor(readonly faults: Fault[]) {
    super(faults.map(printFault).join('\n'));
  }
}

export const printFault = (fault: Fault): string => `${fault.path}: ${fault.says}`.replace(/\s*\n\s*/g, ' ');

/** A computation of the headless command line: a checked JSON value in, a JSON value out. */
export interface Contract {
  run(input: unknown): object;
}

/** Parses by schema; throws ContractFaults with one fault per finding, unknown fields named one by one. */
export function parseInput<T>(schema: z.ZodType<T>, input: unknown): T {
  const parsed = schema.safeParse(input);
  if (parsed.success) return parsed.data;
  throw new ContractFaults(parsed.error.issues.flatMap(faultsOf));
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
