import { mount, tick, unmount } from 'svelte';
import { easelFor, worked, type Easel } from '../../core/capture/easel';
import type { DialogName } from '../../core/actions/action';
import type { Shot } from '../../core/capture/shot';
import type { WindowId } from '../../core/model/ids';
import { find } from '../../core/model/table';
import type { Session } from '../../core/session/session';
import { titleOf, windowOf } from '../../core/slices/windows/selectors';
import { canvasFrom, pictureFrom } from '../../client/capture/picture-from';
import { shotOfDisplay } from '../../client/capture/shot-of-display';
import { CAPTURE_TEXTS } from '../words/capture-texts';
import Countdown from './Countdown.svelte';

/** A picture that was taken, and how it is marked. */
export interface Taken {
  readonly source: HTMLCanvasElement;
  readonly title: string;
  easel: Easel;
}

const SECOND_MS = 1_000;
const CLOCK = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** What of a desk takes part in it. */
interface PicturedDesk {
  readonly session: Session;
  readonly link: { readonly id: string };
  readonly switcher: unknown;
  dialog: DialogName | null;
  /** The window that is painted wherever it lies. */
  pictured: WindowId | null;
  say(text: string, urgent?: boolean): void;
  invoke(action: string): void;
  chord(action: string): string;
}

/** Takes pictures of a desk, now or in some seconds, and keeps the last one until it is kept elsewhere or another is taken. */
export class Capture {
  /** The picture that is marked. */
  taken: Taken | null = null;
  /** Seconds to wait before the next picture. */
  delay = $state(0);
  /** Seconds that are left of a wait; null while none goes on. */
  left = $state<number | null>(null);
  #timer: ReturnType<typeof setTimeout> | undefined;
  #countdown: object | null = null;

  constructor(readonly desk: PicturedDesk) {}

  /** Takes a picture, after the wait that was chosen. */
  begin(shot: Shot): void {
    this.stop();
    this.left = this.delay;
    this.#countdown = mount(Countdown, {
      target: document.body,
      props: { capture: this, says: CAPTURE_TEXTS.cancel(this.desk.chord('capture')) },
    });
    if (this.left > 0) this.desk.say(CAPTURE_TEXTS.waiting(this.left));
    this.#wait(shot);
  }

  /** Waits no longer, and takes nothing. */
  stop(): void {
    clearTimeout(this.#timer);
    this.left = null;
    const countdown = this.#countdown;
    this.#countdown = null;
    if (countdown) void unmount(countdown);
  }

  /** Marks a picture that is there already, once more. */
  async markAgain(address: string, title: string): Promise<void> {
    try {
      this.#open(await pictureFrom(address), 1, title, false);
    } catch {
      this.desk.say(CAPTURE_TEXTS.missing, true);
    }
  }

  #wait(shot: Shot): void {
    if (this.left === null) return;
    if (this.left === 0) return void this.#take(shot);
    this.#timer = setTimeout(() => {
      this.left = (this.left ?? 1) - 1;
      this.#wait(shot);
    }, SECOND_MS);
  }

  async #take(shot: Shot): Promise<void> {
    const { session } = this.desk;
    if (shot.of === 'window' && !find(session.windows, shot.window)) return this.#failed(CAPTURE_TEXTS.gone);
    const what = shot.of === 'window' ? titleOf(windowOf(session, shot.window)) : CAPTURE_TEXTS.ofDesk;
    const title = CAPTURE_TEXTS.name(what, CLOCK.format(new Date()));
    const live = session.host.kind === 'live';
    try {
      const source = live ? await this.#ofDisplay(shot) : await this.#ofPage(shot);
      if (this.left === null) return;
      this.stop();
      this.#open(source, live ? 1 : devicePixelRatio, title, shot.of === 'part');
    } catch {
      this.#failed(live ? CAPTURE_TEXTS.live.failed : CAPTURE_TEXTS.failed);
    }
  }

  async #ofDisplay(shot: Shot): Promise<HTMLCanvasElement> {
    return canvasFrom(await shotOfDisplay(this.desk.link.id, shot.of === 'window' ? shot.window : null));
  }

  async #ofPage(shot: Shot): Promise<HTMLCanvasElement> {
    const { pictureOfElement } = await import('../../client/capture/page-picture');
    if (shot.of === 'window') this.desk.pictured = shot.window;
    try {
      // What was here to choose from is gone by then, and the window painted.
      await tick();
      await frame();
      const element = shot.of === 'window' ? document.getElementById(`window-${shot.window}`) : document.body;
      if (!element) throw new Error('It is not there.');
      return await pictureOfElement(element, devicePixelRatio);
    } finally {
      this.desk.pictured = null;
    }
  }

  #open(source: HTMLCanvasElement, unit: number, title: string, cut: boolean): void {
    const easel = easelFor(source, unit);
    const middle = { x: source.width / 2, y: source.height / 2 };
    this.taken = {
      source,
      title,
      easel: cut ? worked(easel, { type: 'take-up', tool: 'crop', middle }) : easel,
    };
    // What is open on the desk just then gives way, as to any other dialog.
    if (this.desk.switcher) this.desk.invoke('cancel');
    this.desk.dialog = 'picture';
  }

  #failed(why: string): void {
    this.stop();
    this.desk.say(why, true);
  }
}

const frame = (): Promise<void> =>
  new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(() => resolve())));
