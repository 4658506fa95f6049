import type { BakeDayInput, BatchRef, DayTask } from '../core/planning/index.ts';
import { CAUSTIC_CAUTION } from './kind-text.ts';
import { ACTIVITY_TEXT, placeText, SPEED_TEXT, TURN_TEXT } from './step-text.ts';
import { formatMass, formatMinutes, formatNumber, formatTemperature } from '../core/units/index.ts';

/** One thing to do at one time. */
export interface ListEntry {
	readonly key: string;
	readonly taskId: string;
	readonly atMs: number;
	readonly what: string;
	readonly detail: string;
	readonly handsOn: boolean;
	/** What can hurt in doing it; empty where nothing does beyond the usual. */
	readonly caution: string;
	/** What is made, where it is a mix: its water is told with it. */
	readonly mixes: { readonly recipeId: string; readonly ordinal: number } | null;
}

/** The name of what a task works on, as the baker calls it. */
export function subjectText(task: DayTask, input: BakeDayInput): string {
	const { batch } = task;
	if (batch.kind === 'preparation') {
		const build = buildOf(batch, input);
		const several = input.builds.filter((build) => build.preparationId === batch.preparationId);
		return `${build?.name ?? ''}${several.length > 1 ? `, ${batch.ordinal} of ${several.length}` : ''}`;
	}
	const dough = input.doughs.find((dough) => dough.formulaId === batch.formulaId);
	const mix = dough?.mixes.find((mix) => mix.ordinal === batch.ordinal);
	const ordinal = mix && mix.count > 1 ? `, mix ${mix.ordinal} of ${mix.count}` : '';
	if (batch.kind === 'mix') return `${dough?.name ?? ''}${ordinal}`;
	const product = input.products.find((product) => product.id === batch.productId)?.name ?? '';
	if (batch.kind === 'portion') return `${product}${ordinal}`;
	return batch.loads > 1 ? `${product}, load ${batch.load} of ${batch.loads}` : product;
}

export function activityText(task: DayTask): string {
	return ACTIVITY_TEXT[task.step.kind === 'bake' ? 'bake' : task.step.activity];
}

function buildOf(
	batch: Extract<BatchRef, { kind: 'preparation' }>,
	input: BakeDayInput
): BakeDayInput['builds'][number] | undefined {
	return input.builds.find(
		(build) => build.preparationId === batch.preparationId && build.ordinal === batch.ordinal
	);
}

function amountText(task: DayTask, input: BakeDayInput): string {
	const { batch } = task;
	if (batch.kind === 'preparation') {
		const build = buildOf(batch, input);
		return build ? formatMass({ grams: build.grams }, 0) : '';
	}
	const mix = input.doughs
		.find((dough) => dough.formulaId === batch.formulaId)
		?.mixes.find((mix) => mix.ordinal === batch.ordinal);
	if (batch.kind === 'mix') return mix ? formatMass({ grams: mix.grams }, 0) : '';
	const product = input.products.find((product) => product.id === batch.productId);
	const pieces =
		batch.kind === 'load'
			? batch.pieces
			: (mix?.portions.find((portion) => portion.productId === batch.productId)?.pieces ?? 0);
	return product
		? `${pieces} of ${formatMass({ grams: product.scaledGrams }, 0)}`
		: `${pieces} pieces`;
}

/** The machine a task holds, by name. */
export function machineText(machineId: string | null, input: BakeDayInput): string {
	if (machineId === null) return '';
	return (
		[...input.bakery.decks, ...input.bakery.mixers].find((deck) => deck.id === machineId)?.name ??
		machineId
	);
}

function detailText(task: DayTask, input: BakeDayInput): string {
	const { step } = task;
	const parts = [amountText(task, input)];
	if (step.kind === 'hands-on') {
		if (step.detail.kind === 'turn') parts.push(TURN_TEXT[step.detail.turn]);
		if (step.detail.kind === 'mixing')
			parts.push(
				step.detail.stretches
					.map((stretch) => `${formatNumber(stretch.minutes, 0)} min ${SPEED_TEXT[stretch.speed]}`)
					.join(', ')
			);
		if (step.endsAtCelsius !== null)
			parts.push(`to ${formatTemperature({ celsius: step.endsAtCelsius })}`);
	}
	if (step.kind === 'bake') {
		parts.push(machineText(task.machineId, input));
		parts.push(formatTemperature({ celsius: step.loadCelsius }, 0));
		if (step.steamSeconds > 0) parts.push(`steam ${step.steamSeconds} s`);
		parts.push(
			`${formatNumber(step.bakeMinutes, 0)} min, core ${formatTemperature({ celsius: step.coreCelsius }, 0)}`
		);
	} else if (step.kind === 'wait') {
		const places = [...new Set(step.legs.map(placeText))];
		parts.push(`${formatMinutes((task.endMs - task.startMs) / 60_000)} ${places.join(', then ')}`);
	} else parts.push(formatMinutes((task.endMs - task.startMs) / 60_000));
	return parts.filter((part) => part !== '').join(' · ');
}

/** Everything a hand does, in order: the tasks, the folds within waits, the ends of bakes. */
export function toDoList(tasks: readonly DayTask[], input: BakeDayInput): readonly ListEntry[] {
	const entries: ListEntry[] = [];
	for (const task of tasks) {
		const subject = subjectText(task, input);
		const entry = (key: string, atMs: number, what: string, detail: string, handsOn = true) =>
			entries.push({
				key: `${task.id} ${key}`,
				taskId: task.id,
				atMs,
				what,
				detail,
				handsOn,
				caution: key === 'do' ? cautionOf(task) : '',
				mixes: key === 'do' ? mixesOf(task) : null
			});
		switch (task.step.kind) {
			case 'hands-on':
				entry('do', task.startMs, `${activityText(task)} ${subject}`, detailText(task, input));
				break;
			case 'wait': {
				entry(
					'wait',
					task.startMs,
					`${activityText(task)} ${subject}`,
					detailText(task, input),
					false
				);
				const folds = task.foldsMs.length;
				task.foldsMs.forEach((at, index) =>
					entry(
						`fold ${index}`,
						at,
						folds > 1 ? `Fold ${subject}, fold ${index + 1} of ${folds}` : `Fold ${subject}`,
						amountText(task, input)
					)
				);
				const [first, second] = task.step.legs;
				if (first?.minutes && second)
					entry(
						'move',
						task.startMs + first.minutes * 60_000,
						`Move ${subject} ${placeText(second).replace(/^in /, 'to ')}`,
						amountText(task, input)
					);
				break;
			}
			case 'bake':
				entry('load', task.startMs, `Load ${subject}`, detailText(task, input));
				entry(
					'draw',
					task.endMs,
					`Draw ${subject}`,
					`${machineText(task.machineId, input)} · core ${formatTemperature({ celsius: task.step.coreCelsius }, 0)}`
				);
				break;
		}
	}
	return entries.sort((a, b) => a.atMs - b.atMs || (a.key < b.key ? -1 : 1));
}

function cautionOf({ step }: DayTask): string {
	return step.kind === 'hands-on' && step.activity === 'dip' ? CAUSTIC_CAUTION : '';
}

function mixesOf({ step, batch }: DayTask): ListEntry['mixes'] {
	if (step.kind !== 'hands-on' || step.activity !== 'mix') return null;
	const recipeId =
		batch.kind === 'preparation'
			? batch.preparationId
			: batch.kind === 'mix'
				? batch.formulaId
				: null;
	return recipeId && { recipeId, ordinal: batch.ordinal };
}
