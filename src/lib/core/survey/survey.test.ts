/** The survey at the desk: what it shows, where keys go in it, and what they do to the highlight. */
import { describe, expect, it } from 'vitest';
import { Person, personAt } from '../../../../testing/person';
import { sessionOf, withWindow } from '../../../../testing/sessions';
import { idsIn } from '../model/table';
import type { Session } from '../session/session';
import { windowOf } from '../slices/windows/selectors';
import { layOut, layRequest, readingOrder, windowsSurveyed } from './survey';

const plain = { alt: false };
const opened = (line: string) => personAt(line).press('survey').letGo();
const shown = (person: Person) => {
  const { survey } = person.state;
  return survey?.sheet ? readingOrder(survey.sheet, survey.order).join(' ') : '';
};
/** Windows two by two, as they lie. */
function corners(session: Session, ids: readonly string[]): Session {
  return ids.reduce(
    (now, id, n) =>
      withWindow(now, id, {
        geometry: { x: 560 * (n % 2), y: 380 * Math.floor(n / 2), width: 500, height: 340 },
      }),
    session,
  );
}
const atFour = () =>
  new Person(corners(sessionOf('a: a1 a2 | b: b1 b2'), ['a1', 'a2', 'b1', 'b2'])).press('survey').letGo();

describe('what the survey shows', () => {
  it('is every window of the workspace, by keys also what is put away and what is elsewhere', () => {
    const person = opened('a: a1 a2- | !b: b1 | c: c1~');
    expect(person.state.survey?.at).toBe('a1');
    expect(shown(person)).toBe('a1');
    person.hold().tap('KeyM');
    expect(shown(person).split(' ').sort()).toEqual(['a1', 'a2', 'b1']);
    person.tap('KeyY');
    expect(shown(person).split(' ').sort()).toEqual(['a1', 'a2', 'b1', 'c1']);
    person.tap('KeyM').tap('KeyY');
    expect(shown(person)).toBe('a1');
  });

  it('is only one application where that is asked for, from its start or for the highlight', () => {
    const person = personAt('a: a1 a2 | b: b1').press('survey-application').letGo();
    expect(shown(person).split(' ').sort()).toEqual(['a1', 'a2']);
    person.hold().tap('KeyT').letGo();
    expect(shown(person).split(' ').sort()).toEqual(['a1', 'a2', 'b1']);
  });

  it('is filtered by what is typed, in titles and names of applications, all words of it', () => {
    const person = opened('a: a1 a2 | b: b1').input({ type: 'letters', letters: 'b', at: '' });
    expect(shown(person)).toBe('b1');
    expect(person.state.survey?.at).toBe('b1');
    person.input({ type: 'letters', letters: '2 A', at: '' });
    expect(shown(person)).toBe('a2');
    person.input({ type: 'letters', letters: 'zz', at: '' });
    expect([shown(person), person.state.survey?.at]).toEqual(['', null]);
    person.input({ type: 'letters', letters: '', at: '' });
    expect(person.state.survey?.at).not.toBeNull();
  });

  it('comes in the order that is asked for', () => {
    const session = sessionOf('b: b1 b2 | a: a1');
    const person = new Person(session).press('survey').letGo();
    const next = () => shown(person.tap('Tab', plain));
    expect(person.state.survey?.order).toBe('place');
    expect(next()).toBe('a1 b1 b2');
    expect(next()).toBe('a1 b1 b2');
    expect(next()).toBe('b1 b2 a1');
    expect(person.tap('Tab', { ...plain, shift: true }).state.survey?.order).toBe('application');
  });

  it('shows windows where they lie roughly as they do', () => {
    expect(atFour().state.survey?.sheet?.laid?.rows).toEqual([
      ['a1', 'a2'],
      ['b1', 'b2'],
    ]);
  });
});

describe('keys in the survey', () => {
  it('go by position and come back; Enter brings forward, Escape leaves everything as it was', () => {
    const person = atFour();
    const at = () => person.state.survey?.at;
    person.tap('ArrowRight', plain).tap('ArrowDown', plain);
    expect(at()).toBe('b2');
    person.tap('ArrowUp', plain).tap('ArrowLeft', plain);
    expect(at()).toBe('a1');
    person.tap('End', plain);
    expect(at()).toBe('b2');
    const before = person.session;
    person.tap('Escape', plain);
    expect([person.state.survey, person.session]).toEqual([null, before]);
    person.press('survey').letGo().tap('End', plain).tap('Enter', plain);
    expect([person.state.survey, person.session.front]).toEqual([null, 'b2']);
  });

  it('Page keys go from application to application, and round', () => {
    const person = atFour();
    const owner = () => windowOf(person.session, person.state.survey?.at ?? '').application;
    expect(owner()).toBe('a');
    person.tap('PageDown', plain);
    expect(owner()).toBe('b');
    person.tap('PageDown', plain);
    expect(owner()).toBe('a');
    person.tap('PageUp', plain);
    expect(owner()).toBe('b');
  });

  it('a space enlarges and stepping goes on enlarged, but once something is typed it is a letter', () => {
    const person = atFour().key({ code: 'Space', key: ' ', ...plain });
    expect(person.state.survey?.enlarged).toBe(true);
    person.tap('ArrowRight', plain);
    expect([person.state.survey?.enlarged, person.state.survey?.at]).toEqual([true, 'a2']);
    person.hold().tap('KeyE').letGo();
    expect(person.state.survey?.enlarged).toBe(false);
    person.input({ type: 'letters', letters: 'a', at: '' });
    const taken = person.effects.filter(({ type }) => type === 'take').length;
    person.key({ code: 'Space', key: ' ', ...plain });
    expect(person.effects.filter(({ type }) => type === 'take')).toHaveLength(taken);
    expect(person.state.survey?.enlarged).toBe(false);
  });

  it('putting away acts on the highlight, which goes to what comes next; the survey stays', () => {
    const person = atFour().tap('ArrowRight', plain).press('minimise').letGo();
    expect(windowOf(person.session, 'a2').minimised).toBe(true);
    expect(shown(person)).toBe('a1 b1 b2');
    expect(person.state.survey?.at).toBe('b1');
    person.press('close').letGo();
    expect(idsIn(person.session.windows)).toEqual(['a1', 'a2', 'b2']);
    expect(person.state.survey?.at).toBe('b2');
    person.press('put-back').letGo();
    expect(shown(person).split(' ').sort()).toEqual(['a1', 'a2', 'b2']);
    expect(person.state.survey?.at).toBe('b2');
  });

  it('the same key again leaves, and so does the switcher', () => {
    const person = atFour().press('survey').letGo();
    expect(person.state.survey).toBeNull();
    person.press('survey').letGo().press('search').letGo();
    expect([person.state.survey, person.switcher !== null]).toEqual([null, true]);
  });

  it('what closes elsewhere goes, what opens comes, and the highlight stays where it is', () => {
    const person = atFour().tap('ArrowDown', plain);
    expect(person.state.survey?.at).toBe('b1');
    person
      .wish({ type: 'close', window: 'a1' })
      .wish({ type: 'open-window', application: 'a', inFront: false });
    expect(person.state.survey?.at).toBe('b1');
    expect(shown(person).split(' ')).toHaveLength(4);
  });

  it('is laid out on the paper that the page has, however large the surface is that the windows lie on', () => {
    const paper = { width: 900, height: 600 };
    const person = new Person(corners(sessionOf('a: a1 a2 | b: b1 b2'), ['a1', 'a2', 'b1', 'b2']))
      .input({ type: 'surface', surface: { width: 3_000, height: 2_000 }, paper })
      .press('survey')
      .letGo();
    const pictures = person.state.survey?.sheet?.laid?.pictures ?? [];
    expect(pictures).toHaveLength(4);
    for (const { cell } of pictures) {
      expect(cell.x + cell.width).toBeLessThanOrEqual(paper.width);
      expect(cell.y + cell.height).toBeLessThanOrEqual(paper.height);
    }
  });

  it('an answer that comes too late, about windows that are others by now, is of no use', () => {
    const person = atFour();
    const { survey, paper } = person.state;
    if (!survey) throw new Error('The survey is not open.');
    const late = layOut(layRequest(person.session, survey, paper));
    person.wish({ type: 'close', window: 'b2' });
    const now = person.state.survey;
    expect(person.input({ type: 'laid-out', sheet: late }).state.survey).toBe(now);
  });
});

describe('many windows', () => {
  const crowd = (count: number) =>
    sessionOf(
      ['a', 'b', 'c']
        .map((id) => `${id}: ${Array.from({ length: count }, (_, n) => `${id}${n}`).join(' ')}`)
        .join(' | '),
    );

  it('are captions, then one an application with the windows of the highlighted one', () => {
    const person = new Person(crowd(25)).press('survey').letGo();
    expect(person.state.survey?.sheet?.form).toBe('captions');
    const more = new Person(crowd(60)).press('survey').letGo();
    expect(more.state.survey?.sheet?.form).toBe('families');
    const at = more.state.survey?.at ?? '';
    more.tap('ArrowDown', plain);
    expect(more.state.survey?.at).not.toBe(at);
    expect(windowOf(more.session, more.state.survey?.at ?? '').application).toBe('a');
    more.tap('PageDown', plain);
    expect(windowOf(more.session, more.state.survey?.at ?? '').application).toBe('b');
    expect(
      windowsSurveyed(
        more.session,
        more.state.survey ?? { order: 'place', only: null, away: false, elsewhere: false, letters: '' },
      ),
    ).toHaveLength(180);
  });
});
