import { keepProgress, keptProgress, type Progress } from '../../client/lesson-keeper';
import { LESSONS } from '../../core/lessons/lessons';

/** How far somebody is with the first minutes, on this page and in this browser. */
export class LessonProgress {
  #progress = $state.raw<Progress>({ at: 0, on: false });

  /** Which lesson comes next, counted from 0. */
  get at(): number {
    return this.#progress.at;
  }

  /** Whether the first minutes are shown. */
  get on(): boolean {
    return this.#progress.on;
  }

  /** Goes on where they were left; `anew`: begins them for who has never seen them. */
  takeUp(anew: boolean): void {
    this.#progress = keptProgress() ?? { at: 0, on: anew };
  }

  /** The present lesson is done. */
  goOn(): void {
    this.#follow({ at: this.at + 1, on: true });
  }

  /** Leaves them, or takes them up again; once all are done, from the first on. */
  toggle(): void {
    const { at, on } = this.#progress;
    this.#follow({ at: !on && at >= LESSONS.length ? 0 : at, on: !on });
  }

  #follow(progress: Progress): void {
    this.#progress = progress;
    keepProgress(progress);
  }
}
