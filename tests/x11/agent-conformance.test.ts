/** What every agent keeps to, ours too; and one that does not is told so. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import WebSocket from 'ws';
import { AgentConformance, type Outcome } from '../../scripts/lib/agent-conformance';
import { Agent } from '../../src/agent/agent';
import { InstalledPrograms } from '../../src/agent/programs';
import { Display } from '../../testing/display/display';
import { toldWindow } from '../../testing/told';
import { XClient } from '../../testing/display/x-client';

async function outcomesOf(trial: AgentConformance): Promise<Outcome[]> {
  const outcomes: Outcome[] = [];
  for await (const outcome of trial.tried()) outcomes.push(outcome);
  trial.close();
  return outcomes;
}
const wrong = (outcomes: readonly Outcome[]) => outcomes.flatMap(({ problem }) => problem ?? []);

describe('our own agent', () => {
  let display: Display;
  beforeAll(async () => {
    display = await Display.open();
  });
  afterAll(() => display.close());

  it('keeps to all of it', async () => {
    for (const name of ['charts', 'radio']) {
      const client = await XClient.open(display.name, name);
      await client.show({ title: `${name} 1` });
      await client.show({ title: `${name} 2` });
    }
    await expect.poll(() => display.manager.windows.length).toBe(4);
    const trial = await AgentConformance.open(0);
    const agent = new Agent({
      display: display.name,
      name: 'Quay',
      url: trial.url,
      token: trial.token,
      programs: new InstalledPrograms([]),
      kept: [],
      panel: null,
      tabs: null,
      say: () => undefined,
    });
    await agent.start();
    const outcomes = await outcomesOf(trial);
    agent.stop();
    expect(wrong(outcomes)).toEqual([]);
    expect(outcomes.filter(({ skipped }) => skipped)).toEqual([]);
    expect(outcomes).toHaveLength(10);
  });
});

describe('one that does not keep to it is told', () => {
  const hello = { type: 'hello', v: 1, name: 'Quay', abilities: [], screen: { width: 800, height: 600 } };
  const told = {
    type: 'told',
    cause: null,
    applications: [{ id: 'a', name: 'A' }],
    windows: [toldWindow('w-1'), toldWindow('w-2')],
    whole: true,
    stacking: ['w-1', 'w-2'],
    front: 'w-2',
  };

  async function tryingOut(messages: readonly object[], answer: (batch: string) => object[] = () => []) {
    const trial = await AgentConformance.open(0);
    const agent = new WebSocket(trial.url, { headers: { authorization: `Bearer ${trial.token}` } });
    agent.on('open', () => messages.forEach((one) => agent.send(JSON.stringify(one))));
    agent.on('message', (data) => {
      const { type, batch } = JSON.parse((data as Buffer).toString()) as { type: string; batch: string };
      if (type === 'carry-out') answer(batch).forEach((one) => agent.send(JSON.stringify(one)));
    });
    const outcomes: Outcome[] = [];
    // The first thing that is wrong is enough.
    for await (const outcome of trial.tried()) {
      outcomes.push(outcome);
      if (outcome.problem !== null) break;
    }
    trial.close();
    return wrong(outcomes).join();
  }

  it.each([
    ['that it must say hello', [told, hello], 'The first message was no hello.'],
    ['its version', [{ ...hello, v: 7 }], 'It speaks version 7, not 1.'],
    ['which application was never told', [hello, { ...told, applications: [] }], 'which was never told'],
    ['that the stacking is incomplete', [hello, { ...told, stacking: ['w-1'] }], 'stacking does not name'],
    ['what is no message', [hello, { ...told, front: 7 }], 'It said what is no message'],
  ])('%s', async (_, messages, problem) => {
    expect(await tryingOut(messages)).toContain(problem);
  });

  it('that it says done but does not tell what came of it', async () => {
    const done = (batch: string) => [{ type: 'settled', batch, settlement: { kind: 'done' } }];
    expect(await tryingOut([hello, told], done)).toContain("never told: 'w-1' in front");
  });

  it('that the cause is missing', async () => {
    const without = (batch: string) => [
      { type: 'told', cause: null, front: 'w-1' },
      { type: 'settled', batch, settlement: { kind: 'done' } },
    ];
    expect(await tryingOut([hello, told], without)).toContain('without it as the cause');
  });
});
