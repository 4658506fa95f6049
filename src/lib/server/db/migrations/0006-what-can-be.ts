import { sql, type Kysely } from 'kysely';

/**
 * The database holds what physics holds: a cold room has some air and some power. What an earlier version took
 * is brought to the nearest that can be. Learning that was begun anew at a moment that has not come counts from
 * now on.
 */
const BAKERY_NOW = `(select to_timestamp((anchor_bakery_ms
	+ (extract(epoch from now()) * 1000 - anchor_real_ms) * rate) / 1000) from app_clock)`;

const STATEMENTS = [
	`update retarder set air_kj_per_k = greatest(air_kj_per_k, 2),
	   compressor_w = least(greatest(compressor_w, 20), 50000)`,
	`alter table retarder
	   add constraint retarder_air_can_be check (air_kj_per_k >= 2),
	   add constraint retarder_compressor_can_be check (compressor_w between 20 and 50000)`,
	`update learning_reset set at = ${BAKERY_NOW} where at > ${BAKERY_NOW} + interval '10 minutes'`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
