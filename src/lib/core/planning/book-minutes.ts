import { MINUTE_MS } from '../time/index.ts';
import { shareIn } from './as-learned.ts';
import type { DayTask } from './day-plan.ts';
import type { BakeDayInput } from './input.ts';

/**
 * How long the book says a task takes that is learned from: hands on it, or its bake; the learned share and the pace of whoever does it taken out
 * again.
 *
 * Range: a told task. Source: definition. Failures: null for what is not learned from: what a mixer or time alone does.
 * Example: 12 minutes planned by a share of 1.2 for hands at 100 %: 10.
 */
export function bookMinutesOf(
	{ batch, step, attended, machineId }: Pick<DayTask, 'batch' | 'step' | 'attended' | 'machineId'>,
	{ learned, people, bakery }: Pick<BakeDayInput, 'learned' | 'people' | 'bakery'>
): number | null {
	const recipeId =
		batch.kind === 'preparation'
			? batch.preparationId
			: batch.kind === 'mix'
				? batch.formulaId
				: batch.productId;
	if (step.kind === 'bake') {
		const load = attended.find(({ what }) => what === 'load');
		const draw = attended.find(({ what }) => what === 'draw');
		if (!load || !draw) return null;
		const bake = learned.find((one) => one.kind === 'bake' && one.recipeId === recipeId);
		const oven = bakery.ovens.find(({ decks }) => decks.some(({ id }) => id === machineId));
		const share = (bake?.kind === 'bake' ? bake.share : 1) * shareIn(recipeId, oven?.id, learned);
		return positive((draw.fromMs - load.toMs) / MINUTE_MS / share);
	}
	const [only, ...more] = attended;
	if (step.kind !== 'hands-on' || step.activity === 'mix' || only?.what !== 'do' || more.length > 0)
		return null;
	const hands = learned.find(
		(one) => one.kind === 'hands' && one.recipeId === recipeId && one.activity === step.activity
	);
	const paces = only.personIds.flatMap(
		(id) => people?.find((person) => person.id === id)?.pacePercent ?? []
	);
	const pace = paces.length > 0 ? paces.reduce((all, one) => all + one, 0) / paces.length / 100 : 1;
	return positive(
		(only.toMs - only.fromMs) / MINUTE_MS / (hands?.kind === 'hands' ? hands.share : 1) / pace
	);
}

function positive(minutes: number): number | null {
	return minutes > 0 ? minutes : null;
}
