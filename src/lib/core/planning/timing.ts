import { endCelsiusOf } from '../baking/index.ts';
import type { Leg, RipenessClock, Step } from '../formula/index.ts';
import { roomOfDough } from './room-of-places.ts';
import type { BakeDayInput, PlannedBuild, PlannedMix, PlannedProduct } from './input.ts';

/**
 * Gives all of an input that the times of a plan follow from, and nothing else, as one text: two inputs that
 * would be planned alike have the same. Names, weights, notes and revisions are no part of it.
 *
 * Range: any input of the contract. Source: `expandDay`, which reads nothing beyond this. Failures: none.
 * Example: a product that gets another name or label weight leaves it as it is; another piece changes it.
 */
export function timingOf(input: BakeDayInput): string {
	// How much it weighs matters where a place can run out of room for it, and by the tub.
	const room: Room = (grams) => (input.bakery.places.length > 0 ? roomOfDough(grams) : null);
	return JSON.stringify({
		drops: input.drops.map((drop) => [
			drop.id,
			drop.readyByMs,
			drop.pickingMinutes,
			drop.loadingMinutes,
			drop.roadMinutes
		]),
		orders: input.orders.map(({ dropId, productId, pieces }) => [dropId, productId, pieces]),
		mixers: input.bakery.mixers.map(({ id, bowls, cleanDownMinutes, cleansAfter }) => [
			id,
			bowls,
			cleanDownMinutes,
			cleansAfter
		]),
		ovens: input.bakery.ovens.map((oven) => [
			oven.id,
			oven.decks.map(({ id, reheatMinutes }) => [id, reheatMinutes]),
			oven.sharesHeat,
			oven.loadingMinutes,
			oven.switchOnTimer,
			oven.preheatMinutes,
			oven.recoveryMinutes,
			oven.heatMinutesPerTenKelvin,
			oven.coolMinutesPerTenKelvin
		]),
		people:
			input.people?.map(({ id, skills, pacePercent, there }) => [id, skills, pacePercent, there]) ??
			null,
		weighMinutes: input.weighMinutes,
		benches: input.bakery.benches.map(({ id, hands }) => [id, hands]),
		sheeters: input.bakery.sheeters.map(({ id }) => id),
		dividers: input.bakery.dividers.map(({ id }) => id),
		coldPlaces: input.bakery.coldPlaces.map(({ id, celsius }) => [id, celsius]),
		places: input.bakery.places.map(({ id, trays, ovenId, celsius }) =>
			ovenId === null ? [id, trays] : [id, trays, ovenId, celsius]
		),
		builds: input.builds.map((build) => timingOfBuild(build, room)),
		doughs: input.doughs.map(({ formulaId, mixes }) => [
			formulaId,
			mixes.map((mix) => timingOfMix(mix, room))
		]),
		products: input.products.map(timingOfProduct),
		// Where nothing is learned of one oven it is told as it always was: plans that stand go on to hold.
		...timingOfBakesIn(input)
	});
}

function timingOfBakesIn({ learned }: BakeDayInput) {
	const own = learned.flatMap((one) =>
		one.kind === 'bake-in' ? [[one.recipeId, one.ovenId, one.share]] : []
	);
	return own.length > 0 ? { bakesIn: own } : {};
}

type Room = (grams: number) => number | null;

function timingOfBuild(build: PlannedBuild, room: Room) {
	return [
		build.preparationId,
		build.ordinal,
		build.begun,
		room(build.grams),
		build.steps.map(timingOfStep),
		build.mixerIds,
		build.takenByBuilds,
		build.takenByDoughs,
		build.takenByProducts,
		// One that is taken whole is told as it always was: plans that stand go on to hold.
		...(build.takenByMixes ? [build.takenByMixes] : [])
	];
}

function timingOfMix(mix: PlannedMix, room: Room) {
	return [
		mix.ordinal,
		mix.begun,
		room(mix.grams),
		mix.steps.map(timingOfStep),
		mix.leadMinutes,
		mix.mixerIds,
		mix.leaves,
		mix.portions.map(({ productId, role, pieces, dropIds }) => [productId, role, pieces, dropIds])
	];
}

function timingOfProduct(product: PlannedProduct) {
	const { id, steps, piecesPerDeck, deckIds, vessel, piecesPerTray, dividerId } = product;
	return [
		id,
		piecesPerTray,
		dividerId,
		piecesPerDeck,
		deckIds,
		vessel && [vessel.id, vessel.owned, vessel.holds, vessel.until],
		steps.map(timingOfStep)
	];
}

function timingOfStep(step: Step) {
	switch (step.kind) {
		case 'hands-on':
			return [
				step.activity,
				step.machine,
				step.fixedMinutes,
				step.secondsPerPiece,
				step.endsAtCelsius
			];
		case 'wait':
			return [
				step.activity,
				step.legs.map(timingOfLeg),
				step.clock && timingOfClock(step.clock),
				step.foldsAtMinutes,
				step.foldsAtShares
			];
		case 'bake':
			return [
				'bake',
				step.loadCelsius,
				step.steamSeconds,
				step.bakeMinutes,
				step.coreCelsius,
				endCelsiusOf(step)
			];
	}
}

function timingOfLeg(leg: Leg) {
	return [
		leg.named?.id ?? null,
		leg.place,
		leg.ambientCelsius,
		leg.timeConstantMinutes,
		leg.minutes
	];
}

function timingOfClock(clock: RipenessClock) {
	const { leavening, referenceCelsius, underMinutes, ripeMinutes, overMinutes } = clock;
	return [leavening, referenceCelsius, underMinutes, ripeMinutes, overMinutes];
}
