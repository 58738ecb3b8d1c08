import { argon2id, hash, verify } from 'argon2';

/** The second of the options that RFC 9106, section 4, recommends: 64 MiB, three passes over them, four lanes, a tag of 256 bits. */
const COST = { type: argon2id, memoryCost: 64 * 1024, timeCost: 3, parallelism: 4, hashLength: 32 };

/** What is kept of a passphrase, with its cost and a salt of its own (the PHC string format). */
export const hashOfPassphrase = (passphrase: string): Promise<string> => hash(prepared(passphrase), COST);

/** Whether a passphrase is the one of which a hash was kept. */
export const isPassphrase = (kept: string, passphrase: string): Promise<boolean> =>
  verify(kept, prepared(passphrase));

/** RFC 8265, OpaqueString: spaces of every kind are alike, and so is what is composed of the same letters. */
const prepared = (passphrase: string): string => passphrase.replaceAll(/\p{Zs}/gu, ' ').normalize('NFC');
