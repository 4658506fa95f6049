import { goesOn, isClosedOn, type OnShift, type OvenDeck } from '../../core/bakery/index.ts';
import type { Pantry, Step } from '../../core/formula/index.ts';
import { id, type BatchId, type DropId, type ProductId } from '../../core/identity.ts';
import { type Mixer, type MixRecipe, type PickedLiquid } from '../../core/mixing/index.ts';
import {
	productionOf,
	type DayProduction,
	type Mix,
	type OrderOfDate,
	type ProductionInput
} from '../../core/production/index.ts';
import type { PlannedMixer, PlannedOven } from '../../core/planning/index.ts';
import { instantOf, MINUTE_MS, type BakeDate } from '../../core/time/index.ts';
import type { WeighingScale } from '../../core/units/index.ts';
import { loadBakery, type BakerySettings } from '../db/bakery.ts';
import { loadEntries } from '../db/entries.ts';
import {
	decksOf,
	mostOfAnyMixer,
	dropsOf,
	everyDrop,
	handMixingOf,
	mixersOf,
	plannedMixersOf,
	plannedOvensOf,
	retardersOf,
	weighedOn,
	vesselsOf,
	workplacesOf,
	type DropSettings,
	type HandMixing,
	type RetarderSettings,
	type VesselSettings
} from '../db/of-entries.ts';
import { loadBases } from '../db/bases.ts';
import { loadBatchesWanted, type BatchesWanted } from '../db/batches-wanted.ts';
import { loadLiquids } from '../db/liquids.ts';
import { loadMixesWanted, type MixesWanted } from '../db/mixes-wanted.ts';
import { loadBatchesOn, type Batch, type Parentage } from '../db/batches.ts';
import { loadLogOf, type BatchEntry } from '../db/batch-log.ts';
import type { Db, Tx } from '../db/client.ts';
import { eachInPlaces, loadFormulaBook, pantryOf, type FormulaBook } from '../db/formula-book.ts';
import { loadPinnedFormulas } from '../db/formulas.ts';
import { loadIngredientRevisions } from '../db/ingredients.ts';
import { loadOrderLines } from '../db/orders.ts';
import { loadMadeAgain } from '../db/results.ts';
import { loadStandingOn } from '../db/standing-orders.ts';
import { loadPinnedPreparations, type PinnedPreparation } from '../db/preparations.ts';
import { madeOf, type Pinned } from './made-of-day.ts';
import { limitsOf } from './mix-limits.ts';
import { inOrderOfWork, ordersWith } from './orders-of-date.ts';
import { rosterAround } from './roster-around.ts';

/** A drop on its date. */
export interface DropOfDate extends DropSettings {
	readonly dueMs: number;
	/** When its bread has to be ready to pick. */
	readonly readyByMs: number;
}

/** A date of the bakery with all that its production follows from. */
export interface BakeryDay {
	readonly date: BakeDate;
	readonly bakery: BakerySettings;
	/** The bases that bakers typed, by the formula. */
	readonly bases: ReadonlyMap<string, number>;
	/** The liquids that bakers picked to warm or cool, by the formula. */
	readonly liquids: ReadonlyMap<string, readonly PickedLiquid[]>;
	readonly book: FormulaBook;
	readonly drops: readonly DropOfDate[];
	readonly orders: readonly OrderOfDate[];
	/** In how many mixes doughs are wanted, by the formula. */
	readonly mixesWanted: ReadonlyMap<string, MixesWanted>;
	/** In how many batches preparations are wanted, by the preparation. */
	readonly batchesWanted: ReadonlyMap<string, BatchesWanted>;
	readonly mixers: readonly Mixer[];
	/** What hands take and mix in; null where the bakery says nothing of it. */
	readonly handMixing: HandMixing | null;
	/** The most that any of them takes at once. */
	readonly mixerMostGrams: number;
	readonly decks: readonly OvenDeck[];
	readonly plannedMixers: readonly PlannedMixer[];
	readonly ovens: readonly PlannedOven[];
	readonly workplaces: ReturnType<typeof workplacesOf>;
	readonly vessels: readonly VesselSettings[];
	readonly retarders: readonly RetarderSettings[];
	readonly customers: readonly {
		readonly name: string;
		readonly dropId: string;
		readonly note: string;
	}[];
	/** The names of the drops that do not go on this weekday. */
	readonly notToday: readonly string[];
	/** Who works around the date; null where nobody's shifts are entered. */
	readonly roster: readonly OnShift[] | null;
	/** Why nothing is baked on the date; null where it is a day like others. */
	readonly closed: string | null;
	/** What is planned or was begun of the date, with what went into what. */
	readonly batches: readonly Batch[];
	readonly parents: readonly Parentage[];
	/** What happened to those that were begun, in order of time. */
	readonly log: ReadonlyMap<BatchId, readonly BatchEntry[]>;
	readonly pinned: Pinned;
	readonly input: ProductionInput;
	readonly production: DayProduction;
}

export class BakeryNotSetUp extends Error {
	constructor() {
		super('the bakery has no settings yet');
	}
}

/**
 * Loads a date and works out its production around what was begun; a fixed number of queries. `timesOrdered` is how often
 * what a drop ordered is taken, where a day is looked at as it would be.
 */
export async function loadBakeryDay(
	db: Db | Tx,
	date: BakeDate,
	timesOrdered: (dropId: string) => number = () => 1,
	/** The book where it was read already: the dates of a week are made from one. */
	known: FormulaBook | null = null
): Promise<BakeryDay> {
	const entries = loadEntries(db, date);
	const [
		bakery,
		bases,
		liquids,
		book,
		house,
		typed,
		standing,
		mixesWanted,
		batchesWanted,
		{ batches, parents },
		again
	] = await Promise.all([
		loadBakery(db, date, entries),
		loadBases(db),
		loadLiquids(db),
		known ?? loadFormulaBook(db, date, entries),
		entries,
		loadOrderLines(db, date),
		loadStandingOn(db, date),
		loadMixesWanted(db, date),
		loadBatchesWanted(db, date),
		loadBatchesOn(db, date),
		loadMadeAgain(db, date)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	const orders = inOrderOfWork(ordersWith(house, date, typed, standing), house, book).map(
		(line) => ({
			...line,
			pieces: Math.round(line.pieces * timesOrdered(line.dropId))
		})
	);
	const begun = batches.filter(isBegun);
	const [pinned, happened] = await Promise.all([
		loadPinned(db, begun, book.pantry.causticMost, book.places),
		loadLogOf(
			db,
			begun.map((batch) => batch.id)
		)
	]);
	const log = new Map<BatchId, BatchEntry[]>();
	for (const entry of happened) log.set(entry.batchId, [...(log.get(entry.batchId) ?? []), entry]);
	const ordered = new Set(orders.flatMap((line) => (line.pieces > 0 ? [line.dropId] : [])));
	// What is ordered is baked, on a day off and for a retired drop too.
	const drops = everyDrop(house)
		.filter((drop) => ordered.has(drop.id) || (!drop.retired && goesOn(drop, date)))
		.map((drop): DropOfDate => {
			const dueMs = instantOf(date, drop.dueTime, bakery.timeZone).epochMs;
			return { ...drop, dueMs, readyByMs: dueMs - drop.minutesBeforeDue * MINUTE_MS };
		});
	const mixers = mixersOf(house);
	const handMixing = handMixingOf(house);
	const made = madeOf(begun, batches, parents, pinned, again);
	const input = productionInput(
		book,
		drops,
		orders,
		{ mixers, handMixing },
		weighedOn(house),
		made,
		{ mixesWanted, batchesWanted }
	);
	const production = productionOf(input);
	// There is always a scale to weigh by.
	if (!production.ok) throw new Error(`a day cannot be weighed: ${production.error.kind}`);
	return {
		date,
		bakery,
		bases,
		liquids,
		book,
		drops,
		orders,
		mixesWanted,
		batchesWanted,
		mixers,
		handMixing,
		mixerMostGrams: mostOfAnyMixer(house),
		decks: decksOf(house),
		plannedMixers: plannedMixersOf(house),
		ovens: plannedOvensOf(house),
		workplaces: workplacesOf(house),
		vessels: vesselsOf(house),
		retarders: retardersOf(house),
		customers: house
			.of('customer')
			.map(({ name, content: { dropId, note } }) => ({ name, dropId, note })),
		notToday: dropsOf(house)
			.filter((drop) => !drops.some((other) => other.id === drop.id))
			.map(({ name }) => name),
		roster: rosterAround(house, date, bakery.timeZone),
		closed: house.of('closed-days').find(({ content }) => isClosedOn(content, date))?.name ?? null,
		batches,
		parents,
		log,
		pinned,
		input,
		production: production.value
	};
}

/** What was begun stays as it is. */
export function isBegun(batch: Batch): boolean {
	return batch.state === 'begun' || batch.state === 'ended';
}

async function loadPinned(
	db: Db | Tx,
	begun: readonly Batch[],
	causticMost: Pantry['causticMost'],
	places: FormulaBook['places']
): Promise<Pinned> {
	const revisions = (kinds: readonly Batch['kind'][]) => [
		...new Set(begun.filter((batch) => kinds.includes(batch.kind)).map((batch) => batch.revisionId))
	];
	const [formulas, preparations] = await Promise.all([
		loadPinnedFormulas(db, revisions(['mix'])),
		loadPinnedPreparations(db, revisions(['pre-ferment', 'preparation', 'feed']))
	]);
	const ingredients = await loadIngredientRevisions(db, [
		...new Set(
			[...preparations.values()].flatMap((preparation) => preparation.ingredientRevisionIds)
		)
	]);
	const pantries = new Map(
		[...formulas].map(([revision, one]) => [revision, pantryOf(one, causticMost)] as const)
	);
	// A preparation on its own stands with all it takes from, as it was pinned.
	for (const revision of preparations.keys()) {
		const taken = takenBy(revision, preparations);
		pantries.set(revision, {
			causticMost,
			ingredients: new Map(
				taken
					.flatMap((preparation) => preparation.ingredientRevisionIds)
					.flatMap((id) => ingredients.get(id) ?? [])
					.map((ingredient) => [ingredient.id, ingredient])
			),
			preparations: new Map(
				taken.map((preparation) => [preparation.preparation.id, preparation.preparation])
			)
		});
	}
	return {
		formulas: eachInPlaces(formulas, places),
		preparations: eachInPlaces(preparations, places),
		pantries
	};
}

function takenBy(
	revision: string,
	all: ReadonlyMap<string, PinnedPreparation & { readonly takesFrom: readonly string[] }>
): readonly PinnedPreparation[] {
	// Each once, however many of the others take from it.
	const found = new Map<string, PinnedPreparation>();
	const left = [revision];
	for (let next = left.pop(); next !== undefined; next = left.pop()) {
		const taken = all.get(next);
		if (!taken || found.has(next)) continue;
		found.set(next, taken);
		left.push(...taken.takesFrom);
	}
	return [...found.values()];
}

function productionInput(
	book: FormulaBook,
	drops: BakeryDay['drops'],
	orders: readonly OrderOfDate[],
	mixing: { readonly mixers: readonly Mixer[]; readonly handMixing: HandMixing | null },
	scales: readonly WeighingScale[],
	made: ProductionInput['made'],
	{ mixesWanted, batchesWanted }: Pick<BakeryDay, 'mixesWanted' | 'batchesWanted'>
): ProductionInput {
	const dueMs = new Map(drops.map((drop) => [drop.id, drop.readyByMs]));
	return {
		demands: orders.flatMap((line) => {
			const due = dueMs.get(line.dropId);
			if (due === undefined) return [];
			return [
				{
					dropId: id<DropId>(line.dropId),
					productId: id<ProductId>(line.productId),
					pieces: line.pieces,
					dueMs: due
				}
			];
		}),
		products: book.products.map(({ product }) => product),
		formulas: book.formulas.map((revision) => ({
			formula: revision.formula,
			limits: limitsOf(revision, mixing, book.pantry),
			mixesAtLeast: mixesWanted.get(revision.formula.id)?.mixes ?? 1
		})),
		pantry: book.pantry,
		scales,
		batchesWanted: new Map(
			[...batchesWanted].map(([preparationId, { batches }]) => [preparationId, batches ?? 1])
		),
		made
	};
}

/** What a mix is made by: the revision a begun one is pinned to, or the book's newest. */
export function recipeOfMix(
	day: BakeryDay,
	mix: Mix
): (MixRecipe & { readonly revisionId: string }) | undefined {
	const made = day.batches.find((batch) => batch.id === mix.made);
	return made
		? day.pinned.formulas.get(made.revisionId)
		: day.book.formulas.find((revision) => revision.formula.id === mix.resolved.formula.id);
}

/** What a preparation of a date is made by: its steps and the revision that says them. */
export function recipeOfPreparation(
	day: BakeryDay,
	build: DayProduction['builds'][number]
): { readonly revisionId: string; readonly steps: readonly Step[] } | undefined {
	const made = day.batches.find((batch) => batch.id === build.made);
	return made
		? day.pinned.preparations.get(made.revisionId)
		: day.book.preparations.get(build.preparation.id);
}

/** The batch that stands for a place of the date, planned or begun; null while there is none. */
export function batchAt(
	day: Pick<BakeryDay, 'batches'>,
	place:
		| { readonly kind: 'mix'; readonly formulaId: string; readonly ordinal: number }
		| { readonly kind: 'preparation'; readonly preparationId: string; readonly ordinal: number }
): Batch | null {
	return (
		day.batches.find((batch) => {
			if (batch.ordinal !== place.ordinal) return false;
			if (place.kind === 'mix') return batch.kind === 'mix' && batch.formulaId === place.formulaId;
			return (
				(batch.kind === 'pre-ferment' || batch.kind === 'preparation') &&
				batch.preparationId === place.preparationId
			);
		}) ?? null
	);
}
