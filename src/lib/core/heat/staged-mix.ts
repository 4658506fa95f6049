import { given, worked, type Explained, type Source } from '../explain/index.ts';
import type { SpecificEnergy, Temperature } from '../units/index.ts';
import type { HeatBalanceInput, HeatPart, Liquid } from './heat-balance.ts';

/** What a mix rests through before more goes in. */
export interface RestInBowl {
	readonly minutes: number;
	readonly ambient: Temperature;
	readonly timeConstantMinutes: number;
}

/** A stage of a mix: what goes in, the water of it, the work on all that is in the bowl by then, the rest after. */
export interface MixStage {
	readonly name: string;
	readonly parts: readonly HeatPart[];
	readonly waterGrams: number;
	readonly work: SpecificEnergy;
	readonly rest: RestInBowl | null;
}

export interface StagedMixInput {
	readonly target: Temperature;
	/** In order; the last ends with the dough. */
	readonly stages: readonly MixStage[];
	readonly bowl: HeatBalanceInput['bowl'];
	readonly liquid: Liquid;
	/** What the bowl holds already and how warm it is, when stages before `stages` are done. */
	readonly inBowl: HeatPart | null;
	readonly frictionSource: Source;
}

/**
 * Gives the temperature of all water still to come that lands a staged mix on its target: an autolyse, its
 * rest, the water held back.
 *
 * Model: the balance of heat stage by stage, each rest drifting towards its place by Newton's law. The dough
 * follows the water in a straight line, so two runs give the line: what the dough would be with water at
 * 0 degrees, and what a degree of water does to it.
 * Range: water above 0 g in all; a result below 0 degrees stands for ice. Source: choi-okos-1986,
 * newton-cooling. Failures: none; without water there is nothing to find and it throws.
 * Example: with no rest between the stages the answer is that of the balance of heat.
 */
export function waterOfStages(input: StagedMixInput): Explained {
	const water = input.stages.reduce((total, stage) => total + stage.waterGrams, 0);
	if (!(water > 0)) throw new RangeError('there is no water to find a temperature for');
	const [atZero, atOne] = [0, 1].map((celsius) => doughOfStages(input, { celsius }));
	const zero = atZero ?? 0;
	return worked({ key: 'water-temperature' }, '°C', 'quotient', [
		worked({ key: 'grouped' }, 'K', 'difference', [
			given({ key: 'target-dough' }, input.target.celsius, '°C', { kind: 'formula' }),
			given({ key: 'dough-with-water-at-zero' }, zero, '°C', input.frictionSource)
		]),
		given({ key: 'dough-per-degree-of-water' }, (atOne ?? 0) - zero, '1', { kind: 'formula' })
	]);
}

/**
 * Gives the temperature the dough ends with when all water still to come has one temperature.
 * Model, source: as `waterOfStages`. Example: as there.
 */
export function doughOfStages(input: Omit<StagedMixInput, 'target'>, water: Temperature): number {
	return temperaturesOfStages(input, () => water.celsius).at(-1) ?? water.celsius;
}

/**
 * Gives the friction work of a whole staged mix that a measured dough reveals, in kJ per kg of dough.
 *
 * Model: as `waterOfStages`; the dough follows the work in a straight line, so that the stages run without it
 * and with `told`, the work they were told for, give the line. What a rest took from or gave to the room is not
 * laid at the mixer's door. Range, source and failures: as `waterOfStages`; work told above 0.
 * Example: the dough that a staged mix is expected to make reveals the work it was told.
 */
export function frictionOfStages(
	input: Omit<StagedMixInput, 'target'>,
	told: SpecificEnergy,
	dough: Temperature,
	water: Temperature
): SpecificEnergy {
	const idle = input.stages.map((stage) => ({ ...stage, work: { kilojoulesPerKilogram: 0 } }));
	const without = doughOfStages({ ...input, stages: idle }, water);
	const share = (dough.celsius - without) / (doughOfStages(input, water) - without);
	return { kilojoulesPerKilogram: told.kilojoulesPerKilogram * share };
}

/** How warm the bowl's content is at the end of each stage, before its rest; `waterAt` is asked for each. */
export function temperaturesOfStages(
	{ stages, bowl, inBowl, liquid }: Omit<StagedMixInput, 'target'>,
	waterAt: (stage: number) => number
): readonly number[] {
	let capacity = 0;
	let kilograms = 0;
	let celsius = 0;
	const put = (kilojoulesPerKelvin: number, at: number) => {
		const whole = capacity + kilojoulesPerKelvin;
		if (whole > 0) celsius = (capacity * celsius + kilojoulesPerKelvin * at) / whole;
		capacity = whole;
	};
	const putPart = ({ mass, heatCapacity, temperature }: HeatPart) => {
		kilograms += mass.grams / 1000;
		put(
			(mass.grams / 1000) * heatCapacity.kilojoulesPerKilogramKelvin,
			temperature.temperature.celsius
		);
	};
	if (inBowl) putPart(inBowl);
	// A bowl that something rested in is as warm as that.
	if (bowl) put(bowl.kilojoulesPerKelvin, inBowl ? celsius : bowl.temperature.temperature.celsius);
	const found: number[] = [];
	for (const [index, stage] of stages.entries()) {
		for (const part of stage.parts) putPart(part);
		kilograms += stage.waterGrams / 1000;
		put(
			(stage.waterGrams / 1000) * liquid.heatCapacity.kilojoulesPerKilogramKelvin,
			waterAt(index)
		);
		if (capacity > 0) celsius += (stage.work.kilojoulesPerKilogram * kilograms) / capacity;
		found.push(celsius);
		if (stage.rest) {
			const { minutes, ambient, timeConstantMinutes } = stage.rest;
			celsius =
				ambient.celsius + (celsius - ambient.celsius) * Math.exp(-minutes / timeConstantMinutes);
		}
	}
	return found;
}
