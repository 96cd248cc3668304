import type { ColourShelf } from '@/core/kept/state';
import type { Paint } from '@/core/paint/catalogue';
import type { BriefFile } from './brief-file';

/** The shelf that a file brings along, for reckoning with it where there is no house: nothing in it is kept. */
export function shelfOfFile(file: BriefFile): ColourShelf {
  const kept = (id: string) => ({ id, version: 1 });
  return {
    systems: file.systems.map((system) => ({ ...system, ...kept(`system ${system.name}`) })),
    codes: file.codes.map(({ chips: _, ...code }) => ({ ...code, ...kept(`code ${code.code}`) })),
    chips: file.codes.flatMap(({ code, chips }) =>
      chips.map((chip, i) => ({ ...chip, codeId: `code ${code}`, ...kept(`chip ${code} ${i}`) })),
    ),
    relations: file.relations.map(({ code, other, ...relation }, i) => ({
      ...relation,
      codeId: `code ${code}`,
      otherId: `code ${other}`,
      ...kept(`relation ${i}`),
    })),
    paints: file.lines.flatMap(({ paints, name, chemistry, thinner, thinRatio, recoatMin, maskMin, cureMin }) =>
      paints.map(({ bottle, ...paint }): Paint => {
        const id = `${name} ${paint.number}`;
        return {
          ...paint,
          ...kept(id),
          lineId: name,
          lineVersion: 1,
          line: name,
          chemistry,
          thinner,
          thinRatio,
          dries: {
            ...(recoatMin === null ? {} : { recoat: recoatMin }),
            ...(maskMin === null ? {} : { mask: maskMin }),
            ...(cureMin === null ? {} : { cure: cureMin }),
          },
          bottles: bottle ? [{ ...bottle, ...kept(`bottle ${id}`) }] : [],
          ownedMl: bottle?.mlLeft ?? 0,
        };
      }),
    ),
    sets: [],
    tools: [],
    techniques: [],
    house: [],
    decalSheets: file.decalSheets.map((sheet) => ({ ...sheet, ...kept(sheet.title) })),
  };
}
