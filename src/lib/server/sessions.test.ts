import { randomUUID } from 'node:crypto';
import { describe, expect, it, vi } from 'vitest';
import { batchOf } from '../../../testing/batches';
import { sessionOf } from '../../../testing/sessions';
import { useDatabase } from '../../../tests/use-database';
import { toDocument } from '../core/formats/session-document';
import { storedSession } from '../core/protocol/upcast';
import { ellavane } from '../demo/ellavane';
import { DEMO_ID } from '../demo/demo-id';
import { ensureDemo } from './runtime';
import {
  createSession,
  deleteSession,
  exportSession,
  followSessions,
  loadSession,
  submitBatch,
} from './sessions';
import { EventStore } from './store/event-store';
import { BUDGET_MS } from './store/planning';

const database = useDatabase();

async function office() {
  const store = new EventStore(database.db);
  const session = JSON.stringify(storedSession(sessionOf('a: a1 | b: b1')));
  return { store, id: await createSession(store, { session, pictures: [] }) };
}

describe('a session', () => {
  it('is stored under an id of its own, exported as it is, and deleted for good', async () => {
    const { store, id } = await office();
    expect(id).toMatch(/^s-[0-9a-f-]{36}$/);
    expect(await exportSession(store, id)).toEqual(toDocument(sessionOf('a: a1 | b: b1')));
    await deleteSession(store, id);
    const gone = { type: 'no-such-session', detail: `There is no session '${id}'.` };
    await expect(deleteSession(store, id)).rejects.toMatchObject(gone);
    await expect(loadSession(store, id)).rejects.toMatchObject(gone);
    await expect(submitBatch(store, id, batchOf({ type: 'sweep' }))).rejects.toMatchObject(gone);
    const follow = (named: boolean) => followSessions(store, [{ session: id, after: 0 }], { named });
    await expect(follow(false)).rejects.toMatchObject(gone);
    // One of several that a browser follows may be gone without the others being lost.
    await (await follow(true)).cancel();
  });

  it('is followed by so many, and no more', async () => {
    const { store, id } = await office();
    vi.spyOn(store, 'streams', 'get').mockReturnValue(1_000);
    const detail = 'Too many pages listen already.';
    const busy = { type: 'busy', detail, headers: { 'retry-after': '5' } };
    await expect(followSessions(store, [{ session: id, after: 0 }], { named: false })).rejects.toMatchObject(
      busy,
    );
  });

  it('of the demo is there from the first start, and stays as it is on the next', async () => {
    const store = new EventStore(database.db);
    await ensureDemo(store, 'http://127.0.0.1:4871');
    const { session } = await loadSession(store, DEMO_ID);
    expect(session.title).toBe(ellavane(new Date()).title);
    await submitBatch(store, DEMO_ID, batchOf({ type: 'sweep' }));
    await ensureDemo(store, 'http://127.0.0.1:4871');
    expect((await loadSession(store, DEMO_ID)).session.front).toBeNull();
  });
});

describe('a batch', () => {
  it('is answered with what happened, however often it comes, but not with another’s id', async () => {
    const { store, id } = await office();
    const batch = batchOf({ type: 'minimise', window: 'a1' });
    const report = await submitBatch(store, id, batch);
    expect(report).toMatchObject({ batch: batch.id, first: 1, settles: { kind: 'done' } });
    expect(await submitBatch(store, id, batch)).toEqual(report);
    await expect(
      submitBatch(store, id, { ...batchOf({ type: 'sweep' }), id: batch.id }),
    ).rejects.toMatchObject({
      type: 'id-used-again',
      detail: 'Another batch of this session has this id already.',
      errors: [{ pointer: '#/id', detail: 'was used for other commands' }],
    });
  });

  it('that takes longer than a batch may is refused, and changes nothing', async () => {
    const { id } = await office();
    const slow = new EventStore(database.db, (session) => {
      clock.mockReturnValue(BUDGET_MS + 1);
      return { ok: true, events: [], notices: [], session };
    });
    const clock = vi.spyOn(performance, 'now').mockReturnValue(0);
    await expect(submitBatch(slow, id, batchOf({ type: 'sweep' }))).rejects.toMatchObject({
      type: 'batch-too-slow',
      detail: 'The batch takes longer than the server gives one batch.',
    });
    clock.mockRestore();
  });

  it('that names what is not there is refused, and says where', async () => {
    const { store, id } = await office();
    const wrong = batchOf({ type: 'sweep' }, { type: 'minimise', window: 'nowhere' });
    const detail = "There is no window 'nowhere'.";
    await expect(submitBatch(store, id, wrong)).rejects.toMatchObject({
      type: 'refused',
      detail,
      errors: [{ pointer: '#/commands/1/window', detail }],
    });
    await expect(submitBatch(store, id, { id: randomUUID() })).rejects.toMatchObject({ type: 'not-a-batch' });
    expect((await loadSession(store, id)).seq).toBe(0);
  });
});
