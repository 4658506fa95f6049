export {
	INGREDIENT_KINDS,
	FRESH_YEAST_PER_GRAM,
	yeastInForm,
	type IngredientKind,
	USUAL_ROLLING,
	type Composition,
	type Ingredient,
	type RollingRange
} from './ingredient.ts';
export {
	NAMED_ADDITIONS,
	MOST_ADDITION_MINUTES,
	minutesIntoMix,
	additionAfter,
	isAddition,
	additionOrder,
	type Addition
} from './addition.ts';
export {
	isSoaked,
	hasOwnFlour,
	PREPARATION_KINDS,
	type PreparationKind,
	type Material,
	type PreparationLine,
	type BathUse,
	type Preparation,
	type FormulaLine,
	type FlourDelivery,
	type Formula
} from './formula.ts';
export {
	resolveFormula,
	resolveAlone,
	FLOUR_TOLERANCE_PERCENT,
	flourOf,
	sumLines,
	mixedShare,
	stagesInOrder,
	type ResolvedStage,
	type ResolvedFormula,
	type FormulaFailure,
	type Pantry
} from './resolve.ts';
export {
	figuresOf,
	freshYeastPercent,
	asOneDough,
	culturesOf,
	allergensOf,
	buildFiguresOf,
	isPerishable,
	finalDoughView,
	type FormulaFigures
} from './figures.ts';
export { grossFor, scaledForBaked } from './losses.ts';
export {
	USUAL_DOUGH_CELSIUS,
	USUAL_FRICTION_KILOJOULES_PER_KILOGRAM,
	USUAL_DOUGH_LOSS_SHARE,
	USUAL_BUILD_LOSS_SHARE,
	USUAL_BAKE_LOSS_SHARE,
	USUAL_COLD_CELSIUS,
	USUAL_ROOM_CELSIUS,
	USUAL_TIME_CONSTANT_MINUTES,
	FIRST_LINES
} from './usual.ts';
export {
	HANDS_ON_ACTIVITIES,
	MIXING_SPEEDS,
	speedsWanted,
	WAIT_ACTIVITIES,
	WAIT_PLACES,
	USUAL_CARRY_SHARE,
	LONGEST_LEG_MINUTES,
	foldMinutes,
	foldsTooLate,
	type Step,
	type HandsOnActivity,
	type MixingStretch,
	type HandsOnStep,
	type WaitActivity,
	type WaitPlace,
	type Leg,
	type Leavening,
	type RipenessClock,
	type WaitStep,
	type BakeStep
} from './process.ts';
export { legStandingIn, PLACE_ROLES, stepsInPlaces, type Place, type PlaceRole } from './places.ts';
export { FIRST_DOUGH_STEPS, firstStepsOf, FIRST_PRODUCT_STEPS } from './first-steps.ts';
export { TURNS, layersAfter, type Layers, type Turn } from './lamination.ts';
export { madeUp, solidFor, strengthOf, MOST_CAUSTIC_SHARE, type Strength } from './solution.ts';
export {
	MILLINGS,
	waterCorrection,
	type Milling,
	type FlourProperties,
	type Delivery
} from './flour-delivery.ts';
export {
	explainFigure,
	explainSeedRatio,
	explainFlourOf,
	explainBuildFigure,
	type FigureKey,
	type BuildFigureKey
} from './explained-figures.ts';
export {
	costOf,
	costOfAlone,
	costOfIngredient,
	costOfParts,
	costOfPiece,
	type DoughCost
} from './cost.ts';
export { makeOwn } from './own-copy.ts';
export {
	moveAddition,
	addPreparation,
	removePreparation,
	correctWater,
	type PlaceFailure
} from './place-line.ts';
export { followBuilds } from './follow-build.ts';
export {
	followersOf,
	impossibleAfter,
	innerFirst,
	takesFrom,
	type Impossible
} from './book-change.ts';
export { compareFormulas, comparePreparations, type LineDifference } from './compare.ts';
export { figureMove, type FigureFailure, type FigureMove } from './set-figure.ts';
export { scaledWithin, type MaterialLimit } from './scale-within.ts';
export { totalFlourFrom, type ScaleStart, type ScaleFailure } from './scale-from.ts';
export { rebalance, type RebalanceMove, type RebalanceFailure } from './rebalance.ts';
export type { EditedFormula } from './rewrite.ts';
export { MOST_PERCENT, editLine, type LineEdit, type EditFailure } from './edit-line.ts';
export { splitOffBuild, type SplitOff, type SplitFailure } from './split-off.ts';
export { sanityNotes, type SanityNote } from './sanity.ts';
