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
import { DELIVERIES } from './deliveries.ts';
import { DIVIDERS, RETARDERS, VESSELS } from './equipment.ts';
import type { DemoFormula } from './demo-formula.ts';
import { FORMULAS } from './formulas.ts';
import { loadHistory } from './history.ts';
import { PREPARATIONS } from './preparations.ts';
import { PRODUCTS } from './products.ts';
import { DROPS, piecesOn, WEEKDAY_ORDERS, WEEKDAY_SPECIALS } from './orders.ts';
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
		await loadDeliveries(tx, now.epochMs);
		await loadOrders(tx, now.epochMs);
		await loadHistory(tx, now.epochMs, demoId('command', 'load demo'));
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
			ice_most_share: 0.15,
			ice_form: 'cubes',
			water_school: 'heat-balance',
			currency: '€'
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
		.insertInto('divider')
		.values(
			DIVIDERS.map(({ name, heads, leastPiece, mostPiece }) => ({
				id: demoId('divider', name),
				name,
				heads,
				least_piece_g: leastPiece,
				most_piece_g: mostPiece
			}))
		)
		.execute();
	await tx
		.insertInto('vessel')
		.values(
			VESSELS.map(({ name, owned, millilitres }) => ({
				id: demoId('vessel', name),
				name,
				owned,
				volume_ml: millilitres
			}))
		)
		.execute();
	await tx
		.insertInto('mixer')
		.values({
			id: demoId('mixer', 'Spiral mixer'),
			name: 'Spiral mixer',
			least_dough_g: 5000,
			most_dough_g: 32_000,
			bowl_kj_per_k: 9
		})
		.execute();
	await tx
		.insertInto('retarder')
		.values(
			RETARDERS.map(({ name, retarder }) => ({
				id: demoId('retarder', name),
				name,
				set_celsius: retarder.setCelsius,
				compressor_w: retarder.compressorWatts,
				air_kj_per_k: retarder.airKilojoulesPerKelvin,
				walls_w_per_k: retarder.wallsWattsPerKelvin
			}))
		)
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
				heat_capacity_kj_per_kg_k: one.heatCapacity,
				fat_share: one.fat ?? 0,
				sugar_share: one.sugar ?? 0,
				density_kg_per_l: one.density ?? null,
				price_per_kg: one.pricePerKilogram ?? null,
				weighing_scale_id: one.weighedOn ? demoId('scale', one.weighedOn) : null
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
		await tx.insertInto('formula').values({ id: formula_id, name: one.name }).execute();
		const revisions = one.earlier ? [one.earlier, one.lines] : [one.lines];
		for (const [index, lines] of revisions.entries())
			await loadRevision(tx, one, index + 1, lines, made_by);
	}
	for (const [index, one] of PRODUCTS.entries()) {
		const product_id = demoId('product', one.name);
		const revision_id = demoId('product revision', one.name);
		await tx
			.insertInto('product')
			.values({ id: product_id, name: one.name, ordinal: index + 1 })
			.execute();
		await tx
			.insertInto('product_revision')
			.values({
				id: revision_id,
				product_id,
				number: 1,
				pieces_per_deck: one.piecesPerDeck,
				baked_g: one.bakedGrams ?? null,
				bake_loss_share: one.bakeLoss,
				shape: one.shape,
				vessel_id: one.vessel ? demoId('vessel', one.vessel) : null,
				divider_id: one.divider ? demoId('divider', one.divider) : null,
				footprint_length_cm: one.footprint[0],
				footprint_width_cm: one.footprint[1],
				steps: JSON.stringify(one.steps),
				made_by
			})
			.execute();
		await tx
			.insertInto('product_revision_dough')
			.values(
				one.doughs.map(([formula, grams], at) => ({
					revision_id,
					ordinal: at + 1,
					formula_id: demoId('formula', formula),
					scaled_g: grams
				}))
			)
			.execute();
		if (one.extras)
			await tx
				.insertInto('product_revision_extra')
				.values(
					one.extras.map(([use, name, amount_g, for_pieces], at) => ({
						revision_id,
						ordinal: at + 1,
						use,
						...material(name),
						amount_g,
						for_pieces: for_pieces ?? 1
					}))
				)
				.execute();
	}
}

async function loadRevision(
	tx: Tx,
	one: DemoFormula,
	number: number,
	lines: DemoFormula['lines'],
	made_by: string
): Promise<void> {
	const revision_id = demoId('formula revision', `${one.name} ${number}`);
	await tx
		.insertInto('formula_revision')
		.values({
			id: revision_id,
			formula_id: demoId('formula', one.name),
			number,
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
			lines.map(([name, percent_of_flour, addition], index) => ({
				revision_id,
				ordinal: index + 1,
				percent_of_flour,
				addition: addition ?? ('start' as const),
				...material(name)
			}))
		)
		.execute();
}

async function loadDeliveries(tx: Tx, nowMs: number): Promise<void> {
	const today = wallTimeOf({ epochMs: nowMs }, DEMO_ZONE).date;
	await tx
		.insertInto('flour_delivery')
		.values(
			DELIVERIES.map(({ flour, lot, daysAgo, properties }) => ({
				id: demoId('delivery', lot),
				ingredient_id: demoId('ingredient', flour),
				received_on: addDays(today, -daysAgo),
				lot,
				extraction_percent: properties.extractionPercent,
				protein_percent: properties.proteinPercent,
				ash_percent: properties.ashPercent,
				moisture_percent: properties.moisturePercent,
				falling_number_s: properties.fallingNumberSeconds,
				absorption_points: properties.absorptionPoints,
				milling: properties.milling,
				wholegrain_percent: properties.wholegrainPercent
			}))
		)
		.execute();
}

async function loadOrders(tx: Tx, nowMs: number): Promise<void> {
	const changed_by = demoId('person', HEAD_BAKER);
	const command_id = demoId('command', 'load demo');
	const today = wallTimeOf({ epochMs: nowMs }, DEMO_ZONE).date;
	const lines = Array.from({ length: DAYS_AHEAD }, (_, day) => addDays(today, day)).flatMap(
		(bake_date) => {
			const weekday = weekdayOf(bake_date);
			const specials = WEEKDAY_SPECIALS.filter(([day]) => day === weekday);
			return [
				...WEEKDAY_ORDERS.map(
					([product, drop, pieces]) => [product, drop, piecesOn(weekday, drop, pieces)] as const
				),
				...specials.map(([, product, drop, pieces]) => [product, drop, pieces] as const)
			]
				.map(([product, drop, pieces]) => ({
					bake_date,
					drop_id: demoId('drop', drop),
					product_id: demoId('product', product),
					pieces
				}))
				.filter((line) => line.pieces > 0);
		}
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
