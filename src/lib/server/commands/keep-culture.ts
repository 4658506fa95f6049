import { z } from 'zod';
import { uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { cultureKeepingSchema } from '../../contracts/culture-keeping.ts';
import { fail, ok } from '../../core/result.ts';
import { lockCulture, putCulture } from '../db/cultures.ts';
import { loadEntries } from '../db/entries.ts';
import { loadIngredientRows } from '../db/ingredients.ts';
import { defineCommand } from './define.ts';

/** Says how a culture is kept: its feed, its flours, where it stands, when it is fed and what is kept of it. */
export const keepCulture = defineCommand({
	kind: 'keep-culture',
	lane: 'settings',
	content: z.object({
		ingredientId: uuidSchema,
		keeping: cultureKeepingSchema,
		expectedVersion: versionSchema
	}),
	right: 'change-the-book',
	refusals: ['unknown', 'settings-changed-meanwhile'],
	handle: async (tx, { ingredientId, keeping, expectedVersion }, actor) => {
		const ingredients = (await loadIngredientRows(tx)).map(({ ingredient }) => ingredient);
		const isOfKind = (wanted: string, kind: 'culture' | 'flour') =>
			ingredients.some((one) => one.id === wanted && one.kind === kind);
		if (!isOfKind(ingredientId, 'culture')) return fail({ kind: 'unknown', what: 'culture' });
		if (!keeping.flours.every(({ flourId }) => isOfKind(flourId, 'flour')))
			return fail({ kind: 'unknown', what: 'ingredient' });
		const places = (await loadEntries(tx, 'newest', ['place'])).all('place');
		for (const placeId of [keeping.placeId, keeping.restPlaceId])
			if (placeId !== null && !places.some(({ id }) => id === placeId))
				return fail({ kind: 'unknown', what: 'place' });
		const version = (await lockCulture(tx, ingredientId))?.version ?? 0;
		if (version !== expectedVersion) return fail({ kind: 'settings-changed-meanwhile', version });
		await putCulture(tx, ingredientId, keeping, { version: version + 1, changedBy: actor.id });
		return ok({ version: version + 1 });
	}
});
