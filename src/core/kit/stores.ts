/** Where stores hang, and how each is reached before something closes: with a drill, or with what hangs on its racks. */
export const STORE_STATIONS = [
  'centre line',
  'port inner',
  'starboard inner',
  'port outer',
  'starboard outer',
  'port tip',
  'starboard tip',
  'bay',
] as const;
export type StoreStation = (typeof STORE_STATIONS)[number];

export interface StoreAt {
  station: StoreStation;
  /** "drop tank", "stretcher pannier" */
  carries: string;
}

/** On the machine's own middle: neither side has one of its own. */
const ON_CENTRE: ReadonlySet<StoreStation> = new Set(['centre line', 'bay']);

/** What closes over the back of its holes, or over its racks. */
export const closesOver = (station: StoreStation): 'fuselage' | 'wings' =>
  ON_CENTRE.has(station) ? 'fuselage' : 'wings';

/** Where stores hang in the open. */
export type OutsideStation = Exclude<StoreStation, 'bay'>;
/** It hangs on racks inside, which nobody reaches once the bay is closed over. */
export const hangsInside = (station: StoreStation): station is Exclude<StoreStation, OutsideStation> =>
  station === 'bay';

/** The same stations on either side, the port one first. */
const MIRRORED: readonly { place: string; sides: readonly [StoreStation, StoreStation] }[] = [
  { place: 'inner', sides: ['port inner', 'starboard inner'] },
  { place: 'outer', sides: ['port outer', 'starboard outer'] },
  { place: 'tip', sides: ['port tip', 'starboard tip'] },
];

/** What is one job: what hangs at one station, or the same at both sides of the machine. */
export interface StoreJob extends StoreAt {
  /** "the port inner station", or "each inner station" */
  where: string;
  count: 1 | 2;
}

/** The stores by jobs: what hangs alike on both sides is drilled, built and hung in one go. */
export function storeJobs(storesAt: readonly StoreAt[]): StoreJob[] {
  const carriesAt = new Map(storesAt.map(({ station, carries }) => [station, carries]));
  const pairs = MIRRORED.filter(({ sides: [port, starboard] }) => {
    const carries = carriesAt.get(port);
    return carries !== undefined && carries === carriesAt.get(starboard);
  });
  return storesAt.flatMap(({ station, carries }): StoreJob[] => {
    const pair = pairs.find(({ sides }) => sides.includes(station));
    if (!pair)
      return [{ station, carries, where: `the ${station}${ON_CENTRE.has(station) ? '' : ' station'}`, count: 1 }];
    const [port] = pair.sides;
    return station === port ? [{ station, carries, where: `each ${pair.place} station`, count: 2 }] : [];
  });
}
