import fc from 'fast-check'

/** Every property of a run is drawn with the one seed that jest.setup.mjs has printed; mutation runs draw fewer. */
const { YENTRIK_SEED, YENTRIK_DRAWS = '100' } = process.env
fc.configureGlobal({ seed: Number(YENTRIK_SEED), numRuns: Number(YENTRIK_DRAWS) })
