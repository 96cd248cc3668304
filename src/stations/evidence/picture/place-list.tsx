import type { ReactNode } from 'react';
import { project } from '@/core/outline/drawing';
import type { NamedPlace } from '@/core/outline/named-places';
import type { Outline } from '@/core/outline/outline';
import type { Over } from '@/core/skin/camera/machine-over';
import type { Laying } from './use-laying';
import './place-list.css';

/** The places of the machine that a picture may show: which is asked for, which are set, and which do not fit. */
export function PlaceList({
  outline,
  places,
  laying,
  over,
}: {
  outline: Outline;
  places: readonly NamedPlace[];
  laying: Laying;
  over: Over | null;
}): ReactNode {
  const { asked } = laying;
  const offOf = new Map(over?.laid?.places.map((place) => [place.id, place]));
  return (
    <div className="place-list">
      <div className="place-asked" role="status">
        {asked ? (
          <>
            <strong>{laying.titleOf(asked)}</strong>
            <span className="dim">
              {laying.isSet(asked) ? 'Drag it, or click where it is.' : 'Click where the picture shows it.'}
            </span>
          </>
        ) : (
          <strong>Every place was asked for</strong>
        )}
        <button type="button" disabled={!asked || laying.isSet(asked)} onClick={laying.skip}>
          Not seen here
        </button>
      </div>
      <div className="place-views">
        {(['port', 'upper'] as const).map((view) => (
          <PlacesIn key={view} view={view} outline={outline} places={places} laying={laying} />
        ))}
      </div>
      <ul aria-label="Places of the machine">
        {places.map(({ id, title }) => {
          const off = offOf.get(id);
          return (
            <li key={id}>
              <button
                type="button"
                aria-pressed={asked === id}
                className={laying.isSet(id) ? 'set' : ''}
                onClick={() => laying.choose(id)}
              >
                {title}
                {off ? (
                  <span className={off.isOutlier ? 'danger' : 'dim'}>
                    {off.isOutlier ? '✕ ' : ''}
                    {off.offPx < 9.95 ? off.offPx.toFixed(1) : Math.round(off.offPx)} px
                  </span>
                ) : null}
              </button>
              {laying.isSet(id) ? (
                <button
                  type="button"
                  className="place-away"
                  aria-label={`Take ${title} away`}
                  onClick={() => laying.remove(id)}
                >
                  ✕
                </button>
              ) : null}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** A small drawing with every place in it: the one that is asked for is large. */
function PlacesIn({
  view,
  outline,
  places,
  laying,
}: {
  view: 'port' | 'upper';
  outline: Outline;
  places: readonly NamedPlace[];
  laying: Laying;
}): ReactNode {
  const { left, right, top, bottom } = outline.extents[view];
  const { length } = outline.spec.dimensions;
  const pad = (right - left) * 0.04;
  const size = (right - left) / 100;
  return (
    <svg
      viewBox={`${left - pad} ${top - pad} ${right - left + 2 * pad} ${bottom - top + 2 * pad}`}
      role="img"
      aria-label={view === 'port' ? 'From the port side' : 'From above'}
    >
      {outline.drawings[view].shapes.map(({ points }, i) => (
        <path
          key={i}
          d={`M${points.map((point) => point.join(' ')).join('L')}Z`}
          className="place-shape"
          strokeWidth={size * 0.3}
        />
      ))}
      {places.map(({ id, at }) => {
        const [u, v] = project(view, length, ...at);
        const isAsked = laying.asked === id;
        return (
          <circle
            key={id}
            cx={u}
            cy={v}
            r={size * (isAsked ? 2.6 : 1.1)}
            strokeWidth={size * 0.5}
            className={isAsked ? 'place-dot asked' : laying.isSet(id) ? 'place-dot set' : 'place-dot'}
            onClick={() => laying.choose(id)}
          />
        );
      })}
    </svg>
  );
}
