import type { Options } from './options';

/** Choices that do not go together, or that surprise when they do, with the reason. */
interface Together {
  when: { [N in keyof Options]?: readonly Options[N][] };
  /** It cannot be; else it may, and is only said. */
  never: boolean;
  says: string;
}

export const TOGETHER: readonly Together[] = [
  {
    when: { gear: ['up'], stand: ['its gear'] },
    never: true,
    says: 'with its gear up it cannot stand on it: choose a rod or a base',
  },
  { when: { gear: ['up'], landing: ['skis', 'floats'] }, never: true, says: 'skis and floats cannot be drawn up' },
  {
    when: { gear: ['down'], stand: ['a rod'] },
    never: false,
    says: 'wheels down on a rod: as in the last seconds of an approach',
  },
  {
    when: { wings: ['folded'], flaps: ['down'] },
    never: false,
    says: 'flaps down on folded wings: few machines allow it, see Evidence',
  },
  {
    when: { wings: ['folded'], stand: ['a rod'] },
    never: false,
    says: 'wings folded in the air: only as a study',
  },
];

/** What is to be said of these choices together, what cannot be first. */
export const saidTogether = (options: Options): Pick<Together, 'never' | 'says'>[] =>
  TOGETHER.filter(({ when }) =>
    (Object.entries(when) as [keyof Options, readonly string[]][]).every(([name, values]) =>
      values.includes(options[name]),
    ),
  ).sort((a, b) => Number(b.never) - Number(a.never));
