import { randomUUID } from 'node:crypto';
import http from 'node:http';
import { NOW_MS, TOMORROW } from '../tests/integration/test-database.ts';
import { openHardBakery } from '../tests/hard/hard-bakery.ts';
import { median, residentMegabytes } from './process-use.ts';

/** Longer by hand: JOVET_SOAK_MINUTES=10 npm run bench -- soak */
const MINUTES = Number(process.env.JOVET_SOAK_MINUTES ?? 1);
const SCREENS = 8;
const ROOMS = [
	'orders',
	'doughs',
	'plan',
	'water',
	'fermentation',
	'learned',
	'formulas',
	'run-sheet'
];

/**
 * A bakery in use: screens that go from room to room, type temperatures and hear of each other's. Prints the
 * memory the application holds at the end beside what it held once it was warm.
 */
async function soak(): Promise<void> {
	const bakery = await openHardBakery();
	const until = performance.now() + MINUTES * 60_000;
	const samples: { readonly atMs: number; readonly megabytes: number }[] = [];
	let asked = 0;
	let busy = 0;
	const began = performance.now();
	const sampler = setInterval(
		() =>
			samples.push({
				atMs: performance.now() - began,
				megabytes: residentMegabytes(bakery.pid)
			}),
		500
	);
	const screen = async (number: number) => {
		for (let turn = 0; performance.now() < until; turn += 1) {
			const stream = http.get(`${bakery.origin}/events`, { headers: { cookie: bakery.cookie } });
			stream.on('error', () => undefined);
			stream.on('response', (response) => response.on('error', () => undefined).resume());
			for (let visit = 0; visit < 10 && performance.now() < until; visit += 1) {
				const room = ROOMS[(number + turn + visit) % ROOMS.length];
				const page = await fetch(`${bakery.origin}/bake/${TOMORROW}/${room}`, {
					headers: { cookie: bakery.cookie }
				});
				await page.text();
				if (!page.ok) throw new Error(`${room}: ${page.status}`);
				const id = randomUUID();
				// As a browser does: what is told that all are busy is sent again under the same id.
				for (let arrived = false; !arrived;) {
					const told = await fetch(`${bakery.origin}/commands`, {
						method: 'POST',
						headers: { 'content-type': 'application/json', cookie: bakery.cookie },
						body: JSON.stringify({
							kind: 'take-reading',
							id,
							occurredAtMs: NOW_MS,
							quantity: 'room',
							preparationId: null,
							celsius: 20 + (visit % 5),
							instrument: 'typed',
							correctsId: null
						})
					});
					const said = await told.text();
					if (told.status === 503) busy += 1;
					else if (!told.ok) throw new Error(`${told.status}: ${said}`);
					arrived = told.ok;
				}
				asked += 2;
			}
			stream.destroy();
		}
	};
	try {
		await Promise.all(Array.from({ length: SCREENS }, (_, number) => screen(number)));
	} finally {
		clearInterval(sampler);
		await bakery.close();
	}
	const length = samples.at(-1)?.atMs ?? 0;
	const between = (from: number, to: number) =>
		median(
			samples
				.filter(({ atMs }) => atMs >= from * length && atMs <= to * length)
				.map(({ megabytes }) => megabytes)
		);
	const [warm, end] = [between(0.3, 0.5), between(0.8, 1)];
	process.stdout.write(
		`\nsoak of ${MINUTES} min, ${SCREENS} screens, ${asked} requests (${busy} told to come again): resident ${warm.toFixed(0)} MB once warm, ` +
			`${end.toFixed(0)} MB at the end (${(end / warm).toFixed(2)} times)\n`
	);
}

await soak();
