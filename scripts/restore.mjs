/** `npm run restore -- FILE`: puts back what `npm run backup` stored, in place of what there is. */
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { runOn } from './lib/cluster.mjs';
import { runningAt, withDatabase } from './lib/database.mjs';
import { runMain, say, SetUpError } from './lib/say.mjs';

await runMain(async () => {
  const [name] = process.argv.slice(2);
  if (!name) throw new SetUpError('Say where from: npm run restore -- FILE');
  const file = resolve(name);
  if (!existsSync(file)) throw new SetUpError(`${file} is not there.`);
  const url = runningAt();
  if (url)
    throw new SetUpError(
      `Key Fold is running at ${url}. Stop it first: it would go on from what it has in memory.`,
    );
  await withDatabase((database) =>
    runOn(database, 'pg_restore', [
      '--dbname=' + new URL(database).pathname.slice(1),
      '--clean',
      '--if-exists',
      '--no-owner',
      '--single-transaction',
      file,
    ]),
  );
  say(`restored from ${file}`);
});
