/** Where stores hang, and how each is reached with a drill before something closes. */
export const STORE_STATIONS = [
  'centre line',
  'port inner',
  'starboard inner',
  'port outer',
  'starboard outer',
  'port tip',
  'starboard tip',
] as const;
export type StoreStation = (typeof STORE_STATIONS)[number];

export interface StoreAt {
  station: StoreStation;
  /** "drop tank", "stretcher pannier" */
  carries: string;
}

/** What closes over the back of its holes. */
export const closesOver = (station: StoreStation): 'fuselage' | 'wings' =>
  station === 'centre line' ? 'fuselage' : 'wings';
