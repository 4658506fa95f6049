import { readOurLot } from '../../contracts/our-lot.ts';
import type {
	BatchTraceView,
	LotTraceView,
	TracedBatchView,
	TracedDrop,
	TraceSearchView
} from '../../contracts/trace-views.ts';
import { lotsOfUses, recallOf, type LotKnown } from '../../core/tracing/index.ts';
import { addDays, parseBakeDate, type BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadNewestPlans } from '../db/plans.ts';
import { findBatches, findBatchesOf, findIngredients, findLots } from '../db/trace-search.ts';
import {
	feedKey,
	findLot,
	loadAllergensOf,
	loadFeeds,
	loadFollowed,
	loadIngredientHistories,
	loadUsesOf,
	type TracedRow
} from '../db/tracing.ts';

const MOST_LOTS = 20;
/** A name that this many ingredients hold is too short to mean one. */
const MOST_INGREDIENTS = 40;
const MOST_BATCHES = 60;
/** So far back a name is searched where no date is asked for (our default: a quarter of a year). */
const SEARCH_DAYS = 92;
const DAY_MS = 86_400_000;
/** A lot that nobody told may still lie there so long after it came (our default: flour is kept for months). */
const LOT_DAYS = 180;

/** Lots and batches that a search names: a lot, part of the name of what it is a lot of or of a batch, or a date as it is written. */
export async function readTraceSearch(
	db: Db,
	date: BakeDate,
	query: string
): Promise<TraceSearchView> {
	const text = query.trim();
	const ours = readOurLot(text);
	const asked = parseBakeDate(ours?.date ?? text);
	const on = asked.ok ? asked.value : null;
	if (text === '')
		return { date, query, lots: [], batches: [], withoutLot: [], tookIt: [], more: false };
	const dates = { from: addDays(date, -SEARCH_DAYS), until: addDays(date, 7) };
	const named = on === null ? await findIngredients(db, text, MOST_INGREDIENTS) : [];
	const [lots, batches] = await Promise.all([
		on === null
			? findLots(
					db,
					text,
					named.map(({ id }) => id),
					MOST_LOTS + 1
				)
			: [],
		findBatches(db, { text: on === null ? text : '', on, ...dates }, MOST_BATCHES + 1)
	]);
	// Where there are more of either than are shown, which of them have no lot is not known.
	const withoutLot =
		lots.length > MOST_LOTS || named.length === MOST_INGREDIENTS
			? []
			: named.filter(({ id }) => !lots.some(({ ingredientId }) => ingredientId === id));
	const tookIt =
		withoutLot.length === 0
			? []
			: await findBatchesOf(
					db,
					withoutLot.map(({ id }) => id),
					dates,
					MOST_BATCHES + 1
				);
	return {
		date,
		query,
		lots: lots.slice(0, MOST_LOTS),
		batches: batches
			.filter(({ id }) => id.startsWith(ours?.idBegins ?? ''))
			.slice(0, MOST_BATCHES)
			.map(viewOf),
		withoutLot: withoutLot.map(({ name }) => name),
		tookIt: tookIt.slice(0, MOST_BATCHES).map(viewOf),
		more: lots.length > MOST_LOTS || batches.length > MOST_BATCHES || tookIt.length > MOST_BATCHES
	};
}

/** Everywhere a lot went, or may have gone; null where nobody ever told of it. */
export async function readLotTrace(
	db: Db,
	ingredientId: string,
	lot: string
): Promise<LotTraceView | null> {
	const found = await findLot(db, ingredientId, lot);
	if (!found) return null;
	const histories = await loadIngredientHistories(
		db,
		[ingredientId],
		found.firstMs - 1,
		found.lastMs + LOT_DAYS * DAY_MS
	);
	const history = histories.get(ingredientId);
	const lots = lotsOfUses(history?.arrivals ?? [], history?.onHand ?? [], history?.uses ?? []);
	const holding = [...lots].filter(([, of]) => of.some((one) => one.lot === lot));
	const isFeed = (key: string) => key.startsWith(feedKey(''));
	const { batches, links } = await loadFollowed(
		db,
		holding.map(([key]) => key).filter((key) => !isFeed(key)),
		'forward'
	);
	const recalled = new Map(recallOf(lot, lots, links).map((one) => [one.batchId, one]));
	const feeds = await loadFeeds(
		db,
		holding
			.map(([key]) => key)
			.flatMap((key) => (isFeed(key) ? [key.slice(feedKey('').length)] : []))
	);
	const { drops, unplanned } = await dropsOf(
		db,
		batches,
		links,
		(batchId) => recalled.get(batchId)?.known ?? 'possible'
	);
	const cultures = new Map<string, LotTraceView['cultures'][number]>();
	for (const { entryId, culture, atMs } of feeds)
		if (!cultures.has(culture))
			cultures.set(culture, {
				name: culture,
				sinceMs: atMs,
				known: recalled.get(feedKey(entryId))?.known ?? 'possible'
			});
	return {
		lot: { ingredientId, ingredient: found.ingredient, lot, receivedAtMs: found.receivedAtMs },
		batches: batches
			.filter(({ kind }) => kind !== 'load')
			.map((batch) => ({
				...viewOf(batch),
				known: recalled.get(batch.id)?.known ?? 'possible',
				firstHand: recalled.get(batch.id)?.firstHand ?? false
			})),
		drops,
		unplanned,
		cultures: [...cultures.values()]
	};
}

/** A batch with all that went into it, lots told or possible, and the drops it went to; null where there is none. */
export async function readBatchTrace(db: Db, batchId: string): Promise<BatchTraceView | null> {
	const [back, forward] = await Promise.all([
		loadFollowed(db, [batchId], 'back'),
		loadFollowed(db, [batchId], 'forward')
	]);
	const batch = back.batches.find(({ id }) => id === batchId);
	if (!batch) return null;
	const uses = await loadUsesOf(
		db,
		back.batches.map(({ id }) => id)
	);
	const ingredientIds = [...new Set(uses.map(({ ingredientId }) => ingredientId))];
	const times = uses.map(({ atMs }) => atMs);
	const [histories, { drops, unplanned }, allergens] = await Promise.all([
		loadIngredientHistories(
			db,
			ingredientIds,
			Math.min(...times, Infinity) === Infinity ? 0 : Math.min(...times) - LOT_DAYS * DAY_MS,
			Math.max(...times, 0)
		),
		dropsOf(db, forward.batches, [...forward.links, ...back.links], () => 'told', back.batches),
		loadAllergensOf(db, ingredientIds)
	]);
	const lots = new Map(
		[...histories].map(([ingredientId, { arrivals, onHand, uses: all }]) => [
			ingredientId,
			lotsOfUses(arrivals, onHand, all)
		])
	);
	return {
		batch: viewOf(batch),
		madeOf: back.batches.toReversed().map((one) => ({
			...viewOf(one),
			ingredients: uses
				.filter((use) => use.batchId === one.id)
				.map(({ ingredientId, ingredient, grams }) => ({
					ingredientId,
					ingredient,
					grams,
					lots: (lots.get(ingredientId)?.get(one.id) ?? [])
						.filter(({ lot }) => lot !== '')
						.map(({ lot, known }) => ({ lot, known }))
				}))
		})),
		drops,
		unplanned,
		allergens,
		beganMs: times.length > 0 ? Math.min(...times) : null
	};
}

function viewOf({
	id,
	kind,
	date,
	name,
	ordinal,
	grams,
	pieces,
	state
}: TracedRow): TracedBatchView {
	return { id, kind, date, name, ordinal, grams, pieces, state };
}

/** The drops that the portions among some batches went to, by the accepted plans of their dates. */
async function dropsOf(
	db: Db,
	batches: readonly TracedRow[],
	links: readonly { readonly batchId: string; readonly parentId: string }[],
	knownOf: (batchId: string) => LotKnown,
	/** Where else the mixes of these are found. */
	beside: readonly TracedRow[] = []
): Promise<{ readonly drops: readonly TracedDrop[]; readonly unplanned: readonly BakeDate[] }> {
	const portions = batches.filter(({ kind }) => kind === 'portion');
	const dates = [...new Set(portions.map(({ date }) => date))].sort();
	const plans = await loadNewestPlans(db, dates);
	const found = new Map<string, TracedDrop>();
	for (const portion of portions) {
		const document = plans.get(portion.date);
		const mix = [...batches, ...beside].find(
			(other) =>
				other.kind === 'mix' &&
				links.some(({ batchId, parentId }) => batchId === portion.id && parentId === other.id)
		);
		if (!document || !mix) continue;
		const planned = document.input.doughs.flatMap(({ formulaId, mixes }) =>
			mixes.flatMap(({ ordinal, portions: of }) =>
				of.filter(
					({ productId }) =>
						productId === portion.productId &&
						formulaId === mix?.formulaId &&
						ordinal === mix.ordinal
				)
			)
		);
		const known = knownOf(portion.id);
		const mixName = `${mix.name} ${mix.ordinal}`;
		for (const dropId of new Set(planned.flatMap(({ dropIds }) => dropIds))) {
			const drop = document.input.drops.find(({ id }) => id === dropId);
			const pieces = document.input.orders
				.filter((order) => order.dropId === dropId && order.productId === portion.productId)
				.reduce((all, order) => all + order.pieces, 0);
			if (!drop) continue;
			const key = `${portion.date} ${dropId} ${portion.productId}`;
			const before = found.get(key);
			found.set(key, {
				date: portion.date,
				drop: drop.name,
				dueMs: drop.dueMs,
				product: portion.name,
				pieces,
				known: before?.known === 'told' ? 'told' : known,
				mixes: [...new Set([...(before?.mixes ?? []), mixName])].sort()
			});
		}
	}
	return {
		drops: [...found.values()].sort(
			(a, b) => a.dueMs - b.dueMs || a.product.localeCompare(b.product, 'en')
		),
		unplanned: dates.filter((date) => !plans.has(date))
	};
}
