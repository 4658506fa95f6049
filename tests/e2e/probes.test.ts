import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import { startApplication } from '../../scripts/parts/application.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';
import { startProbes } from '../../scripts/parts/probes.mjs';
import { bakeryTime } from '../../src/lib/core/time/index.ts';
import { loadClock, setClock } from '../../src/lib/server/db/bakery.ts';
import {
	byName,
	journey,
	NIGHT,
	says,
	sendBeside,
	textOf,
	type,
	visit,
	type Bakery
} from './bakery.ts';
import { letProbesIn } from './probes-let-in.ts';

const TONIGHT = '/bake/2026-11-24';
const room = '[data-input=Room]';
const valueOf = (page: Page, input: string) =>
	page.$eval(`[data-input="${input}"] input`, (element) => Number(element.value));

interface Probes {
	readonly stop: () => Promise<void>;
	/** As after a cut of their power: they ask for the bakery's clock at once, not at their next report. */
	readonly startAnew: () => Promise<void>;
}

/** Lets a device in, starts its probes as a process of their own, and looks at the water of the night. */
function withProbes(
	name: string,
	task: (page: Page, bakery: Bakery, probes: Probes, key: string) => Promise<void>
): void {
	journey(
		name,
		async (bakery) => {
			const key = await letProbesIn(bakery, [
				['Room by the mixer', 'room-probe'],
				['Cold tap', 'tap-probe'],
				['Dough probe', 'core-probe']
			]);
			await visit(bakery, `${TONIGHT}/water`);
			await says(bakery.page, `${room} [data-reading-note]`, 'assumed');
			const start = () =>
				startProbes({
					address: bakery.origin,
					key,
					args: ['--weather', 'hot', '--stuck', 'Cold tap'],
					quiet: true
				});
			let stop = start();
			const probes = {
				stop: () => stop(),
				startAnew: async () => {
					await stop();
					stop = start();
				}
			};
			try {
				await task(bakery.page, bakery, probes, key);
			} finally {
				await stop();
			}
		},
		NIGHT
	);
}
const probeSpeaks = (page: Page) => says(page, `${room} [data-reading-note]`, 'probe');

journey(
	'a device is added on the screen, and its key is shown once',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${TONIGHT}/bakery/devices`);
		await says(page, '[data-room-sentence]', 'There is no probe');
		await (await byName(page, 'button', 'Add a device')).click();
		await (await byName(page, 'button', 'Add it and make its key')).click();
		await says(page, '[data-new-device]', 'Give the device and each of its sensors a name');
		await type(page, 'Name of the device', 'Quay probes', 'Tab');
		for (const [at, name, kind] of [
			[1, 'Room by the mixer', 'room-probe'],
			[2, 'Cold tap', 'tap-probe'],
			[3, 'Dough probe', 'core-probe']
		] as const) {
			if (at > 1) await (await byName(page, 'button', 'One more sensor')).click();
			await type(page, `sensor ${at}, its name`, name, 'Tab');
			await page.select(`select[aria-label="sensor ${at} reads"]`, kind);
		}
		await (await byName(page, 'button', 'Add it and make its key')).click();
		await says(page, '[data-new-key]', 'The key of Quay probes', 'shown this once');
		const key = (await textOf(page, '[data-new-key] code')).trim();
		assert.match(key, /^[\w-]{43}$/);
		const kept = await bakery.database.db.selectFrom('device').select('key_sha256').execute();
		assert.ok(!JSON.stringify(kept).includes(key), 'only its fingerprint is kept');
		const sent = await bakery.database.db.selectFrom('command').select('request').execute();
		assert.ok(!JSON.stringify(sent).includes(key), 'the key never left the browser');
		await (await byName(page, 'button', 'I have it')).click();
		await page.waitForFunction(() => !document.querySelector('[data-new-key]'));
		await says(page, '[data-device="Quay probes"]', 'Room by the mixer', 'not yet');
	},
	NIGHT
);

withProbes('probes of a process of their own move the open screen at once', async (page) => {
	const water = await textOf(page, '[data-water-temperature]');
	await says(page, `${room} [data-reading-note]`, 'probe, just now');
	assert.ok(Math.abs((await valueOf(page, 'Room')) - 31) < 0.5);
	await says(page, '[data-input="Cold tap"] [data-reading-note]', 'probe');
	assert.ok(Math.abs((await valueOf(page, 'Cold tap')) - 19) < 0.5);
	await page.waitForFunction(
		(was) => Number(document.querySelector('[data-water-temperature]')?.textContent) < was,
		{},
		Number(water)
	);
	await says(page, '[data-room-sentence]', 'need ice');
	await says(page, '[data-take=core-probe]', 'Probe 2');
});

withProbes(
	'what is typed stands against the probe until a hand takes the probe back',
	async (page) => {
		await probeSpeaks(page);
		await type(page, 'Room', '27');
		await says(page, room, 'typed, just now', 'use it');
		assert.equal(await valueOf(page, 'Room'), 27);
		await page.click(`${room} .aside`);
		await says(page, `${room} [data-reading-note]`, 'probe');
		assert.ok(Math.abs((await valueOf(page, 'Room')) - 31) < 0.5);
	}
);

withProbes('a measured dough can be taken over from its probe', async (page, bakery) => {
	await page.waitForSelector('[data-take=core-probe]');
	await page.click('[data-take=core-probe]');
	await (await byName(page, 'button', 'Keep it')).click();
	await says(page, '[data-measured]', 'Measured 2');
	const [row] = await bakery.database.db
		.selectFrom('event_measured')
		.innerJoin('batch_event', 'batch_event.id', 'event_measured.event_id')
		.select('instrument')
		.orderBy('recorded_at', 'desc')
		.limit(1)
		.execute();
	assert.equal(row?.instrument, 'core-probe');
});

journey(
	'what another server of the same database writes shows on this one’s screen',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${TONIGHT}/water`);
		const port = await freePort(0);
		const other = await startApplication({ port, databaseUrl: bakery.database.url, quiet: true });
		try {
			const answer = await fetch(`${other.origin}/commands`, {
				method: 'POST',
				headers: {
					'content-type': 'application/json',
					origin: other.origin,
					cookie: bakery.cookie
				},
				body: JSON.stringify({
					kind: 'take-reading',
					id: randomUUID(),
					occurredAtMs: Math.round(await now(bakery)),
					quantity: 'flour',
					preparationId: null,
					celsius: 28.3,
					instrument: 'typed',
					correctsId: null
				})
			});
			assert.equal(answer.status, 200);
			await page.waitForFunction(
				() => document.querySelector<HTMLInputElement>('[data-input=Flour] input')?.value === '28.3'
			);
		} finally {
			await other.stop();
		}
	}
);

withProbes(
	'a probe that never moves is asked about, and one that fell silent is marked with its age',
	async (page, bakery, probes, key) => {
		await probeSpeaks(page);
		// The bakery's clock runs fast from here on: hours of a night pass in seconds.
		await setRate(bakery, 1200);
		await probes.startAnew();
		await visit(bakery, `${TONIGHT}/water`);
		await says(page, '[data-input="Cold tap"]', 'has not moved for hours: is it stuck?');
		await says(page, '[data-room-sentence] + p', 'in doubt');
		await probes.stop();
		// Slow enough for a screen to keep up, with nothing on its way any more.
		await setRate(bakery, 60);
		await visit(bakery, `${TONIGHT}/water`);
		await says(page, room, 'silent, last heard');
		await visit(bakery, `${TONIGHT}/bakery/devices`);
		await says(page, '[data-device="Quay probes"]', 'silent, last heard');
		await (await byName(page, 'button', 'Remove it')).click();
		await (await byName(page, 'button', 'Remove Quay probes for good')).click();
		await says(page, '[data-device="Quay probes"]', 'removed');
		const refused = await fetch(`${bakery.origin}/devices/self`, {
			headers: { authorization: `Bearer ${key}` }
		});
		assert.equal(refused.status, 403);
		await setRate(bakery, 1);
		// Typing goes on as ever.
		await visit(bakery, `${TONIGHT}/water`);
		await type(page, 'Room', '24');
		await says(page, `${room} [data-reading-note]`, 'typed');
	}
);

async function now({ database }: Bakery): Promise<number> {
	return bakeryTime(await loadClock(database.db), { epochMs: Date.now() }).epochMs;
}

/** Lets the bakery's clock run on from what it shows, at another rate. */
async function setRate(bakery: Bakery, rate: number): Promise<void> {
	await setClock(bakery.database.db, {
		anchorRealMs: Date.now(),
		anchorBakeryMs: Math.round(await now(bakery)),
		rate
	});
	// Somebody writes something, as somebody always does: the open screens look again.
	await sendBeside(bakery, {
		kind: 'take-reading',
		quantity: 'flour',
		preparationId: null,
		celsius: 28.3,
		instrument: 'typed',
		correctsId: null
	});
}
