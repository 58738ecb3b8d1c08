/** What the coach says. */
export const COACH_TEXTS = {
  next: 'Next time:',
  /** For those who hear it. */
  says: (window: string, keys: string) => `Next time, to ${window}: ${keys}.`,
  on: 'The coach is on: now and then it says which keys would have done.',
  off: 'The coach is off.',
} as const;
