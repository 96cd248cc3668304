/** What a change turned in a brief: what stood before it and does not stand so any more. */
export interface Turn {
  says: string;
  /** Where it is looked at again. */
  at: 'evidence' | 'colours' | 'markings' | 'route' | 'log';
  /** The question to look at again, where it is one. */
  questionId: string | null;
  /** Zones on which what lies there may be stripped first. */
  strip?: string[];
}
