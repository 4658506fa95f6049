/** An answer that took longer says too little of when it was given. */
const MOST_ON_THE_WAY_MS = 10_000;

/**
 * By how much this device's clock is ahead of the server's, in milliseconds; behind it, where less than nothing. Null where the server
 * does not answer, or not soon. It is asked for anew: a page may have been kept, by a worker or by the browser's way back.
 */
export async function deviceClockOff(
	ask: typeof fetch = fetch,
	nowMs: () => number = Date.now
): Promise<number | null> {
	try {
		const askedMs = nowMs();
		const answer = await ask('/health', { cache: 'no-store' });
		const answeredMs = nowMs();
		const servedMs = Date.parse(answer.headers.get('date') ?? '');
		if (Number.isNaN(servedMs) || answeredMs - askedMs > MOST_ON_THE_WAY_MS) return null;
		return (askedMs + answeredMs) / 2 - servedMs;
	} catch {
		return null;
	}
}
