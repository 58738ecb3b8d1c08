/** Every kind of problem that the server answers with, by the last part of its `type`. */
export interface ProblemType {
  readonly status: number;
  readonly title: string;
  /** What to do about it. */
  readonly help: string;
}

/** Every problem that the server tells of, by name. */
export const PROBLEM_TYPES = {
  'malformed-request': {
    status: 400,
    title: 'Malformed request',
    help: 'The address or the headers are not as HTTP wants them.',
  },
  'not-json': { status: 400, title: 'Not JSON', help: 'Send a body that parses as JSON (RFC 8259).' },
  'not-an-event-number': {
    status: 400,
    title: 'Not an event number',
    help: 'Last-Event-ID and after are whole numbers, as the stream gives them.',
  },
  'not-a-span': {
    status: 400,
    title: 'Not a span of time',
    help: 'since and until are instants like 2026-11-24T06:12:00.000Z, as is csv, jsonl or arrow.',
  },
  'key-needed': {
    status: 401,
    title: 'Access key needed',
    help: 'Open the link that Key Fold printed at its first start, or enter the key at /access.',
  },
  'wrong-key': {
    status: 401,
    title: 'Wrong access key',
    help: 'Check the key. `npm run access-key` makes a new one and revokes the old.',
  },
  'wrong-passphrase': {
    status: 403,
    title: 'Wrong passphrase',
    help: 'Enter it again. Who owns the machine takes it away with `npm run unlock -- SESSION`.',
  },
  'foreign-origin': {
    status: 403,
    title: 'Foreign origin',
    help: 'Only pages of this server may use it.',
  },
  'not-here': { status: 404, title: 'Not here', help: 'There is nothing at this address.' },
  'no-such-session': {
    status: 404,
    title: 'No such session',
    help: 'It was deleted, or never there. POST /api/sessions makes one.',
  },
  'wrong-method': {
    status: 405,
    title: 'Wrong method',
    help: 'The Allow header says what this address understands.',
  },
  'id-used-again': {
    status: 409,
    title: 'Id used again',
    help: 'Give every batch an id of its own; send the same id only with the same commands.',
  },
  'passphrase-needed': {
    status: 409,
    title: 'Passphrase needed',
    help: 'The first time a session is locked, send the passphrase that is to open it.',
  },
  'passphrase-there': {
    status: 409,
    title: 'Passphrase there already',
    help: 'Lock without one; to change it, send the one before, too.',
  },
  'body-too-large': { status: 413, title: 'Body too large', help: 'The detail says how large it may be.' },
  'not-a-message': {
    status: 422,
    title: 'Not a message',
    help: 'docs/api.md and docs/agent.md say what is to be sent.',
  },
  'not-an-address': {
    status: 422,
    title: 'Not an address',
    help: 'Send {"address": …} with a whole http or https address.',
  },
  'not-a-setup-document': {
    status: 422,
    title: 'Not a set-up document',
    help: 'Send a document that keeps the JSON Schema at /setup-document.schema.json.',
  },
  'session-too-large': {
    status: 413,
    title: 'Session too large',
    help: 'Leave out documents or drafts.',
  },
  'batch-too-slow': {
    status: 413,
    title: 'Batch too slow',
    help: 'Send fewer commands in one batch.',
  },
  'not-declared-as-png': {
    status: 415,
    title: 'Not declared as PNG',
    help: 'Send the body with the content type image/png.',
  },
  'not-declared-as-json': {
    status: 415,
    title: 'Not declared as JSON',
    help: 'Send the body with the content type application/json.',
  },
  'foreign-host': {
    status: 421,
    title: 'Foreign host',
    help: 'List the names that people type in KEY_FOLD_HOSTS.',
  },
  'not-a-batch': {
    status: 422,
    title: 'Not a batch of commands',
    help: 'errors names every field that is wrong.',
  },
  'not-a-session-document': {
    status: 422,
    title: 'Not a session document',
    help: 'errors names every field that is wrong; /session-document.schema.json describes the format.',
  },
  'not-a-picture': {
    status: 422,
    title: 'Not a picture',
    help: 'Send a PNG without texts and other additions.',
  },
  'not-a-passphrase': {
    status: 422,
    title: 'Not a passphrase',
    help: 'A passphrase has 8 to 1,000 characters.',
  },
  refused: {
    status: 422,
    title: 'Refused',
    help: 'A command names something that the session does not have; errors says which.',
  },
  locked: {
    status: 423,
    title: 'Locked',
    help: 'Send the passphrase to the session’s lock (POST).',
  },
  'no-room-for-pictures': {
    status: 413,
    title: 'No room for pictures',
    help: 'Cut a smaller part out, or keep it as a file of your own.',
  },
  'not-pictured': {
    status: 404,
    title: 'Not pictured',
    help: 'It is out of sight or gone, the display is away, or the settings let it not be pictured.',
  },
  'no-such-picture': {
    status: 404,
    title: 'No such picture',
    help: 'The session has no picture of that name. It may have come without its pictures.',
  },
  'slow-down': {
    status: 429,
    title: 'Too many attempts',
    help: 'Wait for as many seconds as Retry-After says.',
  },
  'headers-too-large': { status: 431, title: 'Headers too large', help: 'Send less in the headers.' },
  'went-wrong': {
    status: 500,
    title: 'Something went wrong',
    help: 'A fault of Key Fold. Nothing was changed; the server’s output says more.',
  },
  busy: {
    status: 503,
    title: 'Busy',
    help: 'Send it again after as many seconds as Retry-After says; sending twice changes nothing.',
  },
} as const satisfies Readonly<Record<string, ProblemType>>;

/** The name of a problem. */
export type ProblemName = keyof typeof PROBLEM_TYPES;

/** Where the kinds of problems are described; a problem's `type` is this and its name. */
export const PROBLEM_PATH = '/problems/';
