import fc from 'fast-check';

// What passed once passes again: a test that draws its cases draws the same ones in each run. Others are looked for with
// `GILDER_SEED=random npm test`, or with the number of a run that failed; see docs/testing.md.
const wish = process.env.GILDER_SEED ?? '20261201';
if (wish !== 'random') fc.configureGlobal({ seed: Number(wish) });
