/** The desk's rules over every sequence of inputs. `DEPTH=7` looks further, `npm run explore` as far as one likes. */
import { expect, it } from 'vitest';
import { exploreWithRules } from '../../../../testing/desk-rules';
import { HAPPENINGS } from '../../../../testing/explore';

const DEPTH = Number(process.env['DEPTH'] ?? 6);

/** It computes all the while: a machine with other things to do needs many times as long. */
const TIMEOUT_MS = 600_000;

it(
  `the desk keeps its rules over every sequence of inputs up to depth ${DEPTH}`,
  { timeout: TIMEOUT_MS },
  () => {
    const inputs = Object.keys(HAPPENINGS).length;
    expect(inputs).toBeGreaterThanOrEqual(20);
    expect(exploreWithRules(DEPTH).sequences).toBe(inputs ** DEPTH);
  },
);
