import { CONTRACTS } from '../src/core/interchange/contracts/commands';
import { ContractFaults, printFault } from '../src/core/interchange/contracts/contract';

/** The headless command line: one JSON object in, one out; every fault is one line on standard error and exit 2. */

const MOST_BYTES = 10 * 1024 * 1024;

function refuse(lines: string[]): never {
  process.stderr.write(`${lines.join('\n')}\n`);
  process.exit(2);
}

async function readInput(): Promise<string> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of process.stdin) {
    size += (chunk as Buffer).length;
    if (size > MOST_BYTES) refuse(['input: more than 10 MB']);
    chunks.push(chunk as Buffer);
  }
  return Buffer.concat(chunks).toString('utf8');
}

async function main() {
  const [command, ...rest] = process.argv.slice(2);
  const known = Object.keys(CONTRACTS).join(', ');
  if (!command || rest.length > 0) refuse([`command: give one of ${known}`]);
  const contract = Object.hasOwn(CONTRACTS, command) ? CONTRACTS[command as keyof typeof CONTRACTS] : undefined;
  if (!contract) refuse([`command: there is no "${command}"; available are ${known}`]);
  let input: unknown;
  try {
    input = JSON.parse(await readInput());
  } catch {
    refuse(['input: not valid JSON']);
  }
  try {
    const output = JSON.stringify(contract.run(input));
    process.stdout.write(`${output}\n`);
  } catch (error) {
    refuse(
      error instanceof ContractFaults
        ? error.faults.map(printFault)
        : [`input: the computation failed: ${error instanceof Error ? error.message.split('\n')[0] : 'unknown'}`],
    );
  }
}

await main();
