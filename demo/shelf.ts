import { readFileSync } from 'node:fs';
import path from 'node:path';
import { addToShelf } from '@/data/shelf';
import { demoShelfFrom } from './tables';

/** Adds the invented standards, catalogue and drawer to the house. */
export async function loadDemoShelf() {
  const read = (name: string) => readFileSync(path.join(process.cwd(), 'demo', name), 'utf8');
  return addToShelf(demoShelfFrom(read), null, 'demo');
}
