import { MINUTE_MS } from '../time/index.ts';
import type { Agreement } from './agreed.ts';
import { GRID_MINUTES } from './grid.ts';
import type { BakeDayInput, PlannedPerson } from './input.ts';

type Stretch = PlannedPerson['there'][number];
type ThereToo = Extract<Agreement, { readonly kind: 'there-too' }>;

/** Time that somebody could be asked to add, and which of its ends is only as far out as it is worked to. */
export interface Room {
	readonly wish: ThereToo;
	readonly trimmed: 'start' | 'end' | 'both';
}

/** A gap of no more than this within a shift is a break; a longer one parts two shifts (our default). */
const LONGEST_BREAK_MS = 2 * 60 * MINUTE_MS;
/** Hours are asked for in steps of five minutes, as plans are made. */
const STEP_MS = GRID_MINUTES * MINUTE_MS;
/** The work for a night's drops may begin so long before the first, and whoever is called in comes no sooner than that. */
const WORK_BEFORE_MS = 16 * 60 * MINUTE_MS;
const CALLED_IN_BEFORE_MS = 9 * 60 * MINUTE_MS;

/** The shift in which somebody works for a night's drops; null for who is off. */
export function shiftOfNight(
	person: PlannedPerson,
	{ drops }: Pick<BakeDayInput, 'drops'>
): Stretch | null {
	const { firstMs, lastMs } = readyOf(drops);
	return (
		shiftsOf(person).findLast(
			({ fromMs, toMs }) => fromMs < lastMs && toMs > firstMs - WORK_BEFORE_MS
		) ?? null
	);
}

/** What somebody who works on a night could add to that shift, sooner and later, by so much. */
export function roomAround(
	person: PlannedPerson,
	day: Pick<BakeDayInput, 'drops'>,
	minutes: number
): readonly Room[] {
	const shift = shiftOfNight(person, day);
	if (!shift) return [];
	const byMs = minutes * MINUTE_MS;
	const kind = 'there-too' as const;
	const personId = person.id;
	const { fromMs, toMs } = shift;
	return [
		{ wish: { kind, personId, fromMs: fromMs - byMs, toMs: fromMs }, trimmed: 'start' },
		{ wish: { kind, personId, fromMs: toMs, toMs: toMs + byMs }, trimmed: 'end' }
	];
}

/** When somebody who is off could be called in. */
export function roomOfDayOff(
	{ id: personId }: PlannedPerson,
	{ drops }: Pick<BakeDayInput, 'drops'>
): readonly Room[] {
	const { firstMs, lastMs } = readyOf(drops);
	const fromMs = firstMs - CALLED_IN_BEFORE_MS;
	return [{ wish: { kind: 'there-too', personId, fromMs, toMs: lastMs }, trimmed: 'both' }];
}

/** What of the room is worked in: no more than that is asked for; null where none of it is. */
export function workedIn(
	{ wish, trimmed }: Room,
	work: readonly { readonly fromMs: number; readonly toMs: number }[]
): ThereToo | null {
	const within = work.filter(({ fromMs, toMs }) => fromMs < wish.toMs && toMs > wish.fromMs);
	if (within.length === 0) return null;
	const first = Math.min(...within.map((one) => one.fromMs));
	const last = Math.max(...within.map((one) => one.toMs));
	// Nobody is asked to come or go by the minute.
	const fromMs = Math.max(wish.fromMs, Math.floor(first / STEP_MS) * STEP_MS);
	const toMs = Math.min(wish.toMs, Math.ceil(last / STEP_MS) * STEP_MS);
	return {
		...wish,
		...(trimmed === 'end' ? {} : { fromMs }),
		...(trimmed === 'start' ? {} : { toMs })
	};
}

function shiftsOf({ there }: PlannedPerson): readonly Stretch[] {
	return there
		.toSorted((a, b) => a.fromMs - b.fromMs)
		.reduce<readonly Stretch[]>((shifts, next) => {
			const last = shifts.at(-1);
			if (!last || next.fromMs - last.toMs > LONGEST_BREAK_MS) return [...shifts, next];
			return [...shifts.slice(0, -1), { ...last, toMs: Math.max(last.toMs, next.toMs) }];
		}, []);
}

function readyOf(drops: BakeDayInput['drops']): {
	readonly firstMs: number;
	readonly lastMs: number;
} {
	const ready = drops.map(({ readyByMs }) => readyByMs);
	return { firstMs: Math.min(...ready), lastMs: Math.max(...ready) };
}
