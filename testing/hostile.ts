/** Requests that nobody means well with: seeded, so that any of them can be made again. */
import fc from 'fast-check';
import type { SessionDocument } from '../src/lib/core/formats/session-document';
import { batchOf } from './batches';
import { wishFrom, wishSeeds } from './wishes';
import type { Session } from '../src/lib/core/session/session';
import { Random } from './random';
import type { RawRequest } from './raw-request';

export interface HostileRequest extends RawRequest {
  readonly kind: string;
}

type Json = unknown;
type Path = readonly (string | number)[];

/** Stand for values that are too deep to be handled as values; the body's text then has them. */
const DEEP_LIST = '(deep list)';
const DEEP_OBJECT = '(deep object)';
const deepened = (text: string): string =>
  text
    .replaceAll(`"${DEEP_LIST}"`, '['.repeat(5_000) + ']'.repeat(5_000))
    .replaceAll(`"${DEEP_OBJECT}"`, '{"a":'.repeat(5_000) + '1' + '}'.repeat(5_000));

/** Values that programs trip over. */
const ODD_VALUES: readonly (() => Json)[] = [
  () => null,
  () => [],
  () => [[]],
  () => ({}),
  () => '',
  () => 'constructor',
  () => '__proto__',
  () => '\ud800',
  () => '\u0000',
  () => 'x'.repeat(60_000),
  () => 1e308,
  () => -1,
  () => 0.5,
  () => 2 ** 63,
  () => true,
  () => '2026-02-31T00:00:00.000Z',
  () => '2026-00-10T00:00:00.000Z',
  () => DEEP_LIST,
  () => DEEP_OBJECT,
];

/** No deeper than a document goes is anything spoiled. */
const DEEPEST = 8;

const ODD_KEYS = ['constructor', 'length', 'then', 'toString', 'prototype', '\ud800', '', 'a/b~c', 'extra'];

const PATHS = [
  '/%',
  '/%00',
  '/%F0%9F',
  '/sessions/%',
  '/sessions/%00',
  '/api/sessions/%00',
  '/api/sessions/%00/events',
  '/api/sessions/%2e%2e/document',
  '/api/sessions/constructor',
  '/api/sessions/__proto__/commands',
  '/api/sessions/ellavane/events?after=x',
  '/api/sessions/ellavane/events?after=99999999999',
  '/api/events',
  '/api/events?after=,',
  '/api/events?after=ellavane',
  '/api/events?after=__proto__:1',
  '/api/sessions/ellavane/../../x',
  '/problems/constructor',
  '/problems/refused',
  '/_app/immutable/..',
  '/..',
  `/${'a'.repeat(3_000)}`,
  '/session-document.schema.json',
];
const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS', 'TRACE', 'PROPFIND'];
const JSON_HEADERS = { 'content-type': 'application/json' };

/** The `n`th hostile request of a seed, about a session of which this is the state. */
export function hostileRequest(
  seed: number,
  n: number,
  { id, session, document }: { id: string; session: Session; document: SessionDocument },
): HostileRequest {
  const random = new Random(seed * 1_000_003 + n);
  const commands = `/api/sessions/${id}/commands`;
  const post = (kind: string, path: string, body: string | Uint8Array, headers = {}): HostileRequest => ({
    kind,
    method: 'POST',
    path,
    headers: { ...JSON_HEADERS, ...headers },
    body: typeof body === 'string' ? deepened(body) : body,
  });
  const batch = () => goodBatch(random, session);
  const makers: readonly (() => HostileRequest)[] = [
    () => ({
      kind: 'path',
      method: random.one(METHODS),
      path: random.one(PATHS),
      headers: {},
      body: null,
    }),
    () => post('spoiled batch', commands, JSON.stringify(spoiled(random, batch()))),
    () => post('spoiled batch', commands, JSON.stringify(spoiled(random, spoiled(random, batch())))),
    () => post('own __proto__ in a batch', commands, withProto(random, batch())),
    () => post('good batch', commands, JSON.stringify(batch())),
    () => post('command id twice', commands, JSON.stringify(sameIds(batch()))),
    () => post('spoiled document', '/api/sessions', JSON.stringify(spoiled(random, document))),
    () => post('item twice', '/api/sessions', JSON.stringify(repeatedItem(random, document))),
    () => post('own __proto__ in a document', '/api/sessions', withProto(random, document)),
    () => post('malformed JSON', commands, cut(random, JSON.stringify(batch()))),
    () => post('any JSON', random.one([commands, '/api/sessions']), JSON.stringify(random.sample(fc.json()))),
    () => post('bytes', commands, random.sample(fc.uint8Array({ maxLength: 200 }))),
    () => post('large', commands, `"${'x'.repeat(1_050_000)}"`),
    () => post('content type', commands, JSON.stringify(batch()), { 'content-type': 'text/plain' }),
    () =>
      post('origin', commands, JSON.stringify(batch()), {
        origin: random.one(['null', 'http://elsewhere.example', 'x', '']),
      }),
    () =>
      post('host', commands, JSON.stringify(batch()), {
        host: random.one(['elsewhere.example', '', 'localhost@elsewhere.example', '[::1', '0.0.0.0']),
      }),
    () => ({
      kind: 'Last-Event-ID',
      method: 'HEAD',
      path: `/api/sessions/${id}/events`,
      headers: { 'last-event-id': random.one(['-1', 'x', '1e9', '']) },
      body: null,
    }),
  ];
  return random.one(makers)();
}

function goodBatch(random: Random, session: Session): Json {
  const wishes = random
    .sample(wishSeeds(1, 6))
    .map((seed) => wishFrom(seed, session))
    .filter((wish) => wish !== null);
  return batchOf(...wishes);
}

/** A copy with one thing wrong somewhere: a value, a missing or a further property, a missing or doubled item. */
function spoiled(random: Random, value: Json): Json {
  const copy = structuredClone(value);
  const places = placesIn(copy);
  const path = random.one(places);
  const holder = at(copy, path.slice(0, -1)) as Record<string | number, Json>;
  const key = path.at(-1);
  if (key === undefined) return random.one(ODD_VALUES)();
  switch (random.below(4)) {
    case 0:
      holder[key] = random.one(ODD_VALUES)();
      return copy;
    case 1:
      if (Array.isArray(holder)) holder.splice(Number(key), 1);
      else Reflect.deleteProperty(holder, key);
      return copy;
    case 2:
      if (Array.isArray(holder)) holder.push(structuredClone(holder[Number(key)]));
      else holder[random.one(ODD_KEYS)] = random.one(ODD_VALUES)();
      return copy;
    default: {
      const other = at(copy, random.one(places));
      holder[key] = structuredClone(other);
      return copy;
    }
  }
}

/** JSON with a property called `__proto__`, which only a text can have as its own. */
function withProto(random: Random, value: Json): string {
  const text = JSON.stringify(value);
  const braces = [...text.matchAll(/\{/g)].map(({ index }) => index);
  const index = random.one(braces);
  return `${text.slice(0, index)}{"__proto__":{"polluted":1},${text.slice(index + 1)}`;
}

function repeatedItem(random: Random, document: SessionDocument): Json {
  const list = random.one(['applications', 'documents', 'windows', 'workspaces', 'stacking'] as const);
  return { ...document, [list]: [...document[list], random.one<unknown>(document[list])] };
}

function sameIds(batch: Json): Json {
  const { id, commands } = batch as { id: string; commands: { id: string }[] };
  const [first] = commands;
  return { id, commands: [...commands, ...commands].map((command) => ({ ...command, id: first?.id })) };
}

const cut = (random: Random, text: string): string => text.slice(0, random.below(text.length));

function placesIn(value: Json, path: Path = []): Path[] {
  if (typeof value !== 'object' || value === null || path.length > DEEPEST) return [path];
  return [
    path,
    ...Object.keys(value).flatMap((key) => placesIn((value as Record<string, Json>)[key], [...path, key])),
  ];
}

const at = (value: Json, path: Path): Json =>
  path.reduce<Json>((holder, key) => (holder as Record<string | number, Json>)[key], value);
