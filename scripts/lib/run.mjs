import { spawn } from 'node:child_process';
import { SetUpError } from './say.mjs';

/**
 * Runs a program to its end and answers with what it printed.
 * @param {string} program
 * @param {readonly string[]} args
 * @param {import('node:child_process').SpawnOptions & { show?: boolean }} options `show`: what it prints is shown as it comes
 * @throws SetUpError with the end of its output if it fails.
 */
export async function run(program, args, { show = false, ...options } = {}) {
  const child = spawn(program, args, {
    ...options,
    stdio: ['ignore', show ? 'inherit' : 'pipe', show ? 'inherit' : 'pipe'],
  });
  let output = '';
  child.stdout?.on('data', (chunk) => (output += chunk));
  child.stderr?.on('data', (chunk) => (output += chunk));
  const code = await new Promise((resolve, reject) => {
    child.on('error', (error) => reject(new SetUpError(`${program} could not be started: ${error.message}`)));
    child.on('close', resolve);
  });
  if (code !== 0)
    throw new SetUpError(
      `${program} ${args.join(' ')} failed.\n${output.trim().split('\n').slice(-12).join('\n')}`,
    );
  return output;
}
