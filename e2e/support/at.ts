import { expect, onTestFinished } from 'vitest';
import type { Person } from './browser';

/** Someone at work for one test; at its end the page must have no errors in its console. */
export async function at(open: Promise<Person>): Promise<Person> {
  const person = await open;
  onTestFinished(async () => {
    expect(person.errors).toEqual([]);
    await person.page.context().close();
  });
  return person;
}
