import type { BakeDayInput, DayPlan, DropUnderChance } from '../../core/planning/index.ts';
import { formatMinutes, formatNumber } from '../../core/units/index.ts';
import { capital } from '../../wording/capital.ts';
import { subjectText } from '../../wording/task-text.ts';
import { clockText, dayText } from '../../wording/time-text.ts';

type Drop = DayPlan['drops'][number];

/** How long a drop has before its bread has to be picked, in minutes; below nothing where it is late. */
export function spareOf({ readyByMs, readyMs }: Drop): number | null {
	return readyMs === null ? null : Math.floor((readyByMs - readyMs) / 60_000);
}

/** What a drop has to spare, in words. */
export function spareText(drop: Drop): string {
	const spare = spareOf(drop);
	if (spare === null) return 'not all of it is planned';
	if (spare < 0) {
		if (drop.othersReadyMs === null || drop.late.length === 0)
			return `${formatMinutes(-spare)} late`;
		const rest = Math.floor((drop.readyByMs - drop.othersReadyMs) / 60_000);
		return `all but ${drop.late.length === 1 ? 'one' : drop.late.length} in time, ${rest === 0 ? 'nothing' : formatMinutes(rest)} to spare`;
	}
	return spare === 0 ? 'nothing to spare' : `${formatMinutes(spare)} to spare`;
}

/**
 * How the plan stands, in one sentence. A plan with a clash, a late drop, or without something that is ordered does not
 * hold; one that is late on many nights says so as soon as that is known.
 */
export function planSentence(
	plan: DayPlan,
	input: BakeDayInput,
	zone: string,
	unmade: number,
	chances: readonly DropUnderChance[] | null = null
): string {
	const planned = plan.drops.filter((drop) => drop.readyMs !== null);
	if (plan.tasks.length === 0) return 'Nothing could be planned for this date.';
	const work = plan.tasks.filter(({ step }) => step.kind !== 'wait');
	const first = Math.min(...work.map((task) => task.startMs));
	const starts = `Starts ${dayText(first, zone)} ${clockText(first, zone)}.`;
	const left = unmade + plan.unplanned.length + new Set(plan.unplaced.map(nameIn(input))).size;
	const nobody = plan.cautions.filter(({ kind }) => kind === 'nobody').length;
	const others = plan.cautions.length - nobody;
	const late = planned.filter((drop) => (spareOf(drop) ?? 0) < 0);
	const wrong = [
		left > 0
			? `${left === 1 ? 'one thing that is ordered is' : `${left} things that are ordered are`} not in it`
			: '',
		latenessText(late, planned.length, input),
		nobody > 0 ? `nobody is free for ${nobody === 1 ? 'one thing' : `${nobody} things`}` : '',
		others > 0 ? (others === 1 ? 'one clash' : `${others} clashes`) : ''
	].filter((part) => part !== '');
	if (wrong.length > 0) return `This plan does not hold yet: ${wrong.join('; ')}. ${starts}`;
	const lateShare = ({ dropId }: Drop) =>
		chances?.find((one) => one.dropId === dropId)?.lateShare ?? 0;
	const byRoom = [...planned].sort((a, b) => (spareOf(a) ?? 0) - (spareOf(b) ?? 0));
	const likely = byRoom.filter((drop) => lateShare(drop) >= WORTH_WARNING);
	const least = likely.sort((a, b) => lateShare(b) - lateShare(a))[0] ?? byRoom[0];
	const often =
		least && likely.length > 0 ? `, late on ${percentOf(lateShare(least))} of such nights` : '';
	const spare = least
		? planned.length === 1
			? ` ${capital(spareText(least))}${often}.`
			: ` ${least.name} has the least: ${spareText(least)}${often}.`
		: '';
	const drops = planned.length === 1 ? 'The one drop holds' : `All ${planned.length} drops hold`;
	return `${drops}.${spare} ${starts}`;
}

/** From this share of nights on a plan is told to be late on them where it is told to hold (our default). */
const WORTH_WARNING = 0.2;

function percentOf(share: number): string {
	return `${formatNumber(100 * share, 0)} %`;
}

/** What is late: of one drop its products, of several how many they are, and the latest. */
function latenessText(late: readonly Drop[], planned: number, input: BakeDayInput): string {
	const [first] = late;
	if (!first) return '';
	if (late.length === 1) return lateText(first, input);
	const latest = late.reduce((a, b) => ((spareOf(a) ?? 0) <= (spareOf(b) ?? 0) ? a : b));
	return `${late.length} of ${planned} drops late, ${latest.name} by ${formatMinutes(-(spareOf(latest) ?? 0))}`;
}

/** What is late for a drop, by how much; the drop itself where much of it is. */
function lateText(drop: Drop, input: BakeDayInput): string {
	const names = latePieces(drop, input).map(
		({ name, minutes }) => `${name} ${formatMinutes(minutes)} late`
	);
	if (names.length === 0 || names.length > MOST_NAMED)
		return `${drop.name} ${formatMinutes(-(spareOf(drop) ?? 0))} late`;
	return `${names.join(', ')} for ${drop.name}`;
}

/** More than so many late products of a drop are not told one by one. */
const MOST_NAMED = 2;

/** The products that are late for a drop, each by the latest of its portions. */
export function latePieces(
	drop: Drop,
	input: BakeDayInput
): readonly { readonly name: string; readonly minutes: number }[] {
	const found = new Map<string, number>();
	for (const { batch, readyMs } of drop.late) {
		const name = input.products.find(({ id }) => id === batch.productId)?.name ?? '';
		const minutes = Math.ceil((readyMs - drop.readyByMs) / 60_000);
		found.set(name, Math.max(minutes, found.get(name) ?? 0));
	}
	return [...found].map(([name, minutes]) => ({ name, minutes }));
}

function nameIn(input: BakeDayInput) {
	return (batch: DayPlan['unplaced'][number]): string =>
		batch.kind === 'preparation'
			? batch.preparationId
			: (input.doughs.find(({ formulaId }) => formulaId === batch.formulaId)?.name ?? '');
}

/** What found no place, each by its name once. */
export function unplacedNames(plan: DayPlan, input: BakeDayInput): readonly string[] {
	return [
		...new Set(
			plan.unplaced
				.filter(({ kind }) => kind === 'mix' || kind === 'preparation')
				.map((batch) => subjectText({ batch }, input))
		)
	];
}
