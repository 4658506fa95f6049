import { z } from 'zod';
import { celsiusSchema, uuidSchema } from '../../contracts/border-schemas.ts';
import { MOST_BATCH_GRAMS } from '../../contracts/limits.ts';
import { sightingsSchema } from '../../contracts/sightings.ts';
import { followedCulture, judgeCulture } from '../../core/culture/index.ts';
import type { RefusalOf } from '../../contracts/refusals.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { addDays, wallTimeOf } from '../../core/time/index.ts';
import { findBatch } from '../db/batches.ts';
import { insertCultureEntry, loadKeptCultures, type NewCultureEntry } from '../db/cultures.ts';
import type { Tx } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import { loadFormulaBook } from '../db/formula-book.ts';
import { loadCulturesOfLog } from '../services/cultures.ts';
import { loadBakeryDay } from '../services/day-production.ts';
import { readRoomTrace } from '../services/read-room-trace.ts';
import { namedAir } from '../services/standing-of-day.ts';
import { readWaterInputs } from '../services/temperatures-now.ts';
import { loadBakery } from '../db/bakery.ts';
import { defineCommand } from './define.ts';

const grams = z.number().min(0).max(MOST_BATCH_GRAMS);
const what = z.discriminatedUnion('kind', [
	z.object({ kind: z.literal('counted'), grams }),
	z.object({ kind: z.literal('taken-out'), grams }),
	/** Ripe culture came back from what it seeded. */
	z.object({ kind: z.literal('kept-back'), grams, batchId: uuidSchema.nullable() }),
	z.object({ kind: z.literal('moved'), placeId: uuidSchema }),
	z.object({ kind: z.literal('measured'), celsius: celsiusSchema }),
	z.object({ kind: z.literal('seen'), sightings: sightingsSchema.min(1) }),
	/** A new one was stirred, or its jar shaken and opened. */
	z.object({ kind: z.literal('stirred') }),
	/** A new one rises by itself: it is kept like the others from now on. */
	z.object({ kind: z.literal('trusted') })
]);
type What = z.output<typeof what>;

/** Writes down what happened to a culture beside its feeds. */
export const tendCulture = defineCommand({
	kind: 'tend-culture',
	lane: 'batches',
	content: z.object({ ingredientId: uuidSchema, what }),
	right: 'work-at-the-bench',
	refusals: ['unknown', 'not-fed-yet'],
	handle: async (tx, { id, ingredientId, what: told, occurredAtMs }) => {
		if (!(await loadKeptCultures(tx, [ingredientId])).has(ingredientId))
			return fail({ kind: 'unknown', what: 'culture' });
		if (told.kind === 'kept-back' && told.batchId && !(await findBatch(tx, told.batchId)))
			return fail({ kind: 'unknown', what: 'dough' });
		if (told.kind === 'moved' && !(await isPlace(tx, told.placeId)))
			return fail({ kind: 'unknown', what: 'place' });
		const seen =
			told.kind === 'seen' ? await judged(tx, ingredientId, told.sightings, occurredAtMs) : ok({});
		if (!seen.ok) return seen;
		await insertCultureEntry(tx, {
			id,
			ingredient_id: ingredientId,
			kind: told.kind,
			command_id: id,
			occurred_at: new Date(occurredAtMs),
			...columnsOf(told),
			...seen.value
		});
		return ok({ entryId: id });
	}
});

function columnsOf(told: What): Partial<NewCultureEntry> {
	switch (told.kind) {
		case 'counted':
		case 'taken-out':
			return { amount_g: told.grams };
		case 'kept-back':
			return { amount_g: told.grams, batch_id: told.batchId };
		case 'moved':
			return { place_id: told.placeId };
		case 'measured':
			return { celsius: told.celsius };
		case 'seen':
			return { sightings: JSON.stringify(told.sightings) };
		case 'stirred':
		case 'trusted':
			return {};
	}
}

async function isPlace(tx: Tx, placeId: string): Promise<boolean> {
	const places = (await loadEntries(tx, 'newest', ['place'])).all('place');
	return places.some(({ id }) => id === placeId);
}

/** How far its clock is then, and how far by what was seen. */
async function judged(
	tx: Tx,
	ingredientId: string,
	sightings: Extract<What, { kind: 'seen' }>['sightings'],
	nowMs: number
): Promise<Result<Partial<NewCultureEntry>, RefusalOf<'unknown' | 'not-fed-yet'>>> {
	const [book, bakery] = await Promise.all([loadFormulaBook(tx), loadBakery(tx)]);
	const culture = (await loadCulturesOfLog(tx, book)).find(
		({ ingredient }) => ingredient.id === ingredientId
	);
	if (!culture || !bakery) return fail({ kind: 'unknown', what: 'culture' });
	if (!culture.follow) return fail({ kind: 'not-fed-yet', name: culture.ingredient.name });
	const today = wallTimeOf({ epochMs: nowMs }, bakery.timeZone).date;
	const inputs = await readWaterInputs(tx, await loadBakeryDay(tx, addDays(today, 1)), nowMs);
	const known = inputs.find(({ quantity }) => quantity === 'room')?.reading?.celsius ?? null;
	const room = await readRoomTrace(tx, culture.follow.fedAtMs, nowMs, known);
	// By the clock of its feed alone: what was seen before is held against that, too.
	const followed = followedCulture({
		...culture.follow,
		seen: [],
		air: { room, named: namedAir(inputs, room, nowMs) },
		nowMs
	});
	const { clock, dose } = followed.story;
	const { seen } = judgeCulture(followed, sightings);
	const isTold = seen !== null && seen.share > 0;
	return ok({
		clock_share: dose / clock.ripeMinutes,
		seen_share: isTold ? seen.share : null,
		seen_spread: isTold ? seen.spread : null
	});
}
