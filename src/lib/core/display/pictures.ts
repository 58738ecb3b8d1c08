/**
 * Pictures of a display's windows: the agent makes them, small, of what a page looks at just now; nothing keeps them. Who may
 * be pictured is a setting, and counts on both sides.
 */
import type { ApplicationId, WindowId } from '../model/ids';
import { find } from '../model/table';
import type { Session } from '../session/session';
import { picturesOf, type Settings } from '../slices/settings/state';

/** The widths that pictures are made in, in pixels: who looks at one asks for the next of these. */
export const PICTURE_WIDTHS = [160, 240, 360, 540] as const;
/** So many windows are looked at at once. */
export const MOST_LOOKED_AT = 200;
/** A page asks again after so long, in ms, while it is looked at. */
export const LOOK_AGAIN_MS = 400;

/** What may be pictured. Said to an agent before anything else about pictures: until then nothing may. */
export interface PicturesAllowed {
  readonly type: 'pictures';
  readonly allowed: boolean;
  /** Programs of which no picture is made. */
  readonly except: readonly ApplicationId[];
}

/** A window that is looked at. */
export interface LookedAt {
  readonly window: WindowId;
  /** In pixels. */
  readonly width: number;
  /** The version that is there already; null: none. */
  readonly seen: string | null;
}

/** Asks for pictures. */
export interface Look {
  readonly type: 'look';
  readonly id: string;
  readonly windows: readonly LookedAt[];
}

/** How a window looks. */
export interface Picture {
  readonly window: WindowId;
  /** Another one whenever it looks different. */
  readonly version: string;
  /** A PNG (ISO/IEC 15948), in Base64 (RFC 4648). */
  readonly png: string;
}

/** The answer to a look: the pictures that are others than those that were seen. */
export interface Seen {
  readonly type: 'seen';
  readonly id: string;
  readonly pictures: readonly Picture[];
}

/** What an agent is told of these settings. */
export function picturesAllowed(settings: Settings): PicturesAllowed {
  const { shown, except } = picturesOf(settings);
  return { type: 'pictures', allowed: shown, except };
}

/** Whether a window of a session may be pictured. */
export function mayBePictured({ windows, settings }: Session, id: WindowId): boolean {
  const { shown, except } = picturesOf(settings);
  const window = find(windows, id);
  return shown && window !== undefined && !except.includes(window.application);
}

/** The width that a picture is made in which is shown so wide. @param wide in pixels of the screen */
export const pictureWidth = (wide: number): number =>
  PICTURE_WIDTHS.find((width) => width >= wide) ?? (PICTURE_WIDTHS.at(-1) as number);
