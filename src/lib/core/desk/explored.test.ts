/** The desk's rules over every sequence of inputs. */
import { describe, expect, it } from 'vitest';
import { exploreWithRules } from '../../../../testing/desk-rules';
import { HAPPENINGS } from '../../../../testing/explore';

describe('the desk', () => {
  it('keeps its rules over every sequence of inputs up to depth 6', () => {
    expect(Object.keys(HAPPENINGS).length).toBeGreaterThanOrEqual(20);
    expect(exploreWithRules(6).sequences).toBeGreaterThan(64_000_000);
  });
});
