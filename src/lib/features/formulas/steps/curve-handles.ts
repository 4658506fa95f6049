import type { BakeStep } from '../../../core/formula/index.ts';

/** What can be taken hold of on the curve of a bake. */
export type CurveHandle =
	| { readonly kind: 'load' }
	| { readonly kind: 'change'; readonly at: number }
	| { readonly kind: 'turn' }
	| { readonly kind: 'check' }
	| { readonly kind: 'out' };

/** Where on the curve, in minutes of the bake and degrees Celsius. */
export interface CurvePoint {
	readonly minutes: number;
	readonly celsius: number;
}

/** The settings that an oven's field takes. */
const LEAST_CELSIUS = 60;
const MOST_CELSIUS = 400;
/** Longer than this nothing is baked. */
const MOST_MINUTES = 600;

/** Everything of a bake that has its place on the curve. */
export function curveHandles({ programme }: BakeStep): readonly CurveHandle[] {
	return [
		{ kind: 'load' },
		...programme.changes.map((_, at) => ({ kind: 'change' as const, at })),
		...(programme.turnAtMinutes === null ? [] : [{ kind: 'turn' as const }]),
		...(programme.checkAtMinutes === null ? [] : [{ kind: 'check' as const }]),
		{ kind: 'out' }
	];
}

/** When a handle stands; the setting it stands on is that of the curve. */
export function minuteOf({ programme, bakeMinutes }: BakeStep, handle: CurveHandle): number {
	switch (handle.kind) {
		case 'load':
			return 0;
		case 'change':
			return programme.changes[handle.at]?.atMinutes ?? 0;
		case 'turn':
			return programme.turnAtMinutes ?? 0;
		case 'check':
			return programme.checkAtMinutes ?? 0;
		case 'out':
			return bakeMinutes;
	}
}

/** What the setting of a handle is where it changes one; null where it only has its minute. */
export function settingOf(
	{ programme, loadCelsius }: BakeStep,
	handle: CurveHandle
): number | null {
	if (handle.kind === 'load') return loadCelsius;
	return handle.kind === 'change' ? (programme.changes[handle.at]?.celsius ?? null) : null;
}

/**
 * A bake with one of its handles drawn to another place, to whole minutes and so many degrees: a change stays between its
 * neighbours, what is done to a load stays within the bake, and the bake does not end before it.
 */
export function moved(
	step: BakeStep,
	handle: CurveHandle,
	to: CurvePoint,
	roundCelsius: (celsius: number) => number
): BakeStep {
	const { programme, bakeMinutes } = step;
	const celsius = between(LEAST_CELSIUS, roundCelsius(to.celsius), MOST_CELSIUS);
	const minutes = Math.round(to.minutes);
	const inside = between(1, minutes, bakeMinutes - 1);
	switch (handle.kind) {
		case 'load':
			return { ...step, loadCelsius: celsius };
		case 'change': {
			const others = programme.changes.filter((_, at) => at !== handle.at);
			const own = programme.changes[handle.at]?.atMinutes ?? 0;
			const before = Math.max(
				0,
				...others.flatMap((one) => (one.atMinutes < own ? one.atMinutes : []))
			);
			const after = Math.min(
				bakeMinutes,
				...others.flatMap((one) => (one.atMinutes > own ? one.atMinutes : []))
			);
			const atMinutes = between(before + 1, minutes, after - 1);
			return {
				...step,
				programme: {
					...programme,
					changes: programme.changes.map((one, at) =>
						at === handle.at
							? { ...one, atMinutes, celsius: one.celsius === null ? null : celsius }
							: one
					)
				}
			};
		}
		case 'turn':
			return { ...step, programme: { ...programme, turnAtMinutes: inside } };
		case 'check':
			return { ...step, programme: { ...programme, checkAtMinutes: inside } };
		case 'out': {
			const { changes, turnAtMinutes, checkAtMinutes } = programme;
			const last = Math.max(
				0,
				turnAtMinutes ?? 0,
				checkAtMinutes ?? 0,
				...changes.map((one) => one.atMinutes)
			);
			return { ...step, bakeMinutes: between(Math.floor(last) + 1, minutes, MOST_MINUTES) };
		}
	}
}

/** The nearest within both; the least where they leave nothing. */
function between(least: number, value: number, most: number): number {
	return Math.max(least, Math.min(most, value));
}
