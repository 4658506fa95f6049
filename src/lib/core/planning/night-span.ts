import { MINUTE_MS } from '../time/index.ts';
import { courseThrough, lengthOf } from './course.ts';
import { Grid, hourBefore } from './grid.ts';
import { isTakenBy, type BakeDayInput, type PlannedBuild, type Step } from './input.ts';

/** Room to begin sooner than the longest chain asks for, and to end later than the last drop (our defaults). */
const SOONER_MS = 6 * 60 * MINUTE_MS;
const LATER_MS = 24 * 60 * MINUTE_MS;

/** Longer than this before its drop nothing of a day begins; what was begun counts from here (our default). */
const LONGEST_MS = 7 * 24 * 60 * MINUTE_MS;

/**
 * The stretch of time that a day's plan is made in: from well before its longest chain has to begin, or what was begun
 * before, until a day after its last drop. It follows from the input alone.
 * Range: any input. Source: our default. Failures: none.
 */
export function nightOf(input: BakeDayInput): { readonly grid: Grid; readonly horizon: number } {
	const ready = input.drops.map(({ readyByMs }) => readyByMs);
	const first = ready.length === 0 ? 0 : Math.min(...ready);
	const last = ready.length === 0 ? 0 : Math.max(...ready);
	const begun = [
		...input.builds.map((build) => ({ ...build })),
		...input.doughs.flatMap(({ mixes }) => mixes)
	].flatMap(({ begun, steps }) => (begun ? [begun.mixedAtMs - minutesOf(steps) * MINUTE_MS] : []));
	const sooner = first - longest(input) * MINUTE_MS - SOONER_MS;
	const zero = Math.max(first - LONGEST_MS, Math.min(sooner, ...begun));
	const grid = new Grid(hourBefore(zero));
	return { grid, horizon: grid.ceil(last + LATER_MS) };
}

function minutesOf(steps: readonly Step[], pieces = 0): number {
	const course = courseThrough(steps, pieces, 24);
	return course.ok ? lengthOf(course.value.steps) : 0;
}

/** The longest way from the first hands on to a drop, in minutes, with nothing in the way of anything. */
function longest(input: BakeDayInput): number {
	const known = new Map<PlannedBuild, number>();
	const upTo = (build: PlannedBuild): number => {
		const found = known.get(build);
		if (found !== undefined) return found;
		known.set(build, 0);
		const before = input.builds
			.filter((other) => other.takenByBuilds.includes(build.preparationId))
			.map(upTo);
		const length = minutesOf(build.steps) + Math.max(0, ...before);
		known.set(build, length);
		return length;
	};
	const ofMixes = input.doughs.flatMap(({ formulaId, mixes }) =>
		mixes.map((mix) => {
			const builds = input.builds
				.filter((build) => isTakenBy(build, formulaId, mix.ordinal))
				.map(upTo);
			const portions = mix.portions.map(({ productId, pieces, steps }) =>
				minutesOf(steps ?? input.products.find(({ id }) => id === productId)?.steps ?? [], pieces)
			);
			return Math.max(0, ...builds) + minutesOf(mix.steps) + Math.max(0, ...portions);
		})
	);
	return Math.max(0, ...ofMixes, ...input.builds.map(upTo));
}
