import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import type { CommandOutcome } from '../../src/lib/contracts/commands.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { cookieOf } from '../integration/signed-in.ts';
import { NOW_MS, TOMORROW } from '../integration/test-database.ts';
import { askFrom } from './ask-from.ts';
import { Chance } from './chance.ts';
import { openHardBakery, type HardBakery } from './hard-bakery.ts';

/** More by hand, with another seed: JOVET_FUZZ_REQUESTS=20000 JOVET_FUZZ_SEED=7 npm test -- tests/hard/doors-fuzz.test.ts */
const REQUESTS = Number(process.env.JOVET_FUZZ_REQUESTS ?? 800);
const SEED = Number(process.env.JOVET_FUZZ_SEED ?? 1);
const AT_ONCE = 8;

let bakery: HardBakery;
before(async () => {
	bakery = await openHardBakery();
});
after(() => bakery.close());

const FORMS = [
	['/sign-in', ['name', 'password', 'to']],
	['/hands', ['person', 'code', 'to']],
	['/pair', ['code']],
	['/you?/password', ['old', 'wanted']],
	['/you?/code', ['code']],
	['/you?/end', ['session']],
	['/let-in/no-key-of-ours', ['wanted']],
	[`/bake/${TOMORROW}/bakery/doors?/key`, ['person']],
	[`/bake/${TOMORROW}/bakery/doors?/pair`, ['name', 'kind', 'opens']],
	[`/bake/${TOMORROW}/bakery/doors?/end`, ['session']]
] as const;

/** What a hand, a program or nobody would type. */
const TYPED = [
	'',
	' ',
	'Ilo Venn',
	'ilo venn',
	'Ilo\u0000Venn',
	'🥖'.repeat(40),
	'a'.repeat(401),
	'a'.repeat(9000),
	"' or 1=1 --",
	'<script>alert(1)</script>',
	'../../etc/passwd',
	'//elsewhere.example/',
	'javascript:alert(1)',
	'\u202eenneV olI',
	'%00%ff%zz',
	'null',
	'[object Object]',
	demoId('person', 'Ilo Venn'),
	'00000000-0000-4000-8000-000000000000',
	'1234',
	'-1'
];

const TYPES = [
	'application/x-www-form-urlencoded',
	'application/x-www-form-urlencoded; charset=utf-16',
	'multipart/form-data; boundary=x',
	'multipart/form-data',
	'text/plain',
	'application/json',
	''
];

function bodyOf(fields: readonly string[], chance: Chance): string {
	if (chance.is(0.1)) return chance.pick(['', '&&&==', '%', '{"name":"x"}', 'a=1&'.repeat(3000)]);
	const written = fields.flatMap((field) => {
		if (chance.is(0.1)) return [];
		const value = encodeURIComponent(chance.pick(TYPED));
		const one = `${field}=${value}`;
		return chance.is(0.1) ? [one, `${field}=again`, `${field}[]=x`] : [one];
	});
	return written.join('&');
}

/** Does jobs by so many hands. */
async function byHands(jobs: readonly (() => Promise<void>)[]): Promise<void> {
	const waiting = [...jobs];
	const hand = async () => {
		for (let job = waiting.shift(); job; job = waiting.shift()) await job();
	};
	await Promise.all(Array.from({ length: AT_ONCE }, hand));
}

test(`${REQUESTS} forms that nobody filled in rightly open nothing, break nothing, and are all answered`, async () => {
	const { origin, database } = bakery;
	const chance = new Chance(SEED);
	const desk = await cookieOf(database.db);
	const sessions = async () =>
		(
			await database.db
				.selectFrom('door_session')
				.select('id')
				.where('ended_at', 'is', null)
				.execute()
		).length;
	const credentials = () =>
		database.db.selectFrom('credential').selectAll().orderBy('person_id').execute();
	const [open, kept] = [await sessions(), await credentials()];
	const wrong: string[] = [];
	await byHands(
		Array.from({ length: REQUESTS }, () => {
			const [address, fields] = chance.pick(FORMS);
			// As the head baker only where a wrong form changes nothing: a key or a code may be made by a right one.
			const cookie = chance.is(0.3) && address.startsWith('/you') ? desk : '';
			const body = bodyOf(fields, chance);
			const type = chance.is(0.7) ? TYPES[0] : chance.pick(TYPES);
			const from = chance.is(0.9) ? origin : chance.pick(['null', 'https://elsewhere.example', '']);
			// From many places: otherwise the most of them would be told to wait.
			const localAddress = `127.0.0.${2 + chance.below(200)}`;
			const accept = chance.pick(['text/html', 'application/json', '*/*']);
			return async () => {
				const { status, headers, text } = await askFrom(`${origin}${address}`, {
					method: 'POST',
					headers: {
						accept,
						...(from === '' ? {} : { origin: from }),
						...(type ? { 'content-type': type } : {}),
						...(cookie === '' ? {} : { cookie })
					},
					body,
					localAddress
				});
				const told = `${address} ${body.slice(0, 200)}: ${status} ${text.slice(0, 200)}`;
				if (status >= 500) wrong.push(told);
				if (/session=[\w-]{43}/.test(String(headers['set-cookie']))) wrong.push(`opened: ${told}`);
				const { location = '/' } = headers;
				if (!location.startsWith('/') || location.startsWith('//'))
					wrong.push(`led to ${location}`);
			};
		})
	);
	assert.deepEqual(wrong.slice(0, 3), []);
	assert.ok((await sessions()) <= open, 'nobody came in');
	// A code that was chosen by chance is a right form of somebody who is signed in.
	const stays = ({ person_id, password_hash }: (typeof kept)[number]) => [person_id, password_hash];
	assert.deepEqual((await credentials()).map(stays), kept.map(stays));
	assert.equal(bakery.hasEnded(), false, bakery.said());
});

test('a queue that is sent twice, in any order, by any hand and with anything about it stores each entry once, as somebody’s who may', async () => {
	const { origin, database } = bakery;
	const chance = new Chance(SEED + 1);
	const maud = demoId('person', 'Maud Tarrow');
	const cookie = await cookieOf(database.db);
	const letters = Array.from({ length: REQUESTS / 4 }, (_, n) => ({
		id: chance.uuid(),
		kind: 'take-reading',
		occurredAtMs: NOW_MS + chance.below(600_000) - 300_000,
		quantity: 'room',
		preparationId: null,
		celsius: 15 + (n % 20),
		instrument: 'typed',
		correctsId: null
	}));
	const sendings = letters
		.flatMap((letter) =>
			Array.from({ length: 1 + chance.below(3) }, () => ({
				letter,
				by: chance.pick([null, maud, demoId('person', 'Ilo Venn'), 'nobody', 'x'.repeat(4000), '']),
				// Now and then one that was damaged in its browser.
				spoilt: chance.is(0.1)
			}))
		)
		.map((sending) => ({ sending, at: chance.next() }))
		.sort((one, other) => one.at - other.at);
	const done = new Set<string>();
	const wrong: string[] = [];
	await byHands(
		sendings.map(({ sending: { letter, by, spoilt } }) => {
			const whole = JSON.stringify(letter);
			const body = spoilt
				? chance.pick([
						whole.slice(0, chance.below(whole.length)),
						whole.replace('"celsius":', '"celsius":"warm",'),
						whole.replace(letter.id, 'not-an-id'),
						`[${whole}]`
					])
				: whole;
			return async () => {
				const { status, text } = await askFrom(`${origin}/commands`, {
					method: 'POST',
					headers: {
						'content-type': 'application/json',
						origin,
						cookie,
						...(by === null ? {} : { 'jovet-by': by })
					},
					body
				});
				if (status >= 500) return void wrong.push(`${status} ${text.slice(0, 200)}: ${body}`);
				const outcome = JSON.parse(text) as CommandOutcome;
				if (outcome.outcome === 'done') done.add(letter.id);
			};
		})
	);
	assert.deepEqual(wrong.slice(0, 3), []);
	assert.ok(done.size > letters.length / 3, `${done.size} arrived`);
	const ids = letters.map(({ id }) => id);
	const stored = await database.db
		.selectFrom('command')
		.select(['id', 'actor_id'])
		.where('id', 'in', ids)
		.execute();
	assert.deepEqual(new Set(stored.map(({ id }) => id)), done);
	// At a desk nobody's entries are taken but those of who is signed in there.
	assert.deepEqual(new Set(stored.map(({ actor_id }) => actor_id)), new Set([maud]));
	const readings = await database.db
		.selectFrom('reading')
		.select('id')
		.where('id', 'in', ids)
		.execute();
	assert.equal(readings.length, done.size);
});
