import type {
	CultureEntryView,
	CultureFollowView,
	CultureStartView
} from '../../contracts/culture-views.ts';
import {
	clockAfterFeed,
	ledgerOf,
	USUAL_KEEPING,
	type CultureEvent
} from '../../core/culture/index.ts';
import { USUAL_TIME_CONSTANT_MINUTES, type Leg, type Place } from '../../core/formula/index.ts';
import { id, type PlaceId } from '../../core/identity.ts';
import type { DoughEvent } from '../../core/ripening/index.ts';
import { MINUTE_MS } from '../../core/time/index.ts';
import type { Db, Tx } from '../db/client.ts';
import {
	loadCultureEntries,
	loadCultureUses,
	loadKeptCultures,
	type CultureEntryRow,
	type CultureUsedRow,
	type KeptCulture
} from '../db/cultures.ts';
import type { FormulaBook } from '../db/formula-book.ts';
import type { IngredientRow } from '../db/ingredients.ts';

/** A culture as its log has it. */
export interface CultureOfLog {
	readonly ingredient: IngredientRow['ingredient'];
	readonly hydrationPercent: number | null;
	readonly kept: KeptCulture | null;
	readonly grams: number | null;
	/** The newest first. */
	readonly entries: readonly CultureEntryView[];
	readonly follow: CultureFollowView | null;
	readonly coldSinceMs: number | null;
	readonly start: CultureStartView | null;
	/** The batches that were kept back from. */
	readonly keptBackFrom: ReadonlySet<string>;
}

type Places = FormulaBook['places'];

/** Every culture of the book with what happened to it; three queries. */
export async function loadCulturesOfLog(
	db: Db | Tx,
	{ ingredients, places }: Pick<FormulaBook, 'ingredients' | 'places'>
): Promise<readonly CultureOfLog[]> {
	const own = ingredients.filter(
		({ ingredient }) => ingredient.kind === 'culture' && !ingredient.retired
	);
	const ids = own.map(({ ingredient }) => ingredient.id);
	const [kept, entries, uses] = await Promise.all([
		loadKeptCultures(db, ids),
		loadCultureEntries(db, ids),
		loadCultureUses(db, ids)
	]);
	return own.map(({ ingredient }) =>
		cultureOfLog(
			ingredient,
			kept.get(ingredient.id) ?? null,
			entries.filter((entry) => entry.ingredientId === ingredient.id),
			uses.filter((use) => use.ingredientId === ingredient.id),
			places
		)
	);
}

function cultureOfLog(
	ingredient: IngredientRow['ingredient'],
	kept: KeptCulture | null,
	entries: readonly CultureEntryRow[],
	uses: readonly CultureUsedRow[],
	places: Places
): CultureOfLog {
	const told = toldEntries(entries, uses, places);
	const { flour, water } = ingredient.composition;
	const hydrationPercent = flour > 0 ? (100 * water) / flour : null;
	return {
		ingredient,
		hydrationPercent,
		kept,
		grams: told.at(-1)?.afterGrams ?? null,
		entries: told.toReversed(),
		follow: followOf(kept, entries, hydrationPercent ?? 100, places),
		coldSinceMs: coldSince(kept, entries, places),
		start: startOf(entries),
		keptBackFrom: new Set(entries.flatMap(({ batchId }) => batchId ?? []))
	};
}

/** Entries and what batches took, in order of time, with what there was after each. */
function toldEntries(
	entries: readonly CultureEntryRow[],
	uses: readonly CultureUsedRow[],
	places: Places
): readonly CultureEntryView[] {
	const told: Omit<CultureEntryView, 'afterGrams'>[] = [
		...entries.map((entry) => ({
			...entry,
			place: (entry.placeId && places.get(id<PlaceId>(entry.placeId))?.name) ?? ''
		})),
		...uses.map((use): Omit<CultureEntryView, 'afterGrams'> => ({
			id: null,
			kind: 'used',
			atMs: use.atMs,
			by: use.by,
			beginning: null,
			seedGrams: 0,
			flourGrams: 0,
			waterGrams: 0,
			grams: use.grams,
			celsius: null,
			place: '',
			sightings: []
		}))
	].sort((a, b) => a.atMs - b.atMs);
	const weighed = told.flatMap((entry) => eventOf(entry));
	const lines = ledgerOf(weighed);
	let at = 0;
	let afterGrams: number | null = null;
	return told.map((entry) => {
		if (eventOf(entry).length > 0) {
			afterGrams = lines[at]?.afterGrams ?? null;
			at += 1;
		}
		return { ...entry, afterGrams };
	});
}

/** What an entry says of the weight; none where it says nothing of it. */
function eventOf(entry: Omit<CultureEntryView, 'afterGrams'>): readonly CultureEvent[] {
	const { kind, atMs, grams, seedGrams, flourGrams, waterGrams } = entry;
	switch (kind) {
		case 'begun':
		case 'fed':
			return [{ kind: 'fed', atMs, seedGrams, flourGrams, waterGrams }];
		case 'counted':
		case 'kept-back':
		case 'taken-out':
		case 'used':
			return [{ kind, atMs, grams }];
		default:
			return [];
	}
}

const isFeed = ({ kind }: CultureEntryRow) =>
	kind === 'begun' || kind === 'fed' || kind === 'kept-back';

/** How it ferments since its last feed; null where it was never fed, or nobody said how it is kept. */
function followOf(
	kept: KeptCulture | null,
	entries: readonly CultureEntryRow[],
	hydrationPercent: number,
	places: Places
): CultureFollowView | null {
	const feed = entries.findLast((entry) => isFeed(entry) && entry.flourGrams + entry.grams > 0);
	if (!kept || !feed) return null;
	const { keeping } = kept;
	const ordinary = {
		leavening: 'sourdough' as const,
		carryShare: 0,
		...keeping.clock
	};
	const isKeptBack = feed.kind === 'kept-back';
	const clock = isKeptBack
		? ordinary
		: clockAfterFeed(ordinary, keeping.ratio, feed, hydrationPercent);
	const home = legIn(keeping.placeId, keeping.timeConstantMinutes, places);
	// What is kept back is ripe then: it did the work of its clock before.
	const ripened: readonly Leg[] = isKeptBack
		? [
				{
					named: null,
					place: 'proofer',
					ambientCelsius: clock.referenceCelsius,
					timeConstantMinutes: Infinity,
					minutes: clock.ripeMinutes
				}
			]
		: [];
	const since = entries.filter((entry) => entry.atMs >= feed.atMs && entry.id !== feed.id);
	const moved = since.findLast(({ kind }) => kind === 'moved');
	const placeId = moved ? moved.placeId : keeping.placeId;
	return {
		step: {
			kind: 'wait',
			activity: 'ferment',
			legs: [...ripened, home],
			clock,
			foldsAtMinutes: [],
			foldsAtShares: []
		},
		fedAtMs: isKeptBack ? feed.atMs - clock.ripeMinutes * MINUTE_MS : feed.atMs,
		fedCelsius: isKeptBack ? clock.referenceCelsius : (feed.celsius ?? keeping.fedCelsius),
		isAssumed: feed.celsius === null && !since.some(({ kind }) => kind === 'measured'),
		keptBackAtMs: isKeptBack ? feed.atMs : null,
		events: since.flatMap((entry): DoughEvent[] => {
			if (entry.kind === 'measured' && entry.celsius !== null)
				return [{ kind: 'checked', atMs: entry.atMs, celsius: entry.celsius, onSurface: false }];
			if (entry.kind !== 'moved') return [];
			const leg = legIn(entry.placeId, keeping.timeConstantMinutes, places);
			return [{ kind: 'moved', atMs: entry.atMs, leg }];
		}),
		seen: entries.filter(({ kind }) => kind === 'seen'),
		placeId,
		place: (placeId && places.get(id<PlaceId>(placeId))?.name) ?? 'Room'
	};
}

/** A place as a leg that lasts; the room where none is named. */
function legIn(placeId: string | null, timeConstantMinutes: number, places: Places): Leg {
	const place: Place | undefined =
		(placeId === null ? undefined : places.get(id<PlaceId>(placeId))) ??
		[...places.values()].find(({ role }) => role === 'bakehouse');
	return {
		named: place ? { id: place.id, name: place.name } : null,
		place: place?.kind ?? 'room',
		ambientCelsius: place?.celsius ?? USUAL_KEEPING.clock.referenceCelsius,
		timeConstantMinutes,
		minutes: null
	};
}

/** Since when it stands in the cold, fed or not. */
function coldSince(
	kept: KeptCulture | null,
	entries: readonly CultureEntryRow[],
	places: Places
): number | null {
	const feedAt = entries.findLastIndex(isFeed);
	const isCold = (placeId: string | null) =>
		placeId !== null && places.get(id<PlaceId>(placeId))?.kind === 'cold';
	const moved = entries.findLast(({ kind }, at) => kind === 'moved' && at >= feedAt);
	if (moved) return isCold(moved.placeId) ? moved.atMs : null;
	const feed = entries[feedAt];
	return feed && isCold(kept?.keeping.placeId ?? null) ? feed.atMs : null;
}

/** How far a new one is; null for one that is trusted, or was never begun here. */
function startOf(entries: readonly CultureEntryRow[]): CultureStartView | null {
	const begun = entries.findLast(({ kind }) => kind === 'begun');
	if (!begun?.beginning) return null;
	const since = entries.filter(({ atMs }) => atMs >= begun.atMs);
	if (since.some(({ kind }) => kind === 'trusted')) return null;
	return {
		beginning: begun.beginning,
		begunAtMs: begun.atMs,
		done: since
			.filter(({ kind }) => kind === 'fed' || kind === 'stirred')
			.map(({ atMs, kind }) => ({ atMs, isFeed: kind === 'fed' }))
	};
}

/** How fast a jar takes the temperature of its place, until somebody says otherwise (our default). */
export const USUAL_JAR_MINUTES = USUAL_TIME_CONSTANT_MINUTES.piece;
