import { codeBook } from '@/core/codes/official';
import { ambiguity } from '@/core/codes/resolve';
import { canonicalIn } from '@/core/codes/system';
import type { Fields } from '@/core/kept/records';
import type { ColourShelf } from '@/core/kept/state';
import type { ActWriter } from '@/data/acts';
import { Refused } from './answer';

/**
 * The identities of codes by what they are called, in their order; one that nobody knows yet is made as it is said. `shelf` is what stands there
 * before. Throws Refused where one may be several.
 */
export async function codesCalled(
  writer: ActWriter,
  shelf: ColourShelf,
  said: readonly Pick<Fields<'colour_code'>, 'code' | 'name' | 'finish' | 'kind'>[],
): Promise<string[]> {
  const codes = [...shelf.codes];
  const ids: string[] = [];
  for (const { code: called, name, finish, kind } of said) {
    const book = codeBook({ codes, systems: shelf.systems });
    const asks = ambiguity(book, called);
    if (asks) throw new Refused('code', asks.says, asks.offers);
    const code = canonicalIn(book, called);
    const known = codes.find((record) => record.code === code);
    if (known) {
      ids.push(known.id);
      continue;
    }
    const system =
      book.systems.find(({ prefix }) => code.startsWith(`${prefix} `))?.name ??
      (code.replace(/[\s\d-]+$/, '') || 'own');
    const look = { name, finish, kind, ground: '', flop: '' } as const;
    const made = await writer.insert('colour_code', { system: system.slice(0, MOST_SYSTEM), code, ...look });
    codes.push(made);
    ids.push(made.id);
  }
  return ids;
}

/** Signs of a standard's name in short. */
const MOST_SYSTEM = 20;
