export {
	LEARNED_SUBJECTS,
	type LearnedSubject,
	type MeasuredMix,
	type SchoolsOfMix,
	type CheckedDough,
	type MovedDough,
	type JudgedDough
} from './observed.ts';
export { estimate, type Observation } from './estimate.ts';
export { estimateWithin } from './estimate-within.ts';
export {
	learnedFriction,
	spreadOfReading,
	type FrictionFigures,
	type LearnedFriction,
	type MeasuredDough
} from './learned-friction.ts';
export {
	HOT_ROOM_CELSIUS,
	meanMiss,
	schoolMisses,
	type MissOfSchools,
	type SchoolMiss
} from './school-misses.ts';
export {
	learnedLoss,
	learnedRecovery,
	learnedShare,
	learnedWater,
	type LearnedShare,
	type LossOfBake,
	type StoneAtLoading,
	type TimedWork,
	type WaterOfMix
} from './learned-times.ts';
export { learnedRise } from './learned-rise.ts';
export { learnedTub, type LearnedTub, type TubHistory } from './learned-tub.ts';
export { learnedClock, learnedProof, type LearnedClock, type ProofLook } from './learned-clock.ts';
export { learnedRipening, type LearnedRipening } from './learned-ripening.ts';
export { beliefOverTime, type BeliefThen } from './belief-over-time.ts';
export {
	learnedPullDown,
	pullDownRevealed,
	type ColdNight,
	type LearnedPullDown
} from './learned-pull-down.ts';
