import { escape } from 'html-escaper';
import { LIBERTIES_TITLE } from '@/core/workshop/liberties';
import type { RecordLine, RecordPaper } from './record-data';

/**
 * The record of a build as one self-contained page, piece by piece: no script, nothing fetched, pictures within. `views` is the drawing as
 * SVG, `whole` the machine as a whole, a PNG, or null where there is none, `pictureOf` gives a picture as the bytes of a JPEG, or null where it is gone.
 */
export async function* recordHtml(
  data: RecordPaper,
  views: string,
  whole: Uint8Array | null,
  pictureOf: (id: string) => Promise<Uint8Array | null>,
): AsyncGenerator<string> {
  yield `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<meta http-equiv="content-security-policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'">
<title>${escape(`Record: ${data.title}`)}</title>
<style>
body{font:16px/1.45 sans-serif;background:#f3f3f3;color:#1c1c1c;margin:0 auto;padding:24px;max-width:60em}
h1{margin:0}h2{border-bottom:2px solid #1c1c1c;margin:28px 0 8px}h3{margin:18px 0 4px;color:#505050}
.dim{color:#505050}.views svg{width:min(100%,24em);height:auto}.whole{width:min(100%,40em);height:auto}
.line{display:grid;grid-template-columns:3.5em 1fr auto;gap:12px;padding:6px 0;border-bottom:1px solid #d6d6d6}
.line img{max-width:320px;max-height:260px;display:block}.line p{margin:2px 0}
.mishap{border-left:4px solid #7a1414;padding-left:8px}
table{border-collapse:collapse;width:100%}td,th{text-align:left;vertical-align:top;padding:4px 10px 4px 0;border-bottom:1px solid #d6d6d6}
.swatch{width:34px;height:18px;border:1px solid #1c1c1c}
@media (max-width:600px){.line{grid-template-columns:3em 1fr}.line img{grid-column:2;max-width:100%}}
</style></head><body>
<h1>${escape(data.title)}</h1><p class="dim">${escape(data.subtitle)}</p>
${whole ? `<img class="whole" alt="The machine as it stands" src="data:image/png;base64,${Buffer.from(whole).toString('base64')}">\n` : ''}<div class="views">${views}</div>
<p><strong>${escape(data.summary)}</strong></p>
${coloursIn('Colours on the model', data.colours)}${coloursIn('Planned, and not laid yet', data.planned)}${libertiesIn(data.liberties)}<h2>Day by day</h2>
`;
  for (const { title, lines } of data.days) {
    yield `<h3>${escape(title)}</h3>\n`;
    for (const line of lines) yield lineIn(line, line.picture ? await pictureOf(line.picture) : null);
  }
  if (data.zones.length > 0)
    yield `<h2>How each zone was made, from the plastic up</h2><table>${data.zones
      .map(
        ({ title, layers }) =>
          `<tr><th>${escape(title)}</th><td>${layers.map((layer) => escape(layer)).join('; ')}</td></tr>`,
      )
      .join('\n')}</table>\n`;
  yield `<p class="dim">${escape(`Build Brief, ${data.printedOn}`)}</p></body></html>\n`;
}

const libertiesIn = (liberties: RecordPaper['liberties']): string =>
  liberties.length === 0
    ? ''
    : `<h2>${LIBERTIES_TITLE}</h2><table>${liberties
        .map(
          ({ question, value, says }) =>
            `<tr><th>${escape(question)}</th><td>${escape(value)}</td><td>${escape(says)}</td></tr>`,
        )
        .join('\n')}</table>\n`;

const coloursIn = (heading: string, colours: RecordPaper['colours']): string =>
  colours.length === 0
    ? ''
    : `<h2>${escape(heading)}</h2><table>${colours
        .map(
          ({ code, name, hex, paint, zones }) =>
            `<tr><td><div class="swatch" style="background:${hex && /^#[0-9a-f]{6}$/i.test(hex) ? hex : '#ffffff'}"></div></td><th>${escape(`${code} ${name}`)}</th><td>${escape(paint)}</td><td>${escape(zones)}</td></tr>`,
        )
        .join('\n')}</table>\n`;

function lineIn({ time, title, says, note, isMishap }: RecordLine, picture: Uint8Array | null): string {
  const shown = picture
    ? `<img alt="${escape(title)}" src="data:image/jpeg;base64,${Buffer.from(picture).toString('base64')}">`
    : '';
  return `<div class="line${isMishap ? ' mishap' : ''}"><span>${escape(time)}</span><div><strong>${escape(title)}</strong>${says ? `<p class="dim">${escape(says)}</p>` : ''}${note ? `<p>${escape(note)}</p>` : ''}</div>${shown}</div>\n`;
}
