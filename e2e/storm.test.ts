/** Keys at random on two pages of one session, with reloads, lost focus and the pointer in between. */
import { expect, it } from 'vitest';
import { problemsOf } from '../src/lib/core/session/session';
import { ellavane } from '../src/lib/demo/ellavane';
import { Random } from '../testing/random';
import {
  createSession,
  newContext,
  openPage,
  storedSession,
  useBrowser,
  type Person,
} from './support/browser';

useBrowser();

const INPUTS = Number(process.env.STORM_INPUTS ?? 400);
const KEYS = [
  ...'SAFDQZXCVRGTEON'.split('').map((letter) => `Key${letter}`),
  ...['Digit2', 'Digit3', 'Digit6', 'Backquote'],
];
const OTHERS = ['Space', 'Enter', 'Escape', 'ArrowDown', 'ArrowLeft', 'Tab', 'Backspace', 'F6', 'Delete'];

async function input(random: Random, person: Person): Promise<void> {
  const { keyboard, mouse } = person.page;
  const what = random.below(20);
  if (what < 5) return keyboard.down('Alt');
  if (what < 9) return keyboard.up('Alt');
  if (what === 9) return keyboard.down('Shift');
  if (what === 10) return keyboard.up('Shift');
  if (what === 11 && random.below(12) === 0) return void (await person.reload());
  if (what === 12 && random.below(4) === 0)
    return person.page.evaluate(() => void window.dispatchEvent(new Event('blur')));
  if (what === 13) return mouse.click(random.below(1280), random.below(740));
  const key = random.one([...KEYS, ...OTHERS]);
  await keyboard.down(key);
  // Some stay down until they are pressed again.
  if (random.below(3) > 0) await keyboard.up(key);
}

it.each([1, 2, 3])(
  'storm %i leaves two pages in step with the server, and the keys where they belong',
  async (seed) => {
    const session = await createSession(ellavane(new Date()));
    const context = await newContext();
    const people = [await openPage(session, { context }), await openPage(session, { context })];
    const random = new Random(seed);
    for (let n = 0; n < INPUTS; n += 1) await input(random, random.one(people));
    for (const person of people) {
      await person.page.keyboard.up('Alt');
      await person.page.keyboard.up('Shift');
      await person.press('Escape', 'Escape');
    }
    for (const person of people) await person.sent();

    expect(problemsOf((await storedSession(session)).session)).toEqual([]);
    for (const person of people) {
      expect(person.errors).toEqual([]);
      const front = () =>
        person.page.evaluate(
          () => document.querySelector('section[aria-current=true]')?.id.slice('window-'.length) ?? null,
        );
      // What a page sent while it was left may be stored later than what it sent since: the server is asked each time.
      const stored = async () => (await storedSession(session)).session.front;
      await expect.poll(async () => (await front()) === (await stored())).toBe(true);
      // The keys go to the front window, to the surface where nothing is in front, or to where Tab has led.
      const keysTo = () =>
        person.page.evaluate(() => {
          const focused = document.activeElement;
          const led = focused?.closest('footer')
            ? document.querySelector('section[aria-current=true]')
            : focused;
          return (
            led?.closest('section, main')?.id.slice('window-'.length) ??
            (focused === document.body ? 'nowhere' : '')
          );
        });
      await expect.poll(async () => (await keysTo()) === ((await stored()) ?? '')).toBe(true);
    }
    await context.close();
  },
);
