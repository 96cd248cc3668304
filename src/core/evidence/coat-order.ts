/** What lies on a zone bottom up, as it is said: "TCS 7 > chipping fluid > TCS 12 > scratched through". */

export interface CoatOrder {
  /** Codes as they were typed, bottom up; null for chipping fluid. */
  coats: (string | null)[];
  /** The last of them is scratched through to what lies under it. */
  scratched: boolean;
}

const BETWEEN = '>';
const FLUID = /^(chipping )?fluid$/i;
const SCRATCHED = /^(scratched|chipped|worn)( through)?$/i;

/** Whether it is an order of coats at all; everything else stands as words. */
export const isCoatOrder = (text: string): boolean => text.includes(BETWEEN);

/** Reads an order of coats, or says what is wrong with it. */
export function readCoatOrder(text: string): CoatOrder | { fault: string } {
  const said = text.split(BETWEEN).map((part) => part.trim());
  if (said.includes('')) return { fault: `"${text.trim()}": between two ${BETWEEN} there is nothing` };
  const scratched = SCRATCHED.test(said.at(-1)!);
  const parts = scratched ? said.slice(0, -1) : said;
  if (parts.some((part) => SCRATCHED.test(part)))
    return { fault: 'only the last coat is scratched through: say it at the end' };
  const coats = parts.map((part) => (FLUID.test(part) ? null : part));
  if (coats[0] === null) return { fault: 'chipping fluid lies on a colour: say that first' };
  if (coats.some((coat, i) => coat === null && coats[i + 1] === null && i + 1 < coats.length))
    return { fault: 'chipping fluid is laid once under a colour' };
  return { coats, scratched };
}

/** The order of coats that a kept value is; null for words. */
export function coatOrderOf(value: string): CoatOrder | null {
  const order = isCoatOrder(value) ? readCoatOrder(value) : null;
  return order && !('fault' in order) ? order : null;
}

/** As `readCoatOrder` reads it back, with the codes as `codeOf` writes them. */
export const printCoatOrder = (
  { coats, scratched }: CoatOrder,
  codeOf: (code: string) => string = (code) => code,
): string =>
  [
    ...coats.map((coat) => (coat === null ? 'chipping fluid' : codeOf(coat))),
    ...(scratched ? ['scratched through'] : []),
  ].join(` ${BETWEEN} `);

/** What lies under a colour by an order of coats, whether or not the order ends with that colour. */
export const underColour = (
  { coats }: CoatOrder,
  colour: string | null,
  codeOf: (code: string) => string,
): (string | null)[] => {
  const codes = coats.map((coat) => (coat === null ? null : codeOf(coat)));
  const last = codes.at(-1) ?? null;
  return last !== null && (colour === null || last === colour) ? codes.slice(0, -1) : codes;
};
