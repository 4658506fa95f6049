import { OAT_LOAF, OAT_LOAF_PANTRY } from '../formula/oat-loaf.fixture.ts';
import { id, type DropId, type ProductId } from '../identity.ts';
import type { WeighingScale } from '../units/index.ts';
import {
	productionOf,
	type BakeryProduct,
	type DayProduction,
	type Demand,
	type ProductionInput
} from './index.ts';

/** A day of the worked figures: one dough, two products, two mixes. */
export const FINE: WeighingScale[] = [
	{ name: 'fine scale', capacity: { grams: 60_000 }, division: { grams: 0.01 } }
];
export const HOUSE: WeighingScale[] = [
	{ name: 'gram scale', capacity: { grams: 500 }, division: { grams: 0.1 } },
	{ name: 'bench scale', capacity: { grams: 6000 }, division: { grams: 1 } },
	{ name: 'floor scale', capacity: { grams: 60_000 }, division: { grams: 20 } }
];
export const large = id<ProductId>('large');
export const small = id<ProductId>('small');
export const of = (name: ProductId, grams: number, formulaId = OAT_LOAF.id): BakeryProduct => ({
	id: name,
	name,
	doughs: [{ formulaId, scaledWeight: { grams } }],
	extras: [],
	sheet: null,
	spares: { share: 0 }
});
export const PRODUCTS: BakeryProduct[] = [of(large, 900), of(small, 520)];
export const demand = (
	productId: ProductId,
	pieces: number,
	dueMs = 0,
	drop = 'ferry'
): Demand => ({
	dropId: id<DropId>(drop),
	dueMs,
	productId,
	pieces
});
export const INPUT: ProductionInput = {
	demands: [demand(large, 40), demand(small, 24)],
	products: PRODUCTS,
	formulas: [{ formula: OAT_LOAF, limits: [{ least: { grams: 4000 }, most: { grams: 30_000 } }] }],
	pantry: OAT_LOAF_PANTRY,
	scales: FINE,
	made: { mixes: [], preparations: [] }
};

export function day(input: ProductionInput): DayProduction {
	const result = productionOf(input);
	if (!result.ok) throw new Error(result.error.kind);
	return result.value;
}

export function close(actual: number, expected: number, within: number): void {
	if (!(Math.abs(actual - expected) <= within)) throw new Error(`${actual} is not ${expected}`);
}
