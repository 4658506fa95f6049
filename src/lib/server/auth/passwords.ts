import { hash, verify } from '@node-rs/argon2';
import { Gate } from '../edge/gate.ts';

/** argon2id as the OWASP cheat sheet on storing passwords has it: 19 MiB, two passes, one lane. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Each takes a processor for some tens of milliseconds: two at a time, so that signing in never stops the bench. */
const WORK = new Gate({ atOnce: 2, waiting: 100, longestWaitMs: 10_000 });

/** What is kept of a password or a code. */
export function hashOf(secret: string): Promise<string> {
	return WORK.run(() => hash(secret.normalize('NFC'), COST));
}

/** Stands in where there is nothing to compare with, so that a name that is none takes as long as one that is. */
let nobodys: Promise<string> | null = null;

/** Whether it is the secret of which the hash is kept; without one it is not, after the same time. */
export async function isSecretOf(kept: string | null, given: string): Promise<boolean> {
	const compared = kept ?? (await (nobodys ??= hash('nobody has this', COST)));
	const fits = await WORK.run(() => verify(compared, given.normalize('NFC')));
	return kept !== null && fits;
}
