import { COMMANDS } from '../commands/commands';
import session from '../formats/session-document.schema.json';
import { FARTHEST, LONGEST_ID, LONGEST_TEXT, MOST_WINDOWS } from '../model/limits';
import { USABLE_HOLD_KEYS } from '../slices/settings/state';
import { MOST_LOOKED_AT } from './pictures';
import { MOST_MEASURED } from './processes';
import { LONGEST_SHOT, LONGEST_WAIT } from './shots';

const { id, title, text, instant } = session.$defs;

const whole = (properties: object, optional: readonly string[] = []) => ({
  type: 'object',
  properties,
  required: Object.keys(properties).filter((name) => !optional.includes(name)),
  additionalProperties: false,
});
const message = (type: string, properties: object = {}, optional: readonly string[] = []) =>
  whole({ type: { const: type }, ...properties }, optional);
const ID = { $ref: '#/$defs/id' };
const TITLE = { $ref: '#/$defs/title' };
const NAME = { $ref: '#/$defs/text' };
const BOOLEAN = { type: 'boolean' };
const SHORT = { type: 'string', maxLength: LONGEST_ID };
const IDS = { type: 'array', items: ID, uniqueItems: true };
const POSITIONS = { type: 'array', items: { type: 'string', pattern: '^\\w{1,30}$' } };
const orNull = (schema: object) => ({ anyOf: [schema, { type: 'null' }] });
const list = (items: object, maxItems: number) => ({ type: 'array', items, maxItems });
const BASE64 = {
  type: 'string',
  pattern: '^(?:[A-Za-z0-9+/]{4})*(?:[A-Za-z0-9+/]{2}==|[A-Za-z0-9+/]{3}=)?$',
};
const amount = { type: 'number', minimum: 0 };
const side = { type: 'integer', minimum: 1, maximum: FARTHEST };
const place = { type: 'number', minimum: -1_000_000, maximum: 1_000_000 };
const length = { type: 'number', minimum: 0, maximum: 1_000_000 };

/** The JSON Schema (2020-12) of what an agent says; docs/agent.md says when. */
export const AGENT_SCHEMA = {
  $schema: session.$schema,
  title: 'Key Fold: what an agent says',
  oneOf: [
    message('hello', {
      v: { type: 'integer' },
      name: TITLE,
      abilities: { type: 'array', items: { enum: COMMANDS.map(({ type }) => type) } },
      screen: whole({ width: side, height: side }),
    }),
    message(
      'told',
      {
        cause: orNull(TITLE),
        workspaces: list(whole({ id: ID, name: NAME }), MOST_WINDOWS),
        workspace: ID,
        applications: list(whole({ id: ID, name: NAME }), MOST_WINDOWS),
        windows: list({ $ref: '#/$defs/window' }, 2 * MOST_WINDOWS),
        gone: IDS,
        whole: BOOLEAN,
        stacking: IDS,
        front: orNull(ID),
      },
      ['workspaces', 'workspace', 'applications', 'windows', 'gone', 'whole', 'stacking', 'front'],
    ),
    message('settled', {
      batch: TITLE,
      settlement: whole(
        {
          kind: { enum: ['done', 'refused'] },
          detail: { type: 'string', minLength: 1, maxLength: LONGEST_TEXT },
        },
        ['detail'],
      ),
    }),
    message('seen', {
      id: TITLE,
      pictures: list({ $ref: '#/$defs/picture' }, MOST_LOOKED_AT),
    }),
    message('measured', {
      id: TITLE,
      programs: list(
        whole({ application: ID, since: instant, processor: amount, memory: amount }),
        MOST_MEASURED,
      ),
    }),
    message('shot', { id: TITLE, png: orNull({ ...BASE64, maxLength: LONGEST_SHOT }) }),
    message('key', { key: { $ref: '#/$defs/key' }, front: orNull(ID) }),
    message('grabbed', {
      holdKey: { enum: USABLE_HOLD_KEYS },
      taken: POSITIONS,
    }),
    message('giving'),
  ],
  $defs: {
    id,
    title,
    text,
    window: whole(
      {
        id: ID,
        application: ID,
        title: NAME,
        minimised: BOOLEAN,
        hidden: BOOLEAN,
        maximised: BOOLEAN,
        workspace: orNull(ID),
        geometry: whole({ x: place, y: place, width: length, height: length }),
        answering: BOOLEAN,
        tabs: whole({
          list: { ...list({ $ref: '#/$defs/tab' }, MOST_WINDOWS), minItems: 1 },
          shown: ID,
          recent: IDS,
        }),
      },
      ['tabs'],
    ),
    tab: whole({ id: ID, title: NAME, answering: BOOLEAN, was: ID }, ['was']),
    picture: whole({
      window: ID,
      version: TITLE,
      png: { ...BASE64, maxLength: 2 * 1024 * 1024 },
    }),
    key: whole({
      phase: { enum: ['down', 'up'] },
      code: SHORT,
      key: SHORT,
      ...Object.fromEntries(
        ['alt', 'control', 'meta', 'shift', 'altGraph', 'repeat', 'composing'].map((name) => [name, BOOLEAN]),
      ),
    }),
  },
};

const placed = whole(
  {
    window: ID,
    geometry: { $ref: '#/$defs/geometry' },
    on: { $ref: '#/$defs/extent' },
    part: { type: 'string' },
  },
  ['on', 'part'],
);
/** What is to be brought about, by the type of what happens then. */
const MAKES = {
  'window-fronted': { window: ID, at: { $ref: '#/$defs/instant' } },
  'windows-minimised': { windows: IDS },
  'windows-restored': { windows: IDS },
  'applications-hidden': { applications: IDS },
  'applications-shown': { applications: IDS },
  'windows-placed': { places: { type: 'array', items: placed } },
  'windows-restacked': { stacking: IDS },
  'windows-carried': { windows: IDS, workspace: ID },
  'workspace-entered': { workspace: ID },
  'workspace-renamed': { workspace: ID, name: TITLE },
  'tab-activated': { window: ID, tab: ID },
  'tab-carried': { window: ID, tab: ID, at: { type: 'integer' } },
} as const;
const SIGNED = { id: { type: 'string' }, at: { $ref: '#/$defs/instant' } };
const asked = (type: string, on: 'window' | 'application', more: object = {}) =>
  message(type, { [on]: ID, ...more, ...SIGNED });

/** The JSON Schema (2020-12) of what is said to an agent. */
export const TO_AGENT_SCHEMA = {
  $schema: session.$schema,
  title: 'Key Fold: what is said to an agent',
  oneOf: [
    message('welcome', {
      session: ID,
      page: { type: 'string' },
      now: { $ref: '#/$defs/instant' },
    }),
    message('carry-out', {
      batch: { type: 'string' },
      at: { $ref: '#/$defs/instant' },
      orders: {
        type: 'array',
        items: {
          oneOf: [
            whole({ make: { oneOf: Object.entries(MAKES).map(([type, fields]) => message(type, fields)) } }),
            whole({
              ask: {
                oneOf: [
                  asked('close', 'window'),
                  asked('close-tab', 'window', { tab: ID }),
                  asked('tear-off', 'window', { tab: ID }),
                  asked('open-tab', 'window', { document: ID }),
                  asked('join', 'window', { into: ID }),
                  message('reopen', { entry: orNull(ID), ...SIGNED }),
                  ...['close-all', 'quit', 'end-now', 'switch-to-application', 'open-window'].map((type) => ({
                    ...asked(type, 'application'),
                    additionalProperties: true,
                  })),
                ],
              },
            }),
          ],
        },
      },
    }),
    message('pictures', { allowed: BOOLEAN, except: IDS }),
    message('tabs', { followed: BOOLEAN }),
    message('look', {
      id: { type: 'string' },
      windows: list(whole({ window: ID, width: side, seen: orNull(TITLE) }), MOST_LOOKED_AT),
    }),
    message('measure', { id: { type: 'string' } }),
    message('shoot', { id: { type: 'string' }, window: orNull(ID) }),
    message('waiting', { seconds: orNull({ type: 'integer', minimum: 0, maximum: LONGEST_WAIT }) }),
    message('hold', {
      holdKey: { enum: USABLE_HOLD_KEYS },
      positions: POSITIONS,
      writing: POSITIONS,
    }),
    message('panel', { stance: { enum: ['away', 'raised', 'keys'] }, wished: BOOLEAN }),
    message('has-keys'),
    message('hold-done'),
    message('no-panel'),
    message('misunderstood', { detail: { type: 'string' } }),
  ],
  $defs: {
    id,
    title,
    instant,
    pixels: session.$defs.pixels,
    geometry: session.$defs.geometry,
    extent: session.$defs.extent,
  },
};
