/** Key Fold in a window of its own, installed, and in full screen: there every key arrives. */

/** What Chromium tells before it would offer to install the page (W3C, "Manifest Incubations"). */
interface InstallPrompt extends Event {
  prompt(): Promise<unknown>;
}
/** Keyboard Lock (WICG): in full screen, keys that the browser or the desktop would take come to the page. */
interface KeyboardWithLock {
  lock(): Promise<void>;
  unlock(): void;
}

let offered = $state.raw<InstallPrompt | null>(null);
let alone = $state(false);
let full = $state(false);

/** Whether the page is in a window of its own. */
export const inOwnWindow = (): boolean => alone;
/** Whether the browser can install it now. */
export const canInstall = (): boolean => offered !== null;
/** Whether it fills the screen. */
export const inFullScreen = (): boolean => full;

/** Lets the browser ask whether to install the page. */
export async function install(): Promise<void> {
  const prompt = offered;
  offered = null;
  await prompt?.prompt();
}

/** Fills the screen, or no longer; where there is Keyboard Lock, every key arrives meanwhile. */
export async function toggleFullScreen(): Promise<boolean> {
  if (document.fullscreenElement) {
    await document.exitFullscreen();
    return false;
  }
  await document.documentElement.requestFullscreen();
  await keyboardLock()?.lock();
  return true;
}

const keyboardLock = (): KeyboardWithLock | undefined =>
  (navigator as Navigator & { readonly keyboard?: Partial<KeyboardWithLock> }).keyboard?.lock
    ? (navigator as Navigator & { readonly keyboard: KeyboardWithLock }).keyboard
    : undefined;

/** Follows what the browser tells of all this; the returned function ends that. */
export function followOwnWindow(): () => void {
  const display = matchMedia('(display-mode: standalone)');
  const over = new AbortController();
  const { signal } = over;
  const look = () => {
    alone = display.matches;
    full = document.fullscreenElement !== null;
    if (!full) keyboardLock()?.unlock();
  };
  addEventListener(
    'beforeinstallprompt',
    (event) => {
      event.preventDefault();
      offered = event as InstallPrompt;
    },
    { signal },
  );
  addEventListener('appinstalled', () => (offered = null), { signal });
  document.addEventListener('fullscreenchange', look, { signal });
  display.addEventListener('change', look, { signal });
  look();
  return () => over.abort();
}
