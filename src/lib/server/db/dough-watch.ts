import { sql } from 'kysely';
import {
	sightingsSchema,
	type DoughInstrument,
	type LearnedSubject,
	type ReadinessDecision
} from '../../contracts/dough-commands.ts';
import type { ReadinessVerdict, Sighting } from '../../core/fermentation/index.ts';
import type { WaitPlace } from '../../core/formula/index.ts';
import type { Db, Tx } from './client.ts';

/** Which mix of which formula. */
export interface MixKey {
	readonly formulaId: string;
	readonly ordinal: number;
}

export interface DoughCheckRow extends MixKey {
	readonly id: string;
	readonly date: string;
	readonly stage: 'autolyse' | 'dough';
	readonly celsius: number;
	readonly instrument: DoughInstrument;
	readonly place: WaitPlace;
	readonly ambientCelsius: number;
	readonly occurredAtMs: number;
}

export interface DoughMoveRow extends MixKey {
	readonly id: string;
	readonly date: string;
	readonly place: WaitPlace;
	readonly ambientCelsius: number;
	readonly timeConstantMinutes: number;
	readonly retarderId: string | null;
	readonly ended: boolean;
	readonly occurredAtMs: number;
}

export interface JudgementRow extends MixKey {
	readonly id: string;
	readonly date: string;
	readonly by: string;
	readonly sightings: readonly Sighting[];
	readonly doseMinutes: number;
	readonly bookRipeMinutes: number;
	readonly seenShare: number | null;
	readonly seenSpread: number | null;
	readonly verdict: ReadinessVerdict;
	readonly decision: ReadinessDecision;
	readonly occurredAtMs: number;
}

/** What was written down of the doughs of a date since they were mixed, in order. */
export interface DoughWatch {
	readonly checks: readonly DoughCheckRow[];
	readonly moves: readonly DoughMoveRow[];
	readonly judgements: readonly JudgementRow[];
}

export async function loadDoughWatch(db: Db | Tx, date: string): Promise<DoughWatch> {
	const [checks, moves, judgements] = await Promise.all([
		db
			.selectFrom('dough_check')
			.selectAll()
			.where('bake_date', '=', date)
			.orderBy('occurred_at')
			.orderBy('recorded_at')
			.execute(),
		db
			.selectFrom('dough_move')
			.selectAll()
			.where('bake_date', '=', date)
			.orderBy('occurred_at')
			.orderBy('recorded_at')
			.execute(),
		judgementQuery(db)
			.where('judgement.bake_date', '=', date)
			.orderBy('judgement.occurred_at')
			.orderBy('judgement.recorded_at')
			.execute()
	]);
	return {
		checks: checks.map(checkOf),
		moves: moves.map((row) => ({
			id: row.id,
			date: row.bake_date,
			formulaId: row.formula_id,
			ordinal: row.ordinal,
			place: row.place,
			ambientCelsius: row.ambient_celsius,
			timeConstantMinutes: row.time_constant_min,
			retarderId: row.retarder_id,
			ended: row.ended,
			occurredAtMs: row.occurred_at.getTime()
		})),
		judgements: judgements.map(judgementOf)
	};
}

/** As many of the newest as anything is learned from. */
const NEWEST = 40;

/** The newest judgements of a formula since the learning of its clock began, newest first. */
export async function loadJudgementsOf(
	db: Db | Tx,
	formulaId: string
): Promise<readonly JudgementRow[]> {
	const rows = await judgementQuery(db)
		.where('judgement.formula_id', '=', formulaId)
		.where(sinceReset('clock', 'judgement'))
		.orderBy('judgement.occurred_at', 'desc')
		.orderBy('judgement.recorded_at', 'desc')
		.limit(NEWEST)
		.execute();
	return rows.map(judgementOf);
}

/** The newest checks of a formula's doughs since the learning of its tub began, newest first. */
export async function loadChecksOf(
	db: Db | Tx,
	formulaId: string
): Promise<readonly DoughCheckRow[]> {
	const rows = await db
		.selectFrom('dough_check as one')
		.selectAll('one')
		.where('one.formula_id', '=', formulaId)
		.where('one.stage', '=', 'dough')
		.where(sinceReset('time-constant', 'one'))
		.orderBy('one.occurred_at', 'desc')
		.orderBy('one.recorded_at', 'desc')
		.limit(NEWEST)
		.execute();
	return rows.map(checkOf);
}

/** Ids of observations that do not count, out of some. */
export async function loadIgnored(
	db: Db | Tx,
	ids: readonly string[]
): Promise<ReadonlySet<string>> {
	if (ids.length === 0) return new Set();
	const rows = await db
		.selectFrom('observation_ignored')
		.select('observation_id')
		.where('observation_id', 'in', ids)
		.execute();
	return new Set(rows.map((row) => row.observation_id));
}

/** Whether a row came after the learning of a subject began anew; the bakery's clock ticks in seconds. */
export function sinceReset(subject: LearnedSubject, table: string) {
	const row = sql.ref(table);
	return sql<boolean>`not exists (select 1 from learning_reset as reset
		where reset.subject = ${subject} and reset.formula_id = ${row}.formula_id
		and (${row}.occurred_at < reset.at or ${row}.recorded_at <= reset.recorded_at))`;
}

function judgementQuery(db: Db | Tx) {
	return db
		.selectFrom('readiness_judgement as judgement')
		.innerJoin('command', 'command.id', 'judgement.command_id')
		.innerJoin('person', 'person.id', 'command.actor_id')
		.selectAll('judgement')
		.select('person.name as by');
}

function judgementOf(row: {
	id: string;
	bake_date: string;
	formula_id: string;
	ordinal: number;
	by: string;
	sightings: unknown;
	dose_min: number;
	book_ripe_min: number;
	seen_share: number | null;
	seen_spread: number | null;
	verdict: ReadinessVerdict;
	decision: ReadinessDecision;
	occurred_at: Date;
}): JudgementRow {
	return {
		id: row.id,
		date: row.bake_date,
		formulaId: row.formula_id,
		ordinal: row.ordinal,
		by: row.by,
		sightings: sightingsSchema.parse(row.sightings),
		doseMinutes: row.dose_min,
		bookRipeMinutes: row.book_ripe_min,
		seenShare: row.seen_share,
		seenSpread: row.seen_spread,
		verdict: row.verdict,
		decision: row.decision,
		occurredAtMs: row.occurred_at.getTime()
	};
}

function checkOf(row: {
	id: string;
	bake_date: string;
	formula_id: string;
	ordinal: number;
	stage: 'autolyse' | 'dough';
	celsius: number;
	instrument: DoughInstrument;
	place: WaitPlace;
	ambient_celsius: number;
	occurred_at: Date;
}): DoughCheckRow {
	return {
		id: row.id,
		date: row.bake_date,
		formulaId: row.formula_id,
		ordinal: row.ordinal,
		stage: row.stage,
		celsius: row.celsius,
		instrument: row.instrument,
		place: row.place,
		ambientCelsius: row.ambient_celsius,
		occurredAtMs: row.occurred_at.getTime()
	};
}
