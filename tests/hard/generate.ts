import type { z } from 'zod';
import { SIGHTINGS } from '../../src/lib/core/fermentation/index.ts';
import type { Chance } from './chance.ts';

/** What values are made from: ids that are there, by the name of what they are of, and moments. */
export interface Pool {
	readonly ids: Readonly<Record<string, readonly string[]>>;
	readonly nowMs: number;
}

export const DATES = [
	'2026-11-24',
	'2026-11-24',
	'2026-11-24',
	'2026-11-23',
	'2026-11-25',
	'2026-12-24',
	'2027-03-28',
	'2000-01-01',
	'2199-12-31',
	'0001-01-01',
	'9999-12-31',
	'2026-02-30',
	'2026-11-24T00:00',
	''
] as const;

const TEXTS = [
	'Harbour loaf',
	'harbour-loaf',
	'Whelk roll',
	'',
	' ',
	'x'.repeat(200),
	'y'.repeat(201),
	'z'.repeat(100_000),
	'a\u0000b',
	'\ud800',
	'a\udc00',
	'\u202eabc',
	'\u200b',
	'Cafe\u0301',
	'🥖'.repeat(60),
	"'; drop table person; --",
	'<script>alert(1)</script>',
	'${7*7}',
	'{{7*7}}',
	'%00',
	'../../etc/passwd',
	'__proto__',
	'constructor',
	'NaN',
	'Infinity',
	'1e400',
	'null',
	'=1+1',
	'\\',
	'\r\n',
	'１２',
	'ﬃ'
];

const NUMBERS = [
	0, -0, 1, -1, 0.1, 1e-9, 1e-300, 5e-324, 2, 3, 24, 60, 100, 255, 1000, 9999, 10_000,
	2_147_483_647, 2_147_483_648, 4_294_967_296, 9_007_199_254_740_991, 9_007_199_254_740_992, 1e15,
	1e21, 1e100, 1.7976931348623157e308, -1e308, -273.15, -1e9, 7_258_118_400_000
];

const NESTED = Array.from({ length: 300 }).reduce<unknown>((inner) => ({ a: [inner] }), 1);

/** Anything but what was asked for; a value of its own each time. */
export function hostile(chance: Chance): unknown {
	return structuredClone(anyHostile(chance));
}

function anyHostile(chance: Chance): unknown {
	switch (chance.below(7)) {
		case 0:
			return chance.pick(TEXTS);
		case 1:
			return chance.pick(NUMBERS);
		case 2:
			return chance.pick([null, true, false]);
		case 3:
			return chance.pick<unknown>([
				[],
				{},
				[[]],
				[null],
				{ kind: {} },
				{ length: 3 },
				{ toString: 1 }
			]);
		case 4:
			return NESTED;
		case 5:
			return Array.from({ length: chance.pick([1, 61, 500]) }, () =>
				chance.pick<unknown>([0, 'a', {}])
			);
		default:
			return JSON.parse(
				'{"__proto__": {"polluted": true}, "constructor": {"prototype": {"polluted": true}}}'
			);
	}
}

interface Definition {
	readonly type: string;
	readonly shape?: Record<string, z.ZodType>;
	readonly element?: z.ZodType;
	readonly innerType?: z.ZodType;
	readonly in?: z.ZodType;
	readonly options?: readonly z.ZodType[];
	readonly entries?: Record<string, unknown>;
	readonly values?: readonly unknown[];
	readonly format?: string;
	readonly keyType?: z.ZodType;
	readonly valueType?: z.ZodType;
}

/**
 * Something that a schema may well take, made from its own definition, so that whatever is added to a border is
 * tried by itself. `key` is what the value is called, which tells ids and dates apart.
 */
export function made(
	schema: z.ZodType,
	key: string,
	pool: Pool,
	chance: Chance,
	wild: number
): unknown {
	if (chance.is(wild)) return hostile(chance);
	const definition = (schema as unknown as { _zod: { def: Definition } })._zod.def;
	const inner = (of: z.ZodType | undefined, called = key) =>
		of ? made(of, called, pool, chance, wild) : hostile(chance);
	switch (definition.type) {
		case 'object':
			return Object.fromEntries(
				Object.entries(definition.shape ?? {}).flatMap(([name, of]) =>
					chance.is(wild / 3) ? [] : [[name, inner(of, name)]]
				)
			);
		case 'array': {
			const length = chance.pick([0, 1, 1, 2, 3, 8]);
			return Array.from({ length }, () => inner(definition.element));
		}
		case 'record':
			return Object.fromEntries(
				Array.from({ length: chance.below(4) }, () => [
					chance.pick(TEXTS),
					inner(definition.valueType)
				])
			);
		case 'nullable':
			return chance.is(0.3) ? null : inner(definition.innerType);
		case 'optional':
		case 'default':
			return inner(definition.innerType);
		case 'pipe':
			return inner(definition.in);
		case 'union':
			return inner(chance.pick(definition.options ?? []));
		case 'literal':
			return chance.pick(definition.values ?? []);
		case 'enum':
			return chance.pick(Object.values(definition.entries ?? {}));
		case 'boolean':
			return chance.is(0.5);
		case 'int':
		case 'number':
			return numberFor(schema as z.ZodNumber, key, pool, chance);
		case 'string':
			return textFor(definition, key, pool, chance);
		case 'custom':
			return customFor(key, chance);
		default:
			return hostile(chance);
	}
}

function numberFor(schema: z.ZodNumber, key: string, pool: Pool, chance: Chance): number {
	if (key === 'occurredAtMs')
		return (
			pool.nowMs +
			chance.pick([
				0,
				0,
				0,
				60_000,
				-3_600_000,
				-86_400_000,
				-40 * 86_400_000,
				-400 * 86_400_000,
				5 * 60_000,
				11 * 60_000,
				4e12
			])
		);
	if (/^expected/.test(key)) return chance.pick([0, 1, 1, 1, 2, 3, 2_147_483_647]);
	const least = Number.isFinite(schema.minValue) ? (schema.minValue ?? 0) : 0;
	const most = Number.isFinite(schema.maxValue) ? (schema.maxValue ?? 1000) : 1000;
	const between = chance.pick([
		least,
		most,
		least + (most - least) * chance.next(),
		least + Math.min(most - least, 30) * chance.next()
	]);
	return schema.format === 'safeint' ? Math.round(between) : between;
}

function textFor({ format }: Definition, key: string, pool: Pool, chance: Chance): string {
	if (format === 'uuid' || /id$/i.test(key)) {
		const own = pool.ids[key] ?? Object.values(pool.ids).flat();
		const found = chance.is(0.85) && own.length > 0 ? chance.pick(own) : chance.uuid();
		return chance.is(0.1) ? found.toUpperCase() : found;
	}
	if (/date|On$/i.test(key)) return chance.pick(DATES);
	if (/sha256/i.test(key)) return chance.uuid().replaceAll('-', '').repeat(2);
	if (/fingerprint/i.test(key)) return chance.uuid().replaceAll('-', '');
	return chance.is(0.5) ? `Whelk ${chance.below(40)}` : chance.pick(TEXTS);
}

function customFor(key: string, chance: Chance): unknown {
	if (/date/i.test(key)) return chance.pick(DATES);
	if (key === 'addition')
		return chance.pick(['start', 'after-autolyse', 'roll-in', 'minute-3', 'minute-61', 'late', '']);
	const kind = chance.pick(Object.keys(SIGHTINGS) as (keyof typeof SIGHTINGS)[]);
	return { kind, seen: chance.pick<string>(SIGHTINGS[kind]) };
}

/** A copy of something that is right, with a few of its values replaced. */
export function disturbed(value: unknown, chance: Chance, times: number): unknown {
	const copy = structuredClone(value);
	for (let n = 0; n < times; n += 1) disturbOnce(copy, chance);
	return copy;
}

function disturbOnce(root: unknown, chance: Chance): void {
	let at = root;
	for (let depth = 0; depth < 8; depth += 1) {
		if (typeof at !== 'object' || at === null) return;
		const keys = Object.keys(at);
		if (keys.length === 0) return;
		const key = chance.pick(keys);
		const holder = at as Record<string, unknown>;
		const inner = holder[key];
		const isLeaf = typeof inner !== 'object' || inner === null;
		if (isLeaf || chance.is(0.15)) {
			if (Array.isArray(holder) && chance.is(0.3)) holder.push(structuredClone(inner));
			else if (chance.is(0.1)) delete holder[key];
			else if (typeof inner === 'number' && chance.is(0.6))
				holder[key] = chance.pick([inner * 1.5, inner / 1000, inner * 1e6, -inner, ...NUMBERS]);
			else if (typeof inner === 'string' && chance.is(0.6)) holder[key] = chance.pick(TEXTS);
			else holder[key] = hostile(chance);
			return;
		}
		at = inner;
	}
}
