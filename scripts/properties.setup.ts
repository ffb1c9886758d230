import fc from 'fast-check'

/**
 * Properties are tried from one seed, so that a build says the same twice. `npm run properties` tries them from new
 * ones, and names the seed of a failure: PROPERTY_SEED=N repeats it.
 */
fc.configureGlobal({ seed: Number(process.env.PROPERTY_SEED ?? 1) })
