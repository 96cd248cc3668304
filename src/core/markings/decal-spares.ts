import { deltaE00 } from '@/core/colour/difference';
import type { SheetItem } from './decal-sheet';
import { UNTOLD_MM } from './size';

/** What of the decals that are wanted can be had from the sheets that are owned. */

export interface OwnedSheet {
  id: string;
  title: string;
  denominator: number;
  items: readonly SheetItem[];
}

export interface Wanted {
  title: string;
  kind: SheetItem['kind'];
  letters: string;
  /** True height at scale, mm on the model. */
  heightMm: number;
  /** Pieces that are needed. */
  count: number;
}

export interface Replacement {
  how: 'spares of the same sheet' | 'spares of another sheet' | 'letters rearranged' | 'mask' | 'own decal';
  /** Where each piece comes from. */
  from: string[];
  /** Printed height against the one that is wanted, %; null where it is made to size. */
  offPercent: number | null;
  says: string;
}

/** Letters of other heights stand out beside each other from here on, %. */
const SAME_HEIGHT_PERCENT = 3;

const left = ({ count, spoiled }: SheetItem): number => Math.max(0, count - spoiled);
const off = (item: SheetItem, heightMm: number): number => (item.heightMm / heightMm - 1) * 100;
const near = (item: SheetItem, heightMm: number): boolean => Math.abs(off(item, heightMm)) <= SAME_HEIGHT_PERCENT;

/**
 * What can stand in for a marking whose decal is spoiled, missing or of the wrong size: spares of its own sheet, those of other sheets, its
 * letters one by one from wherever they stand in the same height, a mask, or printing it oneself. The nearest to what is in the drawer first.
 */
export function replacements(wanted: Wanted, sheets: readonly OwnedSheet[], own: string | null): Replacement[] {
  const { kind, letters, heightMm, count } = wanted;
  const whole = sheets.flatMap((sheet) =>
    sheet.items
      .filter(
        (item) =>
          item.kind === kind &&
          near(item, heightMm) &&
          left(item) >= count &&
          (letters === '' || item.letters === letters),
      )
      .map((item): Replacement => ({
        how: sheet.id === own ? 'spares of the same sheet' : 'spares of another sheet',
        from: [`${item.title} of “${sheet.title}”, ${left(item)} left`],
        offPercent: off(item, heightMm),
        says: `${item.heightMm.toFixed(2)} mm high${sheet.denominator ? `, printed for 1/${sheet.denominator}` : ''}`,
      })),
  );
  whole.sort(
    (a, b) =>
      Number(a.how !== 'spares of the same sheet') - Number(b.how !== 'spares of the same sheet') ||
      Math.abs(a.offPercent ?? 0) - Math.abs(b.offPercent ?? 0),
  );
  const spelled = letters.length > 1 || whole.length === 0 ? rearranged(wanted, sheets) : null;
  return [
    ...whole,
    ...(spelled ? [spelled] : []),
    {
      how: 'mask',
      from: [],
      offPercent: null,
      says: `cut at ${heightMm.toFixed(2)} mm and sprayed: the right size, and no film`,
    },
    {
      how: 'own decal',
      from: [],
      offPercent: null,
      says: `printed at ${heightMm.toFixed(2)} mm, ${count} and as many to spare`,
    },
  ];
}

/** A text put together of single letters in its height, each from the sheet that has most of it left. */
function rearranged({ letters, heightMm, count }: Wanted, sheets: readonly OwnedSheet[]): Replacement | null {
  const signs = [...letters.replaceAll(' ', '')];
  if (signs.length === 0) return null;
  const pool = sheets.flatMap((sheet) =>
    sheet.items
      .filter((item) => item.kind === 'lettering' && near(item, heightMm))
      .map((item) => ({
        sheet,
        item,
        signs: new Map(
          [...new Set(item.letters)].map((sign) => [
            sign,
            left(item) * [...item.letters].filter((s) => s === sign).length,
          ]),
        ),
      })),
  );
  const from = new Map<SheetItem, { sheet: string; signs: string[] }>();
  let worst = 0;
  for (let i = 0; i < count; i += 1)
    for (const sign of signs) {
      const best = pool
        .filter(({ signs: has }) => (has.get(sign) ?? 0) > 0)
        .sort(
          (a, b) =>
            Math.abs(off(a.item, heightMm)) - Math.abs(off(b.item, heightMm)) ||
            b.signs.get(sign)! - a.signs.get(sign)!,
        )[0];
      if (!best) return null;
      best.signs.set(sign, best.signs.get(sign)! - 1);
      const used = from.get(best.item) ?? { sheet: best.sheet.title, signs: [] };
      from.set(best.item, { ...used, signs: [...used.signs, sign] });
      if (Math.abs(off(best.item, heightMm)) > Math.abs(worst)) worst = off(best.item, heightMm);
    }
  return {
    how: 'letters rearranged',
    from: [...from].map(
      ([item, { sheet, signs: used }]) => `${used.join(' ')} of “${sheet}”, ${item.heightMm.toFixed(2)} mm high`,
    ),
    offPercent: worst,
    says: `letter by letter, on a pencil line${unlike([...from.keys()])}`,
  };
}

/** How far letters that stand beside each other differ in height; nothing where nobody would see it. */
function unlike(items: readonly SheetItem[]): string {
  const heights = items.map(({ heightMm }) => heightMm);
  const by = Math.max(...heights) - Math.min(...heights);
  return by < UNTOLD_MM ? '' : `; they differ by ${by.toFixed(2)} mm in height`;
}

/** The colour that a decal was printed in, against the colour that is called; `paint` is what touches it up. */
export function printedAgainst(
  printed: readonly [number, number, number],
  called: readonly [number, number, number],
): { dE00: number; says: string } {
  const dE00 = deltaE00([...printed], [...called]);
  return {
    dE00,
    says:
      dE00 < 2
        ? 'printed in the colour that is called'
        : dE00 < 5
          ? `printed a shade off (dE ${dE00.toFixed(1)}): touch it up along its edges, or leave it`
          : `printed in another colour (dE ${dE00.toFixed(1)}): paint it over, or mask it instead`,
  };
}
