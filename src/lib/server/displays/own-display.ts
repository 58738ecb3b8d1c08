import { join } from 'node:path';
import type { AccessKeys } from '../access/access-keys';
import { keepSecret, secretIn } from '../access/secret';
import type { DisplayTokens } from './display-tokens';

/** The session of this machine's own display. */
export const OWN_DISPLAY = 'display';

/**
 * Sees to it that the agent of this machine's display finds a token, and whoever owns this server an access key, in files
 * that nobody else can read; what was revoked is made anew. Answers the key.
 */
export async function openOwnDisplay(
  folder: string,
  tokens: DisplayTokens,
  keys: AccessKeys,
): Promise<string> {
  const tokenFile = join(folder, 'agent-token');
  const token = await secretIn(tokenFile);
  if (token === null || (await tokens.sessionOf(token)) !== OWN_DISPLAY)
    await keepSecret(tokenFile, await tokens.renew(OWN_DISPLAY));
  const keyFile = join(folder, 'access-key');
  const known = await secretIn(keyFile);
  if (known !== null && (await keys.accepts(known))) return known;
  const key = await keys.add();
  await keepSecret(keyFile, key);
  return key;
}
