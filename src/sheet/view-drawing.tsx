import { Fragment, type ReactNode } from 'react';
import type { PlacedPicture } from '@/core/markings/placing';
import type { ShownView } from '@/core/markings/views';
import type { Extent } from '@/core/geometry/polygon';
import type { View } from '@/core/outline/zones';
import './sheet.css';

/** How a zone is filled: a plain colour, or one of the certainty hatches. */
export type Fill = { paint: string } | { hatch: 'leaning' | 'contested' | 'unseen' };

interface Props {
  view: View;
  drawn: ShownView;
  fillOf: (zone: string) => Fill;
  selected: string | null;
  onSelect?: (zone: string, further: boolean) => void;
  /** Zones that are chosen together. */
  several?: ReadonlySet<string>;
  /** Pixels per metre. */
  scale: number;
  inkOf: (code: string) => string;
  idPrefix: string;
  zoneTitle: (zone: string) => string;
}

const HATCH_PX = 5;

/** Width and height in px of one view at a scale, with a little room round it. */
export function viewBox({ left, right, top, bottom }: Extent, scale: number) {
  const pad = 4 / scale;
  return {
    x: left - pad,
    y: top - pad,
    width: (right - left + 2 * pad) * scale,
    height: (bottom - top + 2 * pad) * scale,
  };
}

/** One of the four views, in SVG, from the outline's real proportions. */
export function ViewDrawing({
  view,
  drawn,
  fillOf,
  selected,
  onSelect,
  several,
  scale,
  inkOf,
  idPrefix,
  zoneTitle,
}: Props): ReactNode {
  const box = viewBox(drawn.extent, scale);
  // Paths are in millimetres; how broad their lines are is said in pixels (sheet.css).
  const px = scale / 1000;
  const laid = `scale(${px}) translate(${-box.x * 1000} ${-box.y * 1000})`;
  const turned = `scale(${1 / px}) rotate(45)`;
  const id = (name: string) => `${idPrefix}-${view}-${name}`;
  const named = new Set<string>();
  return (
    <svg
      width={box.width}
      height={box.height}
      viewBox={`0 0 ${box.width.toFixed(1)} ${box.height.toFixed(1)}`}
      role="presentation"
      className="view-drawing"
    >
      <defs>
        <pattern
          id={id('leaning')}
          width={HATCH_PX * 1.6}
          height={HATCH_PX * 1.6}
          patternUnits="userSpaceOnUse"
          patternTransform={turned}
        >
          <rect width="9" height="9" fill="#f3f3f3" />
          <line x1="0" x2="0" y1="0" y2="9" stroke="#5a5a5a" strokeWidth="1.4" />
        </pattern>
        <pattern
          id={id('contested')}
          width={HATCH_PX}
          height={HATCH_PX}
          patternUnits="userSpaceOnUse"
          patternTransform={turned}
        >
          <rect width="9" height="9" fill="#f3f3f3" />
          <path d="M0 0V9M0 0H9" stroke="#3a3a3a" strokeWidth="1.5" />
        </pattern>
      </defs>
      <g transform={laid}>
        {drawn.shapes.map((shape, i) => {
          const over = drawn.fields.filter((field) => field.over === i);
          const fill = shape.glass ? ({ paint: '#fafafa' } as Fill) : fillOf(shape.zone);
          const first = !named.has(shape.zone);
          named.add(shape.zone);
          const chosen = selected === shape.zone || (several?.has(shape.zone) ?? false);
          const unseen = 'hatch' in fill && fill.hatch === 'unseen';
          return (
            <Fragment key={i}>
              <path
                d={shape.path}
                fill={'paint' in fill ? fill.paint : unseen ? '#f3f3f3' : `url(#${id(fill.hatch)})`}
                stroke="#1c1c1c"
                strokeWidth={chosen ? 2.6 : 0.9}
                strokeDasharray={unseen && !chosen ? '3 2' : undefined}
                strokeLinejoin="round"
                className={onSelect ? 'zone' : undefined}
                onClick={onSelect ? (event) => onSelect(shape.zone, event.shiftKey) : undefined}
                {...(onSelect && first
                  ? {
                      id: id(`zone-${shape.zone}`),
                      role: 'option',
                      'aria-selected': chosen,
                      'aria-label': zoneTitle(shape.zone),
                    }
                  : { 'aria-hidden': true })}
              >
                {onSelect ? <title>{zoneTitle(shape.zone)}</title> : null}
              </path>
              {over.map((piece, k) => (
                <path
                  key={`${piece.field} ${k}`}
                  d={piece.path}
                  fillRule="evenodd"
                  fill={inkOf(piece.code)}
                  pointerEvents="none"
                  aria-hidden="true"
                  {...(piece.softM > 0
                    ? { stroke: inkOf(piece.code), strokeOpacity: 0.45, strokeWidth: Math.max(1, piece.softM * scale) }
                    : {})}
                />
              ))}
            </Fragment>
          );
        })}
      </g>
      <g aria-hidden="true" pointerEvents="none" transform={laid}>
        {drawn.lines.map((item, i) => (
          <path key={i} d={item.path} fill="none" stroke="#1c1c1c" strokeWidth={item.weight === 'bold' ? 1.6 : 0.6} />
        ))}
        {drawn.artwork.map((art, i) => (
          <g key={i}>
            {art.fields.map((field, k) => (
              <path key={k} d={field.path} fillRule="evenodd" fill={inkOf(field.code)} />
            ))}
            {art.picture ? <Picture picture={art.picture} /> : null}
          </g>
        ))}
      </g>
    </svg>
  );
}

/** Artwork that is a picture, flat on its view. */
function Picture({
  picture: {
    id,
    middle: [u, v],
    width,
    height,
    turn,
    mirrored,
  },
}: {
  picture: PlacedPicture;
}): ReactNode {
  return (
    <image
      href={`/pictures/${id}`}
      x={(-width / 2) * 1000}
      y={(-height / 2) * 1000}
      width={width * 1000}
      height={height * 1000}
      preserveAspectRatio="none"
      transform={`translate(${u * 1000} ${v * 1000}) rotate(${turn}) scale(${mirrored ? -1 : 1} 1)`}
    />
  );
}
