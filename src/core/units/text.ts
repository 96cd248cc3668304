/**
 * True for text that can be kept and shown: well-formed Unicode without control characters, but for the tabulator and the ends of lines.
 * A lone surrogate or a NUL is refused by databases and files alike.
 */
export const isPlainText = (text: string): boolean =>
  !/[\p{Surrogate}\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]/u.test(text);

/** Text without an end of a line or a tabulator in it: each run of them is one space. */
export const inOneLine = (text: string): string => text.replace(/\s*[\t\r\n\v\f\u0085\u2028\u2029]+\s*/g, ' ');

/**
 * A cell that a spreadsheet would take for a formula, made text by an apostrophe before it: signs that begin one, in full width too, as
 * spreadsheets of East Asia take them.
 */
export const asCell = (text: string): string => (BEGINS_FORMULA.test(text) ? `'${text}` : text);
/** The text of a cell that was kept from being a formula. */
export const fromCell = (cell: string): string =>
  cell.startsWith("'") && BEGINS_FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;
const BEGINS_FORMULA = /^[\s]*[=+\-@＝＋－＠]|^[\t\r]/;

/** Text in small letters without accents: as words are compared that people write as they please. */
export const withoutAccents = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/ß/g, 'ss');

/** Its words so, without signs. */
export const plainWords = (text: string): string[] =>
  withoutAccents(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
