/** The JSON Schema of what agents say and the input classes that check it: both accept and refuse the same messages. */
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { changed } from '../../../../testing/changed-documents';
import { runs } from '../../../../testing/runs';
import { HELD_S, toldWindow } from '../../../../testing/told';
import { AGENT_SCHEMA } from '../../core/display/agent-schema';
import { agentMessageFrom } from './agent-input';

const ajv = addFormats(new Ajv2020({ allErrors: false }));
const accepts = ajv.compile(AGENT_SCHEMA);
const window = toldWindow('w-1', { hidden: true, geometry: { x: -5, y: 0.5, width: 300, height: 200 } });
const MESSAGES = [
  { type: 'hello', v: 1, name: 'Quay', abilities: ['hide', 'close'], screen: { width: 1600, height: 1000 } },
  {
    type: 'told',
    cause: 'batch',
    workspaces: [{ id: 'ws-1', name: 'Desk' }],
    workspace: 'ws-1',
    applications: [{ id: 'a', name: '' }],
    windows: [
      window,
      {
        ...window,
        id: 'w-2',
        workspace: null,
        tabs: {
          list: [{ id: 't-1', title: '', answering: true, was: 't-0' }],
          shown: 't-1',
          recent: ['t-1'],
        },
      },
    ],
    gone: ['w-3'],
    whole: false,
    stacking: ['w-1', 'w-2'],
    front: null,
  },
  { type: 'settled', batch: 'batch', settlement: { kind: 'refused', detail: 'It would not.' } },
  { type: 'seen', id: 'x', pictures: [{ window: 'w-1', version: 'v', png: 'iVBORw0KGgo=' }] },
  {
    type: 'measured',
    id: 'x',
    programs: [{ application: 'a', since: '2026-11-24T06:12:00.000Z', processor: 0.5, memory: 1e8 }],
  },
  { type: 'shot', id: 'x', png: 'iVBORw0KGgo=' },
  { type: 'shot', id: 'x', png: null },
  { type: 'key', key: HELD_S, front: 'w-1' },
  { type: 'grabbed', holdKey: 'Meta', taken: ['KeyS'] },
  { type: 'giving' },
];
const ours = (message: unknown): boolean => {
  try {
    agentMessageFrom(JSON.stringify(message));
    return true;
  } catch {
    return false;
  }
};

it.each(MESSAGES)('a $type, as it is meant to be', (message) => {
  expect(accepts(message)).toBe(true);
  expect(ours(message)).toBe(true);
});

const RUNS = runs(1_000);
it.each(MESSAGES)(`a $type, changed in ${RUNS} ways`, (message) => {
  fc.assert(
    fc.property(
      changed(() => message),
      (other) => {
        expect(ours(other)).toBe(accepts(other));
      },
    ),
    { numRuns: RUNS },
  );
});
