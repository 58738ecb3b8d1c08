/**
 * Pictures that are kept: the pixels in a store of the session's beside its log, and a document that names them by what they
 * are. So neither the session nor what is told of it grows with them.
 */
import type { Session } from '../session/session';
import type { AppDocument } from '../slices/documents/state';
import { FOLDER, folderItems } from '../folders/folder';
import { LONGEST_TITLE } from '../model/limits';

/** The kind of document that is a picture. */
export const PICTURE = 'picture';

/** What a picture's document says of it. */
export interface Picture {
  /** SHA-256 of its file (FIPS 180-4), in hexadecimal digits: its name in the store. */
  readonly digest: string;
  /** In pixels. */
  readonly width: number;
  readonly height: number;
  /** How large its file is. */
  readonly bytes: number;
}

/** One picture's file, in bytes; and all of a session together, so that an export with them can be imported. */
export const LARGEST_PICTURE = 8 * 1024 * 1024;
/** All pictures of a session together, in bytes. */
export const ALL_PICTURES = 32 * 1024 * 1024;

/** How the name of a picture in the store is written. */
export const DIGEST_PATTERN = /^[0-9a-f]{64}$/;

/** A picture as the text of its document. */
export const pictureText = ({ digest, width, height, bytes }: Picture): string =>
  JSON.stringify({ digest, width, height, bytes });

/** The picture that a document's text names; null if it names none. */
export function pictureFrom(text: string): Picture | null {
  const value = parsed(text);
  if (typeof value !== 'object' || value === null) return null;
  const { digest, width, height, bytes } = value as Record<string, unknown>;
  if (typeof digest !== 'string' || !DIGEST_PATTERN.test(digest)) return null;
  return isCount(width) && isCount(height) && isCount(bytes) ? { digest, width, height, bytes } : null;
}

const isCount = (value: unknown): value is number => Number.isSafeInteger(value) && (value as number) > 0;

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** The pictures that a session's documents name. */
export const picturesIn = ({ documents }: Pick<Session, 'documents'>): Picture[] =>
  documents.flatMap(({ kind, text }) => (kind === PICTURE ? (pictureFrom(text) ?? []) : []));

/** The folder that pictures are kept in: one that has some, else an empty one, else the first. Null where there is none. */
export function folderForPictures(session: Session): AppDocument | null {
  const folders = session.documents.filter(({ kind }) => kind === FOLDER);
  const items = (folder: AppDocument) => folderItems(session, folder.id) ?? [];
  return (
    folders.find((folder) => items(folder).some(({ kind }) => kind === PICTURE)) ??
    folders.find((folder) => items(folder).length === 0) ??
    folders[0] ??
    null
  );
}

/** What a title must not have if it is to be the name of a file: control characters, and what systems keep for paths. */
// eslint-disable-next-line no-control-regex -- that is what is looked for
const NOT_IN_NAMES = /[\u0000-\u001f\u007f<>:"/\\|?*]/gu;

/**
 * A title as the name of a picture's file.
 * @example pictureFileName('Berths: 10/11') // 'Berths 10 11.png'
 */
export const pictureFileName = (title: string): string =>
  `${
    title
      .slice(0, LONGEST_TITLE)
      .replace(NOT_IN_NAMES, ' ')
      .replace(/\s+/gu, ' ')
      .replace(/[. ]+$/u, '')
      .trim() || 'picture'
  }.png`;
