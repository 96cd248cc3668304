import type { Point } from '@/core/geometry/polygon';
import { planeOn, type PlaceableMarking } from '@/core/markings/placing';
import type { Pixels } from '@/core/markings/traced';
import type { Xyz } from '@/core/outline/body';
import { namedPlaces } from '@/core/outline/named-places';
import { buildOutline, type OutlineSpec } from '@/core/outline/outline';
import { times } from '@/core/outline/space';
import type { SchemeField } from '@/core/scheme/field';
import { runsOf } from '@/core/units/grouped';
import { remembering } from '@/core/units/remembered';
import { skinOf } from '../machine';
import { pictureOf } from '../picture';
import { GLASS_LOOK, UNDECIDED_COLOUR, type SkinPiece } from '../piece';
import { CLOSED } from '../pose';
import { bestViewpoints, placesOver, seenPoorly, type BestSeen, type Wanted, type WouldShow } from './best-seen';
import { NoCamera } from './find-camera';
import type { KeptCamera } from './kept-camera';
import { landerOn, seenAt, TURNING, type Lander } from './landing';
import { goneSince, isMirrorLikely, laidOver, movedSince, unmirrored, type LaidOver } from './laid-over';
import { nearestLine, type NearLine } from './nearest-line';
import { linesOf, linesSeen, type LinesOf } from './seen-lines';
import { inOwnPlane, laidTogether, straightOn, type LaidFlat, type Seen, type StraightOn } from './straight-on';
import { cornerIn, traceOnSkin, type SkinTool, type Traced } from './traced';
import { eyeOf, seenNear } from './view';

/** A machine over the pictures of a brief: made ready once, then asked again and again while places and traces are pulled about. */

export interface MachineToLay {
  spec: OutlineSpec;
  denominator: number;
}

/** What is laid over one picture, or why nothing is. */
export type Over =
  | { fault: string; laid: null }
  | {
      fault: null;
      laid: Omit<LaidOver, 'camera' | 'pairs'>;
      isMirrorLikely: boolean;
      /** Stretches of its lines as u, v, u, v in px of the print. */
      lines: Float32Array;
      moved: { title: string; mm: number }[];
      gone: number;
    };

/** A trace as it is told: places without their surfaces. */
export interface TracedHere extends Omit<Traced, 'corners' | 'along'> {
  corners: { sdMm: number; isKnown: boolean; inView: Point | null; near: NearLine | null }[];
  along: { at: Point; isKnown: boolean }[];
}

/** How the machine is ruled, as it is held over a picture. */
export interface SchemeToHold {
  fields: readonly SchemeField[];
  markings: readonly PlaceableMarking[];
  /** By zone, `#rrggbb`; null where nothing is ruled. */
  colours: Readonly<Record<string, string | null>>;
  /** By colour code. */
  inks: Readonly<Record<string, string>>;
}

/** Longest side of what is held over a picture, px. */
const HELD_PX = 1000;

/** What was traced in another picture. */
export interface TraceElsewhere {
  id: string;
  label: string;
  camera: KeptCamera;
  tool: SkinTool;
  points: readonly Point[];
}

/** As this one shows it: stretches that nothing hides here; and what it is there. */
export interface SeenElsewhere extends Pick<Traced, 'figure' | 'zones'> {
  id: string;
  label: string;
  lines: Point[][];
}

/** A picture with its camera; `pixels` are the whole print, made smaller or not. */
export interface Print {
  kept: KeptCamera;
  pixels: Pixels;
}
/** The first is the one in which was traced. */
export type Prints = readonly [Print, ...Print[]];

/** How well the pictures of a brief show what is asked about, and which picture would tell most. */
export interface LookedFor {
  /** Zones that no picture with a camera sees well, the worst first. */
  poorly: BestSeen[];
  /** The best first. */
  from: WouldShow[];
}

export class MachineOver {
  private readonly outline;
  private readonly places;
  private readonly landers = remembering<Lander>(2);
  private readonly drawn = remembering<LinesOf>(2);
  /** A trace is pulled about under one camera; what was traced in other pictures under theirs. */
  private readonly cameras = remembering<LaidOver>(12);
  private readonly skins = remembering<SkinPiece[]>(2);

  constructor(private readonly machine: MachineToLay) {
    this.outline = buildOutline(machine.spec);
    this.places = namedPlaces(this.outline);
  }

  over(kept: KeptCamera): Over {
    const found = this.laid(kept);
    if (found instanceof NoCamera) return { fault: found.message, laid: null };
    const { camera, pairs: _, ...laid } = found;
    const lines = linesSeen(camera, this.linesOf(kept.isFlying), kept.width, kept.height);
    if (kept.isMirrored) for (let i = 0; i < lines.length; i += 2) lines[i] = kept.width - lines[i]!;
    return {
      fault: null,
      laid,
      isMirrorLikely: isMirrorLikely(kept, this.places, found),
      lines,
      moved: movedSince(kept, this.places),
      gone: goneSince(kept, this.places),
    };
  }

  /** Null where the picture has no camera. */
  traced(kept: KeptCamera, tool: SkinTool, points: readonly Point[]): TracedHere | null {
    const traced = this.tracedIn(kept, tool, points);
    if (!traced) return null;
    const { corners, along, ...told } = traced;
    return {
      ...told,
      corners: corners.map(({ landed, isKnown, sdMm }) => ({
        sdMm,
        isKnown,
        inView: landed && told.view ? cornerIn(told.view, landed) : null,
        near: isKnown && landed ? nearestLine(this.outline.lines, landed) : null,
      })),
      along: along.map(({ at, isKnown }) => ({ at: unmirrored(kept, at), isKnown })),
    };
  }

  /** The machine as it is ruled, from the camera of the picture: clear where it is not. Null without a camera. */
  held(kept: KeptCamera, { fields, markings, colours, inks }: SchemeToHold): Pixels | null {
    const laid = this.laid(kept);
    if (laid instanceof NoCamera) return null;
    const shrunk = Math.min(1, HELD_PX / Math.max(kept.width, kept.height));
    const [width, height] = [Math.round(kept.width * shrunk), Math.round(kept.height * shrunk)];
    const pieces = this.skins(JSON.stringify([fields, markings, kept.isFlying]), () =>
      this.skin(kept.isFlying, fields, markings),
    );
    const data = pictureOf(
      pieces.map((piece) => ({
        piece,
        colour: piece.glass
          ? GLASS_LOOK.colour
          : ((piece.code ? inks[piece.code] : colours[piece.zone]) ?? UNDECIDED_COLOUR),
        opacity: piece.glass ? GLASS_LOOK.opacity : piece.share,
      })),
      eyeOf(laid.camera),
      width,
      height,
      (at) => {
        const [seenU, seenV, near] = seenNear(laid.camera, times(at, 1000));
        const [u, v] = unmirrored(kept, [seenU, seenV]);
        return [u * shrunk, v * shrunk, near];
      },
    );
    return { width, height, data };
  }

  /**
   * What lies within a line that was drawn round it in the first print, laid flat as the view that looks at it has it, from all of them; null where no
   * view does.
   */
  straightOn(points: readonly Point[], [own, ...others]: Prints): StraightOn | null {
    const traced = this.tracedIn(own.kept, 'area', points);
    if (!traced) return null;
    const { view } = traced;
    const round = traced.along.flatMap((one) => (one.isKnown ? [one.landed!] : []));
    if (!view || round.length < 3) return null;
    const zones = new Set(traced.zones);
    return this.together(own, others, (pixels, seen) => straightOn(this.outline, view, round, zones, pixels, seen));
  }

  /** What lies within a marking that was traced in the first print, in its own plane, from all of them; null where it is none. */
  inOwnPlane(points: readonly Point[], [own, ...others]: Prints): LaidFlat | null {
    const marking = this.tracedIn(own.kept, 'marking', points)?.marking;
    if (!marking) return null;
    const plane = planeOn(this.outline, marking.place, marking.zone);
    const size = [marking.wideMm / 1000, marking.highMm / 1000] as const;
    return plane && this.together(own, others, (pixels, seen) => inOwnPlane(plane, marking.place, size, pixels, seen));
  }

  /** A piece laid flat from one print, and together with what others show of it. */
  private together<Flat extends LaidFlat>(
    own: Print,
    others: readonly Print[],
    lay: (pixels: Pixels, seen: Seen) => Flat | null,
  ): Flat | null {
    const from = ({ kept, pixels }: Print): Flat[] => {
      const laid = this.laid(kept);
      const flat = laid instanceof NoCamera ? null : lay(pixels, this.seenIn(kept, laid, pixels));
      return flat ? [flat] : [];
    };
    const [first] = from(own);
    return first ? laidTogether([first, ...others.flatMap(from)]) : null;
  }

  private seenIn(kept: KeptCamera, { camera }: LaidOver, pixels: Pixels): Seen {
    const smaller = pixels.width / kept.width;
    return {
      camera,
      land: this.lander(kept.isFlying),
      inPixels: (at) => {
        const [u, v] = unmirrored(kept, at);
        return [u * smaller, v * smaller];
      },
    };
  }

  /** What was traced in other pictures, as this one shows it. */
  elsewhere(kept: KeptCamera, traces: readonly TraceElsewhere[]): SeenElsewhere[] {
    const laid = this.laid(kept);
    if (laid instanceof NoCamera) return [];
    const land = this.lander(kept.isFlying);
    const shownHere = (place: Xyz): Point | null => {
      const seen = seenAt(place, laid.camera, land);
      return seen && unmirrored(kept, seen.at);
    };
    return traces.flatMap(({ id, label, camera: other, tool, points }) => {
      const there = this.tracedIn(other, tool, points);
      if (!there) return [];
      const lines = runsOf(there.along.map((one) => (one.isKnown ? shownHere(one.landed!.xyz) : null)));
      return lines.length > 0 ? [{ id, label, lines, figure: there.figure, zones: there.zones }] : [];
    });
  }

  /** `zones` are asked about, `wanted` of them is open; pictures without a camera show nothing. */
  lookedFor(
    pictures: readonly { id: string; camera: KeptCamera }[],
    zones: readonly string[],
    wanted: readonly Wanted[],
  ): LookedFor {
    const laid = pictures.flatMap(({ id, camera: kept }) => {
      const found = this.laid(kept);
      if (found instanceof NoCamera) return [];
      const { width, height } = kept;
      return [{ id, camera: found.camera, land: this.lander(kept.isFlying), width, height }];
    });
    return {
      poorly: laid.length > 0 ? seenPoorly(placesOver(this.outline, zones), laid) : [],
      from: bestViewpoints(this.outline, this.lander(false), wanted),
    };
  }

  /** What is traced in a print, as its camera has it. Null where the print has none. */
  private tracedIn(kept: KeptCamera, tool: SkinTool, points: readonly Point[]): Traced | null {
    const laid = this.laid(kept);
    if (laid instanceof NoCamera) return null;
    return traceOnSkin(
      tool,
      points.map((at) => unmirrored(kept, at)),
      laid,
      this.lander(kept.isFlying),
      this.machine.spec.dimensions.length,
    );
  }

  /** Why there is no camera, where there is none. */
  private laid(kept: KeptCamera): LaidOver | NoCamera {
    try {
      return this.cameras(JSON.stringify(kept), () => laidOver(kept, this.places));
    } catch (error) {
      if (error instanceof NoCamera) return error;
      throw error;
    }
  }

  private lander = (isFlying: boolean): Lander =>
    this.landers(String(isFlying), () => landerOn(this.outline, isFlying));

  private linesOf = (isFlying: boolean): LinesOf =>
    this.drawn(String(isFlying), () => linesOf(this.outline, this.skin(isFlying, [], []), TURNING));

  private skin = (isFlying: boolean, fields: SchemeToHold['fields'], markings: SchemeToHold['markings']): SkinPiece[] =>
    skinOf({ ...this.machine, fields, markings, pose: { ...CLOSED, isGearUp: isFlying } });
}
