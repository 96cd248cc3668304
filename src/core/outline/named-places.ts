import { capital } from '@/core/units/words';
import { bodyPoint, sectionAt, type Body, type Xyz } from './body';
import { chordAt, liftingPoint, type Lifting } from './lifting';
import { chartsOf, type Outline } from './outline';
import { formOf } from './presets';
import { solidPoint, type Solid } from './solid';
import { outwards, planOf, SIDES } from './wings';

/** Places of a machine that anybody finds in a photograph of it, by what the machine has. */

export interface NamedPlace {
  /** The same for the same place of any machine. */
  id: string;
  title: string;
  /** m */
  at: Xyz;
  /** Of what gives way under the machine's weight. */
  isGear: boolean;
}

const named = (id: string, title: string, at: Xyz, isGear = false): NamedPlace => ({ id, title, at, isGear });

export function namedPlaces(outline: Outline): NamedPlace[] {
  const charts = new Map(chartsOf(outline).map((chart) => [chart.id, chart]));
  const bodyOf = (id: string): Body | null => {
    const on = charts.get(id)?.on;
    return on?.kind === 'body' ? on.body : null;
  };
  const liftingOf = (id: string): Lifting | null => {
    const on = charts.get(id)?.on;
    return on?.kind === 'lifting' ? on.of : null;
  };
  const main = bodyOf('fuselage') ?? bodyOf('hull') ?? bodyOf('board');
  if (!main) return [];
  const isAircraft = formOf(outline.spec.preset) === 'aircraft';
  const ends = isAircraft ? (['Nose', 'End of the fuselage'] as const) : (['Bow', 'Stern'] as const);
  const spinner = bodyOf('spinner');
  const canopy = bodyOf('canopy');
  const island = bodyOf('island');
  const { cowlLength } = outline.spec.dimensions;
  const fin = liftingOf('fin-starboard') ?? liftingOf('fin-port');
  const fins = fin && fin.y !== 0;
  const onSides = (of: (side: 'port' | 'starboard', title: string, sign: -1 | 1) => NamedPlace[]) =>
    SIDES.flatMap((side) => of(side, capital(side), outwards(side)));
  const tipsOf = (wing: string, id: string, title: string) =>
    onSides((side, whose) => {
      const of = liftingOf(`${wing}-${side}`);
      return of ? [named(`${id}-${side}`, `${whose} ${title}`, tipOf(of))] : [];
    });
  const podsOf = (pod: string, id: string, title: string, end: (body: Body) => Xyz) =>
    onSides((side, whose) => {
      const body = bodyOf(`${pod}-${side}`);
      return body ? [named(`${id}-${side}`, `${whose} ${title}`, end(body))] : [];
    });
  // Those that tell most come first: far apart, and seen in most pictures.
  return [
    spinner ? named('spinner', 'Tip of the spinner', firstOf(spinner)) : named('nose', ends[0], firstOf(main)),
    ...(fin && !fins ? [named('fin-top', 'Top of the fin', tipOf(fin))] : []),
    ...(fins ? tipsOf('fin', 'fin-top', 'fin, top') : []),
    ...tipsOf('wing-upper', 'wing-tip', 'wing tip'),
    ...onSides((side, title, sign) =>
      wheelsOf(outline.solids, 'gear-main', sign).map((at) =>
        named(`wheel-${side}`, `${title} main wheel, hub`, at, true),
      ),
    ),
    ...(canopy ? [named('canopy-top', 'Top of the canopy', topOf(canopy))] : []),
    ...tipsOf('upper-wing-upper', 'upper-wing-tip', 'upper wing tip'),
    ...tipsOf('tailplane-upper', 'tailplane-tip', 'tailplane tip'),
    ...wheelsOf(outline.solids, 'gear-nose', 0).map((at) => named('wheel-nose', 'Nose wheel, hub', at, true)),
    ...wheelsOf(outline.solids, 'gear-tail', 0).map((at) => named('wheel-tail', 'Tail wheel, hub', at, true)),
    ...podsOf('nacelle', 'nacelle', 'nacelle, front', firstOf),
    ...podsOf('float', 'float-bow', 'float, bow', firstOf),
    ...podsOf('float', 'float-stern', 'float, stern', lastOf),
    ...podsOf('boom', 'boom', 'boom, rear end', lastOf),
    ...outline.solids
      .filter(({ zone }) => zone === 'rotor-head')
      .slice(0, 1)
      .map((head) => named('rotor-head', 'Rotor head', middleOf(head))),
    ...(canopy
      ? [
          named('canopy-front', 'Foot of the windscreen', firstOf(canopy)),
          named('canopy-back', 'Rear end of the canopy', lastOf(canopy)),
        ]
      : []),
    ...onSides((side, title) => {
      const wing = liftingOf(`wing-upper-${side}`);
      return wing
        ? rootsOf(wing, main).map(([end, at]) =>
            named(
              `wing-root-${end}-${side}`,
              `${title} wing root, ${end === 'front' ? 'leading' : 'trailing'} edge`,
              at,
            ),
          )
        : [];
    }),
    ...(isAircraft && cowlLength > 0 && sectionAt(main, cowlLength).width > 0
      ? [
          named('cowl-top', 'Rear of the cowling, above', bodyPoint(main, cowlLength, 0)),
          named('cowl-bottom', 'Rear of the cowling, below', bodyPoint(main, cowlLength, 180)),
        ]
      : []),
    ...(fin && !fins ? feetOf(fin, main) : []),
    ...(island
      ? [
          named('island-front', 'Island, front, above', topAt(island, 0.02)),
          named('island-back', 'Island, rear, above', topAt(island, 0.98)),
        ]
      : []),
    named('end', ends[1], lastOf(main)),
  ];
}

const firstOf = ({ sections, y }: Body): Xyz => [sections[0]!.x, y, sections[0]!.z];
const lastOf = ({ sections, y }: Body): Xyz => [sections.at(-1)!.x, y, sections.at(-1)!.z];

/** The highest place of a body. */
const topOf = (body: Body): Xyz =>
  body.sections.map(({ x }) => bodyPoint(body, x, 0)).reduce((highest, at) => (at[2] > highest[2] ? at : highest));

/** The top of a body at a share of its length. */
function topAt(body: Body, share: number): Xyz {
  const [first, last] = [body.sections[0]!.x, body.sections.at(-1)!.x];
  return bodyPoint(body, first + share * (last - first), 0);
}

/** The outermost place of a wing, tail or fin: its tip is rounded. */
function tipOf(of: Lifting): Xyz {
  const { leading, trailing } = planOf(of);
  const x = (leading(of.semispan) + trailing(of.semispan)) / 2;
  return middleAt(of, of.semispan, x);
}

/** The middle of a section, so far out and at a station. */
function middleAt(of: Lifting, out: number, x: number): Xyz {
  const share = out / of.semispan;
  const at = chordAt(of, share);
  const [, y, z] = liftingPoint(of, 1, share, 0);
  return [at.chord > 0 ? x : at.x, y, z];
}

/** Where the edges of a wing come out of the body; none where it lies over or under it. */
function rootsOf(of: Lifting, body: Body): ['front' | 'rear', Xyz][] {
  const { leading, trailing } = planOf(of);
  const rise = Math.tan((of.dihedralDeg * Math.PI) / 180);
  return (
    [
      ['front', leading],
      ['rear', trailing],
    ] as const
  ).flatMap(([end, edge]): ['front' | 'rear', Xyz][] => {
    let out = 0;
    // What is out there depends on where along the body the edge is, and that on how far out: a few turns settle it.
    for (let turn = 0; turn < 20; turn += 1) {
      const { width, height, z, n } = sectionAt(body, edge(out));
      const up = height > 0 ? Math.abs(of.z + out * rise - z) / (height / 2) : 1;
      if (up >= 1) return [];
      out = (width / 2) * (1 - up ** n) ** (1 / n);
    }
    return out < of.semispan ? [[end, middleAt(of, out, edge(out))]] : [];
  });
}

/** Where the edges of a fin on the centre line come out of the body. */
function feetOf(of: Lifting, body: Body): NamedPlace[] {
  const { leading, trailing } = planOf(of);
  const foot = (edge: (out: number) => number): Xyz | null => {
    let out = 0;
    for (let turn = 0; turn < 20; turn += 1) {
      const x = edge(out);
      // Aft of the body nothing covers it.
      const covered = x <= body.sections.at(-1)!.x ? bodyPoint(body, x, 0)[2] - of.z : 0;
      out = Math.max(0, covered);
    }
    return out < of.semispan ? middleAt(of, out, edge(out)) : null;
  };
  const [front, rear] = [foot(leading), foot(trailing)];
  return [
    ...(front ? [named('fin-foot', 'Foot of the fin, leading edge', front)] : []),
    ...(rear ? [named('rudder-foot', 'Foot of the rudder, trailing edge', rear)] : []),
  ];
}

/** Hubs of the wheels of a zone, on one side of the centre line (0: on it). */
function wheelsOf(solids: readonly Solid[], zone: string, side: -1 | 0 | 1): Xyz[] {
  return solids
    .filter((solid) => solid.zone === zone && isWheel(solid))
    .map(middleOf)
    .filter(([, y]) => (Math.abs(y) < 1e-6 ? 0 : Math.sign(y)) === side)
    .slice(0, 1);
}

/** A wheel is thicker than it is wide; a leg the other way round. */
function isWheel({ body: { sections } }: Solid): boolean {
  const long = sections.at(-1)!.x - sections[0]!.x;
  return Math.max(...sections.map(({ width }) => width)) > long;
}

function middleOf(solid: Solid): Xyz {
  const { sections } = solid.body;
  const middle = (sections[0]!.x + sections.at(-1)!.x) / 2;
  const above = solidPoint(solid, middle, 0);
  const below = solidPoint(solid, middle, 180);
  return [0, 1, 2].map((k) => (above[k]! + below[k]!) / 2) as unknown as Xyz;
}
