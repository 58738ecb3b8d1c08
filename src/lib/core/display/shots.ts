/**
 * Pictures of a display as large as it is, each asked for by somebody once. What may not be pictured is in none: the agent
 * refuses such a window, and paints over it in a picture of the screen.
 */
import { LARGEST_PICTURE } from '../capture/picture';
import type { WindowId } from '../model/ids';

/** Asks for a picture of the screen, or of one window, also where others lie over it. */
export interface Shoot {
  readonly type: 'shoot';
  readonly id: string;
  /** Null: the screen. */
  readonly window: WindowId | null;
}

/** The answer. */
export interface ShotTaken {
  readonly type: 'shot';
  readonly id: string;
  /** A PNG (ISO/IEC 15948), in Base64 (RFC 4648); null: none may be taken, or none can. */
  readonly png: string | null;
}

/** A page in Key Fold's own window waits before it asks: the display shows for how long. */
export interface Waiting {
  readonly type: 'waiting';
  /** In s; null: no longer. */
  readonly seconds: number | null;
}

/** A picture in Base64 is so long at most. */
export const LONGEST_SHOT = 4 * Math.ceil(LARGEST_PICTURE / 3);

/** A wait is so long at most, in s. */
export const LONGEST_WAIT = 60;
