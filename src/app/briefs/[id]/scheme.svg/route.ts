import { schemeSvg } from '@/core/interchange/scheme-svg';
import { sheetData } from '@/sheet/sheet-data';
import { fileName } from '../file-name';
import { svgFile } from '../svg-file';
import { briefView } from '../view';

/** All views with the scheme and the markings, at the scale of the model. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { view } = await briefView((await params).id);
  const { inks, zones, fields, markings, denominator } = sheetData(view);
  return svgFile(
    `${fileName(view.state.airframe)} scheme`,
    schemeSvg({
      outline: view.outline,
      denominator,
      fields,
      markings,
      inks,
      zoneColours: Object.fromEntries(zones.flatMap(({ key, colour }) => (colour ? [[key, colour]] : []))),
    }),
  );
}
