import type { Leg, Step, WaitStep } from '../formula/index.ts';
import { id, type PlaceId } from '../identity.ts';
import { courseOf } from '../ripening/index.ts';
import { batchKey } from './batch-ref.ts';
import type { BakeDayInput, ColdPlace, PlannedMix, PlannedPortion } from './input.ts';
import type { PlanWish } from './placement.ts';

/** How a baker decided something is made that night, otherwise than its recipe or its size says. */
export type Decision = Extract<PlanWish, { readonly kind: 'in-loads' | 'to-the-cold' }>;

export function isDecision(wish: PlanWish): wish is Decision {
	return wish.kind === 'in-loads' || wish.kind === 'to-the-cold';
}

/** More loads than this of one portion are another plan (our default). */
export const MOST_LOADS = 40;

/** How long what goes to the cold stands where it would have stood, where its recipe says nothing of it, in minutes (our default). */
const BEFORE_THE_COLD_MINUTES = 20;

/**
 * The day with what the baker decided for it: portions in more loads than they must be, doughs and shaped pieces that go
 * to the cold.
 *
 * Model: what goes to the cold stands a while where its recipe begins it and then there until it is ready; its window is
 * that of its clock at that temperature. Range: any wishes; those of other kinds are no matter here. Source: domain (send
 * to the cold). Failures: none here; what would never be ready there is told as a chain that cannot be worked out, and
 * `canGoToTheCold` tells it before.
 * Example: 24 pieces of a product that bakes 12 at once, in three loads, are three loads of eight.
 */
export function asDecided(input: BakeDayInput, wishes: readonly PlanWish[]): BakeDayInput {
	const decided = wishes.filter(isDecision);
	if (decided.length === 0) return input;
	const coldOf = (batch: string) => {
		const wish = decided.findLast((one) => one.kind === 'to-the-cold' && one.batch === batch);
		return wish?.kind === 'to-the-cold'
			? (input.bakery.coldPlaces.find((place) => place.id === wish.placeId) ?? null)
			: null;
	};
	const loadsOf = (batch: string) => {
		const wish = decided.findLast((one) => one.kind === 'in-loads' && one.batch === batch);
		return wish?.kind === 'in-loads' ? wish.loads : null;
	};
	return {
		...input,
		doughs: input.doughs.map((dough) => ({
			...dough,
			mixes: dough.mixes.map((mix): PlannedMix => {
				const { formulaId } = dough;
				const { ordinal } = mix;
				const cold = coldOf(batchKey({ kind: 'mix', formulaId, ordinal }));
				return {
					...mix,
					steps: cold ? inTheCold(mix.steps, cold) : mix.steps,
					portions: mix.portions.map((portion): PlannedPortion => {
						const { productId } = portion;
						const key = batchKey({ kind: 'portion', formulaId, ordinal, productId });
						const place = coldOf(key);
						const loads = loadsOf(key);
						const product = input.products.find((one) => one.id === productId);
						return {
							...portion,
							...(loads !== null && { loads: Math.min(loads, portion.pieces, MOST_LOADS) }),
							...(place && product && { steps: inTheCold(product.steps, place) })
						};
					})
				};
			})
		}))
	};
}

/** Whether a wait can be sent to a cold place: it ferments, is not there, and is ready there some time. */
export function canGoToTheCold(step: WaitStep, startCelsius: number, place: ColdPlace): boolean {
	if (!step.clock || step.legs.some(({ named }) => named?.id === place.id)) return false;
	return courseOf(sentTo(step, place), startCelsius).ok;
}

/** Steps with their last wait by a clock in the cold: the bulk of a dough, the proof of its pieces. */
function inTheCold(steps: readonly Step[], place: ColdPlace): readonly Step[] {
	const at = steps.findLastIndex((step) => step.kind === 'wait' && step.clock !== null);
	return steps.map((step, index) =>
		index === at && step.kind === 'wait' ? sentTo(step, place) : step
	);
}

function sentTo(step: WaitStep, place: ColdPlace): WaitStep {
	const [first] = step.legs;
	if (!first) return step;
	const cold: Leg = {
		named: { id: id<PlaceId>(place.id), name: place.name },
		place: 'cold',
		ambientCelsius: place.celsius,
		timeConstantMinutes: first.timeConstantMinutes,
		minutes: null
	};
	return {
		...step,
		legs: [{ ...first, minutes: first.minutes ?? BEFORE_THE_COLD_MINUTES }, cold]
	};
}
