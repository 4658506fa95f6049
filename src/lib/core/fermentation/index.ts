export {
	cardinalCurve,
	LIFT,
	mixedLift,
	rateAt,
	type CardinalCurve,
	type CardinalTemperatures,
	type RateCurve
} from './cardinal-rate.ts';
export { BeyondModel, STEP_TOLERANCE, integrate } from './integrate.ts';
export {
	LEAST_TIME_CONSTANT_MINUTES,
	SELF_HEATING_KELVINS_PER_HOUR,
	drifted,
	warmingAt,
	temperatureIn,
	temperatureOnPath,
	type PathStretch
} from './temperature-path.ts';
export { doseOfStretch, followStretch, minutesForDose, ripeMinutesAt } from './dose.ts';
export { peakAfterFeed, peakMinutes, slownessOf, type FedBuild } from './peak.ts';
export { timeFactorOfYeast } from './leaven-amount.ts';
export { ACID, favourOf, type Favour } from './acid.ts';
export {
	heatToRemove,
	followRetarder,
	type Retarder,
	type RetarderLoad,
	type RetarderMoment
} from './retarder.ts';
export {
	SIGHTINGS,
	SIGHTS,
	READINESS_DECISIONS,
	judgeReadiness,
	riseSeen,
	type SightingKind,
	type Sighting,
	type ReadinessVerdict,
	type ReadinessDecision,
	type ReadinessReason,
	type ClockStanding,
	type Readiness
} from './readiness.ts';
export { timeConstantRevealed, ownWarming, timeConstantSpread } from './time-constant.ts';
