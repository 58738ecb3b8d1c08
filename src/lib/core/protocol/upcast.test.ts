import { describe, expect, it } from 'vitest';
import { later, sessionOf } from '../../../../testing/sessions';
import { personAt } from '../../../../testing/person';
import { batchFrom, eventFrom, reportFrom, sessionFrom, storedEvent, storedSession } from './upcast';

const trip = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

describe('what is stored', () => {
  it('comes back as it was', () => {
    const person = personAt('a: a1 a2* | b: b1').act('minimise').act('close').act('put-back').act('quit');
    expect(sessionFrom(trip(storedSession(person.session)))).toEqual(person.session);
    expect(person.events.map((event) => eventFrom(trip(storedEvent(event))))).toEqual(person.events);
  });

  it('gets the fields that have been added since', () => {
    const { learned: _learned, ...older } = storedSession(sessionOf('a: a1'));
    expect(sessionFrom(older).learned).toEqual([]);
    const known = { letters: 'l', choice: 'document:d-a1', at: later(0) };
    const counted = {
      ...older,
      v: 2,
      learned: [
        { ...known, weight: 1.6 },
        { ...known, weight: 0.1 },
      ],
    };
    expect(sessionFrom(counted).learned.map(({ times }) => times)).toEqual([2, 1]);
    expect(sessionFrom({ ...older, v: 2 }).learned).toEqual([]);
  });
});

describe('a snapshot before they had versions', () => {
  it('had records in the place of tables, and entries without ids', () => {
    const person = personAt('a: a1 a2* | b: b1').act('minimise').act('end-now');
    const { v: _v, ...now } = storedSession(person.session);
    const { applications, windows, documents, drafts, putAways, ended } = person.session;
    const byId = (table: readonly { id: string }[]) => Object.fromEntries(table.map((one) => [one.id, one]));
    const withoutIds = (list: readonly { id: string }[]) => list.map(({ id: _id, ...rest }) => rest);
    const old = {
      ...now,
      applications: byId(applications),
      windows: byId(windows),
      documents: byId(documents),
      drafts: Object.fromEntries(drafts.map(({ id, ...draft }) => [id, draft])),
      putAways: withoutIds(putAways),
      ended: withoutIds(ended).map(({ discarded: _none, ...rest }: { discarded?: unknown }) => rest),
    };
    expect([putAways.length, ended.length, drafts.length]).toEqual([1, 1, 1]);
    const upcast = sessionFrom(trip(old));
    const given = { id: expect.stringMatching(/^e-[0-9a-f]{8}$/) };
    expect(upcast).toEqual({
      ...person.session,
      putAways: putAways.map((entry) => ({ ...entry, ...given })),
      ended: ended.map((entry) => ({ ...entry, ...given })),
    });
    expect(sessionFrom(trip(old))).toEqual(upcast);
    expect(sessionFrom(trip(storedSession(upcast)))).toEqual(upcast);
  });
});

describe('events before they had versions', () => {
  const entry = { kind: 'hide', subject: 'A', windows: [], applications: [], stacking: null, front: null };

  it.each([
    [
      { type: 'put-back', levels: 2 },
      { type: 'put-back-levels', levels: 2 },
    ],
    [{ type: 'ended-reopened' }, { type: 'ended-reopened', entry: null }],
    [
      { type: 'workspace-entered', workspace: 'w' },
      { type: 'workspace-entered', workspace: 'w' },
    ],
  ])('%j', (old, now) => expect(eventFrom(old)).toEqual(now));

  it.each([
    { type: 'windows-closed', windows: ['a1'], discarded: [] },
    { type: 'application-ended', application: 'a', discarded: [] },
    { type: 'drafts-discarded', documents: ['d'] },
  ])('%j gets an entry that is the same at every reading', (old) => {
    expect(eventFrom(old)).toEqual({ ...old, entry: expect.stringMatching(/^e-[0-9a-f]{8}$/) });
    expect(eventFrom(old)).toEqual(eventFrom(trip(old)));
  });

  it('by the hash that is written down (computed by another program, which gives e40c292c for "a" as published)', () => {
    expect(eventFrom({ type: 'drafts-discarded', documents: ['d'] })).toMatchObject({ entry: 'e-0efcba0f' });
  });

  it('an entry of the put-back stack gets an id that tells it from others', () => {
    const at = (subject: string) => eventFrom({ type: 'put-away', entry: { ...entry, subject } });
    expect(at('A')).toEqual({ type: 'put-away', entry: { ...entry, id: expect.stringMatching(/^e-/) } });
    expect(at('A')).not.toEqual({ ...at('B'), entry: { ...entry, subject: 'A' } });
  });
});

it('a report that says nothing of how its batch ends is of one that is done', () => {
  const report = { batch: 'x', first: 1, events: [] };
  expect(reportFrom(report)).toEqual({ ...report, settles: { kind: 'done' } });
  expect(reportFrom({ ...report, settles: null }).settles).toBeNull();
});

describe('a batch', () => {
  const old = (...types: string[]) => ({ id: 'x', commands: types.map((type) => ({ type })) });

  it('of the first version names no entry, and its sweep may put back', () => {
    expect(batchFrom(old('put-back', 'reopen', 'sweep', 'quit')).commands).toEqual([
      { type: 'put-back', entry: null },
      { type: 'reopen', entry: null },
      { type: 'sweep-or-put-back' },
      { type: 'quit' },
    ]);
  });

  it('of this version is taken as it is', () => {
    const now = { ...old('sweep'), v: 2 };
    expect(batchFrom(now)).toBe(now);
  });

  it('may hold anything while it is unchecked', () => {
    expect(batchFrom({ commands: [null, 7, {}] }).commands).toEqual([null, 7, {}]);
  });
});
