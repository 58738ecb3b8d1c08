import { createHash, randomBytes } from 'node:crypto';
import { chmod, mkdir, readFile, writeFile } from 'node:fs/promises';
import { dirname } from 'node:path';

/** 256 bits: nobody guesses that. */
const BYTES = 32;

/** A new secret, in letters that stand in a URL and in a header as they are. */
export const newSecret = (): string => randomBytes(BYTES).toString('base64url');

/** What is kept of a secret. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** A secret from a file; null if there is none. */
export async function secretIn(file: string): Promise<string | null> {
  const text = await readFile(file, 'utf8').catch(() => '');
  return text.trim() || null;
}

/** Writes a secret to a file that its owner alone can read. */
export async function keepSecret(file: string, secret: string): Promise<void> {
  await mkdir(dirname(file), { recursive: true });
  await writeFile(file, `${secret}\n`, { mode: 0o600 });
  // An earlier file may have been anybody's to read.
  await chmod(file, 0o600);
}
