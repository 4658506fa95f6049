import type { SchoolsOfMix } from '../../core/learning/index.ts';
import type { BatchId } from '../../core/identity.ts';
import type { Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** What is written of a batch, before it stands in the log. */
export interface NewEntry {
	readonly id: string;
	readonly batchId: BatchId;
	readonly recipeId: string;
	readonly commandId: string;
	/** The entry that this one corrects. */
	readonly correctsId: string | null;
	readonly occurredAtMs: number;
	readonly detail: EntryDetail;
}

/** What each kind of entry holds, as its columns say. */
export type EntryDetail =
	| ({ readonly kind: 'measured' } & Omit<EveryColumn<'event_measured'>, 'event_id' | 'kind'>)
	| ({ readonly kind: 'checked' } & Omit<EveryColumn<'event_checked'>, 'event_id' | 'kind'>)
	| ({ readonly kind: 'moved' } & Omit<EveryColumn<'event_moved'>, 'event_id' | 'kind'>)
	| ({ readonly kind: 'judged' } & Omit<EveryColumn<'event_judged'>, 'event_id' | 'kind'>)
	| { readonly kind: 'ended' }
	| { readonly kind: 'struck' };

/** Writes an entry into the log of a batch. */
export async function insertEntry(tx: Tx, entry: NewEntry): Promise<void> {
	const { kind } = entry.detail;
	const row: EveryColumn<'batch_event'> = {
		id: entry.id,
		batch_id: entry.batchId,
		recipe_id: entry.recipeId,
		kind,
		command_id: entry.commandId,
		corrects_id: entry.correctsId,
		occurred_at: new Date(entry.occurredAtMs)
	};
	await tx.insertInto('batch_event').values(row).execute();
	const event_id = entry.id;
	switch (entry.detail.kind) {
		case 'measured': {
			const { kind: _, ...columns } = entry.detail;
			await tx
				.insertInto('event_measured')
				.values({ event_id, ...columns })
				.execute();
			break;
		}
		case 'checked': {
			const { kind: _, ...columns } = entry.detail;
			await tx
				.insertInto('event_checked')
				.values({ event_id, ...columns })
				.execute();
			break;
		}
		case 'moved': {
			const { kind: _, ...columns } = entry.detail;
			await tx
				.insertInto('event_moved')
				.values({ event_id, ...columns })
				.execute();
			break;
		}
		case 'judged': {
			const { kind: _, ...columns } = entry.detail;
			await tx
				.insertInto('event_judged')
				.values({ event_id, ...columns })
				.execute();
			break;
		}
		case 'ended':
		case 'struck':
			break;
	}
}

/** The columns of what each school says of a measured mix. */
export function schoolColumns(schools: SchoolsOfMix | null) {
	return {
		rule_rise_k: schools?.risesKelvins['factor-rule'] ?? null,
		base_rise_k: schools?.risesKelvins['base-temperature'] ?? null,
		asked_factor_rule_celsius: schools?.askedCelsius['factor-rule'] ?? null,
		asked_base_celsius: schools?.askedCelsius['base-temperature'] ?? null,
		asked_balance_celsius: schools?.askedCelsius['heat-balance'] ?? null,
		water_degrees_per_dough: schools?.waterDegreesPerDough ?? null,
		room_celsius: schools?.roomCelsius ?? null
	};
}
