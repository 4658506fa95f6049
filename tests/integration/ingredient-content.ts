import assert from 'node:assert/strict';
import type { CommandContent } from '../../src/lib/contracts/commands.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readIngredient } from '../../src/lib/server/services/read-ingredient.ts';
import { TOMORROW } from './test-database.ts';

/** An ingredient of the demo as the command that saves it would say it now. */
export async function ingredientContent(
	db: Db,
	name: string
): Promise<CommandContent<'save-ingredient'>> {
	const found = await readIngredient(db, TOMORROW, demoId('ingredient', name));
	assert.ok(found?.ingredient);
	const { ingredient, version } = found;
	return {
		ingredientId: ingredient.id,
		expectedVersion: version,
		name: ingredient.name,
		ingredientKind: ingredient.kind,
		composition: ingredient.composition,
		yeastFreshEquivalent: ingredient.yeastFreshEquivalent,
		allergens: [...ingredient.allergens],
		heatCapacity: ingredient.heatCapacity.kilojoulesPerKilogramKelvin,
		density: ingredient.density?.kilogramsPerLitre ?? null,
		pricePerKilogram: ingredient.pricePerKilogram,
		purityShare: ingredient.purity.share,
		rolling: ingredient.rolling,
		weighedOn: ingredient.weighedOn,
		placeId: ingredient.placeId
	};
}
