import { setTimeout as pause } from 'node:timers/promises';
import { openSession } from '../src/lib/server/auth/doors.ts';
import { SESSION_COOKIE } from '../tests/integration/signed-in.ts';
import { acceptHeld } from '../tests/integration/accepted-plan.ts';
import { NOW_MS, TOMORROW } from '../tests/integration/test-database.ts';
import { openHardBakery } from '../tests/hard/hard-bakery.ts';
import { residentMegabytes, processorSeconds } from './process-use.ts';
import { Screen } from './screen.ts';
import { tapsOfNight } from './taps-of-night.ts';

/** Longer by hand: JOVET_TABLETS_MINUTES=10 npm run bench -- tablets */
const MINUTES = Number(process.env.JOVET_TABLETS_MINUTES ?? 2);
const TABLETS = 100;
/** A night of sixty batches is some 1 800 taps in ten hours: one in twenty seconds. */
const TAP_EVERY_MS = 20_000;

/**
 * A hundred paired tablets at the bench of one process: each follows what is written, and reads the moment anew. Prints how much of
 * one processor's time the process took, with nothing tapped and with a tap every twenty seconds.
 */
async function tablets(): Promise<void> {
	const bakery = await openHardBakery((db) => acceptHeld(db).then(() => undefined));
	const openedMs = Date.now();
	const { origin, pid, database } = bakery;
	const screens: Screen[] = [];
	try {
		for (let n = 1; n <= TABLETS; n += 1) {
			const token = await database.db
				.transaction()
				.execute((tx) =>
					openSession(
						tx,
						{ kind: 'tablet', personId: null, name: `Tablet ${n}`, opensAt: 'bench' },
						Date.now()
					)
				);
			const screen = new Screen(origin, `/bake/${TOMORROW}/bench`, `${SESSION_COOKIE}=${token}`);
			await screen.open();
			screens.push(screen);
		}
		const share = async (work: () => Promise<unknown>) => {
			const [before, began] = [processorSeconds(pid), performance.now()];
			await work();
			return (processorSeconds(pid) - before) / ((performance.now() - began) / 1000);
		};
		const still = await share(() => pause((MINUTES * 60_000) / 2));
		const night = await tapsOfNight(bakery, () => NOW_MS + Date.now() - openedMs);
		let taps = 0;
		const busy = await share(async () => {
			for (let at = 0; at < (MINUTES * 60_000) / 2; at += TAP_EVERY_MS) {
				await night.tap();
				taps += 1;
				await pause(TAP_EVERY_MS);
			}
		});
		const readings = screens.reduce((sum, screen) => sum + screen.readings, 0);
		const wrong = screens.flatMap((screen) => screen.wrong);
		process.stdout.write(
			`\n${TABLETS} tablets on one process: ${(still * 100).toFixed(1)} % of a core with nothing tapped, ` +
				`${(busy * 100).toFixed(1)} % with ${taps} taps, one in ${TAP_EVERY_MS / 1000} s, each read by all of them ` +
				`(${readings} readings, ${wrong.length} refused${wrong[0] === undefined ? '' : `: ${wrong[0]}`}); resident ${residentMegabytes(pid).toFixed(0)} MB\n`
		);
		if (readings === 0 || wrong.length > 0) process.exitCode = 1;
	} finally {
		for (const screen of screens) screen.close();
		await bakery.close();
	}
}

await tablets();
