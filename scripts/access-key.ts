/** `npm run access-key`: makes a new access key and revokes the one before. */
import { AccessKeys } from '../src/lib/server/access/access-keys';
import { ASKING_PAGE } from '../src/lib/server/access/admission';
import { connect } from '../src/lib/server/database/connect';
import { migrate } from '../src/lib/server/database/migrate';
import { withDatabase } from './lib/database.mjs';

await withDatabase(async (url) => {
  await migrate(url);
  const database = connect(url);
  try {
    const key = await new AccessKeys(database).renew();
    console.log(
      `Key Fold: the new access key is\n  ${key}\nEnter it at ${ASKING_PAGE}; the one before is revoked.`,
    );
  } finally {
    await database.end();
  }
});
