/** The rules that inputs share, each a decorator for class-validator. */
import 'reflect-metadata';
import { applyDecorators } from './apply-decorators';
import { IsInt, IsString, Length, Matches, Max, MaxLength, Min } from 'class-validator';
import { ID_PATTERN } from '../../core/formats/session-document';

export const LONGEST_TEXT = 50_000;
export const LONGEST_TITLE = 200;
export const LONGEST_LETTERS = 100;

const INSTANT_PATTERN = /^\d{4}-(0\d|1[0-2])-([0-2]\d|3[01])T([01]\d|2[0-3]):[0-5]\d:[0-5]\d\.\d{3}Z$/;
const UUID_PATTERN = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

interface ListRule {
  /** True where the property is a list, each item of which must keep the rule. */
  readonly each?: boolean;
}

/** An id of the session: lower-case words joined by hyphens. */
export const IsId = (options: ListRule = {}) =>
  Matches(ID_PATTERN, {
    ...options,
    message: '$property must be an id: lower-case letters, digits and hyphens',
  });

/** An id made by the browser. */
export const IsNewId = () => Matches(UUID_PATTERN, { message: '$property must be a lower-case UUID' });

/** An instant in UTC with milliseconds. */
export const IsInstant = () =>
  Matches(INSTANT_PATTERN, { message: '$property must be an instant like 2026-11-24T06:12:00.000Z' });

export const IsTitle = () => applyDecorators(IsString(), Length(1, LONGEST_TITLE));
export const IsText = () => applyDecorators(IsString(), MaxLength(LONGEST_TEXT));
export const IsLetters = () => applyDecorators(IsString(), Length(1, LONGEST_LETTERS));
/** A whole number of CSS pixels between two bounds. */
export const IsPixels = (least: number, most: number) => applyDecorators(IsInt(), Min(least), Max(most));
