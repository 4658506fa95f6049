import type { LearnedChange, LearnedInPlan } from '../core/planning/index.ts';
import { formatMinutes, formatNumber } from '../core/units/index.ts';
import { ACTIVITY_TEXT } from './step-text.ts';

const percent = (share: number) => {
	const points = Math.round(Math.abs(share - 1) * 100);
	return `${points} % ${share > 1 ? 'longer' : 'shorter'}`;
};
const from = (used: number) => (used === 1 ? 'from one time' : `from ${used} times`);

/** What was learned, in a sentence: "Harbour dough ferments 11 % longer than its book, from 19 times". */
export function learnedText(one: LearnedInPlan): string {
	switch (one.kind) {
		case 'clock':
			return `${one.name} ferments ${percent(one.share)} than its book, ${from(one.used)}`;
		case 'proof':
			return `${one.name} proofs ${percent(one.share)} than its book, ${from(one.used)}`;
		case 'hands':
			return `${one.name}: to ${ACTIVITY_TEXT[one.activity].toLowerCase()} takes ${percent(one.share)} than its book, ${from(one.used)}`;
		case 'bake':
			return `${one.name} bakes ${percent(one.share)} than its programme, ${from(one.used)}`;
		case 'bake-in':
			return `${one.name} bakes ${percent(one.share)} in ${one.ovenName} than elsewhere, ${from(one.used)}`;
		case 'recovery':
			return `${one.name} gets ${formatMinutes(one.minutes)} more between loads: its stone was short, ${from(one.used)}`;
	}
}

/** What changed overnight: "Shaping Harbour loaf takes 24 % longer than its book; before, 3 % longer". */
export function changeText({ now, before }: LearnedChange): string {
	if (!now) return before ? `No longer: ${learnedText(before)}` : '';
	if (!before) return `New: ${learnedText(now)}`;
	const was =
		now.kind === 'recovery' && before.kind === 'recovery'
			? formatMinutes(before.minutes)
			: now.kind !== 'recovery' && before.kind !== 'recovery'
				? percent(before.share)
				: '';
	return `${learnedText(now)}; before, ${was}`;
}

/** A share of loss as a baker reads it. */
export function lossText(share: number): string {
	return `${formatNumber(share * 100, 1)} %`;
}
