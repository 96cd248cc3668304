'use client';

import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Remote } from 'comlink';
import type { MachineToSkin, SkinPiece } from '@/core/skin/machine';
import { VIEWS, type View } from '@/core/outline/zones';
import { useWorker } from '@/ui/use-worker';
import { keepAs } from '@/ui/keep-as';
import { fillOf, VIEW_TITLES, type SheetMode } from '../fill-of';
import type { SheetData } from '../sheet-data';
import type { Fill } from '../view-drawing';
import { Scene, type Taken } from './scene';
import type { Shown } from './shown';
import './in-hand.css';

type Api = { skinOf: (machine: MachineToSkin) => SkinPiece[] };

/** From where it is looked at, by one press each. */
const LOOKS: readonly (readonly [look: View | 'corner', title: string])[] = [
  ['corner', 'Three-quarter'],
  ...VIEWS.map((view) => [view, VIEW_TITLES[view]] as const),
];
/** What nobody has decided, and plastic. */
const OPEN = '#e9e9e9';
const GLASS = '#c9ced1';
/** What the sheet hatches is grey here. */
const GREYS = { leaning: '#b5b5b5', contested: '#cfcfcf', unseen: '#ededed' } as const;
const greyOf = (fill: Fill): string => ('paint' in fill ? fill.paint : GREYS[fill.hatch]);

/** The machine as it is ruled, to be turned in the hand: drag, pinch, wheel or arrows. */
export function InHand({
  data,
  mode,
  selected,
  onSelect,
  onClose,
}: {
  data: SheetData;
  mode: SheetMode;
  selected: string | null;
  onSelect: (zone: string | null) => void;
  onClose: () => void;
}): ReactNode {
  const { working, start } = useWorker<Api, SkinPiece[]>(
    () => new Worker(new URL('../../workers/skin.worker.ts', import.meta.url), { type: 'module' }),
  );
  const [fault, setFault] = useState('');
  const [look, setLook] = useState<{ at: View | 'corner'; turn: number }>({ at: 'corner', turn: 0 });
  const [under, setUnder] = useState<string | null>(null);
  const [pieces, setPieces] = useState<SkinPiece[] | null>(null);
  const machine = useMemo(
    () =>
      JSON.stringify({ spec: data.spec, denominator: data.denominator, fields: data.fields, markings: data.markings }),
    [data],
  );
  useEffect(() => {
    // What was seen stays until what comes after it is there.
    const made = start(async (api: Remote<Api>) => {
      const cut = await (api.skinOf(JSON.parse(machine) as MachineToSkin) as Promise<SkinPiece[]>);
      setPieces(cut);
      return cut;
    });
    made.catch(() => setFault('This outline cannot be drawn in space; the four views stand beside it.'));
    // Made anew for another machine alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [machine]);
  const zones = useMemo(() => new Map(data.zones.map((zone) => [zone.key, zone])), [data.zones]);
  const shown = useMemo(
    () =>
      (pieces ?? []).flatMap((piece): Shown[] => {
        const { zone, code, marking, glass, share } = piece;
        const told = mode === 'certainty' || mode === 'progress';
        if (told && marking) return [];
        const known = zones.get(zone);
        const own = told ? greyOf(fillOf(mode, known)) : ((code ? data.inks[code] : known?.colour) ?? OPEN);
        return [{ piece, colour: glass ? GLASS : own, opacity: glass ? 0.45 : told ? 1 : share }];
      }),
    [pieces, mode, zones, data.inks],
  );
  const [taken, setTaken] = useState<Taken | null>(null);
  const titleOf = useCallback((zone: string) => zones.get(zone)?.title ?? zone, [zones]);
  const named = under ?? selected;
  return (
    <section className="in-hand" aria-label="The machine in the hand">
      <div className="in-hand-bar">
        {LOOKS.map(([at, title]) => (
          <button key={at} type="button" onClick={() => setLook(({ turn }) => ({ at, turn: turn + 1 }))}>
            {title}
          </button>
        ))}
        <span className="spread" />
        {(
          [
            ['PNG', 'what is seen', 'png', () => taken!.picture()],
            ['glTF', 'as large as she was, in metres', 'glb', () => taken!.model(1)],
            [`glTF 1/${data.denominator}`, 'as large as the model', 'glb', () => taken!.model(1 / data.denominator)],
          ] as const
        ).map(([title, says, ending, take]) => (
          <button
            key={title}
            type="button"
            title={says}
            disabled={!taken || pieces === null}
            onClick={() => void take().then((blob) => blob && keepAs(blob, `machine.${ending}`))}
          >
            {title}
          </button>
        ))}
        <button type="button" onClick={onClose} title="Back to the station (v)">
          Put it down
        </button>
      </div>
      <Scene
        shown={shown}
        look={look}
        selected={selected}
        titleOf={titleOf}
        onReady={setTaken}
        onUnder={setUnder}
        onChoose={(zone) => onSelect(zone === selected ? null : zone)}
      />
      <p className="in-hand-says" role="status">
        {fault ||
          (pieces === null
            ? working
              ? 'Being cut from its outline…'
              : ''
            : named
              ? (zones.get(named)?.title ?? '')
              : 'Drag, pinch or use the arrows to turn it. What faces the light shows its colour as the swatch does.')}
      </p>
    </section>
  );
}
