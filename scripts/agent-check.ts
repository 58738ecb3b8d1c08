/** `npm run agent-check [-- PORT]`: tries out whether an agent keeps to docs/agent.md. */
import { AgentConformance } from './lib/agent-conformance';
import { say } from './lib/say.mjs';

const trial = await AgentConformance.open(Number(process.argv[2] ?? 0));
say(`start your agent on a display with at least two windows of different programs, for
  ${trial.url}
with the token
  ${trial.token}`);
let problems = 0;
for await (const { what, problem, skipped } of trial.tried()) {
  if (problem !== null) problems += 1;
  console.log(
    `${problem !== null ? 'WRONG  ' : skipped ? 'not tried' : 'kept   '} ${what}${problem ? `\n        ${problem}` : ''}`,
  );
}
trial.close();
process.exit(problems === 0 ? 0 : 1);
