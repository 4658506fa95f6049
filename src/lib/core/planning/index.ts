export type {
	BakeDayInput,
	BakeryMachines,
	Begun,
	MixTrace,
	PlannedBuild,
	PlannedDough,
	PlannedMix,
	PlannedMixer,
	PlannedOven,
	PlannedPerson,
	PlannedProduct,
	Step
} from './input.ts';
export { isTakenBy } from './input.ts';
export { bookMinutesOf } from './book-minutes.ts';
export {
	asLearned,
	learnedChanges,
	ovenAsLearned,
	type LearnedChange,
	type LearnedInPlan
} from './as-learned.ts';
export { courseThrough, handsOnMinutes } from './course.ts';
export { batchKey, type BatchRef } from './batch-ref.ts';
export { groupOf } from './night-problem.ts';
export { expandDay, type ExpandedDay, type UnplannedChain } from './expand.ts';
export {
	alsoRelaxed,
	judgePlacement,
	placementOn,
	planDay,
	RELAXING_ROUNDS,
	type JudgedPlan
} from './plan.ts';
export {
	AS_IT_IS,
	type Conditions,
	type DoneTask,
	type Placement,
	type PlanWish
} from './placement.ts';
export { laterThanOrdered } from './agreed.ts';
export { shiftOfNight } from './longer-hours.ts';
export { waysOut, type HeldTo, type WaysOut } from './ways-out.ts';
export { asIfOf, type WhatIf } from './what-if.ts';
export { whyHere, type HeldTask, type WhyHolder } from './why-here.ts';
export { chanceOfDrops, type DropUnderChance } from './chance-of-drops.ts';
export { takenAsDone } from './taken-as-done.ts';
export { ahead, planDifference, type MovedTask, type PlanDifference } from './difference.ts';
export {
	describePlan,
	holds,
	type AttendedStretch,
	type DayTask,
	type DayPlan
} from './day-plan.ts';
export { deckOutlook, type BakingTask, type DeckLoad, type DeckOutlook } from './deck-outlook.ts';
export { packingLists, piecesOver, type PackingList, type PiecesOver } from './packing.ts';
export { stationOf, STATIONS, type Station } from './station.ts';
export { priceOnMoving } from './prices.ts';
export type { Caution } from './cautions.ts';
export { leavesByMs, type DeliveryTask } from './deliveries.ts';
export type { OvenTask } from './oven-tasks.ts';
export { placesFull, type PlaceFull } from './places-full.ts';
export { vesselsShort, type VesselsShort } from './vessels.ts';
export { timingOf } from './timing.ts';
export { asPlanned, isFollowed } from './still-followed.ts';
export { bulkOfPieces, type BulkOfPieces } from './divided-before-bulk.ts';
export { proofAhead } from './proof-of-mix.ts';
export { handsAtMarks } from './hands-at-marks.ts';
export { takenBy, type TakenElsewhere } from './taken-elsewhere.ts';
export { canGoToTheCold, MOST_LOADS } from './decided.ts';
export { latestStarts } from './latest-starts.ts';
export { limitsOfOrders, type OrdersLimit } from './limits-of-orders.ts';
export {
	ordersMoved,
	type MovedOrder,
	type MovedRecipe,
	type OrdersMoved
} from './orders-moved.ts';
