import { useState } from 'react';
import type { Point } from '@/core/geometry/polygon';
import type { NamedPlace } from '@/core/outline/named-places';
import { NOTHING_LAID, type KeptCamera } from '@/core/skin/camera/kept-camera';
import type { SourceRow } from '@/stations/evidence/page-data';

export type Laying = ReturnType<typeof useLaying>;

/** Which places were found where, as it is being changed; `size` is that of the picture, once it is there. */
export function useLaying(
  source: SourceRow,
  places: readonly NamedPlace[],
  size: { width: number; height: number } | null,
) {
  const kept = source.camera;
  const [own, setOwn] = useState<KeptCamera | null>(null);
  const [before, setBefore] = useState<readonly (KeptCamera | null)[]>([]);
  const [named, setNamed] = useState<string | null>(null);
  const [skipped, setSkipped] = useState<ReadonlySet<string>>(new Set());
  const begun: KeptCamera | null = size && { ...size, ...NOTHING_LAID };
  const draft = own ?? kept ?? begun;
  const points = draft?.points ?? [];
  const isSet = (id: string) => points.some(({ place }) => place === id);
  // The one that is asked for: the one that was named, else the first that nobody found.
  const asked =
    named ??
    places.find(({ id, isGear }) => !isSet(id) && !skipped.has(id) && !(isGear && draft?.isFlying))?.id ??
    null;
  const change = (next: KeptCamera, isSame = false) => {
    // A place that is being pulled is one change.
    if (!isSame) setBefore([...before.slice(-99), own]);
    setOwn(next);
  };
  const set = (id: string, at: Point, isSame = false) => {
    const spot = places.find((place) => place.id === id);
    if (!draft || !spot) return;
    const point = {
      place: id,
      at: [at[0], at[1]] as [number, number],
      xyz: spot.at.map((value) => value * 1000) as [number, number, number],
    };
    const next = isSet(id) ? points.map((one) => (one.place === id ? point : one)) : [...points, point];
    change({ ...draft, points: next }, isSame);
  };
  const [pulled, setPulled] = useState<string | null>(null);
  const index = points.findIndex(({ place }) => place === asked);
  return {
    draft,
    asked,
    named,
    isSet,
    isChanged: own !== null && (kept === null || saidBy(own) !== saidBy(kept)),
    canTakeBack: before.length > 0,
    takeBack: () => {
      setOwn(before.at(-1) ?? null);
      setBefore(before.slice(0, -1));
      setPulled(null);
    },
    choose: (id: string | null) => {
      setNamed(id);
      setPulled(null);
    },
    skip: () => {
      if (!asked) return;
      setSkipped(new Set([...skipped, asked]));
      setNamed(null);
    },
    remove: (id: string) => {
      if (draft) change({ ...draft, points: points.filter(({ place }) => place !== id) });
      setSkipped(new Set([...skipped, id]));
      setNamed(null);
    },
    adjust: (part: Partial<KeptCamera>) => draft && change({ ...draft, ...part }),
    titleOf: (id: string) => places.find((place) => place.id === id)?.title ?? id,
    marks: {
      points: points.map(({ at }) => at as Point),
      selected: index >= 0 ? index : null,
      onSelect: (i: number | null) => {
        setNamed(i === null ? null : points[i]!.place);
        setPulled(null);
      },
      onMove: (i: number, to: Point) => {
        const { place } = points[i]!;
        set(place, to, pulled === place);
        setPulled(place);
      },
      onPut: asked
        ? (at: Point) => {
            set(asked, at);
            // The next one is asked for.
            setNamed(null);
            setPulled(null);
          }
        : undefined,
      onRemoveLast: () => {
        const last = named && isSet(named) ? named : points.at(-1)?.place;
        if (draft && last) change({ ...draft, points: points.filter(({ place }) => place !== last) });
      },
    },
  };
}

/** What a kept one says, in one order: a database keeps its parts in another. */
const saidBy = ({ points, focalPx, free, isMirrored, isFlying }: KeptCamera): string =>
  JSON.stringify([points.map(({ place, at, xyz }) => [place, at, xyz]), focalPx, free, isMirrored, isFlying]);
