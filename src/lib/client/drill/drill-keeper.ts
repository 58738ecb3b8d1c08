import { NO_RECORD, type DrillRecord } from '../../core/drill/record';
import type { OutboxStorage } from '../outbox';

/** Where the browser keeps how the drill went: it belongs to the person, not to a desk. */
const STORED_AS = 'key-fold/drill';

/** What this browser knows; nothing where it knows nothing, or what makes no sense. */
export function keptDrill(storage: Pick<OutboxStorage, 'getItem'>): DrillRecord {
  try {
    const kept = JSON.parse(storage.getItem(STORED_AS) ?? 'null') as Partial<DrillRecord> | null;
    if (!kept || !Array.isArray(kept.rounds)) return NO_RECORD;
    return { rounds: kept.rounds, skills: kept.skills ?? {}, schedules: kept.schedules ?? {} };
  } catch {
    return NO_RECORD;
  }
}

/** Keeps it; answers false where there is no room for it. */
export function keepDrill(storage: Pick<OutboxStorage, 'setItem'>, record: DrillRecord): boolean {
  try {
    storage.setItem(STORED_AS, JSON.stringify(record));
    return true;
  } catch {
    return false;
  }
}
