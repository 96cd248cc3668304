/**
 * True for text that can be kept and shown: well-formed Unicode without control characters, but for the tabulator and the ends of lines.
 * A lone surrogate or a NUL is refused by databases and files alike.
 */
export const isPlainText = (text: string): boolean =>
  !/[\p{Surrogate}\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]/u.test(text);
