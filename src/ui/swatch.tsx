import type { ReactNode } from 'react';
import { labToHex } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import './swatch.css';

/**
 * Butted swatches on a mid-grey mount: target and candidate share an edge with nothing between them.
 * A colour that no screen shows wears a corner mark.
 */
export function ButtedSwatches({
  official,
  chosen,
  label,
  width = 150,
  tall = false,
}: {
  official: Lab | null;
  chosen: Lab | null;
  label: string;
  width?: number;
  tall?: boolean;
}): ReactNode {
  return (
    <span className={`swatch-mount${tall ? ' tall' : ''}`} role="img" aria-label={label} style={{ width }}>
      {[official, chosen].map((lab, i) => {
        const colour = lab ? labToHex(lab) : null;
        return (
          <span
            key={i}
            className={`swatch${colour ? '' : ' missing'}${colour && !colour.inSrgb ? ' clipped' : ''}`}
            style={colour ? { background: colour.hex } : undefined}
            title={colour && !colour.inSrgb ? 'this screen cannot show the colour' : undefined}
          />
        );
      })}
    </span>
  );
}

/** A small patch of paint beside its name. */
export function Chip({ hex }: { hex: string | null }): ReactNode {
  return <span className="chip" aria-hidden="true" style={{ background: hex ?? 'transparent' }} />;
}
