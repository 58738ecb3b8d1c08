import type { SpawnOptions } from 'node:child_process';
export function run(
  program: string,
  args: readonly string[],
  options?: SpawnOptions & { show?: boolean },
): Promise<string>;
