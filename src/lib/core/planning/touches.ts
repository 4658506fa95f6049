import { foldMinutes } from '../formula/index.ts';
import { batchKey, type BatchRef } from './batch-ref.ts';
import type { CourseStep } from './course.ts';

/** How long a fold or a move takes (our default, in minutes). */
export const TOUCH_MINUTES = 5;

/** The task of the engine that a fold or a move within a wait is. */
export function touchId(
	batch: BatchRef,
	what: 'fold' | 'move',
	waitAt: number,
	index: number
): string {
	return `${batchKey(batch)}:${waitAt}:${what}:${index}`;
}

/** Folds and moves of a wait, by the minute after it began; what falls to its end is done with what follows. */
export function touchesOf({
	step,
	minutes
}: CourseStep): readonly { readonly what: 'fold' | 'move'; readonly minute: number }[] {
	if (step.kind !== 'wait') return [];
	const moves: { readonly what: 'move'; readonly minute: number }[] = [];
	let at = 0;
	for (const [index, leg] of step.legs.entries()) {
		const next = step.legs[index + 1];
		if (!next || leg.minutes === null) break;
		at += leg.minutes;
		moves.push({ what: 'move', minute: at });
	}
	const folds = foldMinutes(step, minutes).map((minute) => ({ what: 'fold' as const, minute }));
	const found: { readonly what: 'fold' | 'move'; readonly minute: number }[] = [];
	for (const touch of [...folds, ...moves].sort((a, b) => a.minute - b.minute)) {
		const last = found.at(-1);
		if (touch.minute > minutes - TOUCH_MINUTES) continue;
		if (last && touch.minute < last.minute + TOUCH_MINUTES && touch.what === 'fold') continue;
		found.push(touch);
	}
	return found;
}
