'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { PLAIN_LETTERS } from '@/core/markings/design';
import { lackingIn } from '@/core/markings/lettering';
import { FileButton } from '@/ui/file-button';
import type { MarkingsPage } from './page-data';
import { useRedesign } from './use-redesign';

const SHIPPED = [
  ['condensed', 'Condensed'],
  ['bold', 'Plain bold'],
] as const;

/** The face of letters: the house's block alphabet, a font that ships, or one of the builder's own, of which only the signs in use are kept. */
export function LetterFace({
  data,
  marking,
}: {
  data: MarkingsPage;
  marking: MarkingsPage['markings'][number];
}): ReactNode {
  const { redesign, busy } = useRedesign(data.briefId, marking);
  const letters = marking.design.letters ?? PLAIN_LETTERS;
  const lacking = letters.outline ? lackingIn(marking.text, letters.outline) : [];
  const take = async (bytes: ArrayBuffer) => {
    const { fontOf, nameOfFont, signsOf, FaceFault } = await import('@/core/markings/font-file');
    try {
      const font = fontOf(bytes);
      const face = nameOfFont(font).slice(0, 80);
      const outline = signsOf(font, marking.text);
      await redesign({ letters: { ...letters, face, outline } }, `Letters in ${face}`);
      return null;
    } catch (error) {
      if (error instanceof FaceFault) return error.message;
      throw error;
    }
  };
  return (
    <section aria-label="Face of the letters">
      <h3>Face</h3>
      <p>
        {letters.outline
          ? `${letters.face}: ${Object.keys(letters.outline).sort().join(' ')} are kept with this marking.`
          : 'The block alphabet, drawn with the stroke above.'}
      </p>
      {lacking.length > 0 ? (
        <p role="alert" className="danger">
          ✕ {lacking.join(' ')} {lacking.length === 1 ? 'is' : 'are'} not among them and left as a gap: take the font in
          again.
        </p>
      ) : null}
      <p className="pane-actions">
        {letters.outline ? (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() =>
              void redesign({ letters: { ...letters, face: 'block', outline: null } }, 'Letters in the block alphabet')
            }
          >
            Block alphabet
          </Button>
        ) : null}
        {SHIPPED.map(([name, title]) => (
          <Button
            key={name}
            variant="outlined"
            disabled={busy}
            onClick={() =>
              void fetch(`/faces/${name}`)
                .then((answer) => answer.arrayBuffer())
                .then(take)
            }
          >
            {title}
          </Button>
        ))}
        <FileButton
          label="A font of your own"
          accept=".ttf,.otf,.woff,font/ttf,font/otf,font/woff"
          onFile={async (file) => take(await file.arrayBuffer())}
        />
      </p>
    </section>
  );
}
