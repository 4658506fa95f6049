export {
	bakeTimeOf,
	BAKE_EXPONENT,
	BAKE_REACH,
	type KnownBake,
	type BakeTimeFailure
} from './bake-time.ts';
export { asksOfDeck, type AsksOfDeck } from './asks-of-deck.ts';
export {
	bakeMarks,
	bakeOver,
	changeAt,
	CRUSTS,
	endCelsiusOf,
	phasesOf,
	PLAIN_PROGRAMME,
	programmeProblems,
	type BakeChange,
	type BakeFigures,
	type BakeMark,
	type BakePhase,
	type BakeProgramme,
	type Crust,
	type OvenState,
	type ProgrammeProblem
} from './programme.ts';
export {
	coreWantedAt,
	doneForecast,
	type CoreReading,
	type DoneFailure,
	type DoneForecast
} from './core-temperature.ts';
