/**
 * `npm run agent-token -- [NAME]`: makes a token for the agent of a display, and revokes the one before. Without a name it
 * is this machine's own display, whose token goes to the file where `npm start` looks for it. `--revoke` only takes it away.
 */
import { join } from 'node:path';
import { keepSecret } from '../src/lib/server/access/secret';
import { guestId } from '../src/lib/core/guests/guest';
import { connect } from '../src/lib/server/database/connect';
import { migrate } from '../src/lib/server/database/migrate';
import { DisplayTokens } from '../src/lib/server/displays/display-tokens';
import { OWN_DISPLAY } from '../src/lib/server/displays/own-display';
import { secretsFolder } from './lib/agent.mjs';
import { withDatabase } from './lib/database.mjs';

const args = process.argv.slice(2);
const name = args.find((one) => !one.startsWith('--'));
const session = name === undefined ? OWN_DISPLAY : guestId(`${OWN_DISPLAY} ${name}`, () => false);
const file = join(secretsFolder(), 'agent-token');

await withDatabase(async (url) => {
  await migrate(url);
  const database = connect(url);
  const tokens = new DisplayTokens(database);
  try {
    if (args.includes('--revoke')) {
      const revoked = await tokens.revoke(session);
      console.log(
        `Key Fold: ${revoked ? `the token of '${session}' is revoked` : `'${session}' has no token`}.`,
      );
      return;
    }
    const token = await tokens.renew(session);
    if (name === undefined) {
      await keepSecret(file, token);
      console.log(`Key Fold: the new token is in ${file}; the one before is revoked.`);
    } else
      console.log(
        `Key Fold: the token of '${session}' is\n  ${token}\nGive it to its agent as KEY_FOLD_AGENT_TOKEN; the one before is revoked.`,
      );
  } finally {
    await database.end();
  }
});
