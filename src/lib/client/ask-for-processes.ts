import type { ProgramUse } from '../core/display/processes';
import { fetchInTime } from './fetch-in-time';
import { processesAddress } from './session-api';

/** Asks the server what the programs of a display use. @returns none while it cannot be reached */
export async function askForProcesses(session: string): Promise<readonly ProgramUse[]> {
  const response = await fetchInTime(processesAddress(session)).catch(() => null);
  const answer = response?.ok
    ? ((await response.json().catch(() => null)) as { programs?: ProgramUse[] } | null)
    : null;
  return answer?.programs ?? [];
}
