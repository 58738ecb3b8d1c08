/** Documents of every size come in without keeping anyone else waiting. */
import { describe, expect, inject, it } from 'vitest';
import { documentWith } from '../bench/documents';
import { MOST_WEIGHT, MOST_WINDOWS } from '../src/lib/core/model/limits';
import { toDocument } from '../src/lib/core/formats/session-document';
import { sessionOf } from '../testing/sessions';
import { createSession, storedSession } from './support/browser';

const send = (body: string) =>
  fetch(`${inject('baseUrl')}/api/sessions`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  });

/** How often somebody else is answered while `work` goes on. */
async function answersMeanwhile(work: Promise<unknown>): Promise<number> {
  let going = true;
  void work.finally(() => (going = false));
  let answers = 0;
  while (going) {
    await fetch(`${inject('baseUrl')}/problems/refused`);
    answers += 1;
  }
  return answers;
}

describe('importing', () => {
  it('as many windows as there may be, and exports them the same', async () => {
    const document = documentWith(MOST_WINDOWS);
    const id = await createSession(document);
    expect(toDocument((await storedSession(id)).session)).toEqual(document);
  });

  it('twenty thousand documents with drafts is a matter of a moment, not of the square of their number', async () => {
    const desk = toDocument(sessionOf('a: a1'));
    const [model] = desk.documents;
    const documents = Array.from({ length: 20_000 - desk.documents.length }, (_, n) => ({
      ...model,
      id: `n-${n}`,
    }));
    const drafts = documents.map(({ id }) => ({ document: id, text: 'x', at: '2026-11-24T06:00:00.000Z' }));
    const body = JSON.stringify({ ...desk, documents: [...desk.documents, ...documents], drafts });
    const importing = send(body);
    expect(await answersMeanwhile(importing)).toBeGreaterThan(3);
    expect((await importing).status).toBe(201);
  });

  it.each([
    [
      'empty windows',
      (desk: object) => `{"windows":[${'{},'.repeat(2_600_000)}{}]${JSON.stringify(desk).slice(1, 2)}}`,
      400,
    ],
    [
      'windows that are all wrong',
      (desk: object) => JSON.stringify({ ...desk, windows: Array.from({ length: 2_600_000 }, () => ({})) }),
      422,
    ],
    ['nothing but brackets', () => '['.repeat(4_000_000) + ']'.repeat(4_000_000), 422],
    ['one text', () => JSON.stringify('x'.repeat(8_000_000)), 422],
  ])('eight million bytes of %s are refused, and keep nobody waiting', async (_, make, status) => {
    const body = make(toDocument(sessionOf('a: a1')));
    expect(body.length).toBeLessThanOrEqual(MOST_WEIGHT);
    const importing = send(body);
    expect(await answersMeanwhile(importing)).toBeGreaterThan(1);
    const response = await importing;
    expect(response.status).toBe(status);
    const { errors = [] } = (await response.json()) as { errors?: unknown[] };
    expect(errors.length).toBeLessThanOrEqual(50);
  });
});
