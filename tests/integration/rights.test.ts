import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { mayRole, RIGHTS, rolesSpoken } from '../../src/lib/contracts/rights.ts';
import { browserName } from '../../src/lib/server/auth/browser-name.ts';
import { asksOfRoute } from '../../src/lib/server/auth/rights-of-routes.ts';
import { calendarKey, fingerprint, isSameSecret } from '../../src/lib/server/auth/secrets.ts';
import { carryOut, readCommand, type ReadCommand } from '../../src/lib/server/commands/door.ts';
import { COMMANDS } from '../../src/lib/server/commands/registry.ts';
import { loadCalendarSecret, renewCalendarSecret } from '../../src/lib/server/db/doors.ts';
import { wayOn } from '../../src/lib/server/auth/way-on.ts';
import { routesOfApplication } from '../hard/routes.ts';
import { ILO, MAUD } from './at-the-door.ts';
import { NOW_MS, testDatabase, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

test('each command asks for its right of each role, and a refusal says who could', async () => {
	for (const module of COMMANDS) {
		const { kind, right } = module;
		const shut = (['baker', 'oven-hand', 'packer', 'screen'] as const).filter(
			(role) => !mayRole(role, right)
		);
		assert.ok(shut.includes('screen'), `${kind}: a screen only shows`);
		for (const role of shut) {
			const envelope = { id: crypto.randomUUID(), occurredAtMs: NOW_MS, nameMeant: false };
			// Who may not is told so before anything of the content is looked at.
			const read: ReadCommand = {
				module: module as unknown as ReadCommand['module'],
				request: {},
				content: envelope
			};
			const outcome = await carryOut(t.db, read, { ...ILO, role }, NOW_MS);
			assert.deepEqual(
				outcome,
				{ outcome: 'refused', refusal: { kind: 'not-permitted', roles: RIGHTS[right] } },
				`${kind} by ${role}`
			);
		}
	}
	const units = readCommand({
		kind: 'set-units',
		id: crypto.randomUUID(),
		occurredAtMs: NOW_MS,
		mass: 'metric',
		temperature: 'celsius'
	});
	assert.ok(units.ok);
	const refused = await carryOut(t.db, units.value, { ...ILO, role: 'baker' }, NOW_MS);
	assert.deepEqual(refused, {
		outcome: 'refused',
		refusal: { kind: 'not-permitted', roles: ['head-baker'] }
	});
	assert.equal(rolesSpoken(RIGHTS['see-the-book']), 'a head baker, a baker or an oven hand');
	assert.equal(rolesSpoken(['head-baker']), 'a head baker');
});

test('every route names what reading it asks for, and nothing of the bakery is open', () => {
	const open = [];
	for (const { address } of routesOfApplication()) {
		const asks = asksOfRoute(address);
		assert.ok(asks !== null, `${address} names no right`);
		if (asks === 'nothing') open.push(address);
	}
	assert.deepEqual(open.toSorted(), [
		'/calendar/[who]',
		'/commands',
		'/devices/readings',
		'/devices/self',
		'/devices/surroundings',
		'/devices/weights',
		'/health',
		'/let-in/[key]',
		'/pair/[[code]]',
		'/shell',
		'/sign-in'
	]);
	assert.equal(asksOfRoute('/bake/[date]/somewhere-new'), null, 'what nobody thought of is shut');
	assert.equal(asksOfRoute('/somewhere-new'), null);
});

test('a calendar’s key opens that calendar, until all are given new ones', async () => {
	const secret = await loadCalendarSecret(t.db);
	const key = calendarKey(secret, ILO.id);
	assert.ok(isSameSecret(key, calendarKey(secret, ILO.id)));
	assert.ok(!isSameSecret(key, calendarKey(secret, MAUD.id)));
	assert.ok(!isSameSecret('', key) && !isSameSecret(`${key}x`, key));
	await t.db.transaction().execute((tx) => renewCalendarSecret(tx));
	assert.ok(!isSameSecret(key, calendarKey(await loadCalendarSecret(t.db), ILO.id)));
});

test('the way on from the door stays in the house', () => {
	for (const to of ['/', '/bake/2026-11-24/bench', '/bake/2026-11-24/orders?x=1'])
		assert.equal(wayOn(to), to);
	for (const to of [
		'//elsewhere.example',
		'/\\elsewhere.example',
		'https://elsewhere.example',
		'javascript:alert(1)',
		'/a\nb',
		'/sign-in?to=/',
		'',
		null
	])
		assert.equal(wayOn(to), '/', String(to));
	fc.assert(
		fc.property(fc.string(), (to) => {
			const on = wayOn(to);
			assert.equal(new URL(on, 'http://127.0.0.1').origin, 'http://127.0.0.1');
		})
	);
});

test('a browser is listed by a few words, whatever it sends', () => {
	assert.equal(browserName(null), 'a browser on a machine');
	assert.equal(
		browserName('Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 Chrome/140.0 Safari/537.36'),
		'Chromium on Linux'
	);
	fc.assert(
		fc.property(fc.string(), (text) => {
			assert.ok(browserName(text).length < 40);
		})
	);
	assert.equal(fingerprint('x').length, 64);
});
