/** What a page's data is asked for at (SvelteKit's own address for it). */
const DATA = /\/__data\.json$/;
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

/** Has data that is read patiently asked for again until there is an answer. SvelteKit reads it by the fetch of the window. */
export function askPatiently(): void {
	const plain = window.fetch.bind(window);
	window.fetch = async (input, init) => {
		const isPatient = readings > 0 && typeof input === 'string' && isOfThisPage(input);
		for (;;) {
			try {
				const answer = await plain(input, init);
				if (!isPatient || !NOBODY_THERE.includes(answer.status)) return answer;
			} catch (error) {
				if (!isPatient) throw error;
			}
			await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
		}
	};
}

function isOfThisPage(address: string): boolean {
	const { pathname } = new URL(address, location.href);
	return DATA.test(pathname) && pathname.replace(DATA, '') === location.pathname.replace(/\/$/, '');
}
