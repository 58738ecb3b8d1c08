import { DEMO_ID } from '../../demo/demo-id';
import type { KnownDesk } from '../../core/protocol/known-desk';
import type { EventStore } from '../store/event-store';
import type { Displays } from './displays';

/** The displays that have been here, and the demo. The addresses of other desks are for those who were given them. */
export async function knownDesks(
  store: EventStore,
  { sessions }: Pick<Displays, 'sessions'>,
): Promise<KnownDesk[]> {
  const desks = await Promise.all(
    [...sessions].sort().map(async (id): Promise<KnownDesk[]> => {
      const stored = await store.load(id);
      if (stored?.session.host.kind !== 'live') return [];
      const { title, host } = stored.session;
      return [{ id, title, kind: 'display', awaySince: host.awaySince ?? null }];
    }),
  );
  const demo = await store.load(DEMO_ID);
  const title = demo?.session.title ?? DEMO_ID;
  return [...desks.flat(), { id: DEMO_ID, title, kind: 'demo', awaySince: null }];
}
