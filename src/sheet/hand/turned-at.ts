/** Where a card opens the view: as the machine looks when its step begins, or when it ends. */
export interface TurnedAt {
  step: string;
  isOver: boolean;
}
