/**
 * What the agent beside a display tells: how things are, never what has happened. Told twice it changes nothing, and
 * whatever was missed is made good by the next telling. docs/api.md says how an agent connects.
 */
import type { WishType } from '../commands/commands';
import type { Order } from '../host/order';
import type { Extent, Geometry } from '../model/geometry';
import type { ApplicationId, Instant, TabId, WindowId, WorkspaceId } from '../model/ids';
import type { FromPanel, ToPanel } from './holding';
import type { Look, PicturesAllowed, Seen } from './pictures';
import type { Measure, Measured } from './processes';
import type { Shoot, ShotTaken } from './shots';
import type { Settlement } from '../slices/under-way/state';

/** The version of these messages. */
export const AGENT_VERSION = 1;

/** A window as it is. */
export interface ToldWindow {
  /** Its own for as long as it is there, also when the agent begins anew. */
  readonly id: WindowId;
  readonly application: ApplicationId;
  readonly title: string;
  /** Whether it is minimised, or will be once its application is shown again. */
  readonly minimised: boolean;
  /** Whether it is out of sight because its application was hidden: an application is, while all its windows are. */
  readonly hidden: boolean;
  /** Whether it fills the screen. */
  readonly maximised: boolean;
  /** Null: it is on all of them. */
  readonly workspace: WorkspaceId | null;
  /** In pixels of the screen, without its frame. */
  readonly geometry: Geometry;
  readonly answering: boolean;
  /** Absent: no tabs of it are known. */
  readonly tabs?: ToldTabs;
}

/** The tabs of a window; at least one. */
export interface ToldTabs {
  /** In the order of its bar, as far as that is known. */
  readonly list: readonly ToldTab[];
  /** The one it shows. */
  readonly shown: TabId;
  /** By recent use, most recent first. */
  readonly recent: readonly TabId[];
}

/** A tab as it is. */
export interface ToldTab {
  /** Its own for as long as it is there, in whatever window. */
  readonly id: TabId;
  readonly title: string;
  /** Whether the page in it answers. */
  readonly answering: boolean;
  /** What had closed and is back with it: a tab, or a window. */
  readonly was?: string;
}

/** A program. */
export interface ToldApplication {
  readonly id: ApplicationId;
  readonly name: string;
}

/** A workspace. */
export interface ToldWorkspace {
  readonly id: WorkspaceId;
  readonly name: string;
}

/** How things are; what is absent is as it was told before. */
export interface Told {
  readonly type: 'told';
  /** The batch that brought it about; null for what happened otherwise. */
  readonly cause: string | null;
  /** All workspaces, in their order. */
  readonly workspaces?: readonly ToldWorkspace[];
  /** The one that is shown. */
  readonly workspace?: WorkspaceId;
  /** Programs that can be launched, and those of the windows. One that was told once stays. */
  readonly applications?: readonly ToldApplication[];
  /** Windows that are new or different. */
  readonly windows?: readonly ToldWindow[];
  /** Windows that are no more. */
  readonly gone?: readonly WindowId[];
  /** True: no other windows are there. */
  readonly whole?: boolean;
  /** All windows from the bottom of the pile to the top. */
  readonly stacking?: readonly WindowId[];
  /** The window that has the keys; null or absent: nothing is said of it. */
  readonly front?: WindowId | null;
}

/** The first message of an agent: what it is, and what can be wished there. */
export interface Hello {
  readonly type: 'hello';
  readonly v: number;
  /** What people call this display. */
  readonly name: string;
  readonly abilities: readonly WishType[];
  readonly screen: Extent;
}

/** A batch is over: told after the last of what it brought about. */
export interface Settled {
  readonly type: 'settled';
  readonly batch: string;
  readonly settlement: Settlement;
}

/** Everything that an agent says. */
export type AgentMessage = Hello | Told | Settled | Seen | Measured | ShotTaken | ToPanel;

/** Everything that is said to an agent. */
export type ServerMessage =
  /** It is connected to a session, which people find at `page`; `now` is the server's clock. */
  | { readonly type: 'welcome'; readonly session: string; readonly page: string; readonly now: Instant }
  /** Orders of one batch, which was taken `at`, by the server's clock. */
  | {
      readonly type: 'carry-out';
      readonly batch: string;
      readonly at: Instant;
      readonly orders: readonly Order[];
    }
  /** What may be pictured, and what is looked at. */
  | PicturesAllowed
  | Look
  /** What programs use is looked at. */
  | Measure
  /** A picture of the screen or a window is wanted. */
  | Shoot
  /** Whether the tabs of browsers are to be followed; until it is said they are not. */
  | { readonly type: 'tabs'; readonly followed: boolean }
  /** What the page in Key Fold's own window wants, and that there is none any more. */
  | FromPanel
  | { readonly type: 'no-panel' }
  /** A message was not understood: it changed nothing. */
  | { readonly type: 'misunderstood'; readonly detail: string };

/** What an agent was asked longer ago than this, in ms, it does no more: a machine that wakes up must not catch up on keys. */
export const LATEST_MS = 5_000;

/** Why the server closed a connection (RFC 6455, 7.4.2: 4000 to 4999 are an application's own). */
export const CLOSE_CODES = { replaced: 4001, revoked: 4002, version: 4003 } as const;
