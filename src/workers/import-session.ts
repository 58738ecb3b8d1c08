/** Checks session documents off the server's main thread, and hands back the sessions that they describe as JSON. */
import { parentPort } from 'node:worker_threads';
import { storedSession } from '../lib/core/protocol/upcast';
import { Problem } from '../lib/server/http/problem';
import type { ImportAnswer, ImportRequest } from '../lib/server/import/messages';
import { parseJson } from '../lib/server/http/read-json';
import { sessionFrom } from '../lib/server/input/session-input';

parentPort?.on('message', ({ id, body }: ImportRequest) => parentPort?.postMessage(answerTo(id, body)));

function answerTo(id: number, body: Uint8Array): ImportAnswer {
  try {
    return {
      id,
      session: JSON.stringify(storedSession(sessionFrom(parseJson(new TextDecoder().decode(body))))),
    };
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    const { type, detail, errors } = error;
    return { id, problem: { type, detail, errors } };
  }
}
