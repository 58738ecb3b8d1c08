/** The rules that a display can show, on the simulated host; tests/x11 holds a display to the same table. */
import { expect, it } from 'vitest';
import { DISPLAY_RULES, seenDesk } from '../../../../testing/display-rules';
import { personAt } from '../../../../testing/person';

it.each(DISPLAY_RULES)('$rule', ({ desk, does, then }) => {
  const person = personAt(desk);
  does(person);
  expect(seenDesk(person.session)).toMatchObject(then);
});
