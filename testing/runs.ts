/**
 * How often a property is tried: the usual number, times `RUNS` of the environment. `RUNS=50 npm test -- tests/late-host`
 * looks for what is rare; a tenth is enough to tell a mutant.
 */
export const runs = (usual: number): number => Math.ceil(usual * Number(process.env['RUNS'] ?? 1));
