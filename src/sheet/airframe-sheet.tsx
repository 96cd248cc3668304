'use client';

import { UNMEASURED } from '@/core/colour/unmeasured';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { ShownView, ShownViews } from '@/core/markings/views';
import { VIEWS, type View } from '@/core/outline/zones';
import { roundBarShown } from '@/core/units/length';
import type { ShownSheet, ZoneData } from './sheet-data';
import { fillOf, VIEW_TITLES, type SheetMode } from './fill-of';
import { Lasso } from './lasso';
import { ViewDrawing, viewBox, type Fill } from './view-drawing';
import { useMeasures } from '@/ui/shown-units';
import './sheet.css';

const GAP = 14;

/** What a station lays over the sheet for a while: another day's colours, say. */
export interface SheetOverlay {
  /** Colour of each zone; null = not known. */
  colours: ReadonlyMap<string, string | null>;
  /** Markings that are not there. */
  hidden: ReadonlySet<string>;
  caption: string;
}

interface Props {
  data: ShownSheet;
  overlay?: SheetOverlay | null;
  mode: SheetMode;
  selected: string | null;
  onSelect: (zone: string | null) => void;
  /** Zones that are chosen together: with shift, or with a line drawn round them. */
  several?: ReadonlySet<string>;
  /** Told how they become others: two quick presses count both, drawn between them or not. */
  onSeveral?: (become: (before: ReadonlySet<string>) => ReadonlySet<string>) => void;
  width?: number;
  compact?: boolean;
}

/** The drawing-office sheet: four views at one scale, a true scale bar, the title block, and every zone as a list. */
export function AirframeSheet({
  data,
  overlay = null,
  mode,
  selected,
  onSelect,
  several,
  onSeveral,
  width = 372,
  compact = false,
}: Props): ReactNode {
  const measures = useMeasures();
  const { shown } = measures;
  const list = useRef<HTMLUListElement>(null);
  // The chosen zone comes into sight in the list, and nothing else moves.
  useEffect(() => {
    list.current?.querySelector('[aria-pressed="true"]')?.scrollIntoView?.({ block: 'nearest', inline: 'nearest' });
  }, [selected]);
  const [alone, setAlone] = useState<View | null>(null);
  const zones = useMemo(() => new Map(data.zones.map((zone) => [zone.key, zone])), [data.zones]);
  const views = alone ? [alone] : VIEWS;
  const extent = (view: View) => data.views[view].extent;
  const wide = (view: View) => extent(view).right - extent(view).left;
  const scale = alone
    ? Math.min((width - 8) / wide(alone), 380 / (extent(alone).bottom - extent(alone).top))
    : (width - GAP - 16) / (Math.max(wide('port'), wide('upper')) + Math.max(wide('starboard'), wide('lower')));
  const titleOf = (key: string) => zones.get(key)?.title ?? key;
  const choose = (zone: string, further = false) => {
    if (!further || !onSeveral) return onSelect(zone === selected ? null : zone);
    if (selected) onSelect(null);
    return onSeveral((before) => {
      const next = new Set(before);
      // What was chosen alone is the first of several.
      if (next.size === 0 && selected && selected !== zone) next.add(selected);
      if (!next.delete(zone)) next.add(zone);
      return next;
    });
  };

  const step = (event: KeyboardEvent) => {
    const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    if (event.key === 'Escape') onSelect(null);
    if (by === undefined) return;
    event.preventDefault();
    const at = data.zones.findIndex((zone) => zone.key === selected);
    onSelect(data.zones[(at + by + data.zones.length) % data.zones.length]!.key);
  };

  const barMm = roundBarShown((((width * 0.45) / scale) * 1000) / data.denominator, measures.units);
  const barPx = ((barMm * data.denominator) / 1000) * scale;
  const showsColours = mode === 'colours' || mode === 'markings';
  // Another day's colours are those of whole zones.
  const drawnIn = (view: View): ShownView => {
    const all = data.views[view];
    if (overlay)
      return { ...all, fields: [], artwork: all.artwork.filter(({ marking }) => !overlay.hidden.has(marking)) };
    return showsColours ? all : { ...all, fields: [], artwork: [] };
  };
  const drawing = (view: View) => (
    <ViewDrawing
      view={view}
      drawn={drawnIn(view)}
      scale={scale}
      selected={selected}
      onSelect={choose}
      several={several}
      idPrefix="sheet"
      zoneTitle={titleOf}
      fillOf={(zone) => (overlay ? overlaid(overlay, zone) : fillOf(mode, zones.get(zone)))}
      inkOf={(code) => data.inks[code] ?? UNMEASURED}
    />
  );
  return (
    <section className="sheet" aria-label="Airframe sheet">
      <div className={`sheet-views${alone ? ' alone' : ''}`}>
        {views.map((view) => (
          <figure
            key={view}
            className={`view-${view}`}
            style={{ width: alone ? '100%' : viewBox(extent(view), scale).width }}
          >
            <figcaption>
              <button
                type="button"
                className="view-title"
                onClick={() => setAlone(alone ? null : view)}
                title={alone ? 'Back to all four views' : `Enlarge ${VIEW_TITLES[view].toLowerCase()}`}
              >
                {VIEW_TITLES[view]}
                {alone ? ' – all four' : ''}
              </button>
            </figcaption>
            <div
              role="listbox"
              aria-label={`Zones seen from ${VIEW_TITLES[view].toLowerCase()}, arrow keys choose`}
              tabIndex={0}
              onKeyDown={step}
              aria-activedescendant={drawnId(data.views, view, selected)}
              aria-multiselectable={onSeveral ? true : undefined}
            >
              {onSeveral ? (
                <Lasso
                  drawn={data.views[view]}
                  scale={scale}
                  onRound={(zones) => {
                    onSelect(null);
                    onSeveral((before) => new Set([...before, ...zones]));
                  }}
                >
                  {drawing(view)}
                </Lasso>
              ) : (
                drawing(view)
              )}
            </div>
          </figure>
        ))}
      </div>
      <div
        className="scale-bar"
        role="img"
        aria-label={shown(`Scale bar: ${barMm} mm on the model at 1/${data.denominator}`)}
      >
        <span style={{ width: barPx }} /> {shown(`${barMm} mm`)} at 1/{data.denominator}
      </div>
      {overlay ? <p className="legend">{overlay.caption}</p> : mode === 'certainty' ? <Legend /> : null}
      {compact ? null : (
        <ul className="zone-list" aria-label="Zones" ref={list}>
          {data.zones.map((zone) => (
            <li key={zone.key}>
              <button
                type="button"
                aria-pressed={selected === zone.key || (several?.has(zone.key) ?? false)}
                onClick={(event) => choose(zone.key, event.shiftKey)}
              >
                <ZoneMark mode={mode} zone={zone} /> {zone.title}
              </button>
            </li>
          ))}
        </ul>
      )}
      <dl className="title-block">
        {data.titleBlock.map(({ label, value }) => (
          <div key={label}>
            <dt>{label}</dt>
            <dd title={value}>{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

/** The element of a zone on a view, where that view shows it. */
function drawnId(views: ShownViews, view: View, zone: string | null): string | undefined {
  return views[view].shapes.some((shape) => shape.zone === zone) ? `sheet-${view}-zone-${zone}` : undefined;
}

function overlaid({ colours }: SheetOverlay, zone: string): Fill {
  const colour = colours.get(zone);
  return colour ? { paint: colour } : { hatch: 'unseen' };
}

function Legend(): ReactNode {
  return (
    <p className="legend">
      <CertaintyMark state="settled" /> settled <CertaintyMark state="leaning" /> leaning{' '}
      <CertaintyMark state="contested" /> contested <CertaintyMark state="unseen" /> unseen
    </p>
  );
}

/** State by hatch: solid, wide hatch, cross-hatch, dashed. */
export function CertaintyMark({ state }: { state: string }): ReactNode {
  return <span className={`certainty ${state}`} aria-hidden="true" />;
}

function ZoneMark({ mode, zone }: { mode: SheetMode; zone: ZoneData }): ReactNode {
  if (mode === 'certainty') return <CertaintyMark state={zone.certainty} />;
  if (mode === 'progress')
    return (
      <span className="progress-mark" aria-hidden="true">
        {zone.progress === null ? '' : zone.progress === 1 ? '●' : zone.progress > 0 ? '◐' : '○'}
      </span>
    );
  return <span className="chip" aria-hidden="true" style={{ background: zone.colour ?? 'transparent' }} />;
}
