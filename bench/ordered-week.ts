import {
	ingredientsOfDay,
	productionOf,
	type BakeryProduct,
	type Demand,
	type ProductionInput
} from '../src/lib/core/production/index.ts';
import { id, type DropId, type ProductId } from '../src/lib/core/identity.ts';
import { mediansInTurns, type Figure } from './measure.ts';

const PRODUCTS = 60;
const DROPS = 20;

/** From the orders of 60 products for 20 drops to the ingredients in all, against a plain loop over the same numbers. */
export async function ordersToIngredients(input: ProductionInput): Promise<Figure> {
	const products = Array.from({ length: PRODUCTS }, (_, at): BakeryProduct => {
		const like = input.products[at % input.products.length];
		if (!like) throw new Error('the demo has products');
		return { ...like, id: id<ProductId>(`product ${at}`), name: `${like.name} ${at}` };
	});
	const demands = products.flatMap((product, at) =>
		Array.from({ length: DROPS }, (_, drop): Demand => ({
			dropId: id<DropId>(`drop ${drop}`),
			productId: product.id,
			pieces: 1 + ((at * 7 + drop * 3) % 5),
			dueMs: drop * 900_000
		}))
	);
	const asked = { ...input, products, demands };
	const first = productionOf(asked);
	if (!first.ok) throw new Error(`the week cannot be made: ${first.error.kind}`);
	const lines = [
		...first.value.doughs.flatMap(({ mixes }) => mixes.flatMap((mix) => mix.lines)),
		...first.value.builds.flatMap((build) => build.lines)
	].map((line) => line.percentOfFlour);
	const weights = products.map(({ doughs }) => doughs[0]?.scaledWeight.grams ?? 0);
	let kept = 0;
	const bare = () => {
		let dough = 0;
		for (let at = 0; at < demands.length; at += 1)
			dough += (demands[at]?.pieces ?? 0) * (weights[at % PRODUCTS] ?? 0);
		for (const percent of lines) kept += Math.round((dough * percent) / 195);
	};
	const work = () => {
		const production = productionOf(asked);
		if (!production.ok) throw new Error(production.error.kind);
		kept += ingredientsOfDay(production.value).length;
	};
	const [ms, baselineMs] = await mediansInTurns(work, bare, 40, 1, 500);
	if (kept === 0) throw new Error('the loop was optimised away');
	return {
		what: '60 products x 20 drops, orders to ingredients',
		ms,
		baseline: 'plain loop over the same data',
		baselineMs,
		committedRatio: 520
	};
}
