import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';

interface Suite {
  file: string;
  specs: { title: string; file: string; line: number }[];
  suites?: Suite[];
}

const stories = (suite: Suite): Suite['specs'] => [...suite.specs, ...(suite.suites ?? []).flatMap(stories)];
const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/**
 * Every story of a list (`playwright test --list --reporter=json`) as a project of its own, in an order that the seed decides: each is run
 * alone, by a worker and a browser of its own, and none comes where it stood.
 */
export function eachAloneInRandomOrder(listFile: string, seed: string) {
  const { suites } = JSON.parse(readFileSync(listFile, 'utf8')) as { suites: Suite[] };
  const rank = (name: string) => createHash('sha1').update(`${seed} ${name}`).digest('hex');
  return suites
    .flatMap(stories)
    .map(({ title, file }) => ({
      name: `${file}: ${title}`,
      testMatch: `**/${file}`,
      grep: new RegExp(` ${escaped(title)}$`),
    }))
    .sort((a, b) => (rank(a.name) < rank(b.name) ? -1 : 1));
}
