/**
 * What a browser keeps of the pages of a night: the data of each, as SvelteKit's server gives it. The service worker keeps and
 * serves it, the page asks what there is.
 */

/** Told to the page with data that was kept: since when, in milliseconds of the real clock. */
export const KEPT_AT = 'jovet-kept-at';
/** The stores of kept data begin so, each with the version of the application that can read it. */
export const STORES = 'jovet-night-';
const DATA = '/__data.json';
/** By which SvelteKit says what it wants of a page; what is kept is always all of it. */
export const WANTED = 'x-sveltekit-invalidated';
/** So begins all that SvelteKit itself says in an address. */
const OF_SVELTEKIT = 'x-sveltekit-';
/** Pages that are the same whatever stands behind their question mark. */
const WITHOUT_SEARCH = ['/hands'];

/** Whether an address is that of a page's data. */
export const isData = (url: URL): boolean => url.pathname.endsWith(DATA);

/** Under which address the data of a page is kept; takes the page's address or its data's. */
export function keptUnder(address: URL): string {
	const path = address.pathname.replace(DATA, '').replace(/\/$/, '');
	const search = new URLSearchParams(address.search);
	for (const name of [...search.keys()]) if (name.startsWith(OF_SVELTEKIT)) search.delete(name);
	const text = WITHOUT_SEARCH.includes(path) ? '' : search.toString();
	return `${address.origin}${path}${DATA}${text === '' ? '' : `?${text}`}`;
}

interface Answer {
	readonly type: string;
	readonly location?: string;
	readonly nodes?: readonly ({ readonly type: string } | null)[];
}

/** What becomes of an answer: it is kept (in its whole form), it ends all keeping, or it changes nothing. */
export type Keeping =
	{ readonly do: 'keep'; readonly text: string } | { readonly do: 'forget-all' | 'nothing' };

/**
 * What to keep of the data that the server gave. An answer may leave out what the page has already: that is taken from what was
 * kept before. Nobody signed in any more: nothing of this bakery stays here.
 */
export function keepingOf(fresh: string, kept: string | null): Keeping {
	const answer = answerIn(fresh);
	if (!answer) return { do: 'nothing' };
	if (answer.type === 'redirect') {
		if (answer.location?.startsWith('/sign-in')) return { do: 'forget-all' };
		return answer.location?.startsWith('/bake/') ? { do: 'keep', text: fresh } : { do: 'nothing' };
	}
	if (answer.type !== 'data' || !answer.nodes) return { do: 'nothing' };
	const before = kept === null ? null : answerIn(kept);
	const nodes = answer.nodes.map((node, place) =>
		node?.type === 'skip' ? before?.nodes?.[place] : node
	);
	// Part of a page is no page, and a page that could not be read is none to keep.
	if (nodes.some((node) => node === undefined || (node && node.type !== 'data')))
		return { do: 'nothing' };
	return { do: 'keep', text: `${JSON.stringify({ ...answer, nodes })}\n` };
}

/** An answer of one line: one whose rest comes later is not kept. */
function answerIn(text: string): Answer | null {
	const [line = '', ...rest] = text.split('\n');
	if (rest.some((more) => more.trim() !== '')) return null;
	try {
		const answer = JSON.parse(line) as Answer | null;
		return answer && typeof answer === 'object' ? answer : null;
	} catch {
		return null;
	}
}

/** Whether the data of a page of this site is kept in this browser. */
export async function isKept(page: string): Promise<boolean> {
	if (!('serviceWorker' in navigator) || !navigator.serviceWorker.controller) return false;
	return (await caches.match(keptUnder(new URL(page, location.href)))) !== undefined;
}
