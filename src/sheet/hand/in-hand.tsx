'use client';

import { useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Remote } from 'comlink';
import type { MachineToSkin } from '@/core/skin/machine';
import type { SkinPiece } from '@/core/skin/piece';
import { CLOSED } from '@/core/skin/pose';
import { USUAL_LAMP, type Lamp } from '@/core/skin/seen-from';
import { VIEWS } from '@/core/outline/zones';
import { keepAs } from '@/ui/keep-as';
import { useWorker } from '@/ui/use-worker';
import type { SheetOverlay } from '../airframe-sheet';
import { VIEW_TITLES, type SheetMode } from '../fill-of';
import type { SheetData } from '../sheet-data';
import { LightPad } from './light-pad';
import type { Look } from './eye';
import type { Taken, Together } from './scene';
import { HandSide } from './hand-side';
import type { TurnedAt } from './turned-at';
import './in-hand.css';

type Api = { skinOf: (machine: MachineToSkin) => SkinPiece[] };

/** From where it is looked at, by one press each. */
const LOOKS: readonly (readonly [look: Look, title: string])[] = [
  ['corner', 'Three-quarter'],
  ...VIEWS.map((view) => [view, VIEW_TITLES[view]] as const),
];

interface Props {
  briefId: string;
  revision: string;
  data: SheetData;
  overlay: SheetOverlay | null;
  mode: SheetMode;
  at: TurnedAt | null;
  /** The server is out of reach. */
  isAway: boolean;
  selected: string | null;
  onSelect: (zone: string | null) => void;
  onClose: () => void;
}

/** The machine to be turned in the hand, as it is ruled or as it stands after any step, and two of them side by side. */
export function InHand(props: Props): ReactNode {
  const { briefId, revision, data, overlay, mode, at, isAway, selected, onSelect, onClose } = props;
  const { pieces, working, fault } = usePieces(data);
  const [look, setLook] = useState<{ at: Look; turn: number }>({ at: 'corner', turn: 0 });
  const [lamp, setLamp] = useState<Lamp>(USUAL_LAMP);
  const [under, setUnder] = useState<string | null>(null);
  const [comparing, setComparing] = useState(false);
  const [told, setTold] = useState(false);
  const [taken, setTaken] = useState<Taken | null>(null);
  const [together] = useState<Together>(() => new Set());
  const titles = useMemo(() => new Map(data.zones.map((zone) => [zone.key, zone.title])), [data.zones]);
  const named = under ?? selected;
  const side = {
    film: `/briefs/${briefId}/film?of=${revision}`,
    history: `/briefs/${briefId}/history?of=${revision}`,
    pieces: pieces ?? NONE,
    data,
    overlay,
    mode,
    isAway,
    look,
    lamp,
    together,
    selected,
    isTold: told,
    titles,
    onUnder: setUnder,
    onSelect,
  };
  return (
    <section className="in-hand" aria-label="The machine in the hand">
      <div className="in-hand-bar">
        {LOOKS.map(([to, title]) => (
          <button key={to} type="button" onClick={() => setLook(({ turn }) => ({ at: to, turn: turn + 1 }))}>
            {title}
          </button>
        ))}
        <button type="button" aria-pressed={comparing} onClick={() => setComparing(!comparing)}>
          Compare
        </button>
        <button type="button" aria-pressed={told} onClick={() => setTold(!told)}>
          In words
        </button>
        <LightPad lamp={lamp} onLamp={setLamp} />
        <span className="spread" />
        <TakeOut taken={pieces === null ? null : taken} denominator={data.denominator} />
        <button type="button" onClick={onClose} title="Back to the station (v)">
          Put it down
        </button>
      </div>
      <div className="in-hand-sides">
        <HandSide key={at ? `${at.step} ${at.isOver}` : ''} {...side} at={at} onReady={setTaken} />
        {/* Another day that is laid over the sheet is compared with what is ruled. */}
        {comparing ? <HandSide {...side} overlay={null} at={null} title="Beside it" /> : null}
      </div>
      <p className="in-hand-says" role="status">
        {fault ||
          (pieces === null
            ? working
              ? 'Being cut from its outline…'
              : ''
            : named
              ? (titles.get(named) ?? '')
              : 'Drag, pinch or use the arrows to turn it. A patch that faces the light shows its colour as the swatch does.')}
      </p>
    </section>
  );
}

const NONE: readonly SkinPiece[] = [];

/** What of the sheet's data the machine is cut from. */
const machineIn = ({
  spec,
  denominator,
  fields,
  markings,
  pose = CLOSED,
  subjects = [],
  softZones = [],
}: SheetData): MachineToSkin => ({ spec, denominator, fields, markings, pose, subjects, softZones });

/** What was cut last: taken into the hand again, it is there at once. */
let kept: { of: string; pieces: SkinPiece[] } | null = null;

/** The machine cut into pieces of one zone and colour each, in a worker; what was seen stays until what comes after it is there. */
function usePieces(data: SheetData): { pieces: SkinPiece[] | null; working: boolean; fault: string } {
  const { working, start, stop } = useWorker<Api, SkinPiece[]>(
    () => new Worker(new URL('../../workers/skin.worker.ts', import.meta.url), { type: 'module' }),
  );
  const [fault, setFault] = useState('');
  const machine = useMemo(() => JSON.stringify(machineIn(data)), [data]);
  const [pieces, setPieces] = useState(kept?.of === machine ? kept.pieces : null);
  useEffect(() => {
    // What was begun for another is not wanted any more.
    if (kept?.of === machine) return stop();
    const made = start(async (api: Remote<Api>) => {
      const cut = await (api.skinOf(JSON.parse(machine) as MachineToSkin) as Promise<SkinPiece[]>);
      kept = { of: machine, pieces: cut };
      setPieces(cut);
      setFault('');
      return cut;
    });
    made.catch(() => setFault('This outline cannot be drawn in space; the four views stand beside it.'));
    // Made anew for another machine alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [machine]);
  return { pieces, working, fault };
}

/** What can be taken out of the view. */
function TakeOut({ taken, denominator }: { taken: Taken | null; denominator: number }): ReactNode {
  const [busy, setBusy] = useState(false);
  const outs = [
    ['Picture, at twice its size (PNG)', 'png', () => taken!.picture()],
    ['All round in 36 pictures (zip)', 'zip', () => taken!.turntable()],
    ['As large as she was, in metres (glTF)', 'glb', () => taken!.model(1)],
    [`As large as the model, 1/${denominator} (glTF)`, 'glb', () => taken!.model(1 / denominator)],
  ] as const;
  return (
    <details className="take-out">
      <summary>{busy ? 'Being made…' : 'Take it out'}</summary>
      <ul>
        {outs.map(([title, ending, take]) => (
          <li key={title}>
            <button
              type="button"
              disabled={!taken || busy}
              onClick={() => {
                setBusy(true);
                void take()
                  .then((blob) => blob && keepAs(blob, `machine.${ending}`))
                  .finally(() => setBusy(false));
              }}
            >
              {title}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
