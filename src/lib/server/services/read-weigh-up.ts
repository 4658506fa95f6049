import type {
	WeighingLineView,
	WeighingView,
	WeighUpView
} from '../../contracts/weighing-views.ts';
import { isPerishable, type ResolvedStage } from '../../core/formula/index.ts';
import type { BatchId } from '../../core/identity.ts';
import { mostOfMixers, type WeighUpLine } from '../../core/production/index.ts';
import { inOrderOfBowl, type LineKind } from '../../core/weighing/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadStock } from '../db/stock.ts';
import { loadWeighings, type WeighingRow } from '../db/weighings.ts';
import { nameOfMix, nameOfPreparation } from './batch-names.ts';
import { loadBakeryDay, type BakeryDay } from './day-production.ts';
import { readWater } from './read-water.ts';

/** What is weighed: which mix of a dough, or which batch of a preparation. */
export interface WeighedWhat {
	readonly kind: 'mix' | 'preparation';
	readonly recipeId: string;
	readonly ordinal: number;
}

type Found = Omit<WeighUpView, 'lines' | 'byFeel' | 'feelable' | 'water' | 'date'> & {
	readonly weighUp: readonly WeighUpLine[];
	readonly made: BatchId | null;
};

/** A mix or a preparation of a date with its lines in the order of the bowl; null where the date has none such. */
export async function readWeighUp(
	db: Db,
	date: BakeDate,
	what: WeighedWhat,
	nowMs: number
): Promise<WeighUpView | null> {
	const loaded = loadBakeryDay(db, date);
	const day = await loaded;
	const found = what.kind === 'mix' ? foundMix(day, what) : foundPreparation(day, what);
	if (!found) return null;
	const { weighUp, made, ...view } = found;
	const [rows, stock, water] = await Promise.all([
		made ? loadWeighings(db, made) : [],
		loadStock(db),
		readWater(db, date, nowMs, loaded)
	]);
	const weighings = rows.map((row, at) => ({ ...row, at }));
	const lots = new Map<string, string>(stock.map((row) => [row.ingredientId, row.lotAtScale]));
	const kinds = new Map<string, LineKind>(
		day.book.ingredients.map(({ ingredient }) => [ingredient.id, ingredient.kind])
	);
	const lines = inOrderOfBowl(weighUp).map((line): WeighingLineView => {
		const { material, weighing, name, addition } = line;
		const materialId =
			material.kind === 'ingredient' ? material.ingredientId : material.preparationId;
		return {
			key: `${materialId} ${addition}`,
			kind: material.kind === 'ingredient' ? (kinds.get(materialId) ?? 'other') : 'preparation',
			name,
			wantedGrams: weighing.weighed.grams,
			divisionGrams: weighing.scale.division.grams,
			goes: weighing.goes,
			material,
			addition,
			scale: weighing.scale.name,
			density:
				day.book.ingredients.find(({ ingredient }) => ingredient.id === materialId)?.ingredient
					.density ?? null,
			lot: lots.get(materialId) ?? '',
			weighed: weighings
				.filter((one) => one.how !== 'by-feel' && isOf(one, materialId, addition))
				.map(weighingView)
		};
	});
	const order = [...water.mixes, ...water.builds].find((one) =>
		'formulaId' in one
			? what.kind === 'mix' && one.formulaId === what.recipeId && one.ordinal === what.ordinal
			: what.kind === 'preparation' &&
				one.preparationId === what.recipeId &&
				one.ordinal === what.ordinal
	)?.water;
	const names = new Map<string, string>(
		day.book.ingredients.map(({ ingredient }) => [ingredient.id, ingredient.name])
	);
	return {
		...view,
		date,
		lines,
		byFeel: weighings
			.filter(({ how }) => how === 'by-feel')
			.map((one) => ({ ...weighingView(one), name: names.get(one.ingredientId ?? '') ?? '' })),
		feelable: weighUp.flatMap(({ material, name }) =>
			material.kind === 'ingredient' &&
			['water', 'flour'].includes(kinds.get(material.ingredientId) ?? '')
				? [{ ingredientId: material.ingredientId, name }]
				: []
		),
		water: order ? { liquid: order.liquid, order: order.order } : null
	};
}

function foundMix(day: BakeryDay, { recipeId, ordinal }: WeighedWhat): Found | null {
	const dough = day.production.doughs.find(({ resolved }) => resolved.formula.id === recipeId);
	const mix = dough?.mixes.find((one) => one.ordinal === ordinal);
	if (!dough || !mix) return null;
	const names = new Map(dough.products.map(({ product }) => [product.id, product.name]));
	return {
		kind: 'mix',
		name: mix.resolved.formula.name,
		ordinal,
		count: mix.count,
		becomes: mix.portions.map(({ productId, pieces }) => ({
			pieces,
			product: names.get(productId) ?? ''
		})),
		batch: nameOfMix(day, mix),
		totalGrams: mix.dough.value,
		flourGrams: mix.totalFlour.value,
		mostGrams: mostOfMixers(dough.limits).grams,
		isCaustic: isCaustic(mix.resolved.final),
		isPerishable: isPerishable(mix.resolved.final),
		weighUp: mix.lines,
		made: mix.made
	};
}

function foundPreparation(day: BakeryDay, { recipeId, ordinal }: WeighedWhat): Found | null {
	const own = day.production.builds.filter(({ preparation }) => preparation.id === recipeId);
	const build = own.find((one) => one.ordinal === ordinal);
	if (!build) return null;
	const { preparation, stage } = build;
	return {
		kind: preparation.kind === 'build' ? 'pre-ferment' : 'preparation',
		name: preparation.name,
		ordinal,
		count: own.length,
		becomes: [],
		batch: nameOfPreparation(day, build),
		totalGrams: build.gross.value,
		flourGrams: 0,
		mostGrams: null,
		isCaustic: isCaustic(stage),
		isPerishable: isPerishable(stage),
		weighUp: build.lines,
		made: build.made
	};
}

function isCaustic({ lines }: ResolvedStage): boolean {
	return lines.some(({ ingredient }) => ingredient.kind === 'caustic');
}

function isOf(one: WeighingRow, materialId: string, addition: string): boolean {
	return (one.ingredientId ?? one.preparationId) === materialId && one.addition === addition;
}

function weighingView({
	id,
	at,
	grams,
	how,
	closeEnough,
	by,
	atMs
}: WeighingRow & { readonly at: number }): WeighingView {
	return { id, at, grams, how, closeEnough, by, atMs };
}
