import { MINUTE_MS } from '../time/index.ts';
import { courseThrough, lengthOf } from './course.ts';
import {
	isTakenBy,
	type BakeDayInput,
	type PlannedBuild,
	type PlannedMix,
	type Step
} from './input.ts';

/** When something is begun at the latest, and when it is ready then. */
export interface LatestStart {
	readonly startMs: number;
	readonly readyMs: number;
}

/** The latest starts of a date, by recipe and ordinal. */
export interface LatestStarts {
	readonly mixOf: (formulaId: string, ordinal: number) => LatestStart | null;
	readonly buildOf: (preparationId: string, ordinal: number) => LatestStart | null;
}

/** What enters a chain that does not say how warm it begins (our default). */
const USUAL_CELSIUS = 25;

/**
 * Gives when each mix and pre-ferment of a date is begun at the latest, before any plan is made.
 *
 * Model: backwards from when the first of its drops is picked, along the chains alone: one load of each product, its bulk,
 * what it takes from; machines and hands are left out, so that a plan begins things earlier. Range: any input of a date.
 * Source: domain (the day's schedule). Failures: a chain whose waits never end counts its hands-on time alone; what
 * nothing takes has none.
 * Example: bread picked at 06:00 after 3 h of proof and bake and 4 h of bulk is mixed at 23:00.
 */
export function latestStarts(input: BakeDayInput): LatestStarts {
	const mixes = mixStarts(input);
	const builds = new Map<string, LatestStart | null>();
	const firstMix = (build: PlannedBuild) =>
		Math.min(
			...input.doughs.flatMap(({ formulaId, mixes: all }) =>
				all
					.filter(({ ordinal }) => isTakenBy(build, formulaId, ordinal))
					.map(({ ordinal }) => mixes.get(`${formulaId} ${ordinal}`)?.startMs ?? Infinity)
			)
		);
	const buildOf = (build: PlannedBuild): LatestStart | null => {
		const key = `${build.preparationId} ${build.ordinal}`;
		const known = builds.get(key);
		if (known !== undefined) return known;
		// Two revisions together might form a circle; it ends here.
		builds.set(key, null);
		const readyMs = Math.min(
			firstMix(build),
			...build.takenByBuilds.map((id) =>
				Math.min(
					...input.builds
						.filter((other) => other.preparationId === id)
						.map((other) => buildOf(other)?.startMs ?? Infinity)
				)
			),
			...build.takenByProducts.map((id) => firstOfProduct(input, mixes, id))
		);
		const found =
			readyMs === Infinity
				? null
				: { startMs: readyMs - minutesOf(build.steps, 0) * MINUTE_MS, readyMs };
		builds.set(key, found);
		return found;
	};
	return {
		mixOf: (formulaId, ordinal) => mixes.get(`${formulaId} ${ordinal}`) ?? null,
		buildOf: (preparationId, ordinal) => {
			const build = input.builds.find(
				(one) => one.preparationId === preparationId && one.ordinal === ordinal
			);
			return build ? buildOf(build) : null;
		}
	};
}

function mixStarts(input: BakeDayInput): ReadonlyMap<string, LatestStart> {
	const pickedMs = new Map(input.drops.map(({ id, readyByMs }) => [id, readyByMs]));
	const products = new Map(input.products.map((product) => [product.id, product]));
	const readyOf = (mix: PlannedMix) =>
		Math.min(
			...mix.portions.map(({ productId, dropIds, steps }) => {
				const product = products.get(productId);
				const picked = Math.min(...dropIds.map((id) => pickedMs.get(id) ?? Infinity));
				if (!product) return picked;
				return picked - minutesOf(steps ?? product.steps, product.piecesPerDeck) * MINUTE_MS;
			})
		);
	return new Map(
		input.doughs.flatMap(({ formulaId, mixes }) =>
			mixes.flatMap((mix): [string, LatestStart][] => {
				const readyMs = readyOf(mix) - mix.leadMinutes * MINUTE_MS;
				if (!Number.isFinite(readyMs)) return [];
				const startMs = readyMs - minutesOf(mix.steps, 0) * MINUTE_MS;
				return [[`${formulaId} ${mix.ordinal}`, { startMs, readyMs }]];
			})
		)
	);
}

/** When the first dough is divided whose pieces take it. */
function firstOfProduct(
	{ doughs }: BakeDayInput,
	mixes: ReadonlyMap<string, LatestStart>,
	productId: string
): number {
	return Math.min(
		...doughs.flatMap(({ formulaId, mixes: all }) =>
			all
				.filter(({ portions }) => portions.some((portion) => portion.productId === productId))
				.map(({ ordinal }) => mixes.get(`${formulaId} ${ordinal}`)?.readyMs ?? Infinity)
		)
	);
}

function minutesOf(steps: readonly Step[], pieces: number): number {
	const course = courseThrough(steps, pieces, USUAL_CELSIUS);
	if (course.ok) return lengthOf(course.value.steps);
	return steps.reduce(
		(total, step) => total + (step.kind === 'hands-on' ? step.fixedMinutes : 0),
		0
	);
}
