/** The first minutes, and the key sheet, in a browser. */
import { expect, it } from 'vitest';
import { at } from './support/at';
import { atEllavane, newContext, openPage, useBrowser, type Person } from './support/browser';

useBrowser();

const slip = (person: Person) => person.page.getByRole('complementary', { name: 'First minutes' });
const says = (person: Person, words: string) => slip(person).getByText(words).waitFor();

it('begin in the demo, go on with each key, can be left and taken up again, and end', async () => {
  const context = await newContext();
  const person = await at(openPage('ellavane', { context }));
  await says(person, '1 of 9');
  const steps: readonly (readonly [string, ...string[]])[] = [['S'], ['F'], ['4'], ['Z']];
  for (const [nth, keys] of steps.entries()) {
    await person.chord(...keys);
    await says(person, `${nth + 2} of 9`);
  }
  await person.chord('Shift+H');
  await slip(person).waitFor({ state: 'detached' });
  await person.sent();
  await person.reload();
  expect(await slip(person).count()).toBe(0);
  await person.chord('Shift+H');
  await says(person, '5 of 9');
  await person.chord('R');
  await says(person, '6 of 9');
  await person.chord('Q');
  await person.page.keyboard.type('week');
  await person.selectedLeaf.waitFor();
  await person.press('Enter');
  await says(person, '7 of 9');
  await person.hold('Space');
  await person.release();
  await says(person, '8 of 9');
  await person.chord('Backquote');
  await person.press('Escape');
  await says(person, '9 of 9');
  await person.chord('H');
  await person.page.getByRole('dialog', { name: 'Keys and help' }).waitFor();
  await person.press('Escape');
  await says(person, 'That was it');
  await slip(person).getByRole('button', { name: 'Leave' }).click();
  await slip(person).waitFor({ state: 'detached' });
});

it('do not come by themselves at a desk of one’s own', async () => {
  const person = await at(atEllavane());
  expect(await slip(person).count()).toBe(0);
});

it('the key sheet is one page of paper, with the keys as they are now', async () => {
  const person = await at(atEllavane());
  await person.chord('Q');
  await person.page.keyboard.type('key sheet');
  await person.selectedLeaf.waitFor();
  await person.press('Enter');
  const sheet = person.page.getByRole('dialog', { name: 'Keep Alt down, and press' });
  await sheet.getByText('minimise all').waitFor();
  const paper = await person.page.pdf({ preferCSSPageSize: true });
  // PDF (ISO 32000-1), 7.7.3.3: a page is an object of the type Page.
  expect(paper.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  await person.page.emulateMedia({ media: 'print' });
  expect(await person.page.getByRole('main').isVisible()).toBe(false);
  expect(await sheet.getByRole('button').filter({ visible: true }).count()).toBe(0);
});
