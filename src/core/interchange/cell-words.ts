import type { Chemistry } from '@/core/paint/chemistry';
import type { Finish, Opacity, PaintKind } from '@/core/paint/catalogue';
import type { SourceKind } from '@/core/evidence/weights';
import { plainHead } from './columns';

/** What people write in the cells of their tables for what the house knows by one word: plain words and words of the trade. */

type Words<T extends string> = readonly (readonly [means: T, words: readonly string[]])[];

export const CHEMISTRY_WORDS: Words<Chemistry> = [
  ['EW', ['enamel wash', 'wash enamel', 'white spirit wash', 'emaille wash', 'lavis email', 'lavado esmalte', 'ew']],
  ['ML', ['metallic lacquer', 'metal lacquer', 'metallic lack', 'laque metallisee', 'laca metalica', 'ml']],
  [
    'SA',
    [
      'alcohol acrylic',
      'alcohol thinned acrylic',
      'acrylic alcohol',
      'alkohol acryl',
      'acryl alkohol',
      'acrylique alcool',
      'acrilico alcohol',
      'acrylic solvent',
      'solvent acrylic',
      'hybrid acrylic',
      'sa',
    ],
  ],
  [
    'AL',
    [
      'acrylic lacquer',
      'lacquer',
      'laquer',
      'nitro',
      'cellulose',
      'lack',
      'acryllack',
      'nitrolack',
      'lackfarbe',
      'laque',
      'laque acrylique',
      'cellulosique',
      'laca',
      'laca acrilica',
      'nitrocelulosa',
      'lacquer based',
      'al',
    ],
  ],
  [
    'EN',
    [
      'enamel',
      'enamels',
      'email',
      'emaille',
      'emaillefarbe',
      'kunstharz',
      'kunstharzfarbe',
      'alkyd',
      'synthetic enamel',
      'glycero',
      'glycerophtalique',
      'peinture email',
      'esmalte',
      'esmalte sintetico',
      'en',
    ],
  ],
  [
    'OI',
    [
      'oil',
      'oils',
      'artist oil',
      'oil paint',
      'ol',
      'oel',
      'olfarbe',
      'oelfarbe',
      'huile',
      'peinture a l huile',
      'oleo',
      'aceite',
      'oi',
    ],
  ],
  [
    'WA',
    [
      'acrylic',
      'acrylics',
      'water',
      'water based',
      'waterbased',
      'water based acrylic',
      'aqueous',
      'vinyl',
      'acryl',
      'acrylfarbe',
      'wasserbasis',
      'wasserbasiert',
      'wasserverdunnbar',
      'wasserverduennbar',
      'acrylique',
      'a l eau',
      'base eau',
      'acrylique a l eau',
      'acrilico',
      'acrilica',
      'base agua',
      'al agua',
      'emulsion',
      'latex',
      'wa',
    ],
  ],
];

export const FINISH_WORDS: Words<Finish> = [
  [
    'satin',
    [
      'satin',
      'semi gloss',
      'semigloss',
      'semi matt',
      'semi matte',
      'eggshell',
      'silk',
      'seidenmatt',
      'seidenglanz',
      'seidenglanzend',
      'halbmatt',
      'halbglanz',
      'satine',
      'satinee',
      'semi brillant',
      'semi mat',
      'satinado',
      'semibrillante',
      'semimate',
      'sg',
    ],
  ],
  ['matt', ['matt', 'matte', 'mat', 'flat', 'dead flat', 'stumpf', 'mate', 'm', 'f']],
  [
    'gloss',
    ['gloss', 'glossy', 'high gloss', 'glanz', 'glanzend', 'glaenzend', 'hochglanz', 'brillant', 'brillante', 'g'],
  ],
];

export const KIND_WORDS: Words<PaintKind> = [
  ['metallic', ['metallic', 'metal', 'metall', 'metallisch', 'metallise', 'metallique', 'metalico', 'metalizado']],
  ['clear', ['clear', 'varnish', 'clear coat', 'clearcoat', 'klarlack', 'firnis', 'vernis', 'barniz']],
  ['wash', ['wash', 'washes', 'filter', 'lasur', 'lavis', 'jus', 'lavado']],
  ['pigment', ['pigment', 'pigments', 'powder', 'pigmente', 'puder', 'poudre', 'pigmentos', 'polvo']],
  [
    'solid',
    ['solid', 'paint', 'plain', 'colour', 'color', 'opaque', 'uni', 'farbe', 'deckfarbe', 'peinture', 'pintura'],
  ],
  ['primer', ['primer', 'grundierung', 'grundierer', 'appret', 'imprimacion', 'surfacer', 'undercoat']],
];

export const OPACITY_WORDS: Words<Opacity> = [
  [
    'semi',
    ['semi', 'semi opaque', 'semi transparent', 'halbdeckend', 'semi couvrant', 'semiopaco', 'medium', 'mittel'],
  ],
  ['weak', ['weak', 'poor', 'schwach', 'schlecht', 'faible', 'debil', 'baja']],
  [
    'opaque',
    ['opaque', 'good', 'full', 'deckend', 'gut', 'couvrant', 'couvrante', 'bonne', 'opaco', 'cubriente', 'alta'],
  ],
  ['transparent', ['transparent', 'clear', 'ink', 'glaze', 'lasierend', 'durchsichtig', 'transparente']],
];

export const SOURCE_WORDS: Words<SourceKind> = [
  [
    'photograph',
    ['photograph', 'photo', 'photos', 'picture', 'foto', 'fotografie', 'bild', 'photographie', 'fotografia', 'imagen'],
  ],
  [
    'official-drawing',
    ['official drawing', 'drawing', 'blueprint', 'zeichnung', 'werkszeichnung', 'plan', 'dessin officiel', 'plano'],
  ],
  ['manual', ['manual', 'handbook', 'handbuch', 'betriebsanleitung', 'manuel', 'notice']],
  ['moving-film', ['moving film', 'film', 'video', 'footage', 'film or video', 'pelicula']],
  ['museum-visit', ['museum visit', 'museum', 'musee', 'museo', 'preserved machine', 'walkaround']],
  ['letter', ['letter', 'brief', 'lettre', 'carta', 'diary', 'tagebuch']],
  ['book', ['book', 'buch', 'livre', 'libro', 'monograph', 'monographie']],
  ['magazine', ['magazine', 'journal', 'article', 'zeitschrift', 'heft', 'artikel', 'revue', 'revista']],
  ['memory', ['memory', 'recollection', 'erinnerung', 'souvenir', 'recuerdo', 'hearsay']],
  ['profile-drawing', ['profile drawing', 'profile', 'farbprofil', 'profil', 'perfil', 'artwork']],
  ['decal-sheet', ['decal sheet', 'decals', 'decal', 'abziehbilder', 'decalbogen', 'decalcomanies', 'calcas']],
  ['kit-sheet', ['kit sheet', 'instructions', 'kit instructions', 'bauanleitung', 'anleitung', 'instrucciones']],
  ['caption', ['caption', 'bildunterschrift', 'legende', 'pie de foto']],
  ['box-painting', ['box painting', 'box art', 'boxart', 'deckelbild', 'boite', 'caja']],
  ['another-model', ['another model', 'model of another', 'model', 'modell', 'maquette', 'maqueta']],
  ['other', ['other', 'anderes', 'sonstiges', 'autre', 'otro', 'website', 'web', 'internet', 'webseite', 'site']],
  ['client-wish', ['client wish', 'client s wish', 'wish', 'wunsch']],
];

/** What a cell means; null where it is none of the words. */
export function meant<T extends string>(words: Words<T>, cell: string): T | null {
  const text = plainHead(cell);
  return words.find(([, known]) => known.includes(text))?.[0] ?? null;
}

/** What a cell means; what stands where it is empty; or the word itself, for whoever checks it to refuse. */
export const wordOf = <T extends string>(words: Words<T>, cell: string, otherwise: T): string =>
  cell === '' ? otherwise : (meant(words, cell) ?? cell.toLowerCase());

const YES = new Set([
  'yes',
  'y',
  'x',
  'ja',
  'j',
  'oui',
  'o',
  'si',
  's',
  'true',
  'full',
  'voll',
  'neu',
  'new',
  'plein',
  'pleine',
  'lleno',
  'nuevo',
]);
const NO = new Set(['no', 'n', 'nein', 'non', 'false', 'empty', 'leer', 'vide', 'vacio', 'none', '']);
const HALF = new Set(['half', 'half full', 'halb', 'halb voll', 'halbvoll', 'demi', 'a moitie', 'mitad', 'medio']);

/** How much of a bottle a word says is left, 0 to 1; null where it is none of these words. */
export function shareLeft(cell: string): number | null {
  const text = plainHead(cell);
  if (HALF.has(text) || cell.trim() === '½') return 0.5;
  if (YES.has(text) || cell.trim() === '✓') return 1;
  return NO.has(text) ? 0 : null;
}

const CURRENCY_SIGNS: Record<string, string> = { '€': 'EUR', $: 'USD', '£': 'GBP', '¥': 'JPY', zł: 'PLN', Kč: 'CZK' };

/** A price as it is written: "4,50 €", "GBP 3.20", "$4"; null where there is no figure in it. The currency is '' where none stands there. */
export function priceWritten(cell: string): { figure: string; currency: string } | null {
  const found = /^\s*([^\d\s.,+-]*)\s*([+-]?[\d.,]+?)(?:,-|,–)?\s*([^\d\s.,]*)\s*$/.exec(cell);
  if (!found) return null;
  const sign = found[1] || found[3] || '';
  const currency = CURRENCY_SIGNS[sign] ?? (/^[A-Za-z]{3}$/.test(sign) ? sign.toUpperCase() : '');
  return { figure: found[2]!, currency };
}
