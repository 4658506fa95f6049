export type { BakeDayInput, Begun, PlannedBuild, PlannedDough, PlannedMix, Step } from './input.ts';
export { courseThrough, handsOnMinutes } from './course.ts';
export { batchKey, type BatchRef } from './batch-ref.ts';
export { expandDay, type UnplannedChain } from './expand.ts';
export { planDay, judgePlacement } from './plan.ts';
export { describePlan, type DayTask, type DayPlan } from './day-plan.ts';
export { timingOf } from './timing.ts';
export { asPlanned, isFollowed } from './still-followed.ts';
export { proofAhead } from './proof-of-mix.ts';
