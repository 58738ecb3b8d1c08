/** The desk's rules over every sequence of inputs. `DEPTH=7` looks further, `npm run explore` as far as one likes. */
import { expect, it } from 'vitest';
import { exploreWithRules } from '../../../../testing/desk-rules';
import { HAPPENINGS } from '../../../../testing/explore';

const DEPTH = Number(process.env['DEPTH'] ?? 6);

it(`the desk keeps its rules over every sequence of inputs up to depth ${DEPTH}`, () => {
  const inputs = Object.keys(HAPPENINGS).length;
  expect(inputs).toBeGreaterThanOrEqual(20);
  expect(exploreWithRules(DEPTH).sequences).toBe(inputs ** DEPTH);
});
