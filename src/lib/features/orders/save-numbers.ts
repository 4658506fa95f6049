import { sendCommand } from '../../client/send-command.ts';
import type { DropId, ProductId } from '../../core/identity.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { outcomeProblem } from '../../wording/outcome-text.ts';

/** A number to be saved over the version it was typed on. */
export interface NumberToSave {
	readonly dropId: DropId;
	readonly productId: ProductId;
	readonly pieces: number | null;
	readonly expectedVersion: number;
}

/** A number that somebody else changed meanwhile. */
export interface StaleNumber {
	readonly dropId: string;
	readonly productId: string;
	readonly version: number;
	readonly value: number;
	readonly by: string;
}

/** What became of numbers that were sent: all of them are saved, or none. */
export type Saved =
	/** `toldAs` names it where it is taken back by a word of its own. */
	| { readonly outcome: 'done'; readonly toldAs?: string }
	| { readonly outcome: 'not-reached' | 'refused'; readonly message: string }
	| { readonly outcome: 'stale'; readonly lines: readonly StaleNumber[] };

/** Saves numbers, all of them or none. */
export type SaveNumbers = (numbers: readonly NumberToSave[]) => Promise<Saved>;

/** Saves numbers of one date. */
export function saveForDate(date: BakeDate, nowMs: () => number): SaveNumbers {
	return async (numbers) => {
		const [first] = numbers;
		const occurredAtMs = Math.round(nowMs());
		if (numbers.length === 1 && first && first.pieces !== null) {
			const { pieces } = first;
			const result = await sendCommand({
				kind: 'change-order',
				occurredAtMs,
				date,
				...first,
				pieces
			});
			if (result.outcome === 'refused' && result.refusal.kind === 'changed-meanwhile')
				return { outcome: 'stale', lines: [{ ...first, ...result.refusal }] };
			return savedOf(result);
		}
		return savedOf(
			await sendCommand({ kind: 'change-orders', occurredAtMs, date, lines: [...numbers] })
		);
	};
}

/** Which dates and weekdays a standing order is typed for. */
export interface StandingFor {
	readonly fromDate: BakeDate;
	readonly untilDate: BakeDate | null;
	/** The weekdays of a drop among those it is typed for. */
	readonly weekdaysOf: (dropId: DropId) => readonly number[];
}

/** Saves what stands ordered from a date on. */
export function saveStanding(standing: () => StandingFor, nowMs: () => number): SaveNumbers {
	return async (numbers) => {
		const { fromDate, untilDate, weekdaysOf } = standing();
		const toldAs = crypto.randomUUID();
		const saved = savedOf(
			await sendCommand(
				{
					kind: 'set-standing',
					occurredAtMs: Math.round(nowMs()),
					fromDate,
					untilDate,
					lines: numbers.map(({ pieces, dropId, ...line }) => ({
						...line,
						dropId,
						pieces: pieces ?? 0,
						weekdays: [...weekdaysOf(dropId)]
					}))
				},
				toldAs
			)
		);
		return saved.outcome === 'done' ? { ...saved, toldAs } : saved;
	};
}

/** Takes back what was said of standing orders as a whole: on every weekday and date stands again what stood before. */
export type TakeBack = (toldAs: string, numbers: readonly NumberToSave[]) => Promise<Saved>;

export function takeBackStanding(nowMs: () => number): TakeBack {
	return async (commandId, numbers) =>
		savedOf(
			await sendCommand({
				kind: 'take-back-standing',
				occurredAtMs: Math.round(nowMs()),
				commandId,
				lines: numbers.map(({ dropId, productId, expectedVersion }) => ({
					dropId,
					productId,
					expectedVersion
				}))
			})
		);
}

function savedOf(
	result: Awaited<
		ReturnType<
			typeof sendCommand<'change-orders' | 'set-standing' | 'change-order' | 'take-back-standing'>
		>
	>
): Saved {
	if (result.outcome === 'done') return { outcome: 'done' };
	if (result.outcome === 'refused' && result.refusal.kind === 'numbers-changed-meanwhile')
		return { outcome: 'stale', lines: result.refusal.lines };
	return { outcome: result.outcome, message: outcomeProblem(result) };
}
