import { setTimeout as pause } from 'node:timers/promises';
import { startProbes } from '../scripts/parts/probes.mjs';
import { setClock } from '../src/lib/server/db/bakery.ts';
import { acceptHeld } from '../tests/integration/accepted-plan.ts';
import { openHardBakery } from '../tests/hard/hard-bakery.ts';
import { NOW_MS, TOMORROW } from '../tests/integration/test-database.ts';
import { median, residentMegabytes } from './process-use.ts';
import { Screen } from './screen.ts';
import { tapsOfNight } from './taps-of-night.ts';

/** Shorter by hand: JOVET_DAY_HOURS=2 npm run bench -- day */
const HOURS = Number(process.env.JOVET_DAY_HOURS ?? 24);
const SPEED = 60;
const HOUR_MS = 3_600_000;
const SCREENS = 6;
/** What is opened anew through the day, one page in a quarter of an hour. */
const ROOMS = ['orders', 'doughs', 'plan', 'water', 'fermentation', 'ovens', 'log', 'morning'];
const PAGE_EVERY_MS = HOUR_MS / 4;

/**
 * A day and night of the bakery at sixty times its speed: probes send, the crew taps what its plan has, screens follow, pages are opened.
 * Prints the memory of the application by the third of that day.
 */
async function day(): Promise<void> {
	const bakery = await openHardBakery(async (db) => {
		await acceptHeld(db);
	});
	const { origin, cookie, pid, database } = bakery;
	const beganMs = Date.now();
	await setClock(database.db, { anchorRealMs: beganMs, anchorBakeryMs: NOW_MS, rate: SPEED });
	const nowMs = () => NOW_MS + (Date.now() - beganMs) * SPEED;
	const stopProbes = startProbes({ address: origin, key: bakery.deviceKey, quiet: true });
	const screens = Array.from(
		{ length: SCREENS },
		() => new Screen(origin, `/bake/${TOMORROW}/bench`, cookie)
	);
	const samples: { readonly atMs: number; readonly megabytes: number }[] = [];
	const sampler = setInterval(
		() => samples.push({ atMs: nowMs(), megabytes: residentMegabytes(pid) }),
		500
	);
	let [taps, pages] = [0, 0];
	const endMs = NOW_MS + HOURS * HOUR_MS;
	const until = async (atMs: number) =>
		pause(Math.max(0, (Math.min(atMs, endMs) - nowMs()) / SPEED));
	try {
		for (const screen of screens) await screen.open();
		const night = await tapsOfNight(bakery, nowMs);
		const crew = async () => {
			for (let at = night.nextAtMs(); at !== null && at < endMs; at = night.nextAtMs()) {
				await until(at);
				await night.tap();
				taps += 1;
			}
		};
		const desk = async () => {
			for (let at = NOW_MS; at < endMs; at += PAGE_EVERY_MS) {
				await until(at);
				const room = ROOMS[pages % ROOMS.length];
				const answer = await fetch(`${origin}/bake/${TOMORROW}/${room}`, { headers: { cookie } });
				await answer.text();
				if (!answer.ok) throw new Error(`${room}: ${answer.status}`);
				pages += 1;
			}
			await until(endMs);
		};
		await Promise.all([crew(), desk()]);
	} finally {
		clearInterval(sampler);
		for (const screen of screens) screen.close();
		await stopProbes();
		await bakery.close();
	}
	const third = (n: number) =>
		median(
			samples
				.filter(({ atMs }) => Math.floor(((atMs - NOW_MS) / (endMs - NOW_MS)) * 3) === n)
				.map(({ megabytes }) => megabytes)
		);
	const wrong = screens.flatMap((screen) => screen.wrong);
	const readings = screens.reduce((sum, screen) => sum + screen.readings, 0);
	process.stdout.write(
		`\n${HOURS} h at ${SPEED} times their speed: ${taps} taps, ${pages} pages, ${readings} readings by ${SCREENS} screens (${wrong.length} refused); ` +
			`resident ${third(0).toFixed(0)} MB in the first third, ${third(1).toFixed(0)} MB in the second, ${third(2).toFixed(0)} MB in the last ` +
			`(${(third(2) / third(1)).toFixed(2)} times)\n`
	);
}

await day();
