import assert from 'node:assert/strict';
import type { CommandContent } from '../../src/lib/contracts/commands.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { readFormula } from '../../src/lib/server/services/read-formula.ts';
import { readPreparation } from '../../src/lib/server/services/read-preparation.ts';
import { readProduct } from '../../src/lib/server/services/read-product.ts';
import { TOMORROW } from './test-database.ts';

/** A formula as the command that saves it, and none of its builds, would say it now. */
export async function formulaContent(
	db: Db,
	formulaId: string
): Promise<CommandContent<'save-formula'>> {
	const found = await readFormula(db, TOMORROW, formulaId);
	assert.ok(found);
	const { formula, revision, targetCelsius, mostDoughGrams, steps } = found;
	return {
		formulaId: formula.id,
		expectedRevision: revision,
		name: formula.name,
		doughLossShare: formula.doughLoss.share,
		targetCelsius,
		mostDoughGrams,
		steps: [...steps],
		deliveries: [],
		lines: formula.lines.map((line) => ({ ...line })),
		preparations: []
	};
}

/** A build as the command that saves it would say it now. */
export async function preparationContent(
	db: Db,
	preparationId: string
): Promise<CommandContent<'save-preparation'>> {
	const found = await readPreparation(db, TOMORROW, preparationId);
	assert.ok(found?.preparation);
	const { preparation, revision, steps } = found;
	return {
		preparationId: preparation.id,
		expectedRevision: revision,
		name: preparation.name,
		preparationKind: preparation.kind,
		buildLossShare: preparation.buildLoss.share,
		takeBackGrams: preparation.takeBackGrams,
		bath: preparation.bath ?? null,
		lines: [...preparation.lines],
		steps: [...steps]
	};
}

/** A product as the command that saves it would say it now. */
export async function productContent(
	db: Db,
	productId: string
): Promise<CommandContent<'save-product'>> {
	const found = await readProduct(db, TOMORROW, productId);
	assert.ok(found?.product);
	const { product, revision, bakedGrams, bakeLossShare, shape, vesselId, dividerId } = found;
	return {
		productId: product.id,
		expectedRevision: revision,
		name: product.name,
		doughs: product.doughs.map((dough) => ({
			formulaId: dough.formulaId,
			scaledGrams: dough.scaledWeight.grams
		})),
		extras: product.extras.map(({ use, material, amount, forPieces }) => ({
			use,
			material,
			grams: amount.grams,
			forPieces
		})),
		bakedGrams,
		bakeLossShare,
		shape,
		vesselId,
		dividerId,
		footprint: found.footprint,
		heightCm: found.heightCm,
		piecesPerDeck: found.piecesPerDeck,
		sheet: found.sheet,
		spacingCm: found.spacingCm,
		steps: [...found.steps]
	};
}
