/** What is Key Fold's own and no host's: settings, and what search remembers. */
import { isSo } from '../../slices/settings/selectors';
import { commandKind } from '../command';

/** All settings at once, so that two pages never mix theirs. */
export const changeSettings = commandKind({
  type: 'change-settings',
  fields: { settings: 'settings' },
  own: true,
  decide(course, { settings }) {
    if (isSo(course.session.settings, settings)) course.notice({ type: 'already-there' });
    else course.happen({ type: 'settings-changed', settings });
  },
});

/** Deciding it again adds nothing: what was learned at that very instant is what this command taught. */
export const learnChoice = commandKind({
  type: 'learn-choice',
  fields: { letters: 'letters', choice: 'choice' },
  own: true,
  decide(course, { letters, choice }) {
    const known = course.session.learned.some(
      (one) => one.letters === letters && one.choice === choice && one.at === course.at,
    );
    if (!known) course.happen({ type: 'choice-learned', letters, choice, at: course.at });
  },
});

/** Forgets what was learned about one choice, or about all of them. */
export const forgetChoices = commandKind({
  type: 'forget-choices',
  fields: { choice: 'choices' },
  own: true,
  decide(course, { choice }) {
    const known = course.session.learned.some((one) => choice === null || one.choice === choice);
    if (known) course.happen({ type: 'choices-forgotten', choice });
    else course.notice({ type: 'nothing-to-forget' });
  },
});
