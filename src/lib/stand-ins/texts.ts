/** Every text of the programs that show what people have added. */
export const GUEST_TEXTS = {
  notLaunched: 'A program of the machine. This desk switches windows of its own and cannot launch it.',
  command: 'Command',
  frame: (name: string) => `${name}, the page itself`,
  give: 'Give the keys to the page',
  back: 'Take the keys back',
  inPage: 'The page has the keys; Key Fold hears none.',
  frames: 'Nothing shown? Then the page permits no frames:',
  own: 'open it in a browser window',
  asBrowserWindow:
    'This page is in a browser window of its own. It comes forward and closes together with this one.',
  forward: 'Bring it forward',
  open: 'Open it',
  kept: 'The browser did not let it open. Press the button once more, or allow windows for this site.',
  emptyFolder: 'There is nothing in this folder.',
  paused: 'Paused: nothing is heard until it goes on.',
} as const;
