/**
 * The one ordered list of the house. A room of core may use those before it, a layer those before it that it names; nothing points the
 * other way. ESLint's arrows are made from this list, and a test walks the imports by it.
 */
export const CORE_ROOMS = [
  'units',
  'geometry',
  'colour',
  'paint',
  'codes',
  'match',
  'kit',
  'outline',
  'scheme',
  'markings',
  'skin',
  'evidence',
  'work',
  'laid',
  'route',
  'weathering',
  'bench',
  'kept',
  'derive',
  'workshop',
  'interchange',
];

/** The layers in their order, each with those before it that it may use. */
export const LAYERS = {
  clock: [],
  core: [],
  wall: [],
  workers: ['core'],
  outbox: ['core'],
  data: ['clock', 'core', 'outbox', 'workers'],
  services: ['core', 'wall'],
  serve: ['clock', 'core', 'data', 'services', 'wall', 'workers'],
  ui: ['core', 'outbox'],
  sheet: ['core', 'workers', 'ui'],
  paper: ['core', 'ui', 'sheet', 'workers'],
  actions: ['clock', 'core', 'wall', 'data', 'services', 'outbox', 'workers', '@demo'],
  stations: ['core', 'workers', 'actions', 'sheet', 'ui', 'outbox'],
  app: ['clock', 'core', 'data', 'paper', 'actions', 'services', 'outbox', 'ui', 'sheet', 'stations'],
};

/** Libraries that core, being pure, never loads. */
export const NOT_IN_CORE = [
  'react',
  'react-dom',
  'react/*',
  'next',
  'next/*',
  'pg',
  '@mui/*',
  '@react-pdf/renderer',
  'sharp',
  'node:*',
];
