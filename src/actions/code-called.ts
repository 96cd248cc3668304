import { codeBook } from '@/core/codes/official';
import { ambiguity } from '@/core/codes/resolve';
import { canonicalIn } from '@/core/codes/system';
import type { Fields } from '@/core/kept/records';
import type { ActWriter } from '@/data/acts';
import { shelfOf } from './brief-of';
import { Refused } from './answer';

/** The identity of the code that is called so; one that nobody knows yet is made as it is said. Throws Refused where it may be several. */
export async function codeCalled(
  writer: ActWriter,
  said: Pick<Fields<'colour_code'>, 'code' | 'name' | 'finish' | 'kind'>,
): Promise<string> {
  const shelf = await shelfOf(writer);
  const book = codeBook(shelf);
  const asks = ambiguity(book, said.code);
  if (asks) throw new Refused('code', asks.says, asks.offers);
  const code = canonicalIn(book, said.code);
  const known = shelf.codes.find((record) => record.code === code);
  if (known) return known.id;
  const system =
    book.systems.find(({ prefix }) => code.startsWith(`${prefix} `))?.name ?? (code.replace(/[\s\d-]+$/, '') || 'own');
  const { name, finish, kind } = said;
  return (
    await writer.insert('colour_code', {
      system: system.slice(0, MOST_SYSTEM),
      code,
      name,
      finish,
      kind,
      ground: '',
      flop: '',
    })
  ).id;
}

/** Signs of a standard's name in short. */
const MOST_SYSTEM = 20;
