import { FRESH_YEAST_PER_GRAM, type Composition, type IngredientKind } from '../formula/index.ts';
import {
	FLOUR_HEAT_CAPACITY,
	MILK_HEAT_CAPACITY,
	OIL_HEAT_CAPACITY,
	SALT_HEAT_CAPACITY,
	SUGAR_HEAT_CAPACITY,
	WATER_HEAT_CAPACITY
} from '../heat/index.ts';

/** What a new ingredient of a kind begins with, to be written over. */
export interface Usual {
	readonly composition: Composition;
	readonly yeastFreshEquivalent: number;
	readonly heatCapacity: number;
}

const NOTHING: Composition = { flour: 0, water: 0, fat: 0, sugar: 0, wholegrainOfFlour: 0 };

/**
 * Gives what a new ingredient of a kind begins with.
 * Range: any kind. Source: our defaults; heat as in `core/heat`. Failures: none. Example: a flour is flour through and through, at 1.76 kJ/(kg K).
 */
export function usualOf(kind: IngredientKind): Usual {
	const plain = {
		composition: NOTHING,
		yeastFreshEquivalent: 0,
		heatCapacity: SUGAR_HEAT_CAPACITY
	};
	switch (kind) {
		case 'flour':
			return {
				...plain,
				composition: { ...NOTHING, flour: 1 },
				heatCapacity: FLOUR_HEAT_CAPACITY
			};
		case 'water':
			return {
				...plain,
				composition: { ...NOTHING, water: 1 },
				heatCapacity: WATER_HEAT_CAPACITY
			};
		case 'culture':
			return {
				...plain,
				composition: { ...NOTHING, flour: 0.5, water: 0.5 },
				heatCapacity: (FLOUR_HEAT_CAPACITY + WATER_HEAT_CAPACITY) / 2
			};
		case 'salt':
		case 'caustic':
			return { ...plain, heatCapacity: SALT_HEAT_CAPACITY };
		case 'yeast':
			return {
				composition: { ...NOTHING, water: 0.7 },
				yeastFreshEquivalent: FRESH_YEAST_PER_GRAM.fresh,
				heatCapacity: MILK_HEAT_CAPACITY
			};
		case 'fat':
			return { ...plain, composition: { ...NOTHING, fat: 1 }, heatCapacity: OIL_HEAT_CAPACITY };
		case 'liquid':
			return {
				...plain,
				composition: { ...NOTHING, water: 0.88 },
				heatCapacity: MILK_HEAT_CAPACITY
			};
		case 'other':
			return plain;
	}
}
