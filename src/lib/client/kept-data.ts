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

/** Whether the data of a page of this site is kept in this browser. */
export async function isKept(page: string): Promise<boolean> {
	if (!('serviceWorker' in navigator) || !navigator.serviceWorker.controller) return false;
	return (await caches.match(keptUnder(new URL(page, location.href)))) !== undefined;
}
