import { describe, expect, it } from 'vitest';
import { Person } from '../../../../testing/person';
import { sessionOf } from '../../../../testing/sessions';
import { FOLDER } from '../folders/folder';
import type { Session } from '../session/session';
import { documentOf } from '../slices/documents/selectors';
import { activeTab, windowOf } from '../slices/windows/selectors';
import { folderForPictures, picturesIn, PICTURE, pictureFileName, pictureFrom, pictureText } from './picture';

const DIGEST = 'a1'.repeat(32);
const SHOT = { digest: DIGEST, width: 640, height: 400, bytes: 1234 };

/** `k` opens with a folder in which one letter is. */
function withCabinet(): Session {
  const desk = sessionOf('a: a1 | k: k1');
  const home = desk.applications.find(({ id }) => id === 'k')?.home;
  const documents = desk.documents.map((document) =>
    document.id === home ? { ...document, kind: FOLDER, text: 'd-a1' } : document,
  );
  return { ...desk, documents };
}

describe('a picture’s document', () => {
  it('names it, and nothing else is taken for one', () => {
    expect(pictureFrom(pictureText(SHOT))).toEqual(SHOT);
    const others = ['', 'letter', '1', 'null', '[]', pictureText({ ...SHOT, digest: DIGEST.toUpperCase() })];
    for (const wrong of [...others, pictureText({ ...SHOT, width: 0 }), pictureText({ ...SHOT, bytes: 1.5 })])
      expect(pictureFrom(wrong)).toBeNull();
  });

  it('comes into the folder, in no window of its own, and opens where the folder does', () => {
    const session = withCabinet();
    const cabinet = folderForPictures(session);
    const person = new Person(session);
    const { front } = session;
    person.wish({
      type: 'keep-picture',
      folder: cabinet?.id ?? '',
      title: 'Berths',
      text: pictureText(SHOT),
    });
    expect(person.session.front).toBe(front);
    const [, kept = ''] = documentOf(person.session, cabinet?.id ?? '').text.split('\n');
    expect(documentOf(person.session, kept)).toMatchObject({
      title: 'Berths',
      kind: PICTURE,
      application: 'k',
    });
    expect(picturesIn(person.session)).toEqual([SHOT]);
    person.wish({ type: 'open-document', document: kept });
    expect(activeTab(windowOf(person.session, person.session.front ?? '')).document).toBe(kept);
  });

  it('is refused where it names none, and what it should go into is no folder', () => {
    const session = withCabinet();
    const keep = (folder: string, text: string) => () =>
      new Person(session).wish({ type: 'keep-picture', folder, title: 'x', text });
    expect(keep(folderForPictures(session)?.id ?? '', 'no picture')).toThrow('It names no picture.');
    expect(keep('d-a1', pictureText(SHOT))).toThrow("'d-a1' is no folder.");
  });
});

it('goes to a folder that has pictures, else to an empty one, else to the first; nowhere where there is none', () => {
  const desk = sessionOf('a: a1 a2 a3 a4');
  const among = (texts: Readonly<Record<string, string>>) => {
    const documents = desk.documents.map((document) => {
      if (document.id === 'd-a1') return { ...document, kind: PICTURE, text: pictureText(SHOT) };
      const text = texts[document.id];
      return text === undefined ? document : { ...document, kind: FOLDER, text };
    });
    return folderForPictures({ ...desk, documents })?.id ?? null;
  };
  expect(among({ 'd-a2': 'd-a', 'd-a3': '', 'd-a4': 'd-a\nd-a1' })).toBe('d-a4');
  expect(among({ 'd-a2': 'd-a', 'd-a3': '', 'd-a4': 'd-a' })).toBe('d-a3');
  expect(among({ 'd-a2': 'd-a', 'd-a4': 'd-a' })).toBe('d-a2');
  expect(among({})).toBeNull();
});

it('is called as its file can be called on any system', () => {
  expect(pictureFileName('Berths: 10/11 <new> ')).toBe('Berths 10 11 new.png');
  expect([
    pictureFileName('...'),
    pictureFileName('\u0007'),
    pictureFileName('x'.repeat(500)).length,
  ]).toEqual(['picture.png', 'picture.png', 204]);
});
