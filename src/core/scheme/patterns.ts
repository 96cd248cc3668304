import type { Outline } from '@/core/outline/outline';
import { PLAIN_FIELD, type FieldShape, type SchemeField } from './field';

/** Starting points for a scheme, in the proportions of the machine: every corner can be pulled afterwards. */

export type FieldDraft = Omit<SchemeField, 'id' | 'rank'>;

interface Pattern {
  title: string;
  /** What its colours are for, in the order in which they are asked. */
  colours: readonly string[];
  says: string;
  fields: (outline: Outline, codes: readonly string[]) => FieldDraft[];
}

const draft = (title: string, code: string, shape: FieldShape, over: Partial<FieldDraft> = {}): FieldDraft => ({
  title,
  code,
  shape,
  ...PLAIN_FIELD,
  ...over,
});

const corner = (x: number, y: number) => ({ x: Math.round(x * 100) / 100, y: Math.round(y * 100) / 100, on: null });

/** Demarcation along the side at a share of the fuselage's height, rising to the tail by another. */
const demarcation = (title: string, share: number, says: string): Pattern => ({
  title,
  colours: ['underneath'],
  says,
  fields: (outline, [code]) => {
    const { length, fuselageHeight } = outline.spec.dimensions;
    return [
      draft(
        `${title}: underneath`,
        code!,
        {
          kind: 'height',
          view: 'port',
          covers: 'below',
          smooth: true,
          corners: [0, 0.3, 0.6, 0.85, 1].map((t) => corner(t * length, fuselageHeight * (share + 0.16 * t * t))),
        },
        { mirrored: true },
      ),
    ];
  },
});

/** Bands across the machine from above, each an area between two lines. */
function across(outline: Outline, count: number, slant: number, wave: number, offset: number) {
  const { length, span, rotorDiameter } = outline.spec.dimensions;
  const half = Math.max(span, rotorDiameter * 0.5, length * 0.4) / 2 + 1;
  const rows = 7;
  const line = (at: number, phase: number) =>
    Array.from({ length: rows }, (_, i) => {
      const y = -half + (2 * half * i) / (rows - 1);
      return corner(at + slant * (y / half) * length * 0.18 + wave * Math.sin(i * 1.9 + phase) * length * 0.035, y);
    });
  const pitch = length / count;
  return Array.from({ length: Math.ceil(count / 2) + 1 }, (_, k) => {
    const from = (2 * k - 1 + offset) * pitch;
    return [...line(from, k), ...line(from + pitch, k + 1.7).reverse()];
  });
}

const fromAbove = (
  title: string,
  says: string,
  at: { count: number; slant: number; wave: number; smooth: boolean; edge: 'hard' | 'soft' },
): Pattern => ({
  title,
  colours: ['over the ground colour'],
  says,
  fields: (outline, [code]) =>
    across(outline, at.count, at.slant, at.wave, 0.4).flatMap((corners, i) => [
      draft(
        `${title} ${i + 1}, from above`,
        code!,
        { kind: 'area', view: 'upper', smooth: at.smooth, corners },
        { edge: at.edge, softMm: at.edge === 'soft' ? 60 : 0 },
      ),
      draft(`${title} ${i + 1}, down the sides`, code!, sideOf(outline, corners), {
        mirrored: true,
        edge: at.edge,
        softMm: at.edge === 'soft' ? 60 : 0,
      }),
    ]),
});

/** How an area from above goes on down the fuselage: between the stations at which its edges cross the middle. */
function sideOf(outline: Outline, corners: readonly { x: number; y: number }[]): FieldShape {
  const { fuselageHeight } = outline.spec.dimensions;
  const half = corners.length / 2;
  const middle = corners[Math.floor(half / 2)]!.x;
  const other = corners[corners.length - 1 - Math.floor(half / 2)]!.x;
  const [from, to] = [Math.min(middle, other), Math.max(middle, other)];
  const slant = (to - from) * 0.16;
  return {
    kind: 'area',
    view: 'port',
    smooth: false,
    corners: [
      corner(from, fuselageHeight * 1.6),
      corner(from + slant, fuselageHeight * 0.55),
      corner(from + slant * 1.6, fuselageHeight * 0.3),
      corner(to + slant, fuselageHeight * 0.3),
      corner(to + slant * 0.6, fuselageHeight * 0.55),
      corner(to, fuselageHeight * 1.6),
    ],
  };
}

export const PATTERNS = {
  waves: fromAbove('Wave', 'waves across wings and back, carried down the sides', {
    count: 6,
    slant: 1,
    wave: 1,
    smooth: true,
    edge: 'soft',
  }),
  splinters: fromAbove('Splinter', 'straight-edged splinters across wings and back', {
    count: 7,
    slant: 1.6,
    wave: 1.8,
    smooth: false,
    edge: 'hard',
  }),
  'straight bands': fromAbove('Cross band', 'broad straight bands square to the fuselage', {
    count: 5,
    slant: 0,
    wave: 0,
    smooth: false,
    edge: 'hard',
  }),
  'low underside': demarcation('Low line', 0.22, 'the under colour reaches a fifth of the way up the side'),
  'high underside': demarcation('High line', 0.55, 'the under colour reaches past the middle of the side'),
  'mottled sides': {
    title: 'Mottled sides',
    colours: ['blotches'],
    says: 'blotches on both sides of fuselage and fin, a third of the area',
    fields: (outline, [code]) => {
      const { length, fuselageHeight, finHeight } = outline.spec.dimensions;
      const high = fuselageHeight * 1.05 + finHeight;
      return [
        draft(
          'Mottled sides',
          code!,
          {
            kind: 'mottle',
            by: 'freehand',
            view: 'port',
            smooth: false,
            density: 0.33,
            blotchMm: 320,
            corners: [
              corner(length * 0.2, fuselageHeight * 0.35),
              corner(length, fuselageHeight * 0.35),
              corner(length * 1.02, high),
              corner(length * 0.2, high),
            ],
          },
          { mirrored: true, edge: 'soft', softMm: 80 },
        ),
      ];
    },
  },
  'band and tail': {
    title: 'Band and tail',
    colours: ['band round the rear fuselage', 'fin and rudder'],
    says: 'a band round the rear fuselage, and the fin in a colour of its own',
    fields: (outline, [band, tail]) => {
      const { length } = outline.spec.dimensions;
      const from = Math.round(length * 70) / 100;
      return [
        draft('Band', band!, { kind: 'band', on: 'fuselage', from, to: from + 0.45 }),
        draft('Fin', tail!, { kind: 'zones', zones: ['fin-port', 'fin-starboard'] }),
      ];
    },
  },
} as const satisfies Record<string, Pattern>;
export type PatternName = keyof typeof PATTERNS;
