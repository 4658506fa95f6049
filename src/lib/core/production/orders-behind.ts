import type { DropId, IngredientId, ProductId } from '../identity.ts';
import type { Build, BuildUse } from './one-build.ts';
import type { DayProduction, Dough } from './day.ts';
import type { Mix } from './mixes.ts';

/** What one product for one drop takes of an ingredient. */
export interface OrderBehind {
	readonly productId: ProductId;
	readonly product: string;
	readonly dropId: DropId;
	/** Those that take it, spares counted. */
	readonly pieces: number;
	readonly grams: number;
}

/** The orders that an ingredient is weighed for. */
export interface OrdersBehind {
	readonly orders: readonly OrderBehind[];
	/** What no order asks for: culture kept back for the next feed, and what is over. */
	readonly otherGrams: number;
}

/** What each product and drop has of something, as shares of it; what is left to 1 is nobody's. */
type Shares = ReadonlyMap<string, number>;

const keyOf = (productId: ProductId, dropId: DropId) => `${productId} ${dropId}`;

/**
 * Goes from what is still to be weighed of an ingredient back to the orders that asked for it.
 *
 * Model: a mix belongs to its pieces by their dough, a preparation to those that take from it by what they take, through as
 * many stages as there are; what is over and what is kept back belongs to no order. Range: a day's production. Source:
 * definition. Failures: none. The orders and the rest come to what `ingredientsOfDay` says of the ingredient.
 * Example: of 12.4 kg of flour in a mix for 40 loaves, 27 of them for the ferry, the ferry has 8.37 kg.
 */
export function ordersBehind(production: DayProduction, ingredientId: IngredientId): OrdersBehind {
	const { doughs, builds, extras } = production;
	const parts = new Map<string, OrderBehind>();
	let otherGrams = 0;
	const names = new Map(
		doughs.flatMap(({ products }) => products.map(({ product }) => [product.id, product.name]))
	);
	const pieces = piecesByOrder(production);
	const share = (grams: number, shares: Shares) => {
		let given = 0;
		for (const [key, part] of shares) {
			const [productId, dropId] = key.split(' ') as [ProductId, DropId];
			const before = parts.get(key)?.grams ?? 0;
			given += grams * part;
			parts.set(key, {
				productId,
				product: names.get(productId) ?? '',
				dropId,
				pieces: pieces.get(key) ?? 0,
				grams: before + grams * part
			});
		}
		otherGrams += grams - given;
	};
	const weighed = (lines: Mix['lines']) =>
		lines.reduce(
			(total, { material, weighing }) =>
				material.kind === 'ingredient' && material.ingredientId === ingredientId
					? total + weighing.weighed.grams
					: total,
			0
		);
	for (const dough of doughs)
		for (const mix of dough.mixes)
			if (mix.made === null) share(weighed(mix.lines), sharesOfMix(dough, mix));
	for (const build of builds)
		if (build.made === null) share(weighed(build.lines), sharesOfBuild(production, build));
	for (const extra of extras)
		if (extra.material.kind === 'ingredient' && extra.material.ingredientId === ingredientId)
			share(extra.amount.grams, sharesOfProduct(pieces, extra.productId));
	const orders = [...parts.values()].filter(({ grams }) => grams > 0);
	return { orders: orders.sort((a, b) => b.grams - a.grams), otherGrams };
}

/** Pieces of each product for each drop, by what carries them through their chain. */
function piecesByOrder({ doughs }: DayProduction): ReadonlyMap<string, number> {
	const found = new Map<string, number>();
	for (const { demands, products } of doughs) {
		const carried = new Set(
			products.filter(({ product }) => product.role === 'carries').map(({ product }) => product.id)
		);
		for (const { productId, dropId, pieces } of demands)
			if (carried.has(productId)) {
				const key = keyOf(productId, dropId);
				found.set(key, (found.get(key) ?? 0) + pieces);
			}
	}
	return found;
}

function sharesOfMix({ products }: Dough, mix: Mix): Shares {
	const weights = new Map(products.map(({ product }) => [product.id, product.takes.grams]));
	const parts = mix.portions.flatMap(({ productId, drops }) =>
		drops.map(({ dropId, pieces }) => ({
			key: keyOf(productId, dropId),
			grams: pieces * (weights.get(productId) ?? 0)
		}))
	);
	const asked = parts.reduce((total, { grams }) => total + grams, 0);
	const over = mix.dough.value > 0 ? Math.min(1, mix.over.grams / mix.dough.value) : 0;
	return summed(parts.map(({ key, grams }) => [key, asked > 0 ? (grams / asked) * (1 - over) : 0]));
}

function sharesOfBuild(production: DayProduction, build: Build): Shares {
	const used = build.uses.reduce((total, { grams }) => total + grams, 0);
	const mine = build.lines.reduce((total, { weighing }) => total + weighing.weighed.grams, 0);
	// What is kept back and what is over is no part of what is taken.
	const kept = mine > 0 ? Math.min(1, (build.takeBack.grams + build.over.grams) / mine) : 0;
	return summed(
		build.uses.flatMap((use) =>
			[...sharesOfUse(production, use)].map(([key, part]): [string, number] => [
				key,
				used > 0 ? part * (use.grams / used) * (1 - kept) : 0
			])
		)
	);
}

function sharesOfUse(production: DayProduction, { by }: BuildUse): Shares {
	switch (by.kind) {
		case 'mix': {
			const dough = production.doughs.find(({ resolved }) => resolved.formula.id === by.formulaId);
			const mix = dough?.mixes.find(({ ordinal }) => ordinal === by.ordinal);
			return dough && mix ? sharesOfMix(dough, mix) : new Map();
		}
		case 'build': {
			const takers = production.builds.filter(
				({ preparation }) => preparation.id === by.preparationId
			);
			const total = takers.reduce((sum, { gross }) => sum + gross.value, 0);
			return summed(
				takers.flatMap((taker) =>
					[...sharesOfBuild(production, taker)].map(([key, part]): [string, number] => [
						key,
						total > 0 ? (part * taker.gross.value) / total : 0
					])
				)
			);
		}
		case 'product':
			return sharesOfProduct(piecesByOrder(production), by.productId);
	}
}

function sharesOfProduct(pieces: ReadonlyMap<string, number>, productId: ProductId): Shares {
	const own = [...pieces].filter(([key]) => key.startsWith(`${productId} `));
	const all = own.reduce((total, [, count]) => total + count, 0);
	return new Map(own.map(([key, count]) => [key, all > 0 ? count / all : 0]));
}

function summed(parts: readonly (readonly [string, number])[]): Shares {
	const shares = new Map<string, number>();
	for (const [key, part] of parts) shares.set(key, (shares.get(key) ?? 0) + part);
	return shares;
}
