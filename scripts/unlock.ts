/** `npm run unlock -- SESSION`: takes the lock of a session and its passphrase away. For who owns the machine. */
import { Locks } from '../src/lib/server/locks/locks';
import { connect } from '../src/lib/server/database/connect';
import { migrate } from '../src/lib/server/database/migrate';
import { withDatabase } from './lib/database.mjs';

const [session] = process.argv.slice(2);
if (session === undefined) {
  console.error('Say which session: npm run unlock -- SESSION. It is the last part of its page’s address.');
  process.exit(2);
}
const removed = await withDatabase(async (url: string) => {
  await migrate(url);
  const database = connect(url);
  try {
    const nobody = { locked: () => undefined, written: () => undefined };
    return await new Locks(database, nobody).remove(session);
  } finally {
    await database.end();
  }
});
console.log(
  removed
    ? `Key Fold: '${session}' is open and has no passphrase any more. Reload its page.`
    : `Key Fold: '${session}' has no passphrase.`,
);
process.exit(removed ? 0 : 1);
