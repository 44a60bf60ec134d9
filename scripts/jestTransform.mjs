// Compiles a file for tests as @swc/jest does, with the globals that pixel loops call as constants of the module. Tests
// run in a context of their own, where every look at a global goes through it and costs more than the arithmetic.
import swc from '@swc/jest';

const QUICK = 'const { Math, Number, Array, Object } = globalThis; ';

/** The compiled file; its lines stay where they are. */
const quick = (compiled) => ({ ...compiled, code: QUICK + compiled.code });

const transform = {
  createTransformer(options) {
    const own = swc.createTransformer(options);
    return {
      ...own,
      getCacheKey: (...asked) => QUICK + own.getCacheKey(...asked),
      process: (...asked) => quick(own.process(...asked)),
      processAsync: async (...asked) => quick(await own.processAsync(...asked)),
    };
  },
};

export default transform;
