import type { Fields, Laying } from './records';

/** Records with nothing in them yet: what a form, an import or a builder starts from. */
export const BLANK_SOURCE: Fields<'source'> = {
  kind: 'photograph',
  title: '',
  citation: '',
  page: '',
  place: '',
  dateFrom: null,
  dateTo: null,
  afterEventId: null,
  beforeEventId: null,
  sides: [],
  zones: [],
  film: 'unknown',
  derivedFrom: [],
  grade: 1,
  gradeReason: '',
  pictureId: null,
  calibration: null,
  camera: null,
};

export const BLANK_SIGHTING: Omit<Fields<'sighting'>, 'questionId' | 'sourceId' | 'value'> = {
  sd: null,
  clarity: 'clear',
  sense: 'for',
  note: '',
  marks: null,
};

/** What a log entry may know beyond what was done and how long it took. */
export const BLANK_LOG_ENTRY: Omit<
  Fields<'log_entry'>,
  'stepKey' | 'title' | 'lane' | 'plannedMinutes' | 'actualMinutes' | 'startedAt' | 'endedAt'
> = {
  stepKind: '',
  what: null,
  share: null,
  replaces: false,
  note: '',
  paint: '',
  zones: [],
  code: '',
  chemistry: '',
  mixed: null,
  ml: null,
  coats: null,
  tempC: null,
  humidity: null,
  pictureId: null,
  who: '',
  sprayed: null,
  again: false,
};

/** A recipe of the base colour that nobody has made or sprayed yet. */
export const BLANK_RECIPE: Omit<Fields<'recipe'>, 'codeId' | 'parts' | 'predicted' | 'sd'> = {
  tone: 'base',
  observed: null,
  observedSd: null,
  ml: null,
  madeOn: null,
  note: '',
};

/** A colour over what the brief lays anyhow, in as many coats as are reckoned. */
export const BLANK_LAYING: Laying = { ground: '', coats: null, filter: null, way: '' };

/** A part as it comes out of the box. */
export const BLANK_PART: Omit<Fields<'part'>, 'number'> = {
  sprue: '',
  name: '',
  count: 1,
  instructionStep: '',
  zone: '',
  origin: 'kit',
  replacesIds: [],
  setTitle: '',
  onOption: null,
  condition: 'sound',
  codes: [],
  painted: 'assembly',
  orderedUntil: null,
  note: '',
};
