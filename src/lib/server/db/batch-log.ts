import { sql, type RawBuilder, type Selectable } from 'kysely';
import { sightingsSchema } from '../../contracts/sightings.ts';
import type {
	ReadinessDecision,
	ReadinessVerdict,
	Sighting
} from '../../core/fermentation/index.ts';
import type { WaitPlace } from '../../core/formula/index.ts';
import type { DoughInstrument, MixProgram } from '../../core/heat/index.ts';
import { id, type BatchId } from '../../core/identity.ts';
import type { LearnedSubject, SchoolsOfMix } from '../../core/learning/index.ts';
import type { Db, Tx } from './client.ts';
import { orNone } from './or-none.ts';
import type { BatchEventKind, Tables } from './tables.ts';

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
	/** null for one that was measured before the schools were held against what came out. */
	readonly schools: SchoolsOfMix | null;
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

/** All of a measured entry but what it was mixed from, which is large and is kept, not read. */
const MEASURED_COLUMNS = [
	'event_id',
	'celsius',
	'target_celsius',
	'instrument',
	'water_celsius',
	'friction_kj_per_kg',
	'mixer_id',
	'slow_min',
	'fast_min',
	'fill_share',
	'spread_kj_per_kg',
	'rule_rise_k',
	'base_rise_k',
	'asked_factor_rule_celsius',
	'asked_base_celsius',
	'asked_balance_celsius',
	'water_degrees_per_dough',
	'room_celsius'
] as const;
type MeasuredRow = Pick<Selectable<Tables['event_measured']>, (typeof MEASURED_COLUMNS)[number]>;

/** The head of an entry, before its detail is read. */
interface HeadRow {
	id: string;
	batch_id: string;
	recipe_id: string;
	bake_date: string;
	by: string;
	kind: Exclude<BatchEventKind, 'struck'>;
	occurred_at: Date;
	ignored: boolean;
}

/**
 * Reads entries of the log in order of time; `which` names them by their event, those left out that were
 * corrected or struck. A fixed number of queries, whatever the number of batches; each reads by the index, for
 * the tables grow with the nights.
 */
async function readLog(db: Db | Tx, which: RawBuilder<unknown>): Promise<readonly BatchEntry[]> {
	const { rows } = await sql<HeadRow>`
		select e.id, e.batch_id, e.recipe_id, e.kind, e.occurred_at,
			(select bake_date from batch where batch.id = e.batch_id) as bake_date,
			(select person.name from command join bakery_entry as person on person.id = command.actor_id
				where command.id = e.command_id) as by,
			exists (select 1 from observation_ignored i where i.observation_id = e.id) as ignored
		from (${which}) e order by e.occurred_at, e.recorded_at, e.id`.execute(db);
	const idsOf = (kind: HeadRow['kind']) =>
		sql.val(rows.filter((row) => row.kind === kind).map((row) => row.id));
	const of = (kind: HeadRow['kind']) => sql<boolean>`event_id = any(${idsOf(kind)}::uuid[])`;
	const [measured, checked, moved, judged] = await Promise.all([
		db.selectFrom('event_measured').select(MEASURED_COLUMNS).where(of('measured')).execute(),
		db.selectFrom('event_checked').selectAll().where(of('checked')).execute(),
		db.selectFrom('event_moved').selectAll().where(of('moved')).execute(),
		db.selectFrom('event_judged').selectAll().where(of('judged')).execute()
	]);
	const details: Details = {
		measured: byEvent(measured),
		checked: byEvent(checked),
		moved: byEvent(moved),
		judged: byEvent(judged)
	};
	return rows.flatMap((row) => entryOf(row, details));
}

interface Details {
	readonly measured: ReadonlyMap<string, MeasuredRow>;
	readonly checked: ReadonlyMap<string, Selectable<Tables['event_checked']>>;
	readonly moved: ReadonlyMap<string, Selectable<Tables['event_moved']>>;
	readonly judged: ReadonlyMap<string, Selectable<Tables['event_judged']>>;
}

function byEvent<Row extends { readonly event_id: string }>(
	rows: readonly Row[]
): ReadonlyMap<string, Row> {
	return new Map(rows.map((row) => [row.event_id, row]));
}

/** An entry counts unless another corrects it, and never where it only says that another did not happen. */
export const STANDS = sql`one.kind <> 'struck'
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
export type ObservedKind = keyof typeof SUBJECT_OF;

/** Up to when something is learned: what happened before a moment, to what was made for dates before one. */
export interface LearnedUntil {
	readonly atMs: number;
	readonly date: string;
}

/**
 * The newest measured, checked and judged entries of each formula since the learning of its figures began anew,
 * and what the checks among them were measured against; a fixed number of queries, whatever the history.
 */
export async function loadObservations(
	db: Db | Tx,
	formulaIds: readonly string[],
	kinds: readonly ObservedKind[] = ['measured', 'checked', 'judged'],
	/** Everything where it is left out. */
	until: LearnedUntil | null = null
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
					and ${
						until === null
							? sql`true`
							: sql`one.occurred_at < ${new Date(until.atMs)}
						and (select b.bake_date from batch b where b.id = one.batch_id) < ${until.date}`
					}
					and (reset.at is null
						or (one.occurred_at >= reset.at and one.recorded_at > reset.recorded_at))
				order by one.occurred_at desc, one.recorded_at desc limit ${NEWEST_OBSERVATIONS}
			) found`
	);
	// A check is measured against the mix before it, and against moves between.
	const checked = [
		...new Set(newest.flatMap((entry) => (entry.kind === 'checked' ? [entry.batchId] : [])))
	];
	const around = await readLog(
		db,
		sql`select * from batch_event one where one.batch_id = any(${sql.val(checked)}::uuid[])
			and one.kind in ('measured', 'moved', 'ended') and ${STANDS}`
	);
	return { newest, around };
}

/** How many mixes of each formula were measured since a moment on the bakery's clock. */
export async function countMeasured(
	db: Db | Tx,
	sinceMs: number
): Promise<ReadonlyMap<string, number>> {
	const rows = await db
		.selectFrom('batch_event')
		.select(['recipe_id', (builder) => builder.fn.countAll<string>().as('count')])
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

function entryOf(row: HeadRow, details: Details): readonly BatchEntry[] {
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
		case 'measured': {
			const detail = details.measured.get(row.id);
			if (!detail) return [];
			return [
				{
					...any,
					kind: row.kind,
					celsius: detail.celsius,
					targetCelsius: detail.target_celsius,
					instrument: detail.instrument,
					mixing: mixingOf(detail)
				}
			];
		}
		case 'checked': {
			const detail = details.checked.get(row.id);
			if (!detail) return [];
			const { stage, celsius, instrument, place, ambient_celsius: ambientCelsius } = detail;
			return [{ ...any, kind: row.kind, stage, celsius, instrument, place, ambientCelsius }];
		}
		case 'moved': {
			const detail = details.moved.get(row.id);
			if (!detail) return [];
			return [
				{
					...any,
					kind: row.kind,
					place: detail.place,
					ambientCelsius: detail.ambient_celsius,
					timeConstantMinutes: detail.time_constant_min,
					retarderId: detail.retarder_id
				}
			];
		}
		case 'ended':
			return [{ ...any, kind: row.kind }];
		case 'judged': {
			const detail = details.judged.get(row.id);
			if (!detail) return [];
			return [
				{
					...any,
					kind: row.kind,
					sightings: sightingsSchema.parse(detail.sightings),
					doseMinutes: detail.dose_min,
					bookRipeMinutes: detail.book_ripe_min,
					seenShare: detail.seen_share,
					seenSpread: detail.seen_spread,
					verdict: detail.verdict,
					decision: detail.decision
				}
			];
		}
	}
}

function mixingOf(row: MeasuredRow): MixingEntry | null {
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
		spreadKilojoulesPerKilogram: row.spread_kj_per_kg,
		schools: schoolsOf(row)
	};
}

/** All of them are there, or none: the database holds it. */
function schoolsOf(row: MeasuredRow): SchoolsOfMix | null {
	if (row.rule_rise_k === null) return null;
	return {
		risesKelvins: { 'factor-rule': row.rule_rise_k, 'base-temperature': row.base_rise_k ?? NaN },
		askedCelsius: {
			'factor-rule': row.asked_factor_rule_celsius ?? NaN,
			'base-temperature': row.asked_base_celsius ?? NaN,
			'heat-balance': row.asked_balance_celsius ?? NaN
		},
		waterDegreesPerDough: row.water_degrees_per_dough ?? NaN,
		roomCelsius: row.room_celsius ?? NaN
	};
}
