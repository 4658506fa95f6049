import { keptAge } from './kept-age.svelte.ts';
import { isData, KEPT_AT, keptUnder, WANTED } from './kept-data.ts';

/** How long until it is asked for once more. */
const PAUSE_MS = 1500;
/** Answers of what stands in front of the application, and of one that has no database: nothing was read. */
const NOBODY_THERE = [502, 503, 504];

let readings = 0;

/**
 * Reads the data of the page that stands open, and waits for it as long as it takes. A page whose data cannot be
 * fetched becomes an error in the place of what stood there, and a server can go away in the very moment in which it
 * is asked: what a hand was about to tap must not go with it.
 */
export async function patiently<T>(read: () => Promise<T>): Promise<T> {
	readings += 1;
	try {
		return await read();
	} finally {
		readings -= 1;
	}
}

/**
 * Watches how pages read their data, which SvelteKit does by the fetch of the window: what is read patiently is asked for again
 * until there is an answer, and data that this browser kept says so.
 */
export function watchReadings(): void {
	const plain = window.fetch.bind(window);
	window.fetch = async (input, init) => {
		const isPatient = readings > 0 && typeof input === 'string' && isOfThisPage(input);
		for (;;) {
			try {
				const answer = await plain(input, init);
				if (!isPatient || !NOBODY_THERE.includes(answer.status)) {
					if (typeof input === 'string' && isShown(input)) noteAge(answer);
					return answer;
				}
			} catch (error) {
				if (!isPatient) throw error;
			}
			await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
		}
	};
}

/** What is read to be shown says what of it is wanted; what is read to be kept does not. */
const isShown = (address: string): boolean =>
	isData(new URL(address, location.href)) && address.includes(WANTED);

function noteAge(answer: Response): void {
	const kept = Number(answer.headers.get(KEPT_AT) ?? NaN);
	keptAge.atMs = Number.isFinite(kept) ? kept : null;
}

function isOfThisPage(address: string): boolean {
	const url = new URL(address, location.href);
	return isData(url) && keptUnder(url) === keptUnder(new URL(location.href));
}
