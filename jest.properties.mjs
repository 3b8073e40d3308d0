import fc from 'fast-check'

/** Every property of a run is drawn with the one seed that jest.setup.mjs has printed. */
fc.configureGlobal({ seed: Number(process.env.YENTRIK_SEED) })
