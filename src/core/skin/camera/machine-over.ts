import type { Point } from '@/core/geometry/polygon';
import type { PlaceableMarking } from '@/core/markings/placing';
import type { Pixels } from '@/core/markings/traced';
import { namedPlaces } from '@/core/outline/named-places';
import { buildOutline, type OutlineSpec } from '@/core/outline/outline';
import { times } from '@/core/outline/space';
import type { SchemeField } from '@/core/scheme/field';
import { remembering } from '@/core/units/remembered';
import { skinOf } from '../machine';
import { pictureOf } from '../picture';
import type { SkinPiece } from '../piece';
import { CLOSED } from '../pose';
import { NoCamera } from './find-camera';
import type { KeptCamera } from './kept-camera';
import { landerOn, TURNING, type Landed, type Lander } from './landing';
import { goneSince, laidOver, movedSince, unmirrored, type LaidOver } from './laid-over';
import { linesOf, linesSeen, type LinesOf } from './seen-lines';
import { straightOn, type StraightOn } from './straight-on';
import { cornerIn, traceOnSkin, type SkinTool, type Traced } from './traced';
import { project, seenBy } from './view';

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
      /** Stretches of its lines as u, v, u, v in px of the print. */
      lines: Float32Array;
      moved: { title: string; mm: number }[];
      gone: number;
    };

/** A trace as it is told: places without their surfaces. */
export interface TracedHere extends Omit<Traced, 'corners' | 'along'> {
  corners: { at: Point; xyz: Landed['xyz'] | null; sdMm: number; isKnown: boolean; inView: Point | null }[];
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

/** What nobody ruled, and glass. */
const OPEN = '#e9e9e9';
const GLASS = '#c9ced1';
/** Longest side of what is held over a picture, px. */
const HELD_PX = 1000;

/** What was traced in another picture. */
export interface TraceElsewhere {
  id: string;
  label: string;
  camera: KeptCamera;
  points: readonly Point[];
  isClosed: boolean;
}

/** Nearer than this to where it was traced, mm, and a share of the distance besides, it is the same place. */
const SAME_MM = 30;

export class MachineOver {
  private readonly outline;
  private readonly places;
  private readonly landers = new Map<boolean, Lander>();
  private readonly drawn = new Map<boolean, LinesOf>();
  /** A trace is pulled about under one camera; what was traced in other pictures under theirs. */
  private readonly remember = remembering<LaidOver>(12);
  private readonly rememberSkin = remembering<SkinPiece[]>(2);

  constructor(private readonly machine: MachineToLay) {
    this.outline = buildOutline(machine.spec);
    this.places = namedPlaces(this.outline);
  }

  over(kept: KeptCamera): Over {
    try {
      const { camera, pairs: _, ...laid } = this.laid(kept);
      const lines = linesSeen(camera, this.linesOf(kept.isFlying), kept.width, kept.height);
      if (kept.isMirrored) for (let i = 0; i < lines.length; i += 2) lines[i] = kept.width - lines[i]!;
      return {
        fault: null,
        laid,
        lines,
        moved: movedSince(kept, this.places),
        gone: goneSince(kept, this.places),
      };
    } catch (error) {
      if (error instanceof NoCamera) return { fault: error.message, laid: null };
      throw error;
    }
  }

  /** Null where the picture has no camera. */
  traced(kept: KeptCamera, tool: SkinTool, points: readonly Point[]): TracedHere | null {
    try {
      const laid = this.laid(kept);
      const of = (at: Point): Point => unmirrored(kept, at);
      const { corners, along, ...told } = traceOnSkin(tool, points.map(of), laid, this.lander(kept.isFlying));
      return {
        ...told,
        corners: corners.map(({ at, landed, isKnown, sdMm }) => ({
          at: of(at),
          xyz: landed?.xyz ?? null,
          sdMm,
          isKnown,
          inView: landed && told.view ? cornerIn(told.view, landed) : null,
        })),
        along: along.map(({ at, isKnown }) => ({ at: of(at), isKnown })),
      };
    } catch (error) {
      if (error instanceof NoCamera) return null;
      throw error;
    }
  }

  /** The machine as it is ruled, from the camera of the picture: clear where it is not. Null without a camera. */
  held(kept: KeptCamera, scheme: SchemeToHold): Pixels | null {
    try {
      const { camera } = this.laid(kept);
      const shrunk = Math.min(1, HELD_PX / Math.max(kept.width, kept.height));
      const [width, height] = [Math.round(kept.width * shrunk), Math.round(kept.height * shrunk)];
      const { fields, markings, colours, inks } = scheme;
      const pieces = this.rememberSkin(JSON.stringify([fields, markings, kept.isFlying]), () =>
        skinOf({ ...this.machine, fields, markings, pose: { ...CLOSED, isGearUp: kept.isFlying } }),
      );
      const [right, down, ahead] = camera.rotation;
      const data = pictureOf(
        pieces.map((piece) => ({
          piece,
          colour: piece.glass ? GLASS : ((piece.code ? inks[piece.code] : colours[piece.zone]) ?? OPEN),
          opacity: piece.glass ? 0.45 : piece.share,
        })),
        { right, up: times(down, -1), toward: times(ahead, -1) },
        width,
        height,
        (at) => {
          const mm = times(at, 1000);
          const seen = project(camera, mm);
          const [u, v] = seen ? unmirrored(kept, seen) : [Number.NaN, Number.NaN];
          return [u * shrunk, v * shrunk, 1 / seenBy(camera, mm)[2]];
        },
      );
      return { width, height, data };
    } catch (error) {
      if (error instanceof NoCamera) return null;
      throw error;
    }
  }

  /**
   * What lies within a line that was drawn round it, laid flat as the view that looks at it has it; null where none does. `pixels` are the whole print,
   * made smaller or not.
   */
  straightOn(kept: KeptCamera, points: readonly Point[], pixels: Pixels): StraightOn | null {
    try {
      const laid = this.laid(kept);
      const land = this.lander(kept.isFlying);
      const { along, zones, view } = traceOnSkin(
        'area',
        points.map((at) => unmirrored(kept, at)),
        laid,
        land,
      );
      const round = along.flatMap((one) => (one.isKnown ? [one.landed!] : []));
      if (!view || round.length < 3) return null;
      const smaller = pixels.width / kept.width;
      const inPixels = (at: Point): Point => {
        const [u, v] = unmirrored(kept, at);
        return [u * smaller, v * smaller];
      };
      return straightOn(this.outline, view, round, new Set(zones), pixels, { camera: laid.camera, land, inPixels });
    } catch (error) {
      if (error instanceof NoCamera) return null;
      throw error;
    }
  }

  /** What was traced in other pictures, as this one shows it: stretches that nothing hides here. */
  elsewhere(kept: KeptCamera, traces: readonly TraceElsewhere[]): { id: string; label: string; lines: Point[][] }[] {
    try {
      const { camera } = this.laid(kept);
      const land = this.lander(kept.isFlying);
      return traces.flatMap(({ id, label, camera: other, points, isClosed }) => {
        const there = this.traced(other, isClosed ? 'area' : 'border', points);
        const from = this.laid(other).camera;
        const lines: Point[][] = [[]];
        for (const { at, isKnown } of there?.along ?? []) {
          const place = isKnown ? this.lander(other.isFlying)(from, unmirrored(other, at), 1) : null;
          const seen = place && project(camera, place.xyz);
          const here = seen && land(camera, seen, 1);
          const isSame = here && Math.hypot(...here.xyz.map((value, k) => value - place.xyz[k]!)) < SAME_MM;
          if (isSame) lines.at(-1)!.push(unmirrored(kept, seen));
          else if (lines.at(-1)!.length > 0) lines.push([]);
        }
        const drawn = lines.filter((line) => line.length > 1);
        return drawn.length > 0 ? [{ id, label, lines: drawn }] : [];
      });
    } catch (error) {
      if (error instanceof NoCamera) return [];
      throw error;
    }
  }

  private laid = (kept: KeptCamera): LaidOver => this.remember(JSON.stringify(kept), () => laidOver(kept, this.places));

  private lander(isFlying: boolean): Lander {
    const known = this.landers.get(isFlying) ?? landerOn(this.outline, isFlying);
    this.landers.set(isFlying, known);
    return known;
  }

  private linesOf(isFlying: boolean): LinesOf {
    const known =
      this.drawn.get(isFlying) ??
      linesOf(
        this.outline,
        skinOf({ ...this.machine, fields: [], markings: [], pose: { ...CLOSED, isGearUp: isFlying } }),
        TURNING,
      );
    this.drawn.set(isFlying, known);
    return known;
  }
}
