import { sql, type RawBuilder } from 'kysely';
import { sightingsSchema } from '../../contracts/sightings.ts';
import type {
	ReadinessDecision,
	ReadinessVerdict,
	Sighting
} from '../../core/fermentation/index.ts';
import type { WaitPlace } from '../../core/formula/index.ts';
import type { DoughInstrument, MixProgram } from '../../core/heat/index.ts';
import { id, type BatchId } from '../../core/identity.ts';
import type { LearnedSubject } from '../../core/learning/index.ts';
import type { Db, Tx } from './client.ts';
import { orNone } from './or-none.ts';
import type { BatchEventKind } from './tables.ts';

/** What every entry of the log has. */
interface AnyEntry {
	readonly id: string;
	readonly batchId: BatchId;
	/** The formula or preparation it was made by. */
	readonly recipeId: string;
	/** The date it was made for. */
	readonly date: string;
	/** Who wrote it down. */
	readonly by: string;
	readonly occurredAtMs: number;
	/** Does not count for what is learned. */
	readonly ignored: boolean;
}

/** How warm it came out of the mixer, or was when it was stirred. */
export interface MeasuredEntry extends AnyEntry {
	readonly kind: 'measured';
	readonly celsius: number;
	readonly targetCelsius: number | null;
	readonly instrument: DoughInstrument;
	/** What a mixer did to it; null for what was stirred by hand. */
	readonly mixing: MixingEntry | null;
}

export interface MixingEntry {
	readonly waterCelsius: number;
	readonly frictionKilojoulesPerKilogram: number;
	/** null for one that was measured before mixers were told apart. */
	readonly mixerId: string | null;
	/** null where it was mixed as the formula says. */
	readonly program: MixProgram | null;
	readonly fillShare: number;
	/** How far its friction may lie from the truth; null for one that was measured before that was told. */
	readonly spreadKilojoulesPerKilogram: number | null;
}

/** How warm it is where it stands. */
export interface CheckedEntry extends AnyEntry {
	readonly kind: 'checked';
	readonly stage: 'autolyse' | 'dough';
	readonly celsius: number;
	readonly instrument: DoughInstrument;
	readonly place: WaitPlace;
	readonly ambientCelsius: number;
}

export interface MovedEntry extends AnyEntry {
	readonly kind: 'moved';
	readonly place: WaitPlace;
	readonly ambientCelsius: number;
	readonly timeConstantMinutes: number;
	readonly retarderId: string | null;
}

/** Its wait is over: it is divided, or goes into the dough. */
export interface EndedEntry extends AnyEntry {
	readonly kind: 'ended';
}

export interface JudgedEntry extends AnyEntry {
	readonly kind: 'judged';
	readonly sightings: readonly Sighting[];
	readonly doseMinutes: number;
	readonly bookRipeMinutes: number;
	readonly seenShare: number | null;
	readonly seenSpread: number | null;
	readonly verdict: ReadinessVerdict;
	readonly decision: ReadinessDecision;
}

export type BatchEntry = MeasuredEntry | CheckedEntry | MovedEntry | EndedEntry | JudgedEntry;

interface LogRow {
	id: string;
	batch_id: string;
	recipe_id: string;
	bake_date: string;
	by: string;
	kind: Exclude<BatchEventKind, 'struck'>;
	occurred_at: Date;
	ignored: boolean;
	measured_celsius: number;
	target_celsius: number | null;
	measured_instrument: DoughInstrument;
	water_celsius: number | null;
	friction_kj_per_kg: number | null;
	mixer_id: string | null;
	slow_min: number | null;
	fast_min: number | null;
	fill_share: number | null;
	spread_kj_per_kg: number | null;
	stage: 'autolyse' | 'dough';
	checked_celsius: number;
	checked_instrument: DoughInstrument;
	checked_place: WaitPlace;
	checked_ambient: number;
	moved_place: WaitPlace;
	moved_ambient: number;
	time_constant_min: number;
	retarder_id: string | null;
	sightings: unknown;
	dose_min: number;
	book_ripe_min: number;
	seen_share: number | null;
	seen_spread: number | null;
	verdict: ReadinessVerdict;
	decision: ReadinessDecision;
}

/**
 * Reads entries of the log, those left out that were corrected or struck, in order of time; `which` names the
 * entries by their event. One query, whatever the number of batches.
 */
async function readLog(db: Db | Tx, which: RawBuilder<unknown>): Promise<readonly BatchEntry[]> {
	const { rows } = await sql<LogRow>`
		select e.id, e.batch_id, e.recipe_id, b.bake_date, person.name as by, e.kind, e.occurred_at,
			ignored.observation_id is not null as ignored,
			m.celsius as measured_celsius, m.target_celsius, m.instrument as measured_instrument, m.water_celsius,
			m.friction_kj_per_kg, m.mixer_id, m.slow_min, m.fast_min, m.fill_share, m.spread_kj_per_kg,
			c.stage, c.celsius as checked_celsius, c.instrument as checked_instrument, c.place as checked_place,
			c.ambient_celsius as checked_ambient,
			v.place as moved_place, v.ambient_celsius as moved_ambient, v.time_constant_min, v.retarder_id,
			j.sightings, j.dose_min, j.book_ripe_min, j.seen_share, j.seen_spread, j.verdict, j.decision
		from (${which}) e
		join batch b on b.id = e.batch_id
		join command on command.id = e.command_id
		join person on person.id = command.actor_id
		left join observation_ignored ignored on ignored.observation_id = e.id
		left join event_measured m on m.event_id = e.id
		left join event_checked c on c.event_id = e.id
		left join event_moved v on v.event_id = e.id
		left join event_judged j on j.event_id = e.id
		order by e.occurred_at, e.recorded_at, e.id`.execute(db);
	return rows.map(entryOf);
}

/** An entry counts unless another corrects it, and never where it only says that another did not happen. */
const STANDS = sql`one.kind <> 'struck'
	and not exists (select 1 from batch_event later where later.corrects_id = one.id)`;

/** The log of some batches. */
export function loadLogOf(
	db: Db | Tx,
	batchIds: readonly BatchId[]
): Promise<readonly BatchEntry[]> {
	return readLog(
		db,
		sql`select * from batch_event one
			where one.batch_id = any(${sql.val([...orNone(batchIds)])}::uuid[]) and ${STANDS}`
	);
}

/** As many of the newest of each kind as anything is learned from; what is older says little of today. */
export const NEWEST_OBSERVATIONS = 40;

/** What is learned from each kind of entry. */
const SUBJECT_OF = {
	measured: 'friction',
	checked: 'time-constant',
	judged: 'clock'
} as const satisfies Partial<Record<BatchEventKind, LearnedSubject>>;
type ObservedKind = keyof typeof SUBJECT_OF;

/**
 * The newest measured, checked and judged entries of each formula since the learning of its figures began anew,
 * and all that was written of the batches they belong to; two queries, whatever the history.
 */
export async function loadObservations(
	db: Db | Tx,
	formulaIds: readonly string[],
	kinds: readonly ObservedKind[] = ['measured', 'checked', 'judged']
): Promise<{ readonly newest: readonly BatchEntry[]; readonly around: readonly BatchEntry[] }> {
	if (formulaIds.length === 0) return { newest: [], around: [] };
	const subjects = kinds.map((kind) => SUBJECT_OF[kind]);
	const newest = await readLog(
		db,
		sql`select found.* from unnest(${sql.val([...new Set(formulaIds)])}::uuid[]) as formula (id)
			cross join unnest(${sql.val([...kinds])}::text[], ${sql.val(subjects)}::text[]) as kind (name, subject)
			cross join lateral (
				select one.* from batch_event one
				left join learning_reset reset
					on reset.subject = kind.subject and reset.formula_id = formula.id
				where one.recipe_id = formula.id and one.kind = kind.name and ${STANDS}
					and (reset.at is null
						or (one.occurred_at >= reset.at and one.recorded_at > reset.recorded_at))
				order by one.occurred_at desc, one.recorded_at desc limit ${NEWEST_OBSERVATIONS}
			) found`
	);
	// A check is measured against the mix before it, and against moves between.
	const checked = [
		...new Set(newest.flatMap((one) => (one.kind === 'checked' ? [one.batchId] : [])))
	];
	return { newest, around: checked.length === 0 ? [] : await loadLogOf(db, checked) };
}

/** How many mixes of each formula were measured since a moment on the bakery's clock. */
export async function countMeasured(
	db: Db | Tx,
	sinceMs: number
): Promise<ReadonlyMap<string, number>> {
	const rows = await db
		.selectFrom('batch_event')
		.select(['recipe_id', (one) => one.fn.countAll<string>().as('count')])
		.where('kind', '=', 'measured')
		.where('corrects_id', 'is', null)
		.where('occurred_at', '>', new Date(sinceMs))
		.groupBy('recipe_id')
		.execute();
	return new Map(rows.map((row) => [row.recipe_id, Number(row.count)]));
}

/** Whether an entry is there from which a figure is learned. */
export async function isObservation(
	db: Db | Tx,
	entryId: string,
	subject: LearnedSubject
): Promise<boolean> {
	const row = await db
		.selectFrom('batch_event')
		.select('kind')
		.where('id', '=', entryId)
		.executeTakeFirst();
	return Object.entries(SUBJECT_OF).some(([kind, of]) => kind === row?.kind && of === subject);
}

function entryOf(row: LogRow): BatchEntry {
	const any = {
		id: row.id,
		batchId: id<BatchId>(row.batch_id),
		recipeId: row.recipe_id,
		date: row.bake_date,
		by: row.by,
		occurredAtMs: row.occurred_at.getTime(),
		ignored: row.ignored
	};
	switch (row.kind) {
		case 'measured':
			return {
				...any,
				kind: row.kind,
				celsius: row.measured_celsius,
				targetCelsius: row.target_celsius,
				instrument: row.measured_instrument,
				mixing: mixingOf(row)
			};
		case 'checked':
			return {
				...any,
				kind: row.kind,
				stage: row.stage,
				celsius: row.checked_celsius,
				instrument: row.checked_instrument,
				place: row.checked_place,
				ambientCelsius: row.checked_ambient
			};
		case 'moved':
			return {
				...any,
				kind: row.kind,
				place: row.moved_place,
				ambientCelsius: row.moved_ambient,
				timeConstantMinutes: row.time_constant_min,
				retarderId: row.retarder_id
			};
		case 'ended':
			return { ...any, kind: row.kind };
		case 'judged':
			return {
				...any,
				kind: row.kind,
				sightings: sightingsSchema.parse(row.sightings),
				doseMinutes: row.dose_min,
				bookRipeMinutes: row.book_ripe_min,
				seenShare: row.seen_share,
				seenSpread: row.seen_spread,
				verdict: row.verdict,
				decision: row.decision
			};
	}
}

function mixingOf(row: LogRow): MixingEntry | null {
	if (row.water_celsius === null || row.friction_kj_per_kg === null) return null;
	return {
		waterCelsius: row.water_celsius,
		frictionKilojoulesPerKilogram: row.friction_kj_per_kg,
		mixerId: row.mixer_id,
		program:
			row.slow_min !== null && row.fast_min !== null
				? { slowMinutes: row.slow_min, fastMinutes: row.fast_min }
				: null,
		fillShare: row.fill_share ?? 1,
		spreadKilojoulesPerKilogram: row.spread_kj_per_kg
	};
}

/** An entry that was neither corrected nor struck, locked; null where there is none. */
export async function findStandingEntry(
	tx: Tx,
	entryId: string
): Promise<{ readonly batchId: BatchId; readonly recipeId: string } | null> {
	const { rows } = await sql<{ batch_id: string; recipe_id: string }>`
		select one.batch_id, one.recipe_id from batch_event one
		where one.id = ${entryId} and ${STANDS} for update of one`.execute(tx);
	const [row] = rows;
	return row ? { batchId: id<BatchId>(row.batch_id), recipeId: row.recipe_id } : null;
}

/** Whether the wait of a batch is over, by the last that was written of where it is. */
export async function isEnded(db: Db | Tx, batchId: BatchId): Promise<boolean> {
	const { rows } = await sql<{ kind: BatchEventKind }>`
		select one.kind from batch_event one
		where one.batch_id = ${batchId} and one.kind in ('moved', 'ended') and ${STANDS}
		order by one.occurred_at desc, one.recorded_at desc limit 1`.execute(db);
	return rows[0]?.kind === 'ended';
}
