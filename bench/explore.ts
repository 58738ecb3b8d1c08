/** `npm run explore [depth]`: the desk's rules over every sequence of inputs, deeper than the tests have time for. */
import { exploreWithRules } from '../testing/desk-rules';

const depth = Number(process.argv[2] ?? 7);
console.log(`Every sequence of ${depth} inputs:`, exploreWithRules(depth));
