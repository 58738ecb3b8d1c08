import type { LookedAt, Picture } from '../core/display/pictures';
import { sendJson } from './send-json';
import { picturesAddress } from './session-api';

/** Asks the server for pictures of a display's windows. @returns none while it cannot be reached */
export async function askForPictures(
  session: string,
  windows: readonly LookedAt[],
): Promise<readonly Picture[]> {
  const answer = await sendJson<{ pictures: readonly Picture[] }>(
    picturesAddress(session),
    JSON.stringify({ windows }),
  );
  return 'value' in answer ? answer.value.pictures : [];
}
