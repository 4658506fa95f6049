import { frictionOfMix, heatBalanceOf } from '../../../core/bake-day/index.ts';
import { fail, ok } from '../../../core/result.ts';
import { loadDoughTemperatures } from '../../db/dough-temperatures.ts';
import { loadDoughWatch } from '../../db/dough-watch.ts';
import { loadBakeryDay } from '../day-production.ts';
import { spreadOfReading } from '../learned-friction.ts';
import { mixOfDay, revisionOf } from '../mix-of-day.ts';
import { readWaterInputs } from '../temperatures-now.ts';
import type { CommandHandler } from './handler.ts';

/**
 * Writes down the temperature a dough came out of the mixer with. What the mix was made from is kept with
 * it, raw, with the friction it reveals; the friction is learned from these entries anew each time.
 */
export const measureDough: CommandHandler<'measure-dough'> = async (tx, command) => {
	const day = await loadBakeryDay(tx, command.date);
	const dough = day.production.doughs.find((one) => one.resolved.formula.id === command.formulaId);
	const mix = dough?.mixes.find((one) => one.ordinal === command.ordinal);
	const revision = revisionOf(day, command.formulaId);
	if (!dough || !mix || !revision) return fail({ kind: 'unknown', what: 'mix' });
	if (command.mixerId !== null && !day.mixers.some((one) => one.id === command.mixerId))
		return fail({ kind: 'unknown', what: 'mixer' });
	const [inputs, readings, watch] = await Promise.all([
		readWaterInputs(tx, day, command.occurredAtMs),
		loadDoughTemperatures(tx, [command.formulaId]),
		loadDoughWatch(tx, command.date)
	]);
	const found = mixOfDay(
		{ day, inputs, readings, checks: watch.checks, nowMs: command.occurredAtMs },
		dough,
		mix,
		revision,
		command
	);
	const balance = heatBalanceOf(found.input);
	if (!balance) return fail({ kind: 'unknown', what: 'mix' });
	const revealed = frictionOfMix(
		found.input,
		{ celsius: command.doughCelsius },
		{ celsius: command.waterCelsius }
	);
	if (!revealed) return fail({ kind: 'unknown', what: 'mix' });
	await tx
		.insertInto('dough_temperature')
		.values({
			id: command.id,
			command_id: command.id,
			bake_date: command.date,
			formula_id: command.formulaId,
			ordinal: command.ordinal,
			dough_celsius: command.doughCelsius,
			target_celsius: revision.targetCelsius,
			water_celsius: command.waterCelsius,
			instrument: command.instrument,
			friction_kj_per_kg: revealed.kilojoulesPerKilogram,
			dough_kj_per_kg_k: found.heatCapacity,
			mixer_id: found.mixer?.id ?? null,
			slow_min: command.program?.slowMinutes ?? null,
			fast_min: command.program?.fastMinutes ?? null,
			fill_share: found.fillShare,
			spread_kj_per_kg: spreadOfReading(
				balance,
				command.waterCelsius,
				command.instrument,
				found.heatCapacity,
				command.occurredAtMs
			),
			inputs: JSON.stringify(balance),
			occurred_at: new Date(command.occurredAtMs)
		})
		.execute();
	return ok({
		readingId: command.id,
		frictionKilojoulesPerKilogram: revealed.kilojoulesPerKilogram
	});
};
