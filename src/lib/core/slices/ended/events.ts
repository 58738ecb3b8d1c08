/** What happens to what has ended. */
export type EndedEvents = {
  /**
   * What was kept as `entry` leaves the list (null: the newest); drafts that were discarded with it are drafts again,
   * if none is newer.
   */
  'ended-reopened': { entry: string | null };
};
