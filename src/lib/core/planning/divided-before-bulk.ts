import type { Leg, Step, WaitStep } from '../formula/index.ts';
import type { RipeningStep } from '../ripening/index.ts';
import { courseThrough } from './course.ts';

/** What a dough becomes that has no bulk of its own: it is divided first, and ferments as pieces. */
export interface DividedPortion {
	readonly product: string;
	readonly steps: readonly Step[];
	readonly pieces: number;
}

/** The bulk of pieces, as their dough is followed from the mixer on. */
export interface BulkOfPieces {
	readonly product: string;
	readonly step: RipeningStep;
	/** What of the product's chain comes after it. */
	readonly after: readonly Step[];
}

/**
 * The bulk by which a dough is followed that is divided before it ferments: that of the product which is ready first.
 *
 * Model: it ferments from the mixer on, at first on the bench, for as long as dividing takes. A product whose first wait
 * is its proof has no bulk. Range: portions of a dough without a bulk of its own. Source: domain (doughs divided
 * before bulk); our default for which of several. Failures: null where none has a bulk, or its chain cannot be worked out.
 * Example: sticks divided in 12 minutes and rounded again every half hour of a bulk of two hours are ready 2 h 12 after mixing.
 */
export function bulkOfPieces(
	portions: readonly DividedPortion[],
	doughCelsius: number,
	bench: Pick<Leg, 'named' | 'ambientCelsius'>
): BulkOfPieces | null {
	const found = portions.flatMap((portion) => oneBulk(portion, doughCelsius, bench));
	return found.reduce<BulkOfPieces | null>(
		(first, one) =>
			first && first.step.clock.ripeMinutes <= one.step.clock.ripeMinutes ? first : one,
		null
	);
}

function oneBulk(
	{ product, steps, pieces }: DividedPortion,
	doughCelsius: number,
	bench: Pick<Leg, 'named' | 'ambientCelsius'>
): readonly BulkOfPieces[] {
	const at = steps.findIndex((step) => step.kind === 'wait' && step.clock !== null);
	const bulk = steps[at] as WaitStep | undefined;
	const [leg] = bulk?.legs ?? [];
	if (!bulk?.clock || !leg || bulk.activity === 'proof') return [];
	const before = courseThrough(steps.slice(0, at), pieces, doughCelsius);
	if (!before.ok) return [];
	const minutes = before.value.steps.reduce((total, step) => total + step.minutes, 0);
	const onBench: Leg = {
		...bench,
		place: 'room',
		timeConstantMinutes: leg.timeConstantMinutes,
		minutes
	};
	return [
		{
			product,
			step: {
				...bulk,
				clock: bulk.clock,
				legs: minutes > 0 ? [onBench, ...bulk.legs] : bulk.legs,
				foldsAtMinutes: bulk.foldsAtMinutes.map((fold) => fold + minutes)
			},
			after: steps.slice(at + 1)
		}
	];
}
