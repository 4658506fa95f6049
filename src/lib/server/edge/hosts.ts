/** By which names this application is reached. */
export interface ServedNames {
	/** Where it listens on loopback; null where that is not told (while it is being developed). */
	readonly port: string | null;
	/** Further names it was told to serve, as a browser writes them: "name" or "name:port". */
	readonly names: ReadonlySet<string>;
}

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** What the settings of the process say: its port, and names with commas between. */
export function servedNames(port?: string, listed?: string): ServedNames {
	const names = (listed ?? '').split(',').map((name) => name.trim().toLowerCase());
	return { port: port ?? null, names: new Set(names.filter((name) => name !== '')) };
}

/**
 * Whether a request came by a name that is served here. A page elsewhere can have its own name lead to this
 * machine, and would read everything by it; its name is not among these.
 */
export function isServed(host: string | null, { port, names }: ServedNames): boolean {
	if (host === null) return false;
	const asked = host.toLowerCase();
	if (names.has(asked)) return true;
	const parts = /^(\[[0-9a-f:]+\]|[^:/?#@]+)(?::(\d{1,5}))?$/.exec(asked);
	if (!parts?.[1] || !LOOPBACK.has(parts[1])) return false;
	return port === null || (parts[2] ?? '80') === port;
}

/** Whether a page of another site asks: one that is not at the very address it asks. */
export function isFromElsewhere(headers: Headers): boolean {
	const origin = headers.get('origin');
	if (origin !== null) {
		if (!URL.canParse(origin)) return true;
		return new URL(origin).host !== (headers.get('host') ?? '').toLowerCase();
	}
	// A browser says where a request comes from even where it sends no origin. Links from elsewhere may lead here.
	const site = headers.get('sec-fetch-site');
	if (site === null || site === 'same-origin' || site === 'none') return false;
	return headers.get('sec-fetch-mode') !== 'navigate';
}
