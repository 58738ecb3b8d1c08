import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { commandFrom, wishFrom, wishSeeds } from '../../../../testing/wishes';
import { START } from '../../../../testing/sessions';
import { runs } from '../../../../testing/runs';
import { ellavane } from '../../demo/ellavane';
import { decide } from '../host/decide';
import { problemsOf } from '../session/session';
import { fromDocument, repeatedIds, toDocument } from './session-document';
import schema from './session-document.schema.json';

const demo = ellavane(new Date(START));
// Ajv is an independent implementation of JSON Schema, draft 2020-12.
const conforms = addFormats(new Ajv2020({ allErrors: true })).compile(schema);

describe('the demo', () => {
  it('is a document of the schema and a valid session', () => {
    expect(conforms(demo), JSON.stringify(conforms.errors)).toBe(true);
    expect(repeatedIds(demo)).toEqual([]);
    expect(problemsOf(fromDocument(demo))).toEqual([]);
  });

  it('is the harbour office at work: ten applications and some twenty windows', () => {
    expect(demo.applications.filter(({ running }) => running)).toHaveLength(10);
    expect(demo.windows).toHaveLength(20);
    expect(demo.front).toBe('w-lock-sill');
  });
});

describe('export', () => {
  it('gives back what was imported, to the letter', () => {
    expect(JSON.stringify(toDocument(fromDocument(demo)))).toBe(JSON.stringify(demo));
  });

  it('is a document of the schema whatever was done, and comes back as the same session', () => {
    fc.assert(
      fc.property(wishSeeds(1, 40), (seeds) => {
        let session = fromDocument(demo);
        for (const [n, seed] of seeds.entries()) {
          const wish = wishFrom(seed, session);
          const decision = wish && decide(session, commandFrom(wish, n));
          if (decision?.ok) session = decision.session;
        }
        const document = toDocument(session);
        expect(conforms(document), JSON.stringify(conforms.errors)).toBe(true);
        expect(toDocument(fromDocument(document))).toEqual(document);
      }),
      { numRuns: runs(40) },
    );
  });
});

describe('the schema', () => {
  it.each([
    ['an unknown property', { ...demo, colour: 'red' }],
    ['a missing one', { ...demo, windows: undefined }],
    ['another version', { ...demo, version: 2 }],
    ['an id that every object inherits', { ...demo, workspace: 'constructor' }],
  ])('refuses %s', (_, document) => {
    expect(conforms(JSON.parse(JSON.stringify(document)))).toBe(false);
  });
});
