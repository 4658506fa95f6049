import {
	changeAt,
	PLAIN_PROGRAMME,
	type BakeChange,
	type BakeProgramme
} from '../core/baking/index.ts';
import {
	USUAL_CARRY_SHARE,
	type BakeStep,
	type HandsOnStep,
	type Leg,
	type MixingStretch,
	type RipenessClock,
	type Turn,
	type WaitStep
} from '../core/formula/index.ts';

/** Short ways to write chains of steps. */
export function hands(
	activity: HandsOnStep['activity'],
	fixedMinutes: number,
	secondsPerPiece = 0
): HandsOnStep {
	return {
		kind: 'hands-on',
		activity,
		machine: null,
		fixedMinutes,
		secondsPerPiece,
		endsAtCelsius: null,
		detail: { kind: 'none' }
	};
}

/** A mix by hand in the tub, or in the mixer. */
export function mix(minutes: number, endsAtCelsius: number, machine: 'mixer' | null): HandsOnStep {
	return { ...hands('mix', minutes), machine, endsAtCelsius };
}

/** A mix on the mixer by its speeds. */
export function mixing(
	minutes: number,
	endsAtCelsius: number,
	stretches: readonly (readonly [speed: MixingStretch['speed'], minutes: number])[]
): HandsOnStep {
	return {
		...mix(minutes, endsAtCelsius, 'mixer'),
		detail: {
			kind: 'mixing',
			stretches: stretches.map(([speed, each]) => ({ speed, minutes: each }))
		}
	};
}

/** A turn of the laminated dough, rolled to a thickness before it. */
export function turn(one: Turn, minutes: number, rolledToMm: number): HandsOnStep {
	return { ...hands('laminate', minutes), detail: { kind: 'turn', turn: one, rolledToMm } };
}

export function ripening(
	activity: WaitStep['activity'],
	clock: RipenessClock,
	legs: readonly Leg[],
	foldsAtMinutes: readonly number[] = [],
	foldsAtShares: readonly number[] = []
): WaitStep {
	return { kind: 'wait', activity, legs, clock, foldsAtMinutes, foldsAtShares };
}

export function clock(
	leavening: RipenessClock['leavening'],
	referenceCelsius: number,
	underMinutes: number,
	ripeMinutes: number,
	overMinutes: number
): RipenessClock {
	return {
		leavening,
		referenceCelsius,
		underMinutes,
		ripeMinutes,
		overMinutes,
		carryShare: USUAL_CARRY_SHARE
	};
}

export function bake(
	loadCelsius: number,
	bakeMinutes: number,
	steamSeconds: number,
	coreCelsius: number
): BakeStep {
	return {
		kind: 'bake',
		loadCelsius,
		bakeMinutes,
		steamSeconds,
		coreCelsius,
		programme: PLAIN_PROGRAMME
	};
}

/** A bake that goes by a programme. */
export function goingBy(
	step: BakeStep,
	{
		changes = [],
		...programme
	}: Partial<Omit<BakeProgramme, 'changes'>> & {
		readonly changes?: readonly (Pick<BakeChange, 'atMinutes'> & Partial<BakeChange>)[];
	}
): BakeStep {
	return {
		...step,
		programme: {
			...PLAIN_PROGRAMME,
			...programme,
			changes: changes.map((change) => ({ ...changeAt(change.atMinutes), ...change }))
		}
	};
}
