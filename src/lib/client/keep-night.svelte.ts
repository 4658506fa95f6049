import { keptAge } from './kept-age.svelte.ts';
import { isKept, KEPT_AT, STORES } from './kept-data.ts';

/** A page that was just opened is read first; then what is beside it. */
const FIRST_AFTER_MS = 3000;
/** What changed meanwhile is kept anew so often. */
const AGAIN_MS = 10 * 60_000;
const LOOK_MS = 30_000;
const TAKE_OVER_MS = 1500;
/** What is older is of a night long over. */
const OLDEST_MS = 48 * 3_600_000;

/** How far this browser is with keeping the night for when there is no network. */
export type Keeping =
	| { readonly kind: 'off' }
	| { readonly kind: 'beginning' }
	| { readonly kind: 'kept'; readonly pages: number; readonly atMs: number }
	/** Browsers keep pages only of places whose certificate they trust. */
	| { readonly kind: 'not-possible' };

/** Has this browser keep the application and the pages of a night, by the service worker. */
export class NightKeeper {
	keeping: Keeping = $state.raw({ kind: 'off' });
	/** A newer version of the application is here, and takes over when a page is left for another. */
	newer = $state(false);
	#registration: ServiceWorkerRegistration | null = null;
	#changed = true;
	#lastMs = 0;
	#busy = false;

	constructor(
		/** The night that the page is about; null where it is about none. */
		private readonly date: () => string | null
	) {}

	/** Begins; gives the way out. */
	start(): () => void {
		this.keeping = { kind: 'beginning' };
		void this.#count();
		if (!('serviceWorker' in navigator)) {
			this.keeping = { kind: 'not-possible' };
			return () => {};
		}
		const changed = () => void this.#keep();
		navigator.serviceWorker.addEventListener('controllerchange', changed);
		void this.#register();
		const first = setTimeout(changed, FIRST_AFTER_MS);
		const looks = setInterval(changed, LOOK_MS);
		return () => {
			navigator.serviceWorker.removeEventListener('controllerchange', changed);
			clearTimeout(first);
			clearInterval(looks);
		};
	}

	/** Something was written: what is kept is kept anew, in a while. */
	hear(): void {
		this.#changed = true;
	}

	/** Keeps one page anew, at once. */
	keepAnew(page: string): void {
		if ('serviceWorker' in navigator && navigator.serviceWorker.controller)
			void fetchData(page).catch(() => undefined);
	}

	/** Lets the newer version take over; its pages are read by a whole load. */
	async takeOver(): Promise<void> {
		const waiting = this.#registration?.waiting;
		if (!waiting) return;
		const over = new Promise<void>((resolve) => {
			navigator.serviceWorker.addEventListener('controllerchange', () => resolve(), { once: true });
			// The older one ends what it is at before it goes; no hand waits for that.
			setTimeout(resolve, TAKE_OVER_MS);
		});
		waiting.postMessage('take-over');
		await over;
	}

	async #register(): Promise<void> {
		try {
			const registration = await navigator.serviceWorker.register('/service-worker.js');
			this.#registration = registration;
			const look = () => {
				this.newer = registration.waiting !== null && navigator.serviceWorker.controller !== null;
			};
			look();
			registration.addEventListener('updatefound', () =>
				registration.installing?.addEventListener('statechange', look)
			);
			// Asked once: what is kept is not thrown away when the device needs room.
			if (!(await navigator.storage.persisted())) await navigator.storage.persist();
		} catch {
			this.keeping = { kind: 'not-possible' };
		}
	}

	async #count(): Promise<void> {
		const pages = await keptPages().catch(() => []);
		if (pages.length === 0) return;
		const atMs = Math.max(...pages.map((page) => page.atMs));
		this.keeping = { kind: 'kept', pages: pages.length, atMs };
	}

	/** Fetches the night's pages one after the other; the service worker keeps what comes. */
	async #keep(): Promise<void> {
		const date = this.date();
		// Before the service worker stands behind this page, nothing that is fetched is kept.
		if (date === null || this.#busy || !navigator.serviceWorker.controller) return;
		if (!this.#changed || Date.now() - this.#lastMs < AGAIN_MS) return;
		this.#busy = true;
		try {
			// One tab does it for all.
			await navigator.locks.request('jovet-night', { ifAvailable: true }, async (lock) => {
				if (!lock) return;
				this.#changed = false;
				void this.#registration?.update().catch(() => undefined);
				const list = await fetch(`/bake/${date}/night.json`);
				if (!list.ok) return;
				const pages = (await list.json()) as readonly string[];
				for (const page of pages) await fetchData(page);
				if (!(await isKept(`/bake/${date}/bench`))) return;
				await throwOldAway();
				this.#lastMs = Date.now();
				await this.#count();
			});
		} catch {
			// The network went meanwhile: what was kept before is kept still.
			this.#changed = true;
		} finally {
			this.#busy = false;
		}
	}
}

/** What is kept here, of whatever night. */
async function keptPages(): Promise<
	readonly { readonly address: Request; readonly atMs: number }[]
> {
	const found = [];
	for (const name of (await caches.keys()).filter((one) => one.startsWith(STORES))) {
		const store = await caches.open(name);
		for (const address of await store.keys()) {
			const atMs = Number((await store.match(address))?.headers.get(KEPT_AT) ?? 0);
			found.push({ address, atMs });
		}
	}
	return found;
}

async function fetchData(page: string): Promise<void> {
	const answer = await fetch(`${page === '/' ? '' : page}/__data.json`);
	await answer.arrayBuffer();
	if (answer.headers.has(KEPT_AT)) throw new Error('the server is away');
}

async function throwOldAway(): Promise<void> {
	const old = (await keptPages()).filter(({ atMs }) => Date.now() - atMs > OLDEST_MS);
	if (old.length === 0) return;
	for (const name of await caches.keys()) {
		const store = name.startsWith(STORES) ? await caches.open(name) : null;
		for (const { address } of old) await store?.delete(address);
	}
}

/** Throws away what this browser keeps of any night, such as that of a tablet which is a desk from now on. */
export async function keepNoNights(): Promise<void> {
	if (!('serviceWorker' in navigator) || !navigator.serviceWorker.controller) return;
	keptAge.atMs = null;
	const registrations = await navigator.serviceWorker.getRegistrations();
	for (const registration of registrations) await registration.unregister();
	for (const name of await caches.keys()) if (name.startsWith(STORES)) await caches.delete(name);
}
