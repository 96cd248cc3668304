import { canonicalIn } from '@/core/codes/system';
import { hexOf } from '@/core/colour/spaces';
import type { BriefView } from '@/core/derive/derive';
import {
  canopySheet,
  fieldSheet,
  laidOut,
  markingSheet,
  placingNotes,
  stencilSheet,
  type ColourFacts,
  type CutSheet,
  type Sheet,
} from '@/core/markings/cut-sheet';
import { bandSheet, stripeSheet } from '@/core/markings/band-sheet';
import { groundsUnder } from '@/core/markings/grounds';
import type { Kept } from '@/core/kept/records';
import { isOnPrintedWhite, PRINT_TITLES, printSheet, type PrintAs, type ToPrint } from '@/core/markings/print-sheet';
import type { PaintedField } from '@/core/scheme/cells';
import { schemeBases } from './colour-orders';
import { goesRound, isPrintedAtHome } from '@/core/markings/kinds';
import { rivetingOf, rivetSheet } from '@/core/markings/riveting';
import { schemeOn } from '@/core/markings/placing';
import { isStencilled } from '@/core/scheme/stencil';
import { coatsOfMarkingIn } from './marking-minutes';

/** A sheet that can be had of a brief, by the name that its file goes by. */
export interface SheetOffer {
  key: string;
  title: string;
  /** In colour, for a printer: in dots as well. */
  isPrinted?: boolean;
}

type Which = (marking: Kept<'marking'>) => boolean;
/** What goes on each sheet for a printer, by the name of the sheet. */
const PRINTS: Readonly<Record<string, { as: PrintAs; has: Which; where?: Which }>> = {
  print: { as: 'colours', has: isPrintedAtHome },
  // All of them, so that those with white lie where their colours do.
  'print-white': { as: 'white', has: isPrintedAtHome, where: ({ printing }) => isOnPrintedWhite(printing) },
  'print-faint': { as: 'faint', has: ({ method, kind }) => method === 'brush' && kind === 'artwork' },
};

/** What is printed at home, each with the colours that it lies on. */
function toPrint(view: BriefView, painted: readonly PaintedField[], has: Which): ToPrint[] {
  const { ruled } = schemeBases(view);
  return view.state.markings.filter(has).map((marking) => ({
    marking,
    printing: marking.printing,
    pictureId: marking.kind === 'artwork' ? marking.design.pictureId : null,
    grounds: groundsUnder(view.outline, marking, painted, (zone) => ruled[zone]),
  }));
}

/** All sheets that a brief has something for. */
export function sheetOffers({ state, outline }: Pick<BriefView, 'state' | 'outline'>): SheetOffer[] {
  return [
    ...state.markings.flatMap(({ id, title, kind, places }) =>
      kind === 'band'
        ? places.length > 0
          ? [{ key: `marking-${id}`, title: `${title}: strips` }]
          : []
        : [{ key: `marking-${id}`, title: `${title}: masks` }],
    ),
    ...state.fields.flatMap(({ id, title, shape }) =>
      shape.kind !== 'mottle'
        ? [{ key: `field-${id}`, title: `${title}: templates` }]
        : isStencilled(shape)
          ? [{ key: `field-${id}`, title: `${title}: stencil` }]
          : [],
    ),
    ...Object.entries(PRINTS).flatMap(([key, { as, has, where = has }]) =>
      state.markings.some((marking) => has(marking) && where(marking))
        ? [{ key, title: PRINT_TITLES[as], isPrinted: true }]
        : [],
    ),
    ...(outline.regions.some(({ glass }) => glass) ? [{ key: 'canopy', title: 'Canopy: masks by frame' }] : []),
    ...(state.markings.some(({ places }) => places.length > 0)
      ? [{ key: 'placing', title: 'Where everything goes' }]
      : []),
  ];
}

/** The sheets of the names that are asked for, laid out in true mm; what has gone since is left out. */
export function cutSheets(view: BriefView, keys: readonly string[]): Sheet[] {
  const { state, outline, official, book } = view;
  const { denominator } = state.brief;
  const colours: ColourFacts = {
    labOf: (code) => official.get(code)?.lab ?? null,
    nameOf: (code) => official.get(code)?.record.name ?? '',
  };
  const painted = schemeOn(outline, state.fields, state.markings);
  const made = keys.flatMap((key): CutSheet[] => {
    if (key === 'canopy') return [canopySheet(outline, denominator) ?? []].flat();
    if (key === 'placing')
      return [{ title: 'Where everything goes', pieces: [], notes: placingNotes(state.markings, denominator) }];
    const print = PRINTS[key];
    if (print) {
      const inks = {
        nameOf: colours.nameOf,
        hexOf: (code: string) => {
          const lab = official.get(canonicalIn(book, code))?.lab;
          return lab ? hexOf(lab) : null;
        },
      };
      return [printSheet(toPrint(view, painted, print.has), denominator, inks, print.as)];
    }
    const riveting = rivetingOf(key);
    if (riveting) return [rivetSheet(riveting, denominator)];
    const [kind, id] = [key.slice(0, key.indexOf('-')), key.slice(key.indexOf('-') + 1)];
    if (kind === 'field') {
      const own = painted.find(({ field }) => field.id === id);
      if (!own) return [];
      const { title, shape } = own.field;
      return [isStencilled(shape) ? stencilSheet(title, shape, denominator) : fieldSheet(outline, own, denominator)];
    }
    const marking = kind === 'marking' ? state.markings.find((one) => one.id === id) : undefined;
    if (!marking) return [];
    if (marking.kind === 'band') {
      const strips = goesRound(marking)
        ? bandSheet(outline, marking, denominator)
        : stripeSheet(outline, marking, denominator, colours);
      return strips ? [strips] : [];
    }
    return [markingSheet(marking, denominator, colours, coatsOfMarkingIn(view, marking))];
  });
  return made.filter(({ pieces, notes }) => pieces.length + notes.length > 0).map(laidOut);
}
