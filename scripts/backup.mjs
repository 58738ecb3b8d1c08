/** `npm run backup -- FILE`: everything that Key Fold has stored, in one file; it may be running. */
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { runOn } from './lib/cluster.mjs';
import { withDatabase } from './lib/database.mjs';
import { runMain, say, SetUpError } from './lib/say.mjs';

await runMain(async () => {
  const [name] = process.argv.slice(2);
  if (!name) throw new SetUpError('Say where to: npm run backup -- FILE');
  const file = resolve(name);
  if (existsSync(file)) throw new SetUpError(`${file} is there already. Nothing was written.`);
  await withDatabase((url) => runOn(url, 'pg_dump', ['--format=custom', '--no-owner', `--file=${file}`]));
  say(`backed up to ${file}`);
});
