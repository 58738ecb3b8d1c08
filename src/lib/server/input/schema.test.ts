/** The JSON Schema that is served and the input classes that check: both accept and refuse the same documents. */
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { changedDocuments } from '../../../../testing/changed-documents';
import { runs } from '../../../../testing/runs';
import schema from '../../core/formats/session-document.schema.json';
import { shapeProblems } from './session-input';

const ajv = new Ajv2020({ allErrors: false });
addFormats(ajv);
const accepts = ajv.compile(schema);

const DOCUMENTS = runs(10_000);

it(`accept and refuse the same ${DOCUMENTS} documents`, () => {
  let accepted = 0;
  fc.assert(
    fc.property(changedDocuments(), (json) => {
      const ours = shapeProblems(json).length === 0;
      if (ours) accepted += 1;
      expect(ours).toBe(accepts(json));
    }),
    { numRuns: DOCUMENTS },
  );
  // Both outcomes are looked at, and not one of them only.
  expect(accepted).toBeGreaterThan(0.1 * DOCUMENTS);
  expect(accepted).toBeLessThan(0.9 * DOCUMENTS);
});
