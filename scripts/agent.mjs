/** `npm run agent`: carries the windows of this display to a Key Fold that runs already, here or elsewhere. */
import { reachableAt } from './lib/address.mjs';
import { startAgent } from './lib/agent.mjs';
import { ensureBuild } from './lib/build.mjs';
import { runningAt } from './lib/database.mjs';
import { checkNode, ensureNodePackages } from './lib/packages.mjs';
import { runMain, SetUpError } from './lib/say.mjs';

await runMain(async () => {
  checkNode();
  if (!process.env.DISPLAY)
    throw new SetUpError(
      'There is no X display here: DISPLAY is not set. See “Your own windows” in README.md.',
    );
  await ensureNodePackages();
  await ensureBuild();
  const { HOST = '127.0.0.1', PORT = 4870, KEY_FOLD_URL } = process.env;
  const agent = startAgent(KEY_FOLD_URL ?? runningAt() ?? `http://${reachableAt(HOST)}:${PORT}`);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => agent.kill('SIGTERM'));
  process.exitCode = await new Promise((resolve) => agent.on('exit', (code) => resolve(code ?? 0)));
});
