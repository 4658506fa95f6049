export { dueOf, type Demand } from './demand.ts';
export {
	asDoughs,
	EXTRA_USES,
	type ExtraUse,
	type ProductExtra,
	type ProductDough,
	type BakeryProduct
} from './product.ts';
export { divide, type Divider, type Division } from './divider.ts';
export { scaledBatch, type ScaledBatch } from './scaled-batch.ts';
export { coverByMade, type MadeMix, type MadePreparation } from './made.ts';
export { shareOut } from './share-out.ts';
export type { WeighUpLine } from './weigh-up.ts';
export { fewestMixes, type MixAsked } from './fewest-mixes.ts';
export { fitsMixer, MOST_MIXES, mostOfMixers, mixesOf, type Mix, type MixLimits } from './mixes.ts';
export { mixChoicesOf, type MixChoices } from './mix-choices.ts';
export type { Build, BuildUse } from './one-build.ts';
export { usesByTime } from './builds-in-batches.ts';
export {
	productionOf,
	type ProductionInput,
	type Dough,
	type UnmadeDough,
	type ExtraNeed,
	type DayProduction
} from './day.ts';
export { ingredientsOfDay, type DayIngredient, type IngredientUse } from './ingredients-of-day.ts';
export { sparePieces } from './spares.ts';
export { goesOf } from './goes.ts';
export {
	ordersOfDate,
	type OrderOfDate,
	type StandingOrder,
	type TypedOrder
} from './orders-of-date.ts';
export { firstOfWeekday, layOver, piecesStanding, type StandingStretch } from './standing.ts';
export { usesOfBatch } from './uses-of-batch.ts';
export { ordersBehind, type OrderBehind, type OrdersBehind } from './orders-behind.ts';
export { stagedSours, type StagedSour } from './staged-sours.ts';
