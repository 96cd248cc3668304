/** What a colour that nobody measured is drawn with, `#rrggbb`: a grey that claims nothing. */
export const UNMEASURED = '#9a9a9a';
