import session from '../formats/session-document.schema.json';
import { GUEST_KINDS } from '../slices/setup/state';
import { SETUP_FORMAT, SETUP_VERSION } from './setup-document';

const { id, title, text, settings, chord, shortcut, ownKey, application } = session.$defs;
const { places } = session.properties;

const list = (of: string, maxItems: number) => ({
  type: 'array',
  items: { $ref: `#/$defs/${of}` },
  maxItems,
});
const whole = (properties: object) => ({
  type: 'object',
  properties,
  required: Object.keys(properties),
  additionalProperties: false,
});
const ID = { $ref: '#/$defs/id' };
const TITLE = { $ref: '#/$defs/title' };

/** The JSON Schema (2020-12) of a set-up document. What it has in common with a session document is taken from there. */
export const SETUP_SCHEMA = {
  $schema: session.$schema,
  title: 'Key Fold set-up document',
  description:
    'How someone works: settings, the index, shortcuts in ink, keys, and applications that were added. No windows, no documents.',
  ...whole({
    format: { const: SETUP_FORMAT },
    version: { const: SETUP_VERSION },
    title: { ...TITLE, description: 'What the desk is called that it comes from.' },
    settings: { $ref: '#/$defs/settings' },
    places,
    shortcuts: list('shortcut', session.properties.shortcuts.maxItems),
    keys: list('ownKey', session.properties.ownKeys.maxItems),
    applications: list('guest', 100),
    names: list('named', 400),
  }),
  $defs: {
    id,
    title,
    text,
    settings,
    chord,
    shortcut,
    ownKey,
    guest: whole({
      id: ID,
      name: TITLE,
      monogram: application.properties.monogram,
      hue: application.properties.hue,
      home: { ...ID, description: 'The document that says what it is.' },
      kind: {
        enum: GUEST_KINDS,
        description: 'A web page, by a W3C web app manifest; a program of the machine, by its desktop entry.',
      },
      text: { $ref: '#/$defs/text' },
    }),
    named: whole({ thing: { anyOf: places.items.anyOf.slice(0, 2) }, name: TITLE }),
  },
};
