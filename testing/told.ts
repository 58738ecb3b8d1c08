/** What agents tell, for tests. */
import type { ToldWindow } from '../src/lib/core/display/told';
import type { ArrivedKey } from '../src/lib/core/keys/key-input';

/** A window as an agent tells it. */
export const toldWindow = (id: string, more: Partial<ToldWindow> = {}): ToldWindow => ({
  id,
  application: 'a',
  title: id,
  minimised: false,
  hidden: false,
  maximised: false,
  workspace: 'ws-1',
  geometry: { x: 0, y: 0, width: 300, height: 200 },
  answering: true,
  ...more,
});

/** S, pressed while Meta is down. */
export const HELD_S: ArrivedKey = {
  phase: 'down',
  code: 'KeyS',
  key: 's',
  alt: false,
  control: false,
  meta: true,
  shift: false,
  altGraph: false,
  repeat: false,
  composing: false,
};
