import type { SheetMode } from '@/sheet/fill-of';

/** The stations, their keys, the question each answers, and what the sheet shows at each. */
export const STATIONS = [
  { key: '0', path: 'kit', title: 'Kit', asks: 'What is in the box, and what shall it become?', sheet: 'progress' },
  {
    key: '1',
    path: 'evidence',
    title: 'Evidence',
    asks: 'What did she carry, and how sure are we?',
    sheet: 'certainty',
  },
  {
    key: '2',
    path: 'colours',
    title: 'Colours',
    asks: 'Which colour is that, and what makes it from my drawer?',
    sheet: 'colours',
  },
  { key: '3', path: 'markings', title: 'Markings', asks: 'How big, where, and how is it made?', sheet: 'markings' },
  { key: '4', path: 'route', title: 'Route', asks: 'In what order, and by when?', sheet: 'progress' },
  { key: '5', path: 'bench', title: 'Bench', asks: 'What do I do now?', sheet: 'progress' },
  { key: '6', path: 'log', title: 'Log', asks: 'What did I do, and what has to be done again?', sheet: 'progress' },
  { key: '7', path: 'brief', title: 'Brief', asks: 'The whole thing on paper', sheet: 'markings' },
] as const satisfies readonly { key: string; path: string; title: string; asks: string; sheet: SheetMode }[];

/** What a paired device at the bench finds. */
export const isOfBench = (path: StationPath): boolean => path === 'bench' || path === 'log';

export type StationPath = (typeof STATIONS)[number]['path'];
export const stationOf = (path: StationPath) => STATIONS.find((station) => station.path === path)!;
