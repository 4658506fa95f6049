export { attentionTo, type Attention } from './attention.ts';
export {
	courseOf,
	liftOf,
	placeOf,
	soursWith,
	type WaitCourse,
	type WaitFailure
} from './wait-course.ts';
export { traceOf, type PlaceStretch } from './room-trace.ts';
export {
	airOfLeg,
	doughStory,
	legsInAir,
	type AirOfPlaces,
	type RipeningStep,
	type DoughEvent,
	type DoughStoryInput,
	type StoryStretch,
	type DoughStory
} from './dough-story.ts';
export {
	forecastOfStanding,
	type StandingForecast,
	type StandingInput
} from './standing-forecast.ts';
export { doughCard, type WhatIf, type DoughCard } from './dough-card.ts';
export { carriedDose, clockWithCarry } from './carried-dose.ts';
export { coldAir, type ColdLoad, type ColdAir } from './cold-air.ts';
export { watchDoughs, type WatchedDough, type BakeryAir } from './watch-doughs.ts';
export { followedLog, ripeningStep, type FollowedEntry } from './followed-log.ts';
export { littleYeastForTimes, type LittleYeast } from './yeast-for-times.ts';
export { stagedWalk, type StageOfWalk, type StagedWalk, type WalkedStage } from './staged-walk.ts';
