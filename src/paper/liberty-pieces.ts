import { LIBERTIES_TITLE, type Liberty } from '@/core/workshop/liberties';
import { row, section, type Piece } from './flow';

const WIDTHS = [34, 22, 44];

/** What was taken whatever the sources say, on any paper; nothing where there is none. */
export const libertyPieces = (liberties: readonly Liberty[]): Piece[] =>
  liberties.length > 0
    ? [section(LIBERTIES_TITLE), ...liberties.map(({ question, value, says }) => row(WIDTHS, [question, value, says]))]
    : [];
