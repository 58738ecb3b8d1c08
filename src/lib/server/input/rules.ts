/** The rules that inputs share, each a decorator for class-validator. */
import 'reflect-metadata';
import { IsInt, IsNumber, Matches, Max, Min, ValidateBy, ValidateIf } from 'class-validator';
import { ID_PATTERN } from '../../core/formats/session-document';
import { DIGEST_PATTERN, LARGEST_PICTURE } from '../../core/capture/picture';
import { LONGEST_LETTERS, LONGEST_TEXT, LONGEST_TITLE } from '../../core/model/limits';
import type { Thing } from '../../core/slices/places/state';
import { applyDecorators } from './apply-decorators';

const INSTANT_PATTERN = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z$/;
const UUID_PATTERN = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** A rule of our own, by a function that tells whether a value keeps it. */
export const IsA = (name: string, keeps: (value: unknown) => boolean, message: string): PropertyDecorator =>
  ValidateBy({ name, validator: { validate: keeps, defaultMessage: () => message } });

/** An id of the session: lower-case words joined by hyphens. */
export const IsId = () =>
  Matches(ID_PATTERN, { message: '$property must be an id: lower-case letters, digits and hyphens' });

/** A list of ids. */
export const IsIdList = () =>
  IsA(
    'isIdList',
    (value) =>
      Array.isArray(value) &&
      new Set(value).size === value.length &&
      value.every((id) => typeof id === 'string' && ID_PATTERN.test(id)),
    'must be a list of different ids: lower-case letters, digits and hyphens',
  );

/** A list of which each item keeps a rule. */
export const ArrayOf = (keeps: (value: unknown) => boolean, what: string) =>
  IsA('arrayOf', (value) => Array.isArray(value) && value.every(keeps), `must be a list of ${what}`);

/** Whether a value is an application's id, or names a document as the index does. */
function isThing(value: unknown): value is Thing {
  if (typeof value === 'string') return ID_PATTERN.test(value);
  if (typeof value !== 'object' || value === null) return false;
  const [[name, id] = [], ...more] = Object.entries(value);
  return name === 'document' && typeof id === 'string' && ID_PATTERN.test(id) && more.length === 0;
}

/** An application or a document, as it stands in the index. */
export const IsThing = () =>
  IsA('isThing', isThing, 'must be the id of an application, or a document like {"document":"id"}');

/** What stands at the places of the index. */
export const ArePlaces = () =>
  IsA(
    'arePlaces',
    (places) => Array.isArray(places) && places.every((place) => place === null || isThing(place)),
    'must hold ids of applications, documents like {"document":"id"}, or null',
  );

/** Files of pictures in Base64, by their names. */
export const ArePictures = () =>
  IsA(
    'arePictures',
    (value) =>
      typeof value === 'object' &&
      value !== null &&
      !Array.isArray(value) &&
      Object.entries(value).every(([digest, file]) => DIGEST_PATTERN.test(digest) && isPictureFile(file)),
    'must hold files in Base64 by the SHA-256 of each',
  );

const LONGEST_FILE = 4 * Math.ceil(LARGEST_PICTURE / 3);

/** Decoded and encoded again it must be the same: RFC 4648 without anything that is left out or added. */
export const isPictureFile = (value: unknown): boolean =>
  typeof value === 'string' &&
  value.length <= LONGEST_FILE &&
  Buffer.from(value, 'base64').toString('base64') === value;

/** An id made by the browser. */
export const IsNewId = () => Matches(UUID_PATTERN, { message: '$property must be a lower-case UUID' });

/** An instant in UTC with milliseconds, on a day that there is. */
export const IsInstant = () =>
  IsA('isInstant', isInstant, 'must be an instant like 2026-11-24T06:12:00.000Z');

function isInstant(value: unknown): boolean {
  if (typeof value !== 'string' || !INSTANT_PATTERN.test(value)) return false;
  const time = Date.parse(value);
  return !Number.isNaN(time) && new Date(time).toISOString() === value;
}

/** A text between two lengths, in UTF-16 code units as everywhere (class-validator's own rules count otherwise). */
export const IsTextOf = (least: number, most: number) =>
  IsA(
    'isTextOf',
    (value) => typeof value === 'string' && value.length >= least && value.length <= most,
    `must be a text of ${least} to ${most} characters`,
  );

/** A title or a name. */
export const IsTitle = () => IsTextOf(1, LONGEST_TITLE);
/** A text of a document; it may be empty. */
export const IsText = () => IsTextOf(0, LONGEST_TEXT);
/** Letters that search remembers. */
export const IsLetters = () => IsTextOf(1, LONGEST_LETTERS);

/** Two letters, each of which may be a pair of code units. */
export const IsMonogram = () =>
  IsA('isMonogram', (value) => typeof value === 'string' && [...value].length === 2, 'must be two letters');

/** A whole number of CSS pixels between two bounds. */
export const IsPixels = (least: number, most: number) => applyDecorators(IsInt(), Min(least), Max(most));

/** A number from 0 on. */
export const IsAmount = () => applyDecorators(IsNumber(), Min(0));

/** Null is allowed as well; the other rules hold for anything else. */
export const OrNull = () => ValidateIf((_, value) => value !== null);

/** The property may be absent; the other rules hold for anything that is sent. */
export const IfSent = () => ValidateIf((_, value) => value !== undefined);
