import type { DoorAct, DoorProblem, SessionKind } from '../contracts/door-views.ts';

const MINUTE_S = 60;

const PROBLEMS: {
	readonly [K in DoorProblem['kind']]: (problem: Extract<DoorProblem, { kind: K }>) => string;
} = {
	wrong: () => 'That does not fit. Look at what you typed and try again.',
	wait: ({ seconds }) =>
		`Too many tries. Wait ${seconds < MINUTE_S ? `${seconds} seconds` : `${Math.ceil(seconds / MINUTE_S)} minutes`}, then try again.`,
	'key-opens-nothing': () =>
		'This opens nothing any more: it was used, or is too old. Ask the head baker for a new one.',
	'too-short': ({ least }) => `That is too short: at least ${least} signs.`,
	'too-long': ({ most }) => `That is too long: at most ${most} signs.`,
	'easily-guessed': () => 'Anybody would try that first. Take another.',
	'only-digits': () => 'A code for the bench has digits only.',
	'not-permitted': () => 'Hands are changed at a tablet of the bench.'
};

/** Why a door stays shut, and what to do. */
export function doorProblemText(problem: DoorProblem): string {
	return (PROBLEMS[problem.kind] as (problem: DoorProblem) => string)(problem);
}

export const SESSION_KIND_TEXT: Readonly<Record<SessionKind, string>> = {
	desk: 'desk',
	tablet: 'tablet at the bench',
	wall: 'wall screen'
};

/** What happened at a door, behind the name it happened to. */
export const DOOR_ACT_TEXT: Readonly<Record<DoorAct, string>> = {
	'signed-in': 'signed in',
	'signed-out': 'signed out',
	'password-set': 'has a new password',
	'code-set': 'has a new code for the bench',
	'key-made': 'was given a key to choose a password',
	'session-ended': 'was signed out',
	'tablet-paired': 'A screen was paired',
	'hands-changed': 'took a tablet up',
	tried: 'could not come in',
	'data-handed-out': 'is told of in a file that was handed out',
	'person-removed': 'is the name of somebody whose own was taken out'
};
