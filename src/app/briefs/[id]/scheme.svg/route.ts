import { fileName } from '../file-name';
import { schemeOf } from '../scheme-of';
import { svgFile } from '../svg-file';
import { briefView } from '../view';

/** All views with the scheme and the markings, at the scale of the model. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { view } = await briefView((await params).id);
  return svgFile(`${fileName(view.state.airframe)} scheme`, schemeOf(view));
}
