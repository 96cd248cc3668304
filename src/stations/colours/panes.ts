import type { ColourCallRow, ColoursPage } from './page-data';

/** What one does with colours, in the order of the work. */
export const PANES = [
  { key: 'calls', title: 'Needed' },
  { key: 'mix', title: 'Mix' },
  { key: 'layers', title: 'Layers' },
  { key: 'together', title: 'All together' },
  { key: 'buy', title: 'Buy and measure out' },
  { key: 'drawer', title: 'Paints and drawer' },
  { key: 'standards', title: 'Standards' },
] as const;
export type PaneKey = (typeof PANES)[number]['key'];

/** Goes to a pane, and to a code in it, without asking the server again. */
export type GoTo = (pane: PaneKey, code?: string) => void;

/** What a call that is opened gets. */
export interface OpenedCall {
  data: ColoursPage;
  call: ColourCallRow;
  /** Opened to choose: what is to be taken has the focus. */
  handy: boolean;
  goTo: GoTo;
  onDone: () => void;
}

/** What every pane gets. */
export interface PaneProps {
  data: ColoursPage;
  code: string | null;
  goTo: GoTo;
}
