import { z } from 'zod';
import { nameSchema } from '../../contracts/text.ts';
import { celsiusSchema, uuidSchema } from '../../contracts/border-schemas.ts';
import { WAIT_PLACES } from '../../core/formula/index.ts';
import { id, type PlaceId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import { loadPlaces, putPlace } from '../db/places.ts';
import { defineCommand, EVERYONE } from './define.ts';
import { nameProblem } from './name-problem.ts';

/**
 * Saves a place in which dough waits or ingredients stand; a new id is a new one. What the bakehouse and the flour
 * bins are to the bakery stays, and they stay in the room.
 */
export const savePlace = defineCommand({
	kind: 'save-place',
	lane: 'settings',
	content: z.object({
		placeId: uuidSchema.transform((value) => id<PlaceId>(value)),
		name: nameSchema,
		placeKind: z.enum(WAIT_PLACES),
		/** What it is set to, or taken to be at until it is read. */
		celsius: celsiusSchema
	}),
	permitted: EVERYONE,
	refusals: ['name-taken', 'name-alike'],
	handle: async (tx, { placeId, name, placeKind, celsius, nameMeant }) => {
		const all = [...(await loadPlaces(tx)).values()];
		const there = all.find((place) => place.id === placeId);
		const problem = nameProblem(
			name,
			all.filter((place) => place.id !== placeId).map((place) => place.name),
			{ before: there?.name ?? null, meant: nameMeant }
		);
		if (problem) return fail(problem);
		const role = there?.role ?? 'other';
		await putPlace(tx, {
			id: placeId,
			name,
			kind: role === 'other' ? placeKind : 'room',
			role,
			celsius
		});
		return ok({ placeId });
	}
});
