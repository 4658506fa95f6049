import { heatBalanceOf, heatCapacityOf } from '../../../core/bake-day/index.ts';
import { frictionRevealed } from '../../../core/heat/index.ts';
import { fail, ok } from '../../../core/result.ts';
import { loadDoughTemperatures } from '../../db/dough-temperatures.ts';
import { loadBakeryDay } from '../day-production.ts';
import { learnedFriction } from '../learned-friction.ts';
import { mixWaterInput } from '../mix-water-input.ts';
import { readWaterInputs } from '../read-water.ts';
import type { CommandHandler } from './handler.ts';

/**
 * Writes down the temperature a dough came out of the mixer with. What the mix was made from is kept with
 * it, raw, with the friction it reveals; the friction is learned from these entries anew each time.
 */
export const measureDough: CommandHandler<'measure-dough'> = async (tx, command) => {
	const day = await loadBakeryDay(tx, command.date);
	const dough = day.production.doughs.find((one) => one.resolved.formula.id === command.formulaId);
	const mix = dough?.mixes.find((one) => one.ordinal === command.ordinal);
	const revision = day.book.formulas.find((one) => one.formula.id === command.formulaId);
	if (!dough || !mix || !revision) return fail({ kind: 'unknown', what: 'mix' });
	const [inputs, readings] = await Promise.all([
		readWaterInputs(tx, day),
		loadDoughTemperatures(tx, [command.formulaId])
	]);
	const friction = learnedFriction(
		revision.frictionKilojoulesPerKilogram,
		readings.get(command.formulaId) ?? []
	);
	const input = mixWaterInput(dough, mix, day, inputs, friction, revision.targetCelsius);
	const waterGrams = mix.lines.reduce(
		(total, line) =>
			line.material.kind === 'ingredient' &&
			day.book.pantry.ingredients.get(line.material.ingredientId)?.kind === 'water'
				? total + line.weighing.weighed.grams
				: total,
		0
	);
	if (waterGrams === 0) return fail({ kind: 'unknown', what: 'mix' });
	const balance = heatBalanceOf(input, waterGrams);
	const revealed = frictionRevealed(
		balance,
		{ temperature: { celsius: command.doughCelsius }, source: { kind: 'bakery' } },
		{ celsius: command.waterCelsius }
	);
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
			friction_kj_per_kg: revealed.value,
			dough_kj_per_kg_k: heatCapacityOf(dough.resolved.final).kilojoulesPerKilogramKelvin,
			inputs: JSON.stringify(balance),
			occurred_at: new Date(command.occurredAtMs)
		})
		.execute();
	return ok({ readingId: command.id, frictionKilojoulesPerKilogram: revealed.value });
};
