import { given, worked, type Explained, type Source } from '../explain/index.ts';
import type { DeliveryId, IngredientId } from '../identity.ts';
import { sumLines, type ResolvedFormula } from './resolve.ts';

export type Milling = 'stone' | 'roller';
export const MILLINGS: readonly Milling[] = ['stone', 'roller'];

/** What the miller or the bakery knows of one delivery; null where nobody measured. */
export interface FlourProperties {
	/** Flour gained from the grain, in percent. */
	readonly extractionPercent: number | null;
	readonly proteinPercent: number | null;
	readonly ashPercent: number | null;
	readonly moisturePercent: number | null;
	readonly fallingNumberSeconds: number | null;
	/** Water it takes more (or less) than the house flour at one softness, in percent of its weight. */
	readonly absorptionPoints: number | null;
	readonly milling: Milling | null;
	/** Wholegrain or bolted: the share of the whole grain, in percent. */
	readonly wholegrainPercent: number | null;
}

/** One delivery of one flour. */
export interface Delivery {
	readonly id: DeliveryId;
	readonly ingredientId: IngredientId;
	/** The date it came, and what the sack says. */
	readonly receivedOn: string;
	readonly lot: string;
	readonly properties: FlourProperties;
}

const MEASURED: Source = { kind: 'bakery' };

/**
 * Proposes by how much the water of a formula changes when one flour comes from another delivery, in
 * percent of total flour.
 *
 * Model: each delivery takes its own points of water more or less than the house flour; the formula's
 * water changes by the flour's percentage times the difference. A delivery without a figure counts as the
 * house flour. The baker accepts the proposal or not.
 * Range: any resolved formula. Source: domain arithmetic (flour). Failures: none; a flour that is not in
 * the formula proposes 0.
 * Example: 70 % of a flour that takes 2 points more asks for 1.4 % more water.
 */
export function waterCorrection(
	resolved: ResolvedFormula,
	ingredientId: IngredientId,
	from: Delivery | null,
	to: Delivery | null
): Explained {
	let of = '';
	const percent = sumLines(resolved.final, ({ ingredient, percentOfFlour }) => {
		if (ingredient.id !== ingredientId) return 0;
		of = ingredient.name;
		return percentOfFlour;
	});
	const points = (delivery: Delivery | null) =>
		given(
			{ key: 'absorption', of: delivery?.lot ?? of },
			delivery?.properties.absorptionPoints ?? 0,
			'%',
			MEASURED
		);
	return worked({ key: 'water-correction' }, '%', 'percent', [
		given({ key: 'percent', of }, percent, '%', { kind: 'formula' }),
		worked({ key: 'grouped' }, '%', 'difference', [points(to), points(from)])
	]);
}
