import {
	bakeMarks,
	type BakeChange,
	type BakeMark,
	type Crust,
	type ProgrammeProblem
} from '../core/baking/index.ts';
import type { BakeStep } from '../core/formula/index.ts';
import { formatNumber, formatTemperature, type UnitChoice } from '../core/units/index.ts';

export const CRUST_TEXT: Readonly<Record<Crust, string>> = {
	pale: 'pale crust',
	golden: 'golden crust',
	brown: 'brown crust',
	dark: 'dark crust'
};

/** What it lies on, how steam and oven stand at loading, beside the setting; empty where nothing is told of them. */
export function loadingText({ steamSeconds, programme }: BakeStep): string {
	const { atLoading, steamBursts, steamByTray, onStone } = programme;
	const times = steamBursts > 1 ? `${steamBursts} times ` : '';
	const steam =
		steamSeconds > 0
			? `steam ${times}${formatNumber(steamSeconds, 0)} s${steamByTray ? ' by the tray' : ''}`
			: '';
	return [
		...(onStone ? ['on the stone'] : []),
		...(steam === '' ? [] : [steam]),
		...stateTexts(atLoading)
	].join(', ');
}

/** What is told of an oven's state; of the vent and the lid only what is not as usual. */
function stateTexts(
	state: Pick<BakeChange, 'topPercent' | 'bottomPercent'> & {
		readonly fan: boolean;
		readonly ventOpen: boolean;
		readonly lid: boolean;
	}
): readonly string[] {
	return [
		...heatTexts(state),
		...(state.fan ? ['fan on'] : []),
		...(state.ventOpen ? ['vent open'] : []),
		...(state.lid ? ['lid on'] : [])
	];
}

function heatTexts({
	topPercent,
	bottomPercent
}: Pick<BakeChange, 'topPercent' | 'bottomPercent'>): readonly string[] {
	return [
		...(topPercent === null ? [] : [`top ${formatNumber(topPercent, 0)} %`]),
		...(bottomPercent === null ? [] : [`bottom ${formatNumber(bottomPercent, 0)} %`])
	];
}

/** What is done to the oven at a change: "set to 220 °C, vent open". */
export function changeText(change: BakeChange, units?: UnitChoice): string {
	const { celsius, fan, ventOpen, lid, steamSeconds } = change;
	return [
		...(celsius === null ? [] : [`set to ${formatTemperature({ celsius }, 0, units)}`]),
		...heatTexts(change),
		...(fan === null ? [] : [fan ? 'fan on' : 'fan off']),
		...(ventOpen === null ? [] : [ventOpen ? 'vent open' : 'vent closed']),
		...(lid === null ? [] : [lid ? 'lid on' : 'lid off']),
		...(steamSeconds === 0 ? [] : [`steam ${formatNumber(steamSeconds, 0)} s`])
	].join(', ');
}

/** What is done at a mark, as a sentence has it. */
export function markText(mark: BakeMark, units?: UnitChoice): string {
	switch (mark.kind) {
		case 'change':
			return changeText(mark.change, units);
		case 'turn':
			return 'turn round';
		case 'check':
			return 'check';
		case 'out':
			return 'out';
	}
}

/** What is done to a load while it is in, each with its minute. */
export function bakeMarkTexts(step: BakeStep, units?: UnitChoice): readonly string[] {
	return bakeMarks(step)
		.filter(({ kind }) => kind !== 'out')
		.map((mark) => `${markText(mark, units)} at ${formatNumber(mark.atMinutes, 0)} min`);
}

/** What is wrong with a programme, and what to do. */
export function programmeProblemText({ kind, atMinutes }: ProgrammeProblem): string {
	const at = `minute ${formatNumber(atMinutes, 0)}`;
	switch (kind) {
		case 'change-outside-the-bake':
			return `The change at ${at} is not within the bake. Give it a minute after loading and before the end.`;
		case 'changes-at-one-minute':
			return `Two changes are at ${at}. Put them into one.`;
		case 'nothing-changes':
			return `At ${at} nothing is changed. Say what is, or take the change out.`;
		case 'steam-under-an-open-vent':
			return `Steam at ${at} goes out of the open vent. Open the vent later, or give no steam then.`;
		case 'mark-outside-the-bake':
			return `What is looked at or turned at ${at} is not within the bake.`;
	}
}
