import { createHash, createHmac, randomBytes, randomInt, timingSafeEqual } from 'node:crypto';

/** A secret of 256 bits that fits an address and a cookie. */
export function newSecret(): string {
	return randomBytes(32).toString('base64url');
}

/** What is kept of a secret: it is found by that, and nothing comes in with it. */
export function fingerprint(secret: string): string {
	return createHash('sha256').update(secret).digest('hex');
}

/** Letters and digits that nobody takes for one another, read out or typed from a screen. */
const PLAIN = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const PAIRING_LENGTH = 8;

/** A code to be typed once within minutes: 31^8 of them, and few tries. */
export function newPairingCode(): string {
	return Array.from({ length: PAIRING_LENGTH }, () => PLAIN[randomInt(PLAIN.length)]).join('');
}

/** The key of one calendar, which opens nothing else; it changes with the bakery's secret. */
export function calendarKey(secret: string, who: string): string {
	return createHmac('sha256', secret).update(`calendar ${who}`).digest('base64url');
}

/** Whether two texts are the same, in a time that tells nothing of where they differ. */
export function isSameSecret(given: string, wanted: string): boolean {
	const [a, b] = [Buffer.from(given), Buffer.from(wanted)];
	return a.length === b.length && timingSafeEqual(a, b);
}
