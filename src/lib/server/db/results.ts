import { sql } from 'kysely';
import {
	id,
	type BatchId,
	type DropId,
	type FormulaId,
	type ProductId
} from '../../core/identity.ts';
import { sightingsSchema } from '../../contracts/sightings.ts';
import type {
	Browning,
	Fault,
	LookedAt,
	PieceDecision,
	PortionRef,
	ResultEntry,
	ResultTold,
	Sound
} from '../../core/results/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { LearnedUntil } from './batch-log.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

interface ResultRow {
	readonly id: string;
	readonly formula_id: string;
	readonly ordinal: number;
	readonly product_id: string;
	readonly kind: ResultTold['kind'];
	readonly good: number | null;
	readonly second: number | null;
	readonly lost: number | null;
	readonly pieces: number | null;
	readonly baked_g: number | null;
	readonly crust: number | null;
	readonly crumb: number | null;
	readonly taste: number | null;
	readonly fault: Fault | null;
	readonly drop_id: string | null;
	readonly sightings: unknown;
	readonly clock_share: number | null;
	readonly early_share: number | null;
	readonly late_share: number | null;
	readonly decision: PieceDecision | null;
	readonly looked_at: LookedAt | null;
	readonly book_factor: number | null;
	readonly browning: Browning | null;
	readonly sound: Sound | null;
	readonly note: string;
	readonly occurred_at: Date;
	readonly by: string;
}

/** What is told of a portion, by the mix that it was divided from. */
const RESULT = sql`select e.*, mix.formula_id, mix.ordinal, portion.product_id, person.name as by
	from result_entry e
	join batch portion on portion.id = e.batch_id
	join batch_parent p on p.batch_id = portion.id
	join batch mix on mix.id = p.parent_id and mix.kind = 'mix'
	join command c on c.id = e.command_id
	join bakery_entry person on person.id = c.actor_id`;

/** What was told of a date's portions, in the order in which it happened; what was struck is left out. */
export async function loadResults(db: Db | Tx, date: BakeDate): Promise<readonly ResultEntry[]> {
	const { rows } = await sql<ResultRow>`
		${RESULT} where e.bake_date = ${date}
			and not exists (select 1 from result_struck s where s.entry_id = e.id)
		order by e.occurred_at, e.recorded_at, e.id`.execute(db);
	return rows.map(resultOf);
}

/** What was told and is not so after all, with who took it back and when. */
export async function loadStruckResults(
	db: Db | Tx,
	date: BakeDate
): Promise<
	readonly (ResultEntry & { readonly struck: { readonly by: string; readonly atMs: number } })[]
> {
	const { rows } = await sql<ResultRow & { struck_by: string; struck_at: Date }>`
		select told.*, s.occurred_at as struck_at, striker.name as struck_by
		from (${RESULT} where e.bake_date = ${date}) told
		join result_struck s on s.entry_id = told.id
		join command sc on sc.id = s.command_id
		join bakery_entry striker on striker.id = sc.actor_id
		order by told.occurred_at, told.id`.execute(db);
	return rows.map((row) => ({
		...resultOf(row),
		struck: { by: row.struck_by, atMs: row.struck_at.getTime() }
	}));
}

function resultOf(row: ResultRow): ResultEntry {
	return {
		id: row.id,
		portion: {
			formulaId: id<FormulaId>(row.formula_id),
			ordinal: row.ordinal,
			productId: id<ProductId>(row.product_id)
		},
		told: toldOf(row),
		by: row.by,
		atMs: row.occurred_at.getTime()
	};
}

/** What each kind carries is there: the database holds it. */
function toldOf(row: ResultRow): ResultTold {
	const { kind, note } = row;
	switch (kind) {
		case 'counted':
			return {
				kind,
				good: row.good ?? 0,
				second: row.second ?? 0,
				lost: row.lost ?? 0,
				because: note
			};
		case 'weighed':
			return { kind, pieces: row.pieces ?? 0, bakedGrams: row.baked_g ?? 0 };
		case 'scored':
			return { kind, scores: { crust: row.crust, crumb: row.crumb, taste: row.taste }, note };
		case 'fault':
			return { kind, fault: row.fault as Fault, note };
		case 'drawn':
			return { kind, browning: row.browning, sound: row.sound };
		case 'picture':
			return { kind, jpegBase64: null };
		case 'judged':
			return {
				kind,
				at: row.looked_at ?? 'proof',
				clock: {
					share: row.clock_share ?? 0,
					earlyShare: row.early_share ?? 0,
					lateShare: row.late_share ?? 2
				},
				bookFactor: row.book_factor ?? 1,
				sightings: sightingsSchema.parse(row.sightings),
				decision: row.decision as PieceDecision
			};
		case 'less':
			return { kind, dropId: id<DropId>(row.drop_id ?? ''), pieces: row.pieces ?? 0 };
		case 'again':
			return { kind, pieces: row.pieces ?? 0 };
	}
}

/** How many pieces of which portions of a date are made again. */
export async function loadMadeAgain(
	db: Db | Tx,
	date: BakeDate
): Promise<ReadonlyMap<BatchId, number>> {
	const { rows } = await sql<{ batch_id: string; pieces: number }>`
		select e.batch_id, sum(e.pieces)::int as pieces from result_entry e
		where e.bake_date = ${date} and e.kind = 'again'
			and not exists (select 1 from result_struck s where s.entry_id = e.id)
		group by e.batch_id`.execute(db);
	return new Map(rows.map(({ batch_id, pieces }) => [id<BatchId>(batch_id), pieces]));
}

/** What was weighed of some product, baked, beside what its pieces were scaled at. */
export interface WeighedBaked {
	readonly id: string;
	readonly productId: string;
	readonly lossShare: number;
}

/** As many of the newest weighings as bake losses are learned from, of all products together. */
const NEWEST_WEIGHED = 400;

/** The newest baked weights of all products; one query, whatever the history. */
export async function loadWeighedBaked(db: Db): Promise<readonly WeighedBaked[]> {
	const { rows } = await sql<{ id: string; product_id: string; baked: number; scaled: number }>`
		select e.id, b.product_id, e.baked_g / e.pieces as baked,
			(select sum(d.scaled_g) from product_revision_dough d where d.revision_id = b.product_revision_id) as scaled
		from (select * from result_entry where kind = 'weighed' order by occurred_at desc limit ${NEWEST_WEIGHED}) e
		join batch b on b.id = e.batch_id
		where not exists (select 1 from result_struck s where s.entry_id = e.id)`.execute(db);
	return rows
		.filter(({ scaled }) => scaled > 0)
		.map((row) => ({
			id: row.id,
			productId: row.product_id,
			lossShare: 1 - row.baked / row.scaled
		}));
}

/** Pieces of some product that were looked at in proof. */
export interface ProofLookedAt {
	readonly id: string;
	readonly productId: string;
	readonly told: Extract<ResultTold, { readonly kind: 'judged' }>;
	readonly occurredAtMs: number;
}

/** As many of the newest looks as proofs are learned from, of all products together. */
const NEWEST_LOOKS = 400;

/** The newest looks at pieces in proof, newest first, up to then; one query, whatever the history. */
export async function loadProofsLookedAt(
	db: Db | Tx,
	/** Everything where it is left out. */
	until: LearnedUntil | null = null
): Promise<readonly ProofLookedAt[]> {
	const { rows } = await sql<ResultRow>`
		${RESULT} where e.id in (
				select id from result_entry where kind = 'judged' and looked_at = 'proof'
					and ${
						until === null
							? sql`true`
							: sql`occurred_at < ${new Date(until.atMs)} and bake_date < ${until.date}`
					}
				order by occurred_at desc limit ${NEWEST_LOOKS})
			and not exists (select 1 from result_struck s where s.entry_id = e.id)
		order by e.occurred_at desc, e.id`.execute(db);
	return rows.map((row) => ({
		id: row.id,
		productId: row.product_id,
		told: toldOf(row) as ProofLookedAt['told'],
		occurredAtMs: row.occurred_at.getTime()
	}));
}

/** The batch of a portion of a date that is not withdrawn; null where there is none. */
export async function findPortion(
	tx: Tx,
	date: BakeDate,
	{ formulaId, ordinal, productId }: PortionRef
): Promise<BatchId | null> {
	const { rows } = await sql<{ id: string }>`
		select portion.id from batch portion
		join batch_parent p on p.batch_id = portion.id
		join batch mix on mix.id = p.parent_id
		where portion.bake_date = ${date} and portion.kind = 'portion' and portion.state <> 'withdrawn'
			and portion.product_id = ${productId} and mix.kind = 'mix' and mix.formula_id = ${formulaId}
			and mix.ordinal = ${ordinal} and mix.state <> 'withdrawn'`.execute(tx);
	const [row] = rows;
	return row ? id<BatchId>(row.id) : null;
}

/** A picture that was told and is so still; null where there is none. */
export async function findPicture(db: Db, date: BakeDate, entryId: string): Promise<Buffer | null> {
	const { rows } = await sql<{ jpeg: Buffer }>`
		select p.jpeg from result_picture p join result_entry e on e.id = p.entry_id
		where p.entry_id = ${entryId} and e.bake_date = ${date}
			and not exists (select 1 from result_struck s where s.entry_id = e.id)`.execute(db);
	return rows[0]?.jpeg ?? null;
}

/** Writes down what is told of a portion. */
export async function insertResult(
	tx: Tx,
	{
		told,
		...of
	}: {
		readonly id: string;
		readonly date: BakeDate;
		readonly batchId: BatchId;
		readonly told: ResultTold;
		readonly commandId: string;
		readonly occurredAtMs: number;
	}
): Promise<void> {
	const counted = told.kind === 'counted' ? told : null;
	const scores = told.kind === 'scored' ? told.scores : null;
	const judged = told.kind === 'judged' ? told : null;
	const drawn = told.kind === 'drawn' ? told : null;
	const row: EveryColumn<'result_entry'> = {
		id: of.id,
		bake_date: of.date,
		batch_id: of.batchId,
		kind: told.kind,
		good: counted?.good ?? null,
		second: counted?.second ?? null,
		lost: counted?.lost ?? null,
		pieces: 'pieces' in told ? told.pieces : null,
		baked_g: told.kind === 'weighed' ? told.bakedGrams : null,
		crust: scores?.crust ?? null,
		crumb: scores?.crumb ?? null,
		taste: scores?.taste ?? null,
		fault: told.kind === 'fault' ? told.fault : null,
		drop_id: told.kind === 'less' ? told.dropId : null,
		sightings: judged ? JSON.stringify(judged.sightings) : null,
		clock_share: judged?.clock.share ?? null,
		early_share: judged?.clock.earlyShare ?? null,
		late_share: judged?.clock.lateShare ?? null,
		decision: judged?.decision ?? null,
		looked_at: judged?.at ?? null,
		book_factor: judged?.bookFactor ?? null,
		browning: drawn?.browning ?? null,
		sound: drawn?.sound ?? null,
		note: counted?.because ?? ('note' in told ? told.note : ''),
		command_id: of.commandId,
		occurred_at: new Date(of.occurredAtMs)
	};
	await tx.insertInto('result_entry').values(row).execute();
	if (told.kind === 'picture' && told.jpegBase64 !== null) {
		const picture: EveryColumn<'result_picture'> = {
			entry_id: of.id,
			jpeg: Buffer.from(told.jpegBase64, 'base64')
		};
		await tx.insertInto('result_picture').values(picture).execute();
	}
}

export async function isResultKnown(tx: Tx, entryId: string): Promise<boolean> {
	const row = await tx
		.selectFrom('result_entry')
		.select('id')
		.where('id', '=', entryId)
		.executeTakeFirst();
	return row !== undefined;
}

/** Says that something told is not so; said twice, it is said once. */
export async function strikeResult(
	tx: Tx,
	entryId: string,
	by: { readonly commandId: string; readonly occurredAtMs: number }
): Promise<void> {
	const row: EveryColumn<'result_struck'> = {
		entry_id: entryId,
		command_id: by.commandId,
		occurred_at: new Date(by.occurredAtMs)
	};
	await tx
		.insertInto('result_struck')
		.values(row)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
}
