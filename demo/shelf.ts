import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Added } from '@/core/interchange/added';
import { newAct, perform, type ActWriter } from '@/data/acts';
import { addToShelf } from '@/data/catalogue';
import { demoShelfFrom } from './tables';

/** Adds the invented standards, catalogue and drawer to the house. */
export function addDemoShelf(writer: ActWriter): Promise<Added> {
  const read = (name: string) => readFileSync(path.join(process.cwd(), 'demo', name), 'utf8');
  return addToShelf(writer, demoShelfFrom(read));
}

export const loadDemoShelf = async () => (await perform(newAct(null, 'demo'), addDemoShelf)).value;
