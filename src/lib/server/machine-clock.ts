import type { ClockDoubt } from '../contracts/views.ts';
import { ClockWatch } from './clock-watch.ts';
import { newestRecordedMs } from './db/command-log.ts';
import type { Db } from './db/client.ts';

const LOOK_EVERY_MS = 10_000;

const watch = new ClockWatch({
	realMs: () => Date.now(),
	steadyMs: () => performance.now()
});

/** Begins to watch the clock of this machine, and says in the log what there is to doubt. */
export async function watchClock(db: Db): Promise<void> {
	tell(watch.holdAgainst(await newestRecordedMs(db)));
	setInterval(() => tell(watch.look()), LOOK_EVERY_MS).unref();
}

function tell(doubt: ClockDoubt | null): void {
	if (!doubt) return;
	const minutes = Math.round(Math.abs(doubt.byMs) / 60_000);
	console.error(
		doubt.kind === 'behind-the-log'
			? `The clock of this machine stands ${minutes} min before what was written last. Set it right: times written from now on follow it.`
			: `The clock of this machine went ${doubt.byMs > 0 ? 'on' : 'back'} by ${minutes} min at once: it was set, or the machine slept. Times written from now on follow it.`
	);
}

/** What there is to doubt of this machine's clock; null for nothing. */
export const clockDoubt = (): ClockDoubt | null => watch.doubt();
