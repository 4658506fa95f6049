export type { Work, WorkKind } from './work.ts';
export { steamKey, taskOfWork, workKey, worksOf } from './work.ts';
export {
	changesAnything,
	workStates,
	WORK_ACTS,
	type WorkAct,
	type WorkEntry,
	type WorkState
} from './work-log.ts';
export { timedOf, type TimedTask } from './timed.ts';
export { alsoKnown } from './also-known.ts';
export { expectedOf, type ExpectedWork } from './expected.ts';
export { outToCount } from './out-to-count.ts';
export { boardOf, lateMinutes, type Board, type BoardWork, type Whose } from './board.ts';
export { staysOf, type Stay } from './stays.ts';
export { asItWent, type NightAsItWent } from './as-it-went.ts';
export { nightLog, type LoggedBatch, type LoggedWork, type NightLog } from './night-log.ts';
export { dropsExpected, type DropExpected } from './drops-expected.ts';
export { isTakenAsTapped, takenAsTapped } from './taken-as-tapped.ts';
