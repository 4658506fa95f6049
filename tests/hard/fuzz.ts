import { deviceReadingSchema } from '../../src/lib/contracts/device-protocol.ts';
import { COMMANDS } from '../../src/lib/server/commands/registry.ts';
import { Chance } from './chance.ts';
import { DATES, disturbed, hostile, made, type Pool } from './generate.ts';
import { filled, type Route } from './routes.ts';

export interface FuzzTarget {
	readonly origin: string;
	/** Who asks: the head baker, and now and then nobody, or somebody else. */
	readonly cookie: string;
	readonly otherCookies: readonly string[];
	readonly deviceKey: string;
	readonly pool: Pool;
	readonly corpus: readonly Readonly<Record<string, unknown>>[];
	readonly routes: readonly Route[];
}

/** A request that was answered as none may be. */
export interface Finding {
	readonly what: string;
	readonly request: string;
}

export interface FuzzResult {
	readonly requests: number;
	readonly findings: readonly Finding[];
	readonly slowestMs: number;
	/** How often each command was carried out, and how often each answer was given. */
	readonly done: ReadonlyMap<string, number>;
	readonly statuses: ReadonlyMap<number, number>;
}

interface Ask {
	readonly method: string;
	readonly address: string;
	readonly headers: Record<string, string>;
	readonly body: string | Uint8Array<ArrayBuffer> | null;
	readonly kind: string;
}

/**
 * No request may take longer, on a machine that does other things besides: alone it takes 2.5 s at the most. How fast pages
 * are is held by the benchmark.
 */
const MOST_MS = 15_000;
const AT_ONCE = Number(process.env.JOVET_FUZZ_AT_ONCE ?? 8);

/**
 * Sends so many requests, the same for the same seed: every command and every route by itself, right ones
 * changed a little, made-up ones, and what no hand would send. An answer of 500 or above, one that takes over
 * five seconds, and one that only the database refused are findings.
 */
export async function fuzz(
	target: FuzzTarget,
	seed: number,
	requests: number
): Promise<FuzzResult> {
	const chance = new Chance(seed);
	const findings: Finding[] = [];
	const done = new Map<string, number>();
	const statuses = new Map<number, number>();
	let [sent, slowestMs] = [0, 0];
	const one = async (ask: Ask) => {
		const told = () => JSON.stringify({ ...ask, body: String(ask.body).slice(0, 6000) });
		const began = performance.now();
		try {
			const answer = await fetch(`${target.origin}${ask.address}`, {
				method: ask.method,
				headers: { cookie: cookieFor(ask), ...ask.headers },
				body: ask.body,
				redirect: 'manual',
				signal: AbortSignal.timeout(60_000)
			});
			const isStream = answer.headers.get('content-type')?.includes('event-stream') ?? false;
			const text = isStream ? '' : await answer.text();
			if (isStream) await answer.body?.cancel();
			statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
			if (answer.status === 200 && ask.kind !== '')
				done.set(ask.kind, (done.get(ask.kind) ?? 0) + 1);
			if (answer.status >= 500)
				findings.push({ what: `${answer.status}: ${text.slice(0, 300)}`, request: told() });
			if (text.includes('"not-storable"'))
				findings.push({ what: text.slice(0, 300), request: told() });
		} catch (error) {
			findings.push({
				what: `no answer: ${String(error)} ${String((error as Error).cause)}`,
				request: told()
			});
		}
		const tookMs = performance.now() - began;
		slowestMs = Math.max(slowestMs, tookMs);
		if (tookMs > MOST_MS) findings.push({ what: `${Math.round(tookMs)} ms`, request: told() });
	};
	/** Chosen by what is asked, so that it is the same for the same seed whoever is first. */
	const cookieFor = ({ address, body }: Ask) => {
		const turn = (address.length + (body?.length ?? 0)) % 20;
		return target.otherCookies[turn] ?? target.cookie;
	};
	// Every kind is let in once as it is, from who may, whatever chance has in store.
	for (const content of target.corpus) {
		sent += 1;
		const { headers, ...rest } = commandAt(content, target, chance.uuid(), target.pool.nowMs);
		await one({ ...rest, headers: { ...headers, cookie: target.cookie } });
	}
	const sender = async () => {
		while (sent < requests && findings.length < 20) {
			sent += 1;
			await one(nextRequest(target, chance));
		}
	};
	await Promise.all(Array.from({ length: AT_ONCE }, sender));
	return { requests: sent, findings, slowestMs, done, statuses };
}

function nextRequest(target: FuzzTarget, chance: Chance): Ask {
	const kind = chance.next();
	if (kind < 0.35)
		return command(
			disturbed(chance.pick(target.corpus), chance, chance.pick([0, 1, 1, 2, 3])),
			target,
			chance
		);
	if (kind < 0.65) return command(madeUp(target, chance), target, chance);
	if (kind < 0.87) return page(target, chance);
	if (kind < 0.94) return device(target, chance);
	return anything(target, chance);
}

function madeUp({ pool }: FuzzTarget, chance: Chance): unknown {
	const module = chance.pick(COMMANDS);
	const content = made(module.content, 'content', pool, chance, chance.pick([0, 0, 0.02, 0.1]));
	return typeof content === 'object' && content !== null
		? { ...content, kind: module.kind }
		: content;
}

function command(content: unknown, { pool, origin }: FuzzTarget, chance: Chance): Ask {
	const occurredAtMs =
		pool.nowMs +
		chance.pick([0, 0, 0, 0, 1, 2, 3]) * 60_000 -
		chance.pick([0, 0, 0, 1, 400]) * 86_400_000;
	const whole =
		typeof content === 'object' && content !== null && !Array.isArray(content)
			? {
					id: chance.uuid(),
					occurredAtMs: chance.is(0.95) ? occurredAtMs : hostile(chance),
					...content
				}
			: content;
	return ask(whole, origin);
}

function commandAt(
	content: Readonly<Record<string, unknown>>,
	{ origin }: FuzzTarget,
	id: string,
	occurredAtMs: number
): Ask {
	return ask({ id, occurredAtMs, ...content }, origin);
}

function ask(whole: unknown, origin: string): Ask {
	return {
		method: 'POST',
		address: '/commands',
		headers: { 'content-type': 'application/json', origin },
		body: JSON.stringify(whole) ?? '',
		kind: kindOf(whole)
	};
}

function kindOf(content: unknown): string {
	const kind = (content as { kind?: unknown } | null)?.kind;
	return typeof kind === 'string' ? kind : '';
}

function page({ routes, pool, cookie: session }: FuzzTarget, chance: Chance): Ask {
	const { address } = chance.pick(routes.filter((route) => route.isPage));
	const at = filled(address, (parameter) => {
		if (parameter === 'date') return chance.pick(DATES);
		const own = pool.ids[`${parameter}Id`] ?? [];
		return own.length > 0 && chance.is(0.85)
			? chance.pick(own)
			: String(chance.pick([chance.uuid(), 'new', 'x', '\u0000', '%']));
	});
	const data = chance.is(0.3) ? `${at === '/' ? '' : at}/__data.json` : at;
	const query = chance.is(0.25)
		? `?${chance.pick(['formula', 'mixer', 'from', 'to', 'x-sveltekit-invalidated'])}=${encodeURIComponent(String(chance.pick<unknown>([1, -1, 1e9, 'x', '\u0000', '01', ...(pool.ids.formulaId ?? [])])))}`
		: '';
	const cookie = chance.is(0.1)
		? {
				cookie: `${session}; appearance=${encodeURIComponent(String(chance.pick(['ember', 'x', '"><', '\u0000'])))}`
			}
		: {};
	return { method: 'GET', address: data + query, headers: { ...cookie }, body: null, kind: '' };
}

function device({ deviceKey, pool }: FuzzTarget, chance: Chance): Ask {
	const reading = () => {
		const content = made(deviceReadingSchema, 'reading', pool, chance, chance.pick([0, 0.05, 0.2]));
		return typeof content === 'object' && content !== null && chance.is(0.7)
			? {
					...content,
					sensor: 'Fuzz probe',
					measuredAt: new Date(pool.nowMs - chance.below(1e9)).toISOString()
				}
			: content;
	};
	const body: unknown = chance.is(0.9)
		? { readings: Array.from({ length: chance.pick([0, 1, 2, 20, 501]) }, reading) }
		: hostile(chance);
	const authorization = chance.is(0.9)
		? `Bearer ${deviceKey}`
		: chance.pick(['', 'Bearer', 'Bearer x', `Bearer ${'k'.repeat(250)}`, 'Basic YTpi']);
	const headers = { authorization, 'content-type': 'application/json' };
	return chance.is(0.9)
		? {
				method: 'POST',
				address: '/devices/readings',
				headers,
				body: JSON.stringify(body) ?? '',
				kind: ''
			}
		: { method: 'GET', address: '/devices/self', headers, body: null, kind: '' };
}

/** Any method with any body at any address. */
function anything({ routes, pool, deviceKey }: FuzzTarget, chance: Chance): Ask {
	const method = chance.pick(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);
	const { address } = chance.pick(routes);
	const at = filled(address, (parameter) =>
		parameter === 'date'
			? chance.pick(DATES)
			: chance.pick([chance.uuid(), ...(pool.ids[`${parameter}Id`] ?? [])])
	);
	const type = chance.pick([
		'application/json',
		'text/plain',
		'application/x-www-form-urlencoded',
		'multipart/form-data; boundary=x',
		'nonsense',
		''
	]);
	const body = chance.pick<() => string | Uint8Array<ArrayBuffer>>([
		() => '',
		() => '{',
		() => '[]',
		() => 'null',
		() => '"text"',
		() => '{"kind":"take-reading"}',
		() => Uint8Array.from({ length: 2000 }, () => chance.below(256)),
		() => ' '.repeat(chance.pick([401_000, 600_000])),
		() => `[${'['.repeat(50_000)}`,
		() => `{"kind":${'9'.repeat(5000)}}`
	])();
	const bodiless = method === 'GET' || method === 'HEAD';
	return {
		method,
		address: chance.pick([
			at,
			at,
			`${at}/`,
			`${at}?x=%FF`,
			`/${chance.pick(['%00', '%FF', '..%2f..', '__data.json', 'favicon.ico', '_app/x.js', 'é'])}`
		]),
		headers: {
			...(type === '' || bodiless ? {} : { 'content-type': type }),
			...(chance.is(0.3) ? { authorization: `Bearer ${deviceKey}` } : {}),
			...(chance.is(0.2) ? { accept: 'application/json' } : {})
		},
		body: bodiless ? null : body,
		kind: ''
	};
}
