import fc from 'fast-check'

/**
 * Properties are tried from one seed, so that a build says the same twice. `npm run properties` and `npm run fuzz` try
 * them from new ones; a failure names its seed, and PROPERTY_SEED=N repeats it.
 */
const fresh = process.env.FUZZ_RUNS ? Date.now() % 2 ** 31 : 1
fc.configureGlobal({ seed: Number(process.env.PROPERTY_SEED ?? fresh) })
