import { among, type Among } from './among';
import type { Machine, Progress } from './machine';
import type { Options } from './options';

/** Choices that do not go together, or that surprise when they do, with the reason. */
interface Together {
  when: Among<Options>;
  /** On such machines only. */
  on: Among<Machine>;
  /** Once the build is so far only. */
  once: Among<Progress>;
  /** It cannot be; else it may, and is only said. */
  never: boolean;
  says: string;
}
type Rest = { on?: Among<Machine>; once?: Among<Progress> };

const never = (when: Among<Options>, says: string, { on = {}, once = {} }: Rest = {}): Together => ({
  when,
  on,
  once,
  never: true,
  says,
});
const told = (when: Among<Options>, says: string, rest: Rest = {}): Together => ({
  ...never(when, says, rest),
  never: false,
});

const TOGETHER: readonly Together[] = [
  never({ gear: ['up'] }, 'this machine cannot draw its gear up', { on: { gear: ['fixed'] } }),
  never({ gear: ['up'], stand: ['its gear'] }, 'with its gear up it cannot stand on it: choose a rod or a base'),
  never({ gear: ['up'], landing: ['skis', 'floats', 'skids'] }, 'skis, floats and skids cannot be drawn up'),
  never(
    { state: ['flying', 'hovering'], stand: ['its gear'] },
    'in the air it does not stand on its gear: choose a rod or a base',
  ),
  never({ state: ['flying', 'hovering'], wings: ['folded'] }, 'nothing flies with its wings or blades folded'),
  never({ state: ['hovering'] }, 'only a rotor hovers', {
    on: { power: ['propeller', 'jet', 'none', 'rotor and propeller'] },
  }),
  never({ state: ['running', 'hovering', 'flying'], blades: ['tied down'] }, 'tied blades do not turn', {
    on: { power: ['rotor', 'rotor and propeller'] },
  }),
  never({ state: ['running'] }, 'without an engine nothing runs', { on: { power: ['none'] } }),
  never({ state: ['running'], wings: ['folded'] }, 'folded blades do not turn', { on: { power: ['rotor'] } }),
  never({ state: ['stored', 'derelict'], crew: ['aboard'] }, 'nobody sits in a machine that is stored or derelict'),
  never(
    { landing: ['skis'], stand: ['its gear', 'a base'] },
    'a nose ski needs its weight, and the fuselage is closed without one',
    { on: { thirdWheel: ['nose'] }, once: { fuselage: ['closed'], noseWeight: ['not in'] } },
  ),
  never({ lights: ['lit'] }, 'its wires had to be run before the fuselage was closed', {
    once: { fuselage: ['closed'] },
  }),
  told({ gear: ['down'], stand: ['a rod'] }, 'wheels down on a rod: as in the last seconds of an approach'),
  told({ gear: ['up'], state: ['parked', 'derelict'] }, 'on its belly: as after a landing without wheels'),
  told({ wings: ['folded'], flaps: ['down'] }, 'flaps down on folded wings: few machines allow it, see Evidence'),
  told({ wings: ['folded'], stand: ['a rod'] }, 'wings folded in the air: only as a study'),
  told({ sweep: ['swept'], flaps: ['down'] }, 'flaps down with the wings swept: see Evidence first', {
    on: { wings: ['swing'] },
  }),
  told({ state: ['running', 'flying', 'hovering'], crew: ['none'] }, 'nobody at the controls: it will be asked'),
  told({ state: ['flying'], canopy: ['open'] }, 'canopy open in the air: only slowly, see Evidence'),
  told({ stand: ['a rod'] }, 'the socket of the rod has to go in through the closed fuselage', {
    once: { fuselage: ['closed'] },
  }),
  told({ crew: ['aboard'] }, 'the crew has to go in through the cockpit opening', { once: { fuselage: ['closed'] } }),
];

/** What is to be said of these choices together on this machine, what cannot be first. */
export function saidTogether(
  options: Options,
  machine: Machine,
  progress: Progress,
): Pick<Together, 'never' | 'says'>[] {
  return TOGETHER.filter(
    ({ when, on, once }) => among(when, options) && among(on, machine) && among(once, progress),
  ).sort((a, b) => Number(b.never) - Number(a.never));
}

/** Why these choices cannot be, in sentences; empty where they can. */
export const whyNot = (options: Options, machine: Machine, progress: Progress): string[] =>
  saidTogether(options, machine, progress).flatMap((one) => (one.never ? [one.says] : []));
