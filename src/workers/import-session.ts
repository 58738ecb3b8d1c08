/** Checks session documents off the server's main thread, and hands back what they hold. */
import { parentPort } from 'node:worker_threads';
import type { SessionDocument } from '../lib/core/formats/session-document';
import { MOST_WEIGHT } from '../lib/core/model/limits';
import { storedSession } from '../lib/core/protocol/upcast';
import { Problem } from '../lib/server/http/problem';
import type { ImportAnswer, ImportRequest } from '../lib/server/import/messages';
import { parseJson } from '../lib/server/http/read-json';
import { picturesFrom } from '../lib/server/input/pictures-input';
import { sessionFrom } from '../lib/server/input/session-input';

parentPort?.on('message', ({ id, body }: ImportRequest) => parentPort?.postMessage(answerTo(id, body)));

function answerTo(id: number, body: Uint8Array): ImportAnswer {
  try {
    const document = parseJson(new TextDecoder().decode(body));
    mustFit(body.byteLength - lengthOfPictures(document));
    const session = JSON.stringify(storedSession(sessionFrom(document)));
    return { id, session, pictures: picturesFrom(document as SessionDocument) };
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    const { type, detail, errors } = error;
    return { id, problem: { type, detail, errors } };
  }
}

/** Its pictures have room of their own; all else is looked through piece by piece. @throws Problem `body-too-large` */
function mustFit(bytes: number): void {
  if (bytes > MOST_WEIGHT)
    throw new Problem(
      'body-too-large',
      `Without its pictures it is larger than ${MOST_WEIGHT / 1024 / 1024} MiB.`,
    );
}

function lengthOfPictures(document: unknown): number {
  const { pictures } = (document ?? {}) as { readonly pictures?: unknown };
  const files = Object.values(pictures ?? {}).filter((file) => typeof file === 'string');
  return files.reduce((sum, file) => sum + file.length, 0);
}
