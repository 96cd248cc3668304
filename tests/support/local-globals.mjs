import { createTransformer } from '@swc/jest';

/**
 * Jest runs each file in a context of its own, in which V8 asks an interceptor for every name that is no module's own: `Math` in a loop costs
 * more than what it does. So each module gets those that never change as names of its own. `Date` and the timers are not among them: tests
 * replace these.
 */
const LASTING =
  'Array BigInt Boolean Error Float32Array Float64Array Infinity Int32Array Intl JSON Map Math NaN Number Object Promise Proxy RangeError Reflect RegExp Set String Symbol TypeError Uint16Array Uint32Array Uint8Array Uint8ClampedArray WeakMap isNaN parseFloat parseInt structuredClone'.split(
    ' ',
  );

const withOwnNames = (made) => {
  const used = LASTING.filter((name) => new RegExp(`\\b${name}\\b`).test(made.code));
  // On the first line, so that all lines keep their numbers.
  return { ...made, code: `const { ${used.join(', ')} } = globalThis; ${made.code}` };
};

/** Makes the transformer of TypeScript, with what lasts as names of each module's own. */
const maker = {
  createTransformer(options) {
    const swc = createTransformer(options);
    return {
      ...swc,
      process: (...of) => withOwnNames(swc.process(...of)),
      processAsync: async (...of) => withOwnNames(await swc.processAsync(...of)),
      getCacheKey: (...of) => `${swc.getCacheKey(...of)} ${LASTING.join()}`,
    };
  },
};

export default maker;
