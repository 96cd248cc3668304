/** What a table or a file brought to the shelf. */
export interface Added {
  codes: number;
  /** Chips for codes that were known. */
  chips: number;
  paints: number;
  /** Paints that were there and are now as the table says. */
  changed: number;
}
