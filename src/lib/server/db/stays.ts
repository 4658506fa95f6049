import { sql } from 'kysely';
import { addDays, type BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';

/** Dough that a plan put into a place, with the taps on it. */
export interface StayTapped {
	readonly date: string;
	readonly placeId: string;
	readonly plannedInMs: number;
	/** When it really went in and came out; null while that was not tapped. */
	readonly inMs: number | null;
	readonly outMs: number | null;
	readonly kilograms: number;
	readonly celsius: number;
	readonly timeConstantMinutes: number;
}

/** Of so many days the stays are learned from: what is older says little of a compressor today. */
const DAYS = 30;

/** What the plans of the weeks before a date put into some places, and when that was tapped; one query. */
export async function loadStaysBefore(
	db: Db | Tx,
	placeIds: readonly string[],
	date: BakeDate
): Promise<readonly StayTapped[]> {
	const tapped = sql`from work_entry e where e.bake_date = s.bake_date
		and not exists (select 1 from work_struck x where x.entry_id = e.id)`;
	const { rows } = await sql<{
		bake_date: string;
		place_id: string;
		planned_in_at: Date;
		in_at: Date | null;
		out_at: Date | null;
		kilograms: number;
		celsius: number;
		time_constant_min: number;
	}>`select s.bake_date, s.place_id, s.planned_in_at, s.kilograms, s.celsius, s.time_constant_min,
			(select max(e.occurred_at) ${tapped} and e.work = s.into_work and e.act = 'ended') as in_at,
			(select min(e.occurred_at) ${tapped} and e.work = any(s.out_works) and e.act in ('begun', 'ended')) as out_at
		from plan_stay s join plan_version v on v.id = s.plan_id
		where s.place_id = any(${sql.val(placeIds)}::uuid[]) and s.bake_date < ${date} and s.bake_date >= ${addDays(date, -DAYS)}
			and v.number = (select max(newest.number) from plan_version newest where newest.bake_date = s.bake_date)
		order by s.bake_date desc, s.planned_in_at, s.task_key, s.leg`.execute(db);
	return rows.map((row) => ({
		date: row.bake_date,
		placeId: row.place_id,
		plannedInMs: row.planned_in_at.getTime(),
		inMs: row.in_at?.getTime() ?? null,
		outMs: row.out_at?.getTime() ?? null,
		kilograms: row.kilograms,
		celsius: row.celsius,
		timeConstantMinutes: row.time_constant_min
	}));
}

export interface PlaceStretchAsked {
	readonly placeId: string;
	readonly fromMs: number;
	readonly toMs: number;
}

/** What the probes of some places read in some stretches of time, by the stretch, in order of time; one query. */
export async function loadPlaceReadings(
	db: Db | Tx,
	asked: readonly PlaceStretchAsked[]
): Promise<readonly (readonly { readonly atMs: number; readonly celsius: number }[])[]> {
	if (asked.length === 0) return [];
	const { rows } = await sql<{ at: number; measured_at: Date; celsius: number }>`
		select asked.at::int as at, r.measured_at, r.celsius
		from unnest(${sql.val(asked.map(({ placeId }) => placeId))}::uuid[],
			${sql.val(asked.map(({ fromMs }) => new Date(fromMs)))}::timestamptz[],
			${sql.val(asked.map(({ toMs }) => new Date(toMs)))}::timestamptz[]) with ordinality as asked (place_id, from_at, to_at, at)
		join device_sensor sensor on sensor.place_id = asked.place_id and sensor.kind = 'place-probe'
		join device_reading r on r.sensor_id = sensor.id and r.measured_at >= asked.from_at and r.measured_at < asked.to_at
		where r.celsius is not null
		order by asked.at, r.measured_at, r.id`.execute(db);
	return asked.map((_, index) =>
		rows
			.filter(({ at }) => at === index + 1)
			.map(({ measured_at, celsius }) => ({ atMs: measured_at.getTime(), celsius }))
	);
}

/** Which of some stretches a dough was sent into the place in by hand, beside what its plan had for it. */
export async function loadSentByHand(
	db: Db | Tx,
	asked: readonly PlaceStretchAsked[]
): Promise<readonly boolean[]> {
	if (asked.length === 0) return [];
	const { rows } = await sql<{ at: number }>`
		select distinct asked.at::int as at
		from unnest(${sql.val(asked.map(({ placeId }) => placeId))}::uuid[],
			${sql.val(asked.map(({ fromMs }) => new Date(fromMs)))}::timestamptz[],
			${sql.val(asked.map(({ toMs }) => new Date(toMs)))}::timestamptz[]) with ordinality as asked (place_id, from_at, to_at, at)
		join event_moved moved on moved.retarder_id = asked.place_id
		join batch_event event on event.id = moved.event_id
			and event.occurred_at >= asked.from_at and event.occurred_at < asked.to_at`.execute(db);
	const found = new Set(rows.map(({ at }) => at));
	return asked.map((_, index) => found.has(index + 1));
}
