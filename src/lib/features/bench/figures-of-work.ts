import type { BakeDayInput, DayTask } from '../../core/planning/index.ts';
import type { RunSheetView } from '../../contracts/views.ts';
import { formatMinutes, formatTemperature, type UnitChoice } from '../../core/units/index.ts';
import type { HandsOnEntry } from '../../wording/list-entry.ts';
import { poursOf } from '../../wording/order-text.ts';
import { loadingText } from '../../wording/programme-text.ts';
import { amountText, machineText } from '../../wording/task-text.ts';

/** A figure that a hand acts on. */
export interface WorkFigure {
	readonly name: string;
	readonly figure: string;
	/** The one that is read first. */
	readonly isFirst?: boolean;
}

/** How much, how warm, how long: what is read of a work from the other side of the room. */
export function figuresOfWork(
	entry: HandsOnEntry,
	task: DayTask | null,
	input: BakeDayInput,
	water: RunSheetView['waters'][number] | null,
	units: UnitChoice
): readonly WorkFigure[] {
	const takes = { name: 'takes', figure: formatMinutes((entry.endMs - entry.atMs) / 60_000) };
	if (!task) return entry.kind === 'delivery' ? [takes] : [];
	const amount = { name: 'how much', figure: amountText(task, input) };
	const { step } = task;
	const on = { name: 'on', figure: machineText(task.machineId, input) };
	const warm = (celsius: number, digits = 0) => formatTemperature({ celsius }, digits, units);
	switch (entry.kind) {
		case 'do': {
			const wanted =
				step.kind === 'hands-on' && step.endsAtCelsius !== null
					? [{ name: 'wanted', figure: warm(step.endsAtCelsius, 1) }]
					: [];
			if (!water) return [{ ...amount, isFirst: true }, takes, ...wanted, on].filter(hasFigure);
			return [
				{
					name: `${water.liquid} at`,
					figure: formatTemperature(water.order.temperature, 1, units),
					isFirst: true
				},
				...poursOf(water.order, 'tap', units).map(({ name, figure, unit }) => ({
					name,
					figure: `${figure}\u00A0${unit}`
				})),
				amount,
				takes,
				...wanted,
				on
			].filter(hasFigure);
		}
		case 'end':
			return step.kind === 'hands-on' && step.endsAtCelsius !== null
				? [{ name: 'wanted', figure: warm(step.endsAtCelsius, 1), isFirst: true }, amount]
				: [amount];
		case 'load':
			return step.kind === 'bake'
				? [
						{ name: 'deck at', figure: warm(step.loadCelsius), isFirst: true },
						on,
						amount,
						{ name: 'bakes', figure: formatMinutes(step.bakeMinutes) },
						{ name: 'when loaded', figure: loadingText(step) }
					].filter(hasFigure)
				: [amount];
		case 'draw':
			return step.kind === 'bake'
				? [{ name: 'core', figure: warm(step.coreCelsius), isFirst: true }, on, amount].filter(
						hasFigure
					)
				: [amount];
		case 'steam':
			return step.kind === 'bake'
				? [{ name: 'steam', figure: entry.detail, isFirst: true }, on].filter(hasFigure)
				: [amount];
		case 'mark':
		case 'kettle':
			return [on, amount].filter(hasFigure);
		default:
			return [amount, takes];
	}
}

function hasFigure({ figure }: WorkFigure): boolean {
	return figure !== '';
}
