import { expect, test } from '@jest/globals';
import { asCell, fromCell, inOneLine, isPlainText } from './text';

test('text of one line has no end of a line in it, whichever sign ends one', () => {
  expect(inOneLine('a \r\n b\tc\u2028d\u0085e')).toBe('a b c d e');
  expect(inOneLine('plain')).toBe('plain');
});
test('text has no control signs and no half of a sign', () => {
  expect(['a\u0000', 'a\u001b[2J', '\ud800'].map(isPlainText)).toEqual([false, false, false]);
  expect(isPlainText('Grüße\n日本')).toBe(true);
});
test.each(['=1+1', '+1', '-1', '@SUM(A1)', '＝1+1', '＋1', '－1', '＠x', ' =1', '\t=1'])(
  'a cell that begins %j is no formula to a spreadsheet, and is read again as it was',
  (text) => {
    expect(asCell(text)).toBe(`'${text}`);
    expect(fromCell(asCell(text))).toBe(text);
  },
);
test.each(["'quoted", 'a=b', '', 'TCS 12'])('a cell %j stays as it is', (text) => {
  expect(asCell(text)).toBe(text);
  expect(fromCell(text)).toBe(text);
});
