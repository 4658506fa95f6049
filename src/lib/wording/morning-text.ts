import type { DoughMiss, MorningView } from '../contracts/morning-views.ts';
import type { DropExpected, NightLog } from '../core/bench/index.ts';
import type { CountedPortion, Short } from '../core/results/index.ts';
import { formatDifference, formatMinutes, type UnitChoice } from '../core/units/index.ts';
import { changeText } from './learned-text.ts';
import { shortDateText } from './time-text.ts';

/** How the drops of a night went, in one line. */
export function dropsLine(drops: readonly DropExpected[], log: NightLog, nowMs: number): string {
	if (drops.length === 0) return 'No plan was accepted for this night.';
	if (log.done === 0)
		return 'Nothing was tapped: whether the drops were held is not known, and nothing is learned of the times.';
	const late = drops.flatMap(({ name, readyByMs, readyMs }) =>
		readyMs !== null && readyMs > readyByMs
			? [`${name} by ${formatMinutes(Math.ceil((readyMs - readyByMs) / 60_000))}`]
			: []
	);
	const told = `${log.done} of ${log.of} things were tapped`;
	if (drops.some(({ dueMs }) => dueMs > nowMs))
		return `The night is not over; by what was tapped so far ${late.length === 0 ? 'all drops hold' : `these are late: ${late.join(', ')}`}; ${told}.`;
	return late.length === 0
		? `All ${drops.length} drops were packed in time, by what was tapped; ${told}.`
		: `Packed late: ${late.join(', ')}; ${told}.`;
}

/** What came out, in one line. */
export function breadLine(
	counted: readonly CountedPortion[],
	shorts: readonly Short[],
	faults: readonly string[]
): string {
	const sum = (of: 'good' | 'second' | 'lost') => counted.reduce((all, one) => all + one[of], 0);
	const [good, second, lost] = [sum('good'), sum('second'), sum('lost')];
	if (good + second + lost === 0) return 'No bread was counted.';
	const parts = [`${good} good, ${second} second, ${lost} lost`];
	const less = shorts.flatMap(({ name, drops }) =>
		drops.flatMap((drop) =>
			drop.gets < drop.ordered ? [`${drop.name} got ${drop.gets} of ${drop.ordered} ${name}`] : []
		)
	);
	const open = shorts.filter((short) => short.open > 0);
	if (less.length > 0) parts.push(less.join(', '));
	if (open.length > 0)
		parts.push(`not answered: ${open.map((short) => `${short.open} ${short.name}`).join(', ')}`);
	if (faults.length > 0) parts.push(faults.join(' '));
	return `${parts.join('; ')}${faults.length > 0 ? '' : '.'}`;
}

/** A dough further off than this is worth a line (our default). */
const WORTH_TELLING_KELVINS = 1;

/** How the doughs came out of the mixers, in one line. */
export function doughsLine(misses: readonly DoughMiss[], units?: UnitChoice): string {
	const [worst] = misses;
	if (!worst) return 'No dough was measured.';
	const degrees = (kelvins: number) => formatDifference({ kelvins }, 1, units);
	const off = misses.filter(({ offKelvins }) => Math.abs(offKelvins) >= WORTH_TELLING_KELVINS);
	const measured =
		misses.length === 1 ? 'One dough was measured' : `${misses.length} doughs were measured`;
	if (off.length === 0)
		return `${measured}, all within ${degrees(WORTH_TELLING_KELVINS)} of what was wanted.`;
	const way = worst.offKelvins > 0 ? 'warmer' : 'colder';
	const friction = worst.friction;
	const learned =
		friction && Math.abs(friction.after - friction.before) >= 0.05
			? `; friction is believed at ${degrees(friction.after)} of dough now, ${degrees(friction.before)} before, and its water follows`
			: friction
				? '; one reading like that is taken for an outlier, its water stays'
				: '';
	return `${measured}, ${off.length} off: ${worst.name} ${worst.ordinal} ${degrees(Math.abs(worst.offKelvins))} ${way} than wanted${learned}.`;
}

const MOST_TOLD = 2;

/** What the taps taught of the times, in one line. */
export function timesLine({ next }: MorningView): string {
	if (next.changes.length === 0)
		return next.learned.length === 0
			? 'Nothing is learned of the times yet.'
			: 'What was learned of the times stands as it was.';
	const told = next.changes.slice(0, MOST_TOLD).map(changeText).join('. ');
	const more = next.changes.length - MOST_TOLD;
	return `${told}.${more > 0 ? ` ${more} more below.` : ''}`;
}

/** What it changes in the next night, in one line. */
export function nextLine({ next }: MorningView): string {
	const date = shortDateText(next.date);
	const figures =
		next.learned.length === 1 ? 'one learned figure' : `${next.learned.length} learned figures`;
	switch (next.accepted) {
		case 'none':
			return next.learned.length === 0
				? `The plan of ${date} goes by the book.`
				: `The plan of ${date} will take ${figures}; none is accepted yet.`;
		case 'stands':
			return `The accepted plan of ${date} has ${figures} in it and stands.`;
		case 'out-of-date':
			return next.changes.length > 0
				? `The accepted plan of ${date} was made before the night taught this: plan it again.`
				: `Orders or times changed since the plan of ${date} was accepted: plan it again.`;
	}
}
