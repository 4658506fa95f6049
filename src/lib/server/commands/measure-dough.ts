import { z } from 'zod';
import { batchNameSchema } from '../../contracts/batch-name.ts';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { READING_LIMITS, STIRRED_LIMITS, WATER_LIMITS } from '../../contracts/limits.ts';
import { DOUGH_INSTRUMENTS } from '../../core/heat/index.ts';
import { spreadOfReading } from '../../core/learning/index.ts';
import {
	frictionOfMix,
	heatBalanceOf,
	schoolsOfMix,
	stirredTarget
} from '../../core/mixing/index.ts';
import type { BatchId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { findBatch, recipeIdOf, type Batch } from '../db/batches.ts';
import { insertEntry, schoolColumns, type EntryDetail } from '../db/batch-log-entries.ts';
import type { Tx } from '../db/client.ts';
import { beginBatch, bookUses } from '../services/begin-batch.ts';
import { loadBakeryDay, type BakeryDay } from '../services/day-production.ts';
import { workOutMix } from '../services/mixes-of-day.ts';
import { loadObservationsOf } from '../services/observations.ts';
import { readWaterInputs } from '../services/temperatures-now.ts';
import { defineCommand } from './define.ts';

const content = z.object({
	batch: batchNameSchema,
	celsius: z.number().min(STIRRED_LIMITS.least.celsius).max(STIRRED_LIMITS.most.celsius),
	/** As warm as the water went in; ice counts as the water it stands for. null where it takes none. */
	waterCelsius: z
		.number()
		.min(WATER_LIMITS.least.celsius)
		.max(WATER_LIMITS.most.celsius)
		.nullable(),
	instrument: z.enum(DOUGH_INSTRUMENTS),
	/** The mixer it was mixed on; null for the only one. */
	mixerId: uuidSchema.nullable(),
	/** How long it turned; null where it was mixed as the formula says. */
	program: z
		.object({
			slowMinutes: z.number().min(0).max(120),
			fastMinutes: z.number().min(0).max(120)
		})
		.nullable()
});
type MeasureDough = z.output<typeof content> & { readonly occurredAtMs: number };

/**
 * Writes down the temperature a dough came out of the mixer with, or a preparation was stirred to. What a mix was
 * made from is kept with it, raw, with the friction it reveals; the friction is learned from these entries anew
 * each time. Measured again, the entry corrects the one before: the dough came out when it came out.
 */
export const measureDough = defineCommand({
	kind: 'measure-dough',
	lane: 'batches',
	content,
	right: 'work-at-the-bench',
	refusals: ['malformed', 'unknown', 'more-than-a-mixer'],
	handle: async (tx, command) => {
		const begun = await beginBatch(tx, command.batch);
		if (!begun.ok) return begun;
		const batch = await findBatch(tx, begun.value.batchId);
		if (!batch) return fail({ kind: 'unknown', what: 'dough' });
		const { most } = READING_LIMITS;
		if (batch.kind === 'mix' && command.celsius > most.celsius)
			return fail({
				kind: 'malformed',
				problems: [{ where: 'celsius', what: `no dough is warmer than ${most.celsius} °C` }]
			});
		const day = await loadBakeryDay(tx, batch.date as BakeDate);
		if (begun.value.isNew) await bookUses(tx, day, batch.id, command.occurredAtMs);
		if (command.mixerId !== null && !day.mixers.some((mixer) => mixer.id === command.mixerId))
			return fail({ kind: 'unknown', what: 'mixer' });
		const before = measuredBefore(day, batch.id);
		const detail =
			batch.kind === 'mix'
				? await mixDetail(tx, command, day, batch.id, before?.occurredAtMs ?? command.occurredAtMs)
				: stirredDetail(command, day, batch);
		if (!detail) return fail({ kind: 'unknown', what: 'mix' });
		await insertEntry(tx, {
			id: command.id,
			batchId: batch.id,
			recipeId: recipeIdOf(batch),
			commandId: command.id,
			correctsId: before?.id ?? null,
			occurredAtMs: before?.occurredAtMs ?? command.occurredAtMs,
			detail
		});
		return ok({
			entryId: command.id,
			frictionKilojoulesPerKilogram: detail.friction_kj_per_kg
		});
	}
});

function measuredBefore(day: BakeryDay, batchId: BatchId) {
	return day.log.get(batchId)?.findLast((entry) => entry.kind === 'measured') ?? null;
}

type Measured = Extract<EntryDetail, { kind: 'measured' }>;

/** A mix with all it was mixed from, as far as its water tells it; null for a mix that is not there. */
async function mixDetail(
	tx: Tx,
	command: MeasureDough,
	day: BakeryDay,
	batchId: BatchId,
	atMs: number
): Promise<Measured | null> {
	const { celsius, waterCelsius, instrument } = command;
	const mix = day.production.doughs
		.flatMap((dough) => dough.mixes)
		.find((mix) => mix.made === batchId);
	if (!mix) return null;
	const [temperatures, observations] = await Promise.all([
		readWaterInputs(tx, day, atMs),
		loadObservationsOf(tx, [mix.resolved.formula.id])
	]);
	const found = workOutMix(day, mix, { temperatures, observations, nowMs: atMs }, command);
	if (!found) return null;
	const plain: Measured = {
		kind: 'measured',
		celsius,
		target_celsius: found.recipe.targetCelsius,
		instrument,
		water_celsius: null,
		friction_kj_per_kg: null,
		dough_kj_per_kg_k: null,
		mixer_id: null,
		slow_min: null,
		fast_min: null,
		fill_share: null,
		spread_kj_per_kg: null,
		...schoolColumns(null),
		inputs: null
	};
	const balance = heatBalanceOf(found.input);
	const revealed =
		waterCelsius === null
			? null
			: frictionOfMix(found.input, { celsius }, { celsius: waterCelsius });
	if (waterCelsius === null || !balance || !revealed) return plain;
	return {
		...plain,
		water_celsius: waterCelsius,
		friction_kj_per_kg: revealed.kilojoulesPerKilogram,
		dough_kj_per_kg_k: found.heatCapacity,
		mixer_id: found.mixer?.id ?? null,
		slow_min: command.program?.slowMinutes ?? null,
		fast_min: command.program?.fastMinutes ?? null,
		fill_share: found.fillShare,
		spread_kj_per_kg: spreadOfReading(balance, waterCelsius, instrument, found.heatCapacity, atMs),
		...schoolColumns(schoolsOfMix(found.input, { celsius }, { celsius: waterCelsius })),
		inputs: JSON.stringify(balance)
	};
}

/** What is stirred by hand teaches no mixer anything. */
function stirredDetail(
	{ celsius, instrument, waterCelsius: _ }: MeasureDough,
	day: BakeryDay,
	batch: Batch
): Measured {
	const steps = day.pinned.preparations.get(batch.revisionId)?.steps ?? [];
	return {
		kind: 'measured',
		celsius,
		target_celsius: stirredTarget(steps),
		instrument,
		water_celsius: null,
		friction_kj_per_kg: null,
		dough_kj_per_kg_k: null,
		mixer_id: null,
		slow_min: null,
		fast_min: null,
		fill_share: null,
		spread_kj_per_kg: null,
		...schoolColumns(null),
		inputs: null
	};
}
