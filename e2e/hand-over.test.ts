/** Handing a set-up over to a colleague, in a browser. */
import { expect, it } from 'vitest';
import { ellavane } from '../src/lib/demo/ellavane';
import { at } from './support/at';
import {
  atEllavane,
  createSession,
  openPage,
  storedSession,
  useBrowser,
  type Person,
} from './support/browser';

useBrowser();

const dialog = (person: Person) => person.page.getByRole('dialog', { name: 'Hand over' });

async function open(person: Person) {
  await person.chord('Q');
  await person.page.keyboard.type('hand over');
  await person.selectedLeaf.waitFor();
  await person.press('Enter');
  await dialog(person).waitFor();
}

/** What somebody who has set up much hands out. */
async function handedOut(): Promise<string> {
  const demo = ellavane(new Date());
  const chord = { code: 'KeyE', shift: false, hold: true, modifiers: [] };
  const id = await createSession({
    ...demo,
    settings: { ...demo.settings, theme: 'night' },
    places: ['berths', 'tides', ...demo.places.slice(2)],
    shortcuts: [
      { id: 's1', chord, aim: { application: 'radio', title: null }, opens: true, further: 'back' },
    ],
    ownKeys: [{ action: 'sweep', argument: null, chord: { ...chord, code: 'F9' } }],
  });
  const person = await openPage(id);
  await open(person);
  const download = person.page.waitForEvent('download');
  await dialog(person).getByRole('button', { name: 'Export my set-up' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe(`${id}-set-up.json`);
  return (await (await file.createReadStream()).toArray()).join('');
}

const give = (person: Person, text: string, name = 'set-up.json') =>
  dialog(person)
    .getByLabel('Take over a set-up')
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });

it('what one hands out another takes over: all of it by Enter, undone as one step', async () => {
  const text = await handedOut();
  const person = await at(atEllavane());
  await open(person);
  await give(person, text);
  await dialog(person).getByRole('button', { name: 'Take over 5' }).waitFor();
  await dialog(person).getByText('instead of Berths').waitFor();
  await person.press('Enter');
  await dialog(person).getByText('5 taken over').waitFor();
  await person.press('Escape');
  await person.chord('1');
  expect(await person.frontName()).toMatch(/Berths$/);
  await person.chord('E');
  expect(await person.frontName()).toMatch(/Radio$/);
  expect(await person.page.locator('html').getAttribute('data-theme')).toBe('night');
  await open(person);
  await dialog(person).getByRole('button', { name: 'Undo the last change' }).click();
  await person.sent();
  const { session } = await storedSession(person.session, person.url);
  expect([session.places[0], session.settings.theme, session.shortcuts, session.ownKeys]).toEqual([
    'tides',
    'system',
    [],
    [],
  ]);
  expect(person.errors).toEqual([]);
});

it('some of it, by ticks; what has a key here is not taken unless it is ticked', async () => {
  const document = JSON.parse(await handedOut()) as { shortcuts: { chord: { code: string } }[] };
  for (const { chord } of document.shortcuts) chord.code = 'KeyS';
  const person = await at(atEllavane());
  await open(person);
  await give(person, JSON.stringify(document));
  const radio = dialog(person).getByRole('checkbox', { name: /Alt S Radio/ });
  expect(await radio.isChecked()).toBe(false);
  await dialog(person).getByText('taken here: Older application').waitFor();
  await dialog(person)
    .getByRole('checkbox', { name: /Colours night/ })
    .uncheck();
  await radio.check();
  await dialog(person).getByRole('button', { name: 'Take over 4' }).click();
  await person.sent();
  const { session } = await storedSession(person.session, person.url);
  expect([session.settings.theme, session.shortcuts.length]).toEqual(['system', 1]);
});

it('what is none, newer, or too large says why, and changes nothing', async () => {
  const text = await handedOut();
  const person = await at(atEllavane());
  await open(person);
  const says = (words: string) => dialog(person).getByRole('alert').getByText(words).waitFor();
  await give(person, '{', 'broken.json');
  await says('broken.json was not read. The body does not parse as JSON.');
  await give(person, text.replace('"version": 1', '"version": 2'), 'newer.json');
  await says('newer.json was not read. It was written by a newer Key Fold (version 2)');
  await give(person, text.replace('"night"', '"mauve"'), 'odd.json');
  await says('settings.theme');
  await give(person, 'x'.repeat(1024 * 1024 + 1), 'large.json');
  await says('no set-up is larger than 1 MiB');
  expect(await dialog(person).getByRole('checkbox').count()).toBe(0);
  await person.sent();
  expect((await storedSession(person.session, person.url)).session.setupsBefore).toEqual([]);
});
