import { fetchInTime } from './fetch-in-time';
import { lockAddress, sessionPage } from './session-api';

/** What came of asking a lock: nothing but that it is done, or why not. */
export type LockAnswer =
  | { readonly done: true }
  | {
      readonly done: false;
      /** The last part of the problem's type; null if the server cannot be reached. */
      readonly problem: string | null;
      readonly detail: string | null;
      /** Seconds until the next attempt is taken. */
      readonly wait: number;
    };

/** Locks a session; the first time with the passphrase that is to open it. */
export const lockSession = (session: string, passphrase?: string): Promise<LockAnswer> =>
  ask('PUT', session, { ...(passphrase !== undefined && { passphrase }) });

/** Opens a session. */
export const openSession = (session: string, passphrase: string): Promise<LockAnswer> =>
  ask('POST', session, { passphrase });

/** Has another passphrase open a session. */
export const changePassphrase = (session: string, passphrase: string, next: string): Promise<LockAnswer> =>
  ask('PATCH', session, { passphrase, next });

/** Whether a session is locked; null if that cannot be known now. */
export async function isLocked(session: string): Promise<boolean | null> {
  const response = await fetchInTime(lockAddress(session)).catch(() => null);
  const state = (await response?.json().catch(() => null)) as { locked?: boolean } | null | undefined;
  return state?.locked ?? null;
}

/** Leaves a session that was locked: nothing of it stays in the page, nor with what this browser keeps for when there is no server. */
export async function leaveLocked(session: string): Promise<void> {
  try {
    for (const name of await caches.keys()) {
      const cache = await caches.open(name);
      for (const request of await cache.keys())
        if (new URL(request.url).pathname.startsWith(sessionPage(session))) await cache.delete(request);
    }
  } finally {
    location.reload();
  }
}

async function ask(method: string, session: string, body: object): Promise<LockAnswer> {
  const request = {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  };
  const response = await fetchInTime(lockAddress(session), request).catch(() => null);
  if (response?.ok) return { done: true };
  const problem = (await response?.json().catch(() => null)) as
    { type?: string; detail?: string } | null | undefined;
  return {
    done: false,
    problem: problem?.type?.split('/').at(-1) ?? null,
    detail: problem?.detail ?? null,
    wait: Number(response?.headers.get('retry-after') ?? 0),
  };
}
