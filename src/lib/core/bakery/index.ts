export { BAKERY_LIMITS, type BakeryFigure, type Limits } from './limits.ts';
export {
	ENTRY_KINDS,
	entryProblems,
	type BakeryEntry,
	type EntryContents,
	type EntryKind
} from './entry.ts';
export type { EntryProblem } from './problem.ts';
export {
	ROLES,
	SKILLS,
	shiftsOn,
	type Break,
	type Person,
	type Role,
	type Shift,
	type ShiftException,
	type Skill,
	type WeekShift
} from './person.ts';
export { handsAt, rosterOf, shortOfHands, type OnShift, type ShortOfHands } from './roster.ts';
export {
	BY_HAND_MIXER,
	FIRST_MIXER,
	takesOf,
	type MixerContent,
	type MixerTakes
} from './mixer.ts';
export { layoutOn, piecesPerTray, USUAL_SPACING_CM, type Area, type Layout } from './footprint.ts';
export {
	DECK_KINDS,
	FIRST_DECK,
	FIRST_OVEN,
	loadingMinutesOf,
	loadSizeOn,
	piecesOn,
	USUAL_REHEAT_MINUTES,
	type Deck,
	type DeckKind,
	type LoadSize,
	type OvenContent,
	type OvenPiece
} from './oven.ts';
export {
	DECK_LACKS,
	decksFor,
	lackedByAll,
	lacksOf,
	type DeckLack,
	type DeckNeeds,
	type OvenDeck
} from './deck-needs.ts';
export {
	LAST_SHEET_MILLIMETRES,
	sheetGrams,
	VESSEL_USES,
	type BenchContent,
	type DividerContent,
	type ScaleContent,
	type SheeterContent,
	type VesselContent,
	type VesselUse
} from './equipment.ts';
export type { PlaceContent } from './place.ts';
export {
	ALL_WEEKDAYS,
	cutOffMs,
	FIRST_CUT_OFF,
	FIRST_DROP,
	goesOn,
	isClosedOn,
	minutesBeforeDue,
	type ClosedDaysContent,
	type CustomerContent,
	type CutOff,
	type DropContent,
	type SupplierContent
} from './delivery.ts';
export { standingOn, type StandingEntry } from './standing.ts';
export {
	FIRST_STEPS,
	firstSteps,
	nextStep,
	type BakerySoFar,
	type FirstStep,
	type FirstStepKey
} from './first-steps.ts';
