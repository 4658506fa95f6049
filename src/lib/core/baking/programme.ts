import type { Duration } from '../units/index.ts';

/** How crust is wanted, from pale to dark. */
export const CRUSTS = ['pale', 'golden', 'brown', 'dark'] as const;
export type Crust = (typeof CRUSTS)[number];

/** How an oven stands, beside what it is set to. */
export interface OvenState {
	/** Strength of the heat from above and below, in percent; null where it is left as the oven has it. */
	readonly topPercent: number | null;
	readonly bottomPercent: number | null;
	readonly fan: boolean;
	readonly ventOpen: boolean;
	readonly lid: boolean;
}

/** What is changed while it bakes. What is not told stays as it was. */
export interface BakeChange {
	readonly atMinutes: number;
	readonly celsius: number | null;
	readonly topPercent: number | null;
	readonly bottomPercent: number | null;
	readonly fan: boolean | null;
	readonly ventOpen: boolean | null;
	readonly lid: boolean | null;
	/** Steam given then; 0 for none. */
	readonly steamSeconds: number;
}

/** A bake beyond its four figures: how the oven stands at loading, what is changed when, and what is looked at. */
export interface BakeProgramme {
	readonly atLoading: OvenState;
	/** How often the steam of the loading is given, one minute apart. */
	readonly steamBursts: number;
	/** Steam comes from water poured on a tray, by hand. */
	readonly steamByTray: boolean;
	/** The pieces lie on the stone itself, on nothing. */
	readonly onStone: boolean;
	readonly changes: readonly BakeChange[];
	/** When the pieces are turned round, for the hot spots of the oven. */
	readonly turnAtMinutes: number | null;
	/** When they are looked at first. */
	readonly checkAtMinutes: number | null;
	readonly crust: Crust | null;
}

/** The four figures every bake has. */
export interface BakeFigures {
	readonly loadCelsius: number;
	readonly bakeMinutes: number;
	readonly steamSeconds: number;
	readonly coreCelsius: number;
}

/** A bake under one setting from loading to drawing. */
export const PLAIN_PROGRAMME: BakeProgramme = {
	atLoading: { topPercent: null, bottomPercent: null, fan: false, ventOpen: false, lid: false },
	steamBursts: 1,
	steamByTray: false,
	onStone: false,
	changes: [],
	turnAtMinutes: null,
	checkAtMinutes: null,
	crust: null
};

/** A change that changes nothing yet, at a minute. */
export function changeAt(atMinutes: number): BakeChange {
	return {
		atMinutes,
		celsius: null,
		topPercent: null,
		bottomPercent: null,
		fan: null,
		ventOpen: null,
		lid: null,
		steamSeconds: 0
	};
}

/** A stretch of a bake in which nothing is changed. */
export interface BakePhase extends OvenState {
	readonly fromMinutes: number;
	readonly toMinutes: number;
	readonly celsius: number;
	/** Steam given at its beginning, each burst so long. */
	readonly steamSeconds: number;
	readonly steamBursts: number;
}

type Bake = Pick<BakeFigures, 'loadCelsius' | 'bakeMinutes' | 'steamSeconds'> & {
	readonly programme: BakeProgramme;
};

/**
 * The phases of a bake: from loading to its first change, from there to the next, and so on to drawing.
 *
 * Range: changes in any order; those at or after the end are left out. Source: domain (ovens). Failures: none.
 * Example: 250 degC turned down to 220 at 15 of 42 minutes is a phase of 15 minutes and one of 27.
 */
export function phasesOf({
	loadCelsius,
	bakeMinutes,
	steamSeconds,
	programme
}: Bake): readonly BakePhase[] {
	const changes = [...programme.changes]
		.sort((a, b) => a.atMinutes - b.atMinutes)
		.filter(({ atMinutes }) => atMinutes < bakeMinutes);
	let now: BakePhase = {
		fromMinutes: 0,
		toMinutes: bakeMinutes,
		celsius: loadCelsius,
		steamSeconds,
		steamBursts: steamSeconds > 0 ? programme.steamBursts : 0,
		...programme.atLoading
	};
	const phases: BakePhase[] = [];
	for (const change of changes) {
		phases.push({ ...now, toMinutes: change.atMinutes });
		now = {
			fromMinutes: change.atMinutes,
			toMinutes: bakeMinutes,
			celsius: change.celsius ?? now.celsius,
			topPercent: change.topPercent ?? now.topPercent,
			bottomPercent: change.bottomPercent ?? now.bottomPercent,
			fan: change.fan ?? now.fan,
			ventOpen: change.ventOpen ?? now.ventOpen,
			lid: change.lid ?? now.lid,
			steamSeconds: change.steamSeconds,
			steamBursts: change.steamSeconds > 0 ? 1 : 0
		};
	}
	return [...phases, now].filter(({ fromMinutes, toMinutes }) => toMinutes > fromMinutes);
}

/** What the oven is set to when the bread is drawn, in degC: the next load begins from there. */
export function endCelsiusOf(bake: Bake): number {
	return phasesOf(bake).at(-1)?.celsius ?? bake.loadCelsius;
}

/** Something to do or to look at while a load is in, by its minute. */
export type BakeMark =
	| { readonly kind: 'change'; readonly atMinutes: number; readonly change: BakeChange }
	| { readonly kind: 'turn' | 'check' | 'out'; readonly atMinutes: number };

/**
 * What is done to a load after it went in, in order, the drawing last.
 *
 * Range: any programme. Source: domain (ovens). Failures: none.
 * Example: a turn-down at 15, turned round at 25 and out at 42 are three marks.
 */
export function bakeMarks({
	bakeMinutes,
	programme
}: Pick<Bake, 'bakeMinutes' | 'programme'>): readonly BakeMark[] {
	const { changes, turnAtMinutes, checkAtMinutes } = programme;
	const marks: BakeMark[] = changes.map((change) => ({
		kind: 'change',
		atMinutes: change.atMinutes,
		change
	}));
	if (turnAtMinutes !== null) marks.push({ kind: 'turn', atMinutes: turnAtMinutes });
	if (checkAtMinutes !== null) marks.push({ kind: 'check', atMinutes: checkAtMinutes });
	return [
		...marks
			.filter(({ atMinutes }) => atMinutes < bakeMinutes)
			.sort((a, b) => a.atMinutes - b.atMinutes),
		{ kind: 'out', atMinutes: bakeMinutes }
	];
}

/**
 * The same bake over another time: every minute of it goes in proportion, figures and settings stay.
 *
 * Range: times above 0. Source: our default, with the time from `bakeTimeOf`. Failures: none.
 * Example: a turn-down at 15 of 42 minutes comes at 17.4 of 48.7.
 */
export function bakeOver<B extends Bake>(bake: B, { minutes }: Duration): B {
	const share = minutes / bake.bakeMinutes;
	const scaled = (at: number | null) => (at === null ? null : at * share);
	const { programme } = bake;
	return {
		...bake,
		bakeMinutes: minutes,
		programme: {
			...programme,
			changes: programme.changes.map((change) => ({
				...change,
				atMinutes: change.atMinutes * share
			})),
			turnAtMinutes: scaled(programme.turnAtMinutes),
			checkAtMinutes: scaled(programme.checkAtMinutes)
		}
	};
}

/** What is wrong with a programme, by the minute it is wrong at. */
export interface ProgrammeProblem {
	readonly kind:
		| 'change-outside-the-bake'
		| 'changes-at-one-minute'
		| 'nothing-changes'
		| 'steam-under-an-open-vent'
		| 'mark-outside-the-bake';
	readonly atMinutes: number;
}

/**
 * What of a programme cannot be meant.
 *
 * Range: any programme. Source: domain (ovens). Failures: none; findings are the result, none where all is well.
 * Example: steam at minute 20 of a bake whose vent was opened at 18 goes out of the vent.
 */
export function programmeProblems(bake: Bake): readonly ProgrammeProblem[] {
	const { bakeMinutes, programme } = bake;
	const { changes, turnAtMinutes, checkAtMinutes } = programme;
	const problems: ProgrammeProblem[] = [];
	const say = (kind: ProgrammeProblem['kind'], atMinutes: number) =>
		problems.push({ kind, atMinutes });
	const inside = (at: number) => at > 0 && at < bakeMinutes;
	const seen = new Set<number>();
	for (const change of changes) {
		const { atMinutes, steamSeconds, celsius, topPercent, bottomPercent, fan, ventOpen, lid } =
			change;
		if (!inside(atMinutes)) say('change-outside-the-bake', atMinutes);
		if (seen.has(atMinutes)) say('changes-at-one-minute', atMinutes);
		seen.add(atMinutes);
		const told = [celsius, topPercent, bottomPercent, fan, ventOpen, lid];
		if (steamSeconds === 0 && told.every((one) => one === null)) say('nothing-changes', atMinutes);
	}
	for (const { fromMinutes, ventOpen, steamSeconds } of phasesOf(bake))
		if (ventOpen && steamSeconds > 0) say('steam-under-an-open-vent', fromMinutes);
	for (const at of [turnAtMinutes, checkAtMinutes])
		if (at !== null && !inside(at)) say('mark-outside-the-bake', at);
	return problems;
}
