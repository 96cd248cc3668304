import { describe, expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.join(process.cwd(), 'src');
const files = readdirSync(ROOT, { recursive: true }) as string[];
const read = (file: string) => readFileSync(path.join(ROOT, file), 'utf8');

/** The classes that a style sheet dresses: the first of each of its selectors; what follows is a state or lies inside. */
const classesIn = (sheet: string) => [
  ...new Set([...read(sheet).matchAll(/^ *[^.\s@}]*\.(-?[a-z][\w-]*)/gim)].map(([, name]) => name!)),
];

/** The classes that a component gives to what it draws: the words of every string inside a `className`. */
function classesGiven(source: string): Set<string> {
  const given = [...source.matchAll(/className=(?:"([^"]*)"|\{((?:[^{}]|\{[^{}]*\})*)\})/g)];
  const words = given.flatMap(
    ([, plain, code]) => plain ?? [...code!.matchAll(/['"`]([^'"`]*)/g)].map(([, text]) => text!),
  );
  return new Set(words.flatMap((text) => text.split(/[^\w-]+/)));
}

/** The style sheets of the house that a file brings along. */
const sheetsOf = (file: string) =>
  [...read(file).matchAll(/^import '((?:@\/|\.)[^']+\.css)';$/gm)].map(([, from]) =>
    from!.startsWith('@/') ? from!.slice(2) : path.posix.join(path.posix.dirname(file), from!),
  );

describe('styles', () => {
  const everywhere = sheetsOf('app/layout.tsx');
  const sheets = files.filter(
    (file) => file.endsWith('.css') && !file.endsWith('.module.css') && !everywhere.includes(file),
  );

  test('of a component come with the component that wears them, or with the layout of every page', () => {
    const common = new Set(everywhere.flatMap(classesIn));
    const own = sheets.flatMap((sheet) =>
      classesIn(sheet).flatMap((name) => (common.has(name) ? [] : [{ sheet, name }])),
    );
    expect(own.length).toBeGreaterThan(50);
    const bare = files
      .filter((file) => file.endsWith('.tsx') && !file.endsWith('.test.tsx'))
      .flatMap((file) => {
        const given = classesGiven(read(file));
        const brought = sheetsOf(file);
        return own
          .filter(({ sheet, name }) => given.has(name) && !brought.includes(sheet))
          .map(({ sheet, name }) => `${file} wears ${name} of ${sheet}`);
      });
    expect(bare).toEqual([]);
  });

  test('of every page are tokens, reset and type: nothing in them is of one station', () => {
    expect(classesIn('app/globals.css').sort()).toEqual(['code', 'danger', 'dim', 'num', 'visually-hidden'].sort());
  });
});
