export type {
	BatchMachine,
	Demand,
	Lag,
	LoadDemand,
	Machine,
	Mode,
	Pin,
	Pool,
	Portion,
	Price,
	Problem,
	Span,
	Stretch,
	Task,
	Window
} from './problem.ts';
export type { Cost, Placed, Plan, PlannedLoad } from './plan.ts';
export { faultOf, LIMITS, type Fault } from './faults.ts';
export { solve, Solver, type Progress } from './solver.ts';
export { differenceOf, withPriceOnMoving, withSoftWindows, type Difference } from './replan.ts';
export type { Link } from './circle.ts';
export { conflictOf, type Conflict, type Wish } from './conflict.ts';
export { inOneGo } from './in-one-go.ts';
export { smallestClash } from './smallest-clash.ts';
export { holdersOf, type Held, type Holder } from './holders.ts';
export {
	chanceOfPlan,
	type DeadlineUnderChance,
	type Spread,
	type Uncertain
} from './chance-of-plan.ts';
export { MANNER, type Manner } from './search/manner.ts';
export { checkPlan, type Judgement } from './check/check-plan.ts';
export type { Violation } from './check/violations.ts';
