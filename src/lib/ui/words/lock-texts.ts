/** What the lock says. */

/** Characters of a new passphrase, at least. */
export const SHORTEST_PASSPHRASE = 8;

/** The texts of the lock. */
export const LOCK_TEXTS = {
  title: 'This desk is locked',
  label: 'Passphrase',
  hint: 'What was done and could not be sent is stored once the desk is open. Who owns the machine can take a forgotten passphrase away: the README says how.',
  open: 'Open',
  capsLock: 'Caps Lock is on.',
  waitFor: (seconds: number) =>
    seconds > 0 ? `Wait ${seconds} s before the next attempt.` : 'Try again now.',
  noServer: 'The server cannot be reached. Try again in a moment.',
  locking: 'Locking …',
  notLocked: 'Not locked',
  notLockedBecause: (why: string) => `${why} The desk is only covered, and other pages still show it.`,
  again: 'Lock it now',
  back: 'Back to the desk',
  first: {
    title: 'A passphrase to lock with',
    hint: `From now on one key locks this desk for every page that shows it, and this passphrase opens it. At least ${SHORTEST_PASSPHRASE} characters; several words are easiest to keep.`,
    done: 'Lock',
  },
  change: {
    title: 'Another passphrase for the lock',
    hint: `At least ${SHORTEST_PASSPHRASE} characters; several words are easiest to keep.`,
    done: 'Change',
    changed: 'The passphrase was changed.',
    none: 'This desk has no passphrase yet: lock it, and it is asked for one.',
  },
  fields: { before: 'The passphrase until now', passphrase: 'Passphrase', again: 'The same once more' },
  tooShort: `A passphrase has at least ${SHORTEST_PASSPHRASE} characters.`,
  differ: 'The two are not the same.',
} as const;
