import type { CompositeExtension, DamageExtension, DrawableGeometry, RenderExtension, XEvent } from 'x11';
import type { Area } from '../../lib/core/capture/area';
import {
  PICTURE_WIDTHS,
  pictureWidth,
  type LookedAt,
  type Picture,
  type PicturesAllowed,
} from '../../lib/core/display/pictures';
import type { WindowId } from '../../lib/core/model/ids';
import { fullPicture } from './full-picture';
import { smallPicture, type Source } from './small-picture';
import { listedOf } from './telling';
import { EVENTS, XConnection } from './x-connection';
import type { XDisplay } from './x-display';

/** Two pictures of one window are at least so far apart, in ms, however often it changes and is looked at. */
const APART_MS = 250;
/** What a manager draws round a window is not wider, in pixels. */
const FRAME = 48;
/** The width of the picture that is kept of a window that goes out of sight. */
const KEPT_WIDTH = PICTURE_WIDTHS[2];

/** A picture that was made. */
interface Made {
  readonly png: string;
  readonly width: number;
  /** Which change of the window it shows. */
  readonly change: number;
  readonly at: number;
}

/** A window whose pictures can be had. */
interface Watched {
  readonly xid: number;
  readonly damage: number;
  /** What it looks like at full size, which stays while it is covered; null while it is out of sight. */
  source: Source | null;
  /** How many times it looked different. */
  change: number;
  readonly made: Map<number, Made>;
}

/** What of the server makes pictures. */
interface Means {
  readonly connection: XConnection;
  readonly composite: CompositeExtension;
  readonly damage: DamageExtension;
  readonly render: RenderExtension;
}

/**
 * Pictures of the windows of a display, for whoever looks at them: made small at the server, when they are asked for, of
 * what has changed since. Of what goes out of sight the last picture is kept, small, in memory. All of it is on a connection
 * of its own: what is large keeps no key waiting, and once nothing may be pictured any more nothing of it is left.
 */
export class Pictures {
  #allowed: PicturesAllowed = { type: 'pictures', allowed: false, except: [] };
  #means: Means | null = null;
  #watched = new Map<number, Watched>();
  /** Versions of one run of the agent are other ones than those of another. */
  readonly #run = Date.now().toString(36);
  #turn: Promise<void> = Promise.resolve();

  constructor(
    readonly display: XDisplay,
    /** As in `DISPLAY`. */
    readonly name: string,
  ) {}

  /** From now on this may be pictured, and nothing else: what was made of it before is gone. */
  allow(allowed: PicturesAllowed): void {
    if (JSON.stringify(allowed) === JSON.stringify(this.#allowed)) return;
    this.#allowed = allowed;
    this.#next(async () => {
      this.#forgetAll();
      if (!this.#allowed.allowed) return;
      this.#means = await meansOf(this.name);
      this.#means?.connection.onEvent((event) => this.#on(event));
      this.#watchAll();
    });
  }

  /** Looks after windows that came and went. */
  follow(): void {
    this.#next(() => this.#watchAll());
  }

  /** The pictures of windows that look different than what was seen; of some there are none. */
  async look(windows: readonly LookedAt[]): Promise<Picture[]> {
    const pictures: Picture[] = [];
    // One after the other: other things can be done in between.
    for (const { window, width, seen } of windows) {
      const xid = this.display.find(window)?.xid;
      const watched = xid === undefined ? undefined : this.#watched.get(xid);
      if (!watched) continue;
      const made = await this.#picture(watched, pictureWidth(width));
      if (!made) continue;
      const version = `${this.#run}-${made.change}-${made.width}`;
      if (version !== seen && this.#watched.has(watched.xid))
        pictures.push({ window, version, png: made.png });
    }
    return pictures;
  }

  /**
   * A picture as large as it is: of a window, or of the screen (null), in which what must not be pictured is painted over.
   * Null where none may be taken, or none can.
   */
  async shoot(window: WindowId | null): Promise<Buffer | null> {
    // What was allowed or forbidden just before counts.
    await this.#turn;
    const means = this.#means;
    if (!means) return null;
    const { connection } = means;
    if (window === null) {
      const { root, screen } = connection;
      const covered = () => this.#notToBePictured(means);
      return fullPicture(connection, { drawable: root, ...screen }, covered).catch(() => null);
    }
    const xid = this.display.find(window)?.xid;
    const source = xid === undefined ? null : this.#watched.get(xid)?.source;
    return source ? fullPicture(connection, source).catch(() => null) : null;
  }

  /** Where windows of programs are at this moment that are left out, with their frames. */
  async #notToBePictured({ connection }: Means): Promise<Area[]> {
    const except = new Set(this.#allowed.except);
    const { client, root } = connection;
    const { windows, programs } = this.display;
    const left = [...windows.values()].filter((window) => except.has(programs.applicationOf(window).id));
    const areas = left.map(async ({ xid }): Promise<Area[]> => {
      // As the server has it: what is known of a place may be of a moment ago.
      const [isThere, extent, at] = await Promise.all([
        connection.isViewable(xid),
        connection.tried<DrawableGeometry>((done) => client.GetGeometry(xid, done)),
        connection.tried<{ destX: number; destY: number }>((done) =>
          client.TranslateCoordinates(xid, root, 0, 0, done),
        ),
      ]);
      if (!isThere || !extent || !at) return [];
      const [width, height] = [extent.width + 2 * FRAME, extent.height + 2 * FRAME];
      return [{ x: at.destX - FRAME, y: at.destY - FRAME, width, height }];
    });
    return (await Promise.all(areas)).flat();
  }

  stop(): void {
    this.#allowed = { ...this.#allowed, allowed: false };
    this.#forgetAll();
  }

  #next(does: () => void | Promise<void>): void {
    this.#turn = this.#turn.then(does).catch(() => undefined);
  }

  #forgetAll(): void {
    this.#watched = new Map();
    // The server takes back all that was redirected, named and watched on it.
    this.#means?.connection.close();
    this.#means = null;
  }

  #watchAll(): void {
    const means = this.#means;
    if (!means) return;
    const except = new Set(this.#allowed.except);
    const allowed = listedOf(this.display).filter(
      (window) => !except.has(this.display.programs.applicationOf(window).id),
    );
    const xids = new Set(allowed.map(({ xid }) => xid));
    for (const [xid, watched] of this.#watched) if (!xids.has(xid)) this.#forget(means, watched);
    for (const xid of xids) if (!this.#watched.has(xid)) this.#watch(means, xid);
  }

  #watch(means: Means, xid: number): void {
    const { connection, composite, damage } = means;
    const watched: Watched = {
      xid,
      damage: connection.client.AllocID(),
      source: null,
      change: 0,
      made: new Map(),
    };
    this.#watched.set(xid, watched);
    connection.client.ChangeWindowAttributes(xid, { eventMask: EVENTS.StructureNotify });
    composite.RedirectWindow(xid, composite.Redirect.Automatic);
    damage.Create(watched.damage, xid, damage.ReportLevel.NonEmpty);
    void this.#name(means, watched);
  }

  #forget({ connection }: Means, { xid, source }: Watched): void {
    this.#watched.delete(xid);
    if (source) connection.client.FreePixmap(source.drawable);
  }

  #on(event: XEvent): void {
    const means = this.#means;
    const watched = this.#watched.get(event.wid1 ?? event.drawable ?? event.wid);
    if (!means || !watched) return;
    switch (event.name) {
      case 'DamageNotify':
        watched.change += 1;
        return;
      case 'MapNotify':
        return void this.#name(means, watched);
      case 'ConfigureNotify': {
        const { source } = watched;
        if (source && (source.width !== event.width || source.height !== event.height))
          void this.#name(means, watched);
        return;
      }
      case 'UnmapNotify':
        return void this.#keep(means, watched);
    }
  }

  /** Names how a window looks now, so that it stays when the window goes out of sight; there is another one after each change of size. */
  async #name({ connection, composite }: Means, watched: Watched): Promise<void> {
    const { client } = connection;
    const drawable = client.AllocID();
    composite.NameWindowPixmap(watched.xid, drawable);
    const extent = await connection.tried<Source>((done) =>
      client.GetGeometry(drawable, (error, geometry) => done(error, { ...geometry, drawable })),
    );
    // It is out of sight: there is nothing to be named.
    if (!extent) return;
    if (watched.source) client.FreePixmap(watched.source.drawable);
    watched.source = extent;
    watched.change += 1;
  }

  /** Of what has gone out of sight a small picture is kept. */
  async #keep(means: Means, watched: Watched): Promise<void> {
    const { source } = watched;
    if (!source) return;
    watched.source = null;
    await this.#make(means, watched, source, KEPT_WIDTH).catch(() => undefined);
    means.connection.client.FreePixmap(source.drawable);
  }

  async #picture(watched: Watched, width: number): Promise<Made | null> {
    const means = this.#means;
    const made = watched.made.get(width);
    if (!means || !watched.source) return newest(watched.made.values());
    if (made && (made.change === watched.change || Date.now() - made.at < APART_MS)) return made;
    return this.#make(means, watched, watched.source, width).catch(() => made ?? null);
  }

  async #make(means: Means, watched: Watched, source: Source, width: number): Promise<Made> {
    const { change } = watched;
    // Said before it is read: what changes while it is read is told again.
    means.damage.Subtract(watched.damage, 0, 0);
    const png = await smallPicture(means.connection, means.render, source, width);
    const made: Made = { png: png.toString('base64'), width, change, at: Date.now() };
    watched.made.set(width, made);
    return made;
  }
}

const newest = (made: Iterable<Made>): Made | null =>
  [...made].reduce<Made | null>((best, one) => (best && best.change >= one.change ? best : one), null);

/** A connection that makes pictures; null where the server cannot. */
async function meansOf(display: string): Promise<Means | null> {
  const connection = await XConnection.open(display);
  const { client } = connection;
  try {
    return {
      connection,
      composite: await connection.reply((done) => client.require('composite', (e, x) => void done(e, x))),
      damage: await connection.reply((done) => client.require('damage', (e, x) => void done(e, x))),
      render: await connection.reply((done) => client.require('render', (e, x) => void done(e, x))),
    };
  } catch {
    connection.close();
    return null;
  }
}
