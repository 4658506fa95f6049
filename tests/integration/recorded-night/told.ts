import prettier from 'prettier';

/**
 * What a page is given, written so that a person can read what changed: what is explained by its value alone, and
 * what stood further up already by where.
 */
export async function told(view: unknown): Promise<string> {
	return prettier.format(JSON.stringify(once(plain(view), '', new Map())), {
		parser: 'json',
		printWidth: 160,
		useTabs: true,
		objectWrap: 'collapse'
	});
}

const ID = /^([0-9a-f]{8})-[0-9a-f]{4}-([45])[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;

/** Ids that are drawn when something is made are another each time; those of the demo and of the night are not. */
function shortId(text: string): string {
	const [, beginning, version] = ID.exec(text) ?? [];
	return beginning === undefined ? text : version === '4' ? 'drawn' : beginning;
}

function plain(value: unknown): unknown {
	if (typeof value === 'number') return digits(value);
	if (typeof value === 'string') return shortId(value);
	if (value instanceof Map) return plain([...value]);
	if (value instanceof Set) return plain([...value]);
	if (Array.isArray(value)) return value.map(plain);
	if (typeof value !== 'object' || value === null) return value;
	if ('term' in value && 'value' in value && 'unit' in value)
		return `${digits(Number(value.value))} ${String(value.unit)}`;
	return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, plain(each)]));
}

/** To ten digits: the last ones may differ between processors. */
function digits(value: number): number {
	return Number.isFinite(value) ? Number(value.toPrecision(10)) : value;
}

/** Shorter things are told again rather than looked up. */
const WORTH_LOOKING_UP = 120;

function once(value: unknown, where: string, seen: Map<string, string>): unknown {
	if (typeof value !== 'object' || value === null) return value;
	const whole = JSON.stringify(value);
	if (whole.length >= WORTH_LOOKING_UP) {
		const before = seen.get(whole);
		if (before !== undefined) return `as ${before}`;
		seen.set(whole, where);
	}
	const inner = (each: unknown, key: string | number) => once(each, `${where}.${key}`, seen);
	if (Array.isArray(value)) return value.map(inner);
	return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, inner(each, key)]));
}
