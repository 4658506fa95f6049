import { createHash } from 'node:crypto';
import type { BakeDayInput, PlannedBuild, PlannedDough } from '../../core/bake-day/index.ts';
import { id, type DropId, type FormulaId } from '../../core/identity.ts';
import type { Build } from '../../core/production/index.ts';
import type { LeadRow } from '../db/plans.ts';
import type { BakeryDay } from './day-production.ts';

/** Turns a date's production into what the planner needs, in an order that depends on nothing else. */
export function bakeDayInput(day: BakeryDay, leads: readonly LeadRow[]): BakeDayInput {
	const { production, book } = day;
	const ordered = new Set(day.orders.filter((line) => line.pieces > 0).map((line) => line.dropId));
	const made = new Set(
		production.doughs.flatMap((dough) => dough.products.map((one) => one.product.id))
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
		doughs: production.doughs.flatMap((dough) => plannedDough(dough, day, leads)),
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
	const { preparation, uses } = build;
	const revision = day.book.preparations.get(preparation.id);
	const byProduct = uses.flatMap((use) => (use.by.kind === 'product' ? [use.by.productId] : []));
	const byDough = uses.flatMap((use) => (use.by.kind === 'mix' ? [use.by.formulaId] : []));
	return {
		preparationId: preparation.id,
		revisionId: revision?.revisionId ?? '',
		name: preparation.name,
		kind: preparation.kind,
		grams: build.gross.value,
		steps: revision?.steps ?? [],
		takenByBuilds: uses.flatMap((use) => (use.by.kind === 'build' ? [use.by.preparationId] : [])),
		takenByDoughs: [...new Set(byDough)],
		takenByProducts: byProduct
	};
}

function plannedDough(
	dough: BakeryDay['production']['doughs'][number],
	day: BakeryDay,
	leads: readonly LeadRow[]
): readonly PlannedDough[] {
	const formulaId: FormulaId = dough.resolved.formula.id;
	const revision = day.book.formulas.find((one) => one.formula.id === formulaId);
	if (!revision) return [];
	const lead = (ordinal: number) =>
		leads.find((one) => one.formulaId === formulaId && one.ordinal === ordinal)?.minutes ?? 0;
	const roleOf = (productId: string) =>
		dough.products.find((one) => one.product.id === productId)?.product.role ?? 'carries';
	return [
		{
			formulaId,
			revisionId: revision.revisionId,
			name: dough.resolved.formula.name,
			steps: revision.steps,
			mixes: dough.mixes.map((mix) => ({
				ordinal: mix.ordinal,
				count: mix.count,
				grams: mix.dough.value,
				leadMinutes: lead(mix.ordinal),
				lots: mix.lots.map((lot) => ({
					productId: lot.productId,
					role: roleOf(lot.productId),
					pieces: lot.pieces,
					dropIds: lot.drops.map((drop) => drop.dropId)
				}))
			}))
		}
	];
}

/** Says which input a plan was made from: equal inputs have equal fingerprints. */
export function fingerprintOf(input: BakeDayInput): string {
	return createHash('sha256').update(JSON.stringify(input)).digest('hex').slice(0, 32);
}
