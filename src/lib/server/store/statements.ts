/** The statements on the path of every command, written down once so that each connection plans them once. */

/**
 * A session since a number that is known ($2; -1 for nothing): a newer snapshot if there is one, and the batches
 * after it. One statement, so that it sees one moment.
 */
export const LOAD = `
  select
    greatest(s.snapshot_seq, $2::integer) as base_seq,
    case when s.snapshot_seq > $2::integer then s.snapshot end as snapshot,
    (select json_agg(json_build_object('first', l.first_seq, 'events', l.events) order by l.first_seq)
      from log l
      where l.session_id = s.id and l.first_seq > greatest(s.snapshot_seq, $2::integer)) as tail
  from session s
  where s.id = $1`;

/** Rows of the log ($1 … $8: its columns), and of the tally where one goes with them ($9), of sessions that are there. */
const STORE = `
  with b as (
    select b.* from unnest(
        $1::text[], $2::integer[], $3::integer[], $4::uuid[], $5::uuid[], $6::text[], $7::text[], $8::text[], $9::text[])
      as b (session_id, first_seq, event_count, id, cause, origin, digest, events, switched)
    join session s on s.id = b.session_id),
  switched as (
    insert into switch
    select row.* from b, json_populate_record(null::switch, b.switched::json) as row where b.switched is not null),
  stored as (
    insert into log (session_id, first_seq, event_count, id, cause, origin, digest, events)
    select session_id, first_seq, event_count, id, cause, origin, digest, events::json from b
    returning session_id, first_seq)`;

/** Batches, but for those whose session is gone; answers with the sessions that are there. */
export const WRITE = `${STORE} select session_id from stored`;

/** The same, telling the other servers of it in the name of this one ($10). */
export const WRITE_AND_TELL = `${STORE}
  select session_id, pg_notify('key_fold', $10::text || ' wrote ' || session_id || ' ' || min(first_seq))
  from stored group by session_id`;

/** The same for a single batch ($1 … $8: its columns) that switches nothing. */
export const WRITE_ONE = `
  insert into log (session_id, first_seq, event_count, id, cause, origin, digest, events)
  select id, $2::integer, $3::integer, $4::uuid, $5::uuid, $6::text, $7::text, $8::json from session where id = $1
  returning session_id`;

/** Which of some batches ($2) a session ($1) has. */
export const KNOWN = `
  select id, cause, origin, first_seq, digest, events from log where session_id = $1 and id = any ($2::uuid[])`;

/** What was written down for a session ($1) after a number ($2), at most so many batches ($3), oldest first. */
export const AFTER = `
  select id, cause, origin, first_seq, events from log
  where session_id = $1 and first_seq + event_count - 1 > $2::integer
    and first_seq >= coalesce(
      (select max(first_seq) from log where session_id = $1 and first_seq <= $2::integer + 1), 0)
  order by first_seq
  limit $3::integer`;

/** The number of a session's last event. */
export const LAST = `
  select greatest(
    s.snapshot_seq,
    (select l.first_seq + l.event_count - 1 from log l where l.session_id = s.id order by l.first_seq desc limit 1)
  ) as seq
  from session s where s.id = $1`;

/** A snapshot ($2, after event $3) of a session ($1), unless it has a newer one. */
export const SNAPSHOT = `
  update session set snapshot = $2::json, snapshot_seq = $3::integer where id = $1 and snapshot_seq < $3::integer`;

/** Removes what a snapshot has made history, if it is older than so many days ($1); answers with how much that was. */
export const PRUNE = `
  with old as (
    delete from log l using session s
    where s.id = l.session_id and l.first_seq + l.event_count - 1 <= s.snapshot_seq
      and l.received_at < now() - make_interval(days => $1::integer)
    returning 1)
  select count(*)::integer as removed from old`;
