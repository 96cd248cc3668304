import { revisionInWords, type PageRevision } from './current-page';

/** Where it is asked what one press would take back, and what it would do again: the answer is of that revision. */
export const undoAddress = (briefId: string, revision: PageRevision): string =>
  `/briefs/${briefId}/undo?of=${revisionInWords(revision)}`;
