import type { FormulaId, ProductId } from '../identity.ts';
import {
	allergensOf,
	figuresOf,
	resolveAlone,
	resolveFormula,
	type Formula,
	type FormulaFailure,
	type FormulaFigures,
	type Material,
	type Pantry,
	type ResolvedFormula
} from '../formula/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Mass, WeighingFailure, WeighingScale } from '../units/index.ts';
import { buildsOf, type PieceNeed } from './builds.ts';
import type { BatchesOfBuilds } from './builds-in-batches.ts';
import type { Build, BuildUse } from './one-build.ts';
import { withSpares } from './spares.ts';
import { amountOfExtra, asDoughs, type BakeryProduct, type ExtraUse } from './product.ts';
import { dueOf, type Demand, type DoughProduct } from './demand.ts';
import type { MadeMix, MadePreparation } from './made.ts';
import {
	beyondTheHouse,
	MOST_MIXES_OF_DATE,
	mixesOf,
	type Mix,
	type MixFailure,
	type MixLimits
} from './mixes.ts';

/** A formula with what the mixer takes of it. */
export interface BakeryFormula {
	readonly formula: Formula;
	readonly limits: MixLimits;
	/** In how many mixes at least it was decided to be made; left out for as few as fit. */
	readonly mixesAtLeast?: number;
}

export interface ProductionInput {
	readonly demands: readonly Demand[];
	readonly products: readonly BakeryProduct[];
	readonly formulas: readonly BakeryFormula[];
	readonly pantry: Pantry;
	readonly scales: readonly WeighingScale[];
	/** In how many batches preparations are wanted; in one where none is said. */
	readonly batchesWanted?: ReadonlyMap<string, number>;
	/** What was begun of this date's making. */
	readonly made: {
		readonly mixes: readonly MadeMix[];
		readonly preparations: readonly MadePreparation[];
	};
}

export interface Dough {
	readonly resolved: ResolvedFormula;
	readonly figures: FormulaFigures;
	readonly products: readonly {
		readonly product: DoughProduct;
		readonly pieces: number;
		/** So many of them beyond what is ordered. */
		readonly spares: number;
	}[];
	/** Its own pieces, spares counted. */
	readonly demands: readonly Demand[];
	readonly mixes: readonly Mix[];
	readonly limits: MixLimits;
}

/** A dough that cannot be made as it stands, with the reason. */
export interface UnmadeDough {
	readonly name: string;
	readonly reason:
		FormulaFailure | MixFailure | { readonly kind: 'no-formula'; readonly formulaId: FormulaId };
}

/** What the pieces of one product take beside their dough. */
export interface ExtraNeed {
	readonly productId: ProductId;
	readonly product: string;
	readonly pieces: number;
	readonly use: ExtraUse;
	readonly material: Material;
	readonly name: string;
	readonly amount: Mass;
	readonly allergens: readonly string[];
}

export interface DayProduction {
	readonly doughs: readonly Dough[];
	readonly extras: readonly ExtraNeed[];
	readonly builds: readonly Build[];
	readonly unmade: readonly UnmadeDough[];
}

/**
 * Gives the doughs, mixes and builds that a day's orders ask for. A formula that cannot be made is
 * reported beside the others, which are not held up by it.
 *
 * Model: orders and their spares -> pieces -> dough per formula -> mixes -> builds, several products sharing a dough. What
 * was begun stands; the rest is planned around it.
 * Range: whole pieces of 0 or more. Source: domain arithmetic. Failures: `no-scales` for the day as a
 * whole; everything else in `unmade`.
 * Example: no orders give no doughs, no builds and nothing unmade.
 */
export function productionOf(input: ProductionInput): Result<DayProduction, WeighingFailure> {
	const all: Dough[] = [];
	const unmade: UnmadeDough[] = [];
	const asked = input.demands.filter((demand) => demand.pieces > 0);
	const ordered = withSpares(asked, new Map(input.products.map(({ id, spares }) => [id, spares])));
	const asDough = asDoughs(input.products, (product) => piecesOf(ordered, product));
	const formulas = new Map(input.formulas.map((formula) => [formula.formula.id, formula]));
	for (const [formulaId, products] of byFormula(asDough, ordered, input.made.mixes)) {
		const bakery = formulas.get(formulaId);
		if (!bakery) {
			const name = products.map((product) => product.name).join(', ');
			unmade.push({ name, reason: { kind: 'no-formula', formulaId } });
			continue;
		}
		const made = doughOf(bakery, products, ordered, input);
		if (made.ok) all.push(made.value);
		else unmade.push({ name: bakery.formula.name, reason: made.error });
	}
	const doughs = withinTheHouse(all, unmade);
	const { extras, needs } = extrasOf(input, ordered, unmade);
	const builds = buildsOf(
		doughs.map((dough) => ({
			formulaId: dough.resolved.formula.id,
			name: dough.resolved.formula.name,
			final: dough.resolved.final,
			mixes: dough.mixes
		})),
		input.scales,
		needs,
		input.made.preparations,
		batchesOf(input, doughs, ordered)
	);
	return builds.ok ? ok({ doughs, extras, builds: builds.value, unmade }) : fail(builds.error);
}

/** In how many batches each preparation is wanted, and by when what takes from it is due. */
function batchesOf(
	{ batchesWanted }: ProductionInput,
	doughs: readonly Dough[],
	ordered: readonly Demand[]
): BatchesOfBuilds {
	const mixes = new Map(
		doughs.flatMap(({ resolved, mixes }) =>
			mixes.map((mix) => [
				`${resolved.formula.id} ${mix.ordinal}`,
				Math.min(...mix.portions.map(dueOf))
			])
		)
	);
	return {
		wanted: (preparationId) => batchesWanted?.get(preparationId) ?? 1,
		dueOf: (by: BuildUse['by']) => {
			switch (by.kind) {
				case 'mix':
					return mixes.get(`${by.formulaId} ${by.ordinal}`) ?? Infinity;
				case 'product':
					return Math.min(
						...ordered
							.filter(({ productId }) => productId === by.productId)
							.map(({ dueMs }) => dueMs)
					);
				case 'build':
					return Infinity;
			}
		}
	};
}

/**
 * The doughs that one date has room for: where there are more mixes than it takes, those that ask for most are
 * told as beyond the house. What was begun stands in any case.
 */
function withinTheHouse(all: readonly Dough[], unmade: UnmadeDough[]): readonly Dough[] {
	let left = MOST_MIXES_OF_DATE;
	const fits = new Set<Dough>();
	for (const dough of all.toSorted((a, b) => a.mixes.length - b.mixes.length)) {
		left -= dough.mixes.length;
		if (left >= 0 || dough.mixes.some((mix) => mix.made !== null)) fits.add(dough);
		else
			unmade.push({
				name: dough.resolved.formula.name,
				reason: beyondTheHouse(dough.mixes.length)
			});
	}
	return all.filter((dough) => fits.has(dough));
}

/** What the ordered pieces take beside their dough, and the recipes among it. */
function extrasOf(
	{ products, pantry }: ProductionInput,
	ordered: readonly Demand[],
	unmade: UnmadeDough[]
): { readonly extras: readonly ExtraNeed[]; readonly needs: readonly PieceNeed[] } {
	const extras: ExtraNeed[] = [];
	const needs: PieceNeed[] = [];
	for (const product of products) {
		const pieces = piecesOf(ordered, product.id);
		if (pieces === 0) continue;
		for (const extra of product.extras) {
			const { material, use } = extra;
			const amount = amountOfExtra(extra, pieces, product.sheet);
			const add = (name: string, allergens: readonly string[]) =>
				extras.push({
					productId: product.id,
					product: product.name,
					pieces,
					use,
					material,
					name,
					amount,
					allergens
				});
			if (material.kind === 'ingredient') {
				const ingredient = pantry.ingredients.get(material.ingredientId);
				if (ingredient) add(ingredient.name, ingredient.allergens);
				else
					unmade.push({
						name: product.name,
						reason: { kind: 'unknown-ingredient', where: product.name, id: material.ingredientId }
					});
				continue;
			}
			const preparation = pantry.preparations.get(material.preparationId);
			const stage = preparation
				? resolveAlone(preparation, pantry)
				: fail({
						kind: 'unknown-preparation' as const,
						where: product.name,
						id: material.preparationId
					});
			if (!stage.ok) {
				unmade.push({ name: product.name, reason: stage.error });
				continue;
			}
			add(stage.value.name, allergensOf(stage.value));
			needs.push({
				stage: stage.value,
				productId: product.id,
				product: product.name,
				grams: amount.grams
			});
		}
	}
	return { extras, needs };
}

function byFormula(
	products: readonly DoughProduct[],
	demands: readonly Demand[],
	made: readonly MadeMix[]
): ReadonlyMap<FormulaId, readonly DoughProduct[]> {
	const wanted = new Set(demands.map((demand) => demand.productId));
	const groups = new Map<FormulaId, DoughProduct[]>();
	// What was begun is there, whether anything of it is ordered or not.
	const begun = new Set(made.map(({ resolved }) => resolved.formula.id));
	for (const product of products)
		if (wanted.has(product.id) || begun.has(product.formulaId))
			groups.set(product.formulaId, [...(groups.get(product.formulaId) ?? []), product]);
	for (const formulaId of begun) if (!groups.has(formulaId)) groups.set(formulaId, []);
	return groups;
}

function doughOf(
	{ formula, limits, mixesAtLeast = 1 }: BakeryFormula,
	products: readonly DoughProduct[],
	demands: readonly Demand[],
	input: ProductionInput
): Result<Dough, UnmadeDough['reason']> {
	const made = input.made.mixes.filter(({ resolved }) => resolved.formula.id === formula.id);
	const now = resolveFormula(formula, input.pantry);
	// A formula that cannot be made any more stands as the mixes that were begun of it.
	const begun = made[0]?.resolved;
	if (!now.ok && !begun) return fail(now.error);
	const resolved = now.ok ? now : ok(begun as ResolvedFormula);
	const ids = new Set(products.map((product) => product.id));
	const own = demands.filter((demand) => ids.has(demand.productId));
	const { scales } = input;
	const mixes = mixesOf(resolved.value, products, own, limits, scales, made, mixesAtLeast);
	if (!mixes.ok) return fail(mixes.error);
	return ok({
		resolved: resolved.value,
		figures: figuresOf(resolved.value),
		products: products.map((product) => {
			const pieces = piecesOf(own, product.id);
			return { product, pieces, spares: pieces - piecesOf(input.demands, product.id) };
		}),
		demands: own,
		mixes: mixes.value,
		limits
	});
}

function piecesOf(demands: readonly Demand[], productId: ProductId): number {
	return demands
		.filter((demand) => demand.productId === productId)
		.reduce((total, demand) => total + demand.pieces, 0);
}
