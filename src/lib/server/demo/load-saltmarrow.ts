import {
	addDays,
	bakeryTime,
	wallTimeOf,
	weekdayOf,
	type BakeryClock
} from '../../core/time/index.ts';
import { setClock } from '../db/bakery.ts';
import type { Db, Tx } from '../db/client.ts';
import { demoId } from './demo-id.ts';
import { DEMO_ZONE } from './demo-zone.ts';
import { FORMULAS, PREPARATIONS, PRODUCTS } from './formulas.ts';
import { DROPS, piecesOn, WEEKDAY_ORDERS } from './orders.ts';
import { INGREDIENTS, SCALES } from './pantry.ts';

const HEAD_BAKER = 'Maud Tarrow';

/** Orders reach from today this many days ahead. */
const DAYS_AHEAD = 8;

/**
 * Loads the Saltmarrow Bakehouse into an empty database, its orders around the date its clock shows.
 * Gives false and changes nothing when a bakery is there already.
 */
export async function loadSaltmarrow(
	db: Db,
	clock: BakeryClock,
	realNowMs: number
): Promise<boolean> {
	return db.transaction().execute(async (tx) => {
		const there = await tx.selectFrom('bakery').select('id').executeTakeFirst();
		if (there) return false;
		const now = bakeryTime(clock, { epochMs: realNowMs });
		await setClock(tx, clock);
		await loadBakehouse(tx);
		await loadBook(tx);
		await loadOrders(tx, now.epochMs);
		return true;
	});
}

async function loadBakehouse(tx: Tx): Promise<void> {
	await tx
		.insertInto('bakery')
		.values({
			name: 'Saltmarrow Bakehouse',
			time_zone: DEMO_ZONE,
			oven_recovery_minutes: 10,
			assumed_room_celsius: 23,
			assumed_flour_celsius: 20,
			assumed_tap_celsius: 12,
			hot_tap_celsius: 55,
			hottest_water_celsius: 40,
			ice_celsius: 0,
			ice_most_share: 0.15
		})
		.execute();
	await tx
		.insertInto('person')
		.values([
			{ id: demoId('person', HEAD_BAKER), name: HEAD_BAKER, role: 'head-baker' },
			{ id: demoId('person', 'Ilo Venn'), name: 'Ilo Venn', role: 'baker' }
		])
		.execute();
	await tx
		.insertInto('weighing_scale')
		.values(
			SCALES.map(({ name, capacity, division }) => ({
				id: demoId('scale', name),
				name,
				capacity_g: capacity,
				division_g: division
			}))
		)
		.execute();
	await tx
		.insertInto('mixer')
		.values({
			id: demoId('mixer', 'Spiral mixer'),
			name: 'Spiral mixer',
			least_dough_g: 5000,
			most_dough_g: 32_000
		})
		.execute();
	await tx
		.insertInto('oven_deck')
		.values(
			['Deck 1', 'Deck 2'].map((name, index) => ({
				id: demoId('deck', name),
				name,
				ordinal: index + 1
			}))
		)
		.execute();
	await tx
		.insertInto('delivery_drop')
		.values(
			DROPS.map(({ name, dueTime }) => ({ id: demoId('drop', name), name, due_time: dueTime }))
		)
		.execute();
	await tx
		.insertInto('ingredient')
		.values(
			INGREDIENTS.map((one) => ({
				id: demoId('ingredient', one.name),
				name: one.name,
				kind: one.kind,
				flour_share: one.flour ?? 0,
				water_share: one.water ?? 0,
				wholegrain_of_flour: one.wholegrain ?? 0,
				yeast_fresh_equivalent: one.freshYeast ?? 0,
				allergens: [...(one.allergens ?? [])],
				heat_capacity_kj_per_kg_k: one.heatCapacity
			}))
		)
		.execute();
}

const isPreparation = new Set(PREPARATIONS.map((one) => one.name));

function material(name: string) {
	return isPreparation.has(name)
		? { ingredient_id: null, preparation_id: demoId('preparation', name) }
		: { ingredient_id: demoId('ingredient', name), preparation_id: null };
}

async function loadBook(tx: Tx): Promise<void> {
	const made_by = demoId('person', HEAD_BAKER);
	for (const one of PREPARATIONS) {
		const preparation_id = demoId('preparation', one.name);
		const revision_id = demoId('preparation revision', one.name);
		await tx.insertInto('preparation').values({ id: preparation_id, name: one.name }).execute();
		await tx
			.insertInto('preparation_revision')
			.values({
				id: revision_id,
				preparation_id,
				number: 1,
				kind: one.kind,
				build_loss_share: one.buildLoss,
				take_back_g: one.takeBackGrams,
				steps: JSON.stringify(one.steps),
				made_by
			})
			.execute();
		await tx
			.insertInto('preparation_revision_line')
			.values(
				one.lines.map(([name, parts], index) => ({
					revision_id,
					ordinal: index + 1,
					parts,
					...material(name)
				}))
			)
			.execute();
	}
	for (const one of FORMULAS) {
		const formula_id = demoId('formula', one.name);
		const revision_id = demoId('formula revision', one.name);
		await tx.insertInto('formula').values({ id: formula_id, name: one.name }).execute();
		await tx
			.insertInto('formula_revision')
			.values({
				id: revision_id,
				formula_id,
				number: 1,
				dough_loss_share: one.doughLoss,
				target_dough_celsius: one.targetCelsius,
				friction_kj_per_kg: one.frictionKilojoulesPerKilogram,
				most_dough_g: one.mostDoughGrams,
				steps: JSON.stringify(one.steps),
				made_by
			})
			.execute();
		await tx
			.insertInto('formula_revision_line')
			.values(
				one.lines.map(([name, percent_of_flour, addition], index) => ({
					revision_id,
					ordinal: index + 1,
					percent_of_flour,
					addition: addition ?? ('start' as const),
					...material(name)
				}))
			)
			.execute();
	}
	for (const [index, one] of PRODUCTS.entries()) {
		const product_id = demoId('product', one.name);
		await tx
			.insertInto('product')
			.values({ id: product_id, name: one.name, ordinal: index + 1 })
			.execute();
		await tx
			.insertInto('product_revision')
			.values({
				id: demoId('product revision', one.name),
				product_id,
				number: 1,
				formula_id: demoId('formula', one.formula),
				scaled_g: one.scaledGrams,
				pieces_per_deck: one.piecesPerDeck,
				steps: JSON.stringify(one.steps),
				made_by
			})
			.execute();
	}
}

async function loadOrders(tx: Tx, nowMs: number): Promise<void> {
	const changed_by = demoId('person', HEAD_BAKER);
	const command_id = demoId('command', 'load demo');
	const today = wallTimeOf({ epochMs: nowMs }, DEMO_ZONE).date;
	const lines = Array.from({ length: DAYS_AHEAD }, (_, day) => addDays(today, day)).flatMap(
		(bake_date) =>
			WEEKDAY_ORDERS.map(([product, drop, pieces]) => ({
				bake_date,
				drop_id: demoId('drop', drop),
				product_id: demoId('product', product),
				pieces: piecesOn(weekdayOf(bake_date), drop, pieces)
			})).filter((line) => line.pieces > 0)
	);
	await tx
		.insertInto('order_line')
		.values(lines.map((line) => ({ ...line, changed_by })))
		.execute();
	await tx
		.insertInto('order_change')
		.values(
			lines.map(({ pieces, ...key }) => ({
				...key,
				command_id,
				pieces_before: 0,
				pieces_after: pieces
			}))
		)
		.execute();
	await tx
		.insertInto('command')
		.values({
			id: command_id,
			kind: 'load-demo',
			actor_id: changed_by,
			occurred_at: new Date(nowMs),
			request: JSON.stringify({ kind: 'load-demo' }),
			answer: JSON.stringify({ lines: lines.length })
		})
		.execute();
}
