import { poolChips, type Chip, type PooledChips } from '@/core/colour/chips';
import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { alikeInWords, combinedSd } from '@/core/colour/words';
import type { Finish, Flop, MetalGround, PaintKind } from '@/core/paint/catalogue';
import { spelled } from './resolve';
import { readIn, type CodeBook, type CodeRelation, type ColourSystem } from './system';

/** A number of an official standard. */
export interface ColourCode {
  id: string;
  version: number;
  system: string;
  code: string;
  name: string;
  finish: Finish;
  kind: PaintKind;
  /** Of a metallic; '' where it is not known. */
  ground: MetalGround;
  flop: Flop;
}

/** A colour value that somebody has for a code. */
export interface CodeChip extends Chip {
  id: string;
  version: number;
  codeId: string;
  instrument: string;
  note: string;
  batch: string;
  leftOut: boolean;
}

/** A code of an official standard with what is known of its colour. */
export interface OfficialColour {
  record: ColourCode;
  /** Pooled over its chips; null while it has none. */
  lab: Lab | null;
  sd: number;
  pooled: PooledChips<CodeChip> | null;
  /** Batches whose chips were kept apart, each pooled by itself, with their distance from the standard. */
  batches: { batch: string; lab: Lab; sd: number; dE00: number | null }[];
  /** What was printed in it, where that is what paint is matched to; its colour is the print's then. */
  print?: { marking: string; sheet: string };
}

/** Every code with its chips pooled: those without a batch make the standard, each batch stands beside it. */
export function officialColours(codes: readonly ColourCode[], chips: readonly CodeChip[]): Map<string, OfficialColour> {
  const byCode = new Map<string, CodeChip[]>();
  for (const chip of chips) byCode.set(chip.codeId, [...(byCode.get(chip.codeId) ?? []), chip]);
  return new Map(
    codes.map((record) => {
      const own = (byCode.get(record.id) ?? []).filter((chip) => !chip.leftOut);
      const names = [...new Set(own.map((chip) => chip.batch))].sort();
      // Where every chip is of some batch, all of them together are the standard.
      const plain = own.filter((chip) => chip.batch === '');
      const pooled = poolChips(plain.length > 0 ? plain : own);
      const batches = names
        .filter((name) => name !== '')
        .map((batch) => {
          const { lab, sd } = poolChips(own.filter((chip) => chip.batch === batch))!;
          return { batch, lab, sd, dE00: pooled && plain.length > 0 ? deltaE00(pooled.lab, lab) : null };
        });
      return [record.code, { record, lab: pooled?.lab ?? null, sd: pooled?.sd ?? 0, pooled, batches }];
    }),
  );
}

/**
 * The systems that codes are read by: those that are kept, and for codes of others a plain number after the system's letters, with the most
 * digits that occur. A code that does not begin with its system's letters (one a builder made up) has no grammar: it is only ever written
 * as it is.
 */
export function systemsOf(
  codes: readonly Pick<ColourCode, 'system' | 'code'>[],
  kept: readonly ColourSystem[] = [],
): ColourSystem[] {
  const digits = new Map<string, number>();
  const named = new Set(kept.map(({ name }) => name));
  for (const { system, code } of codes) {
    if (named.has(system)) continue;
    const number = code.startsWith(`${system.toUpperCase()} `) ? code.slice(system.length + 1) : '';
    if (/^\d+$/.test(number)) digits.set(system, Math.max(digits.get(system) ?? 1, number.length));
  }
  return [
    ...kept,
    ...[...digits].map(([name, most]): ColourSystem => ({
      name,
      title: name,
      shape: 'digits',
      prefix: name.toUpperCase(),
      digits: most,
    })),
  ];
}

/** How the codes of a shelf are written and which there are. */
export function codeBook(shelf: {
  codes: readonly Pick<ColourCode, 'system' | 'code' | 'name'>[];
  systems: readonly ColourSystem[];
}): CodeBook {
  const named = new Map<string, string[]>();
  for (const { code, name } of shelf.codes) {
    const bearers = named.get(spelled(name));
    if (bearers) bearers.push(code);
    else if (name) named.set(spelled(name), [code]);
  }
  return {
    systems: systemsOf(shelf.codes, shelf.systems),
    known: new Set(shelf.codes.map(({ code }) => code)),
    named,
  };
}

/** How two codes are related, by their identities. */
export interface KeptRelation {
  codeId: string;
  otherId: string;
  kind: CodeRelation;
  fromDay: string | null;
  toDay: string | null;
  note: string;
}

/** A code that another stands for, as one looks from the first: by what, when, and how far off it really is. */
export interface RelatedCode {
  code: string;
  name: string;
  kind: CodeRelation | 'supersedes';
  fromDay: string | null;
  toDay: string | null;
  note: string;
  dE00: number | null;
  sd: number;
  /** "near, not equal" and the like. */
  says: string;
}

/** What replaces a code, what it replaces, and what is named as its equal, each with its real distance. */
export function relatedCodes(
  own: OfficialColour,
  relations: readonly KeptRelation[],
  codes: ReadonlyMap<string, OfficialColour>,
): RelatedCode[] {
  const byId = new Map([...codes.values()].map((colour) => [colour.record.id, colour]));
  return relations.flatMap((relation): RelatedCode[] => {
    const forward = relation.codeId === own.record.id;
    if (!forward && relation.otherId !== own.record.id) return [];
    const other = byId.get(forward ? relation.otherId : relation.codeId);
    if (!other) return [];
    const dE00 = own.lab && other.lab ? deltaE00(own.lab, other.lab) : null;
    const sd = combinedSd(own.sd, other.sd);
    const { fromDay, toDay, note } = relation;
    return [
      {
        code: other.record.code,
        name: other.record.name,
        kind: relation.kind === 'superseded' && !forward ? 'supersedes' : relation.kind,
        fromDay,
        toDay,
        note,
        dE00,
        sd,
        says: dE00 === null ? 'no colour to compare' : (alikeInWords(dE00, sd) ?? 'near, not equal'),
      },
    ];
  });
}

/** The finish that a code's grammar states; null where it states none. */
export function finishOfCode(systems: readonly ColourSystem[], code: string) {
  for (const system of systems) {
    const read = readIn(system, code);
    if (read?.code === code && read.finish) return read.finish;
  }
  return null;
}
