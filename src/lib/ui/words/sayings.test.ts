/** What is said of what was done, at the desk that the page runs. */
import { describe, expect, it } from 'vitest';
import { personAt, REGISTRY, type Person } from '../../../../testing/person';
import { chordText } from '../../core/keys/chord';
import { frontText, sayingText } from './sayings';

const CHORDS: Readonly<Record<string, string>> = {
  reopen: 'Alt Shift R',
  'end-now': 'Alt Shift V',
  search: 'Alt Q',
};

/** What was said last, and whether it must be read. */
function said(person: Person) {
  const { state, session } = person;
  const last = person.effects.findLast((effect) => effect.type === 'say');
  if (!last) throw new Error('Nothing was said.');
  const chord = (action: string) => CHORDS[action] ?? '';
  return sayingText(last.saying, { state, session, registry: REGISTRY, chord, chordName: chordText });
}
const calmly = (text: string) => ({ text, urgent: false });
const urgently = (text: string) => ({ text, urgent: true });

describe('what is said', () => {
  it.each([
    ['minimise', 'a1, minimised. a2 — A, in front'],
    ['minimise-all', 'All A windows minimised. b1 — B, in front'],
    ['hide-or-show', 'A, hidden. b1 — B, in front'],
    ['solo', 'All but A, hidden'],
    ['sweep', 'Everything swept away. Nothing is in front'],
    ['close', 'a1 closed. a2 — A, in front'],
    ['close-all', 'a1 and a2 closed. b1 — B, in front'],
    ['quit', 'A has ended. b1 — B, in front'],
    ['put-back', 'Nothing to put back.'],
  ])('of %s: %s', (action, text) => {
    expect(said(personAt('a: a1 a2 | b: b1').act(action)).text).toBe(text);
  });

  it.each([
    ['a: a1 a2- a3- | b: b1', 'restore-all', 'a2 and a3 back up'],
    ['a: a1 a2- a3- a4- a5- | b: b1', 'restore-all', '4 windows back up'],
    ['a: a1 | b: b1', 'new-window', 'New window. a — A, in front'],
    ['a: a1 | b: b1-', 'flip', 'b1 — B, in front'],
  ])('at %s of %s: %s', (desk, action, text) => {
    const person = personAt(desk);
    expect(said(action === 'flip' ? person.flip() : person.act(action)).text).toBe(text);
  });

  it('of what is reopened it is not said that windows opened', () => {
    expect(said(personAt('a: a1 a2 | b: b1').act('close').act('reopen')).text).toBe('a1 — A, in front');
  });

  it.each([
    ['minimise', 'Undone: a1 is back'],
    ['minimise-all', 'Undone: all A windows are back'],
    ['hide-or-show', 'Undone: A is shown again'],
    ['solo', 'Undone: the others are shown again'],
    ['sweep', 'Undone: everything is back'],
  ])('of putting back after %s: %s', (action, text) => {
    expect(said(personAt('a: a1 a2 | b: b1').act(action).act('put-back')).text).toContain(text);
  });

  it('of the highlight: what it is, and how it stands', () => {
    const person = personAt('a: a1 | !b: b1*-')
      .step('older-application')
      .input({ type: 'time', timer: 'show' });
    expect(said(person)).toEqual(calmly('B, b1, hidden, unsaved, minimised'));
    expect(said(person.escape())).toEqual(calmly('Cancelled. a1 — A, in front'));
    expect(frontText(person.session)).toBe('a1 — A, in front');
  });

  it('of what asks, and of what was answered', () => {
    const person = personAt('a: a1* | b: b1').act('close');
    expect(said(person).text).toBe('Unsaved changes in a1: save, discard or keep open?');
    person.input({ type: 'answered', wish: { type: 'answer-closing', window: 'a1', answer: 'keep-open' } });
    expect(said(person)).toEqual(calmly('a1 stays open'));
    person
      .act('close')
      .input({ type: 'answered', wish: { type: 'answer-closing', window: 'a1', answer: 'save' } });
    expect(said(person)).toEqual(calmly('a1 saved. a1 closed. b1 — B, in front'));
  });

  it('of what cannot be done: why, and what can be, with the whole chord', () => {
    expect(said(personAt('a: a1 a2').act('close').act('put-back'))).toEqual(
      urgently('Nothing to put back. Alt Shift R reopens a1.'),
    );
    const stuck = personAt('a: a1').wish({ type: 'stop-answering', application: 'a' }).act('quit');
    expect(said(stuck)).toEqual(urgently('A is not responding. Alt Shift V ends it; drafts are kept.'));
  });

  it('of a release that was missed, a glance, and nothing at all', () => {
    const held = personAt('a: a1 | b: b1').step('older-application').input({ type: 'blur' });
    expect(said(held.input({ type: 'pointer', did: 'move', holdKeyDown: false })).text).toMatch(/stays open/);
    const glancing = personAt('a: a1').hold().key({ code: 'Space', key: ' ' });
    expect(said(glancing)).toEqual(calmly('Bare surface'));
    const nothing = personAt('a: a1').act('quit').step('older-application', 'older-application');
    expect(said(nothing).text).toBe('Nothing is running. Alt Q finds and opens anything.');
  });
});
