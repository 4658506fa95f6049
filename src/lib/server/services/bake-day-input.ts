import { createHash } from 'node:crypto';
import {
	timingOf,
	type BakeDayInput,
	type Begun,
	type PlannedBuild,
	type PlannedDough,
	type PlannedMix
} from '../../core/planning/index.ts';
import { id, type BatchId, type DropId } from '../../core/identity.ts';
import type { Build, Dough, Mix } from '../../core/production/index.ts';
import { followedLog } from '../../core/ripening/index.ts';
import type { LeadRow } from '../db/batches.ts';
import { batchAt, recipeOfMix, recipeOfPreparation, type BakeryDay } from './day-production.ts';

/** Turns a date's production into what the planner needs, in an order that depends on nothing else. */
export function bakeDayInput(day: BakeryDay, leads: readonly LeadRow[]): BakeDayInput {
	const { production, book } = day;
	const ordered = new Set(day.orders.filter((line) => line.pieces > 0).map((line) => line.dropId));
	const made = new Set(
		production.doughs.flatMap((dough) =>
			dough.mixes.flatMap((mix) => mix.portions.map(({ productId }) => productId))
		)
	);
	return {
		date: day.date,
		drops: day.drops
			.filter((drop) => ordered.has(drop.id))
			.map((drop) => ({ id: id<DropId>(drop.id), name: drop.name, dueMs: drop.dueMs })),
		bakery: {
			mixers: day.mixers.map(({ id: mixerId, name }) => ({ id: mixerId, name })),
			decks: day.decks,
			recoveryMinutes: day.bakery.ovenRecoveryMinutes
		},
		builds: production.builds.map((build) => plannedBuild(build, day)),
		doughs: production.doughs.map((dough) => plannedDough(dough, day, leads)),
		products: book.products
			.filter(({ product }) => made.has(product.id))
			.map(({ product, ...revision }) => ({
				id: product.id,
				revisionId: revision.revisionId,
				name: product.name,
				scaledGrams: revision.scaledGrams,
				steps: revision.steps,
				piecesPerDeck: revision.piecesPerDeck
			}))
	};
}

function plannedBuild(build: Build, day: BakeryDay): PlannedBuild {
	const { preparation, uses, ordinal } = build;
	const recipe = recipeOfPreparation(day, build);
	const byProduct = uses.flatMap((use) => (use.by.kind === 'product' ? [use.by.productId] : []));
	const byDough = uses.flatMap((use) => (use.by.kind === 'mix' ? [use.by.formulaId] : []));
	return {
		preparationId: preparation.id,
		ordinal,
		revisionId: recipe?.revisionId ?? '',
		begun: begunOf(build.made, day),
		name: preparation.name,
		kind: preparation.kind,
		grams: build.gross.value,
		steps: recipe?.steps ?? [],
		takenByBuilds: uses.flatMap((use) => (use.by.kind === 'build' ? [use.by.preparationId] : [])),
		takenByDoughs: [...new Set(byDough)],
		takenByProducts: byProduct
	};
}

function plannedDough(dough: Dough, day: BakeryDay, leads: readonly LeadRow[]): PlannedDough {
	const { formula } = dough.resolved;
	const roleOf = (productId: string) =>
		dough.products.find(({ product }) => product.id === productId)?.product.role ?? 'carries';
	const leadOf = ({ ordinal }: Mix) => {
		const batch = batchAt(day, { kind: 'mix', formulaId: formula.id, ordinal });
		return leads.find((lead) => lead.batchId === batch?.id)?.minutes ?? 0;
	};
	return {
		formulaId: formula.id,
		name: formula.name,
		mixes: dough.mixes.flatMap((mix): PlannedMix[] => {
			const recipe = recipeOfMix(day, mix);
			if (!recipe) return [];
			return [
				{
					ordinal: mix.ordinal,
					revisionId: recipe.revisionId,
					steps: recipe.steps,
					begun: begunOf(mix.made, day),
					count: mix.count,
					grams: mix.dough.value,
					leadMinutes: leadOf(mix),
					portions: mix.portions.map((portion) => ({
						productId: portion.productId,
						role: roleOf(portion.productId),
						pieces: portion.pieces,
						dropIds: portion.drops.map((drop) => drop.dropId)
					}))
				}
			];
		})
	};
}

/** Where a batch stands in time, once it came out of the mixer; null until then. */
function begunOf(batchId: BatchId | null, day: BakeryDay): Begun | null {
	const { mixed, endedAtMs } = followedLog(batchId === null ? [] : (day.log.get(batchId) ?? []));
	return mixed ? { mixedAtMs: mixed.atMs, endedAtMs } : null;
}

/** Says which input a plan was made from, as far as times follow from it. */
export function fingerprintOf(input: BakeDayInput): string {
	return createHash('sha256').update(timingOf(input)).digest('hex').slice(0, 32);
}
