import type { WaterInputView } from '../../contracts/views.ts';
import { heatCapacityOf, mixingOf, type WaterOfMixInput } from '../../core/bake-day/index.ts';
import type { FrictionBook, MixProgram } from '../../core/heat/index.ts';
import type { Dough, Mix } from '../../core/production/index.ts';
import type { MixerSettings } from '../db/bakery.ts';
import type { DoughTemperatureRow } from '../db/dough-temperatures.ts';
import type { DoughCheckRow } from '../db/dough-watch.ts';
import type { BakeryDay } from './day-production.ts';
import { learnedFriction, type LearnedFriction, type MeasuredDough } from './learned-friction.ts';
import { bowlWaterInput } from './mix-water-input.ts';

type FormulaRevision = BakeryDay['book']['formulas'][number];

/** A mix of a date with its mixer, its friction and all that its water follows from. */
export interface MixOfDay {
	readonly revision: FormulaRevision;
	readonly dough: Dough;
	readonly mix: Mix;
	readonly mixer: MixerSettings | null;
	readonly fillShare: number;
	readonly friction: LearnedFriction;
	readonly input: WaterOfMixInput;
	readonly heatCapacity: number;
}

/** What is known when the mixes of a date are worked out. */
export interface MixKnowledge {
	readonly day: BakeryDay;
	readonly inputs: readonly WaterInputView[];
	readonly readings: ReadonlyMap<string, readonly DoughTemperatureRow[]>;
	readonly checks: readonly DoughCheckRow[];
	readonly nowMs: number;
}

/** Finds a revision of the book by its formula. */
export function revisionOf(day: BakeryDay, formulaId: string): FormulaRevision | undefined {
	return day.book.formulas.find((one) => one.formula.id === formulaId);
}

/**
 * Works out one mix. `mixerId` and `program` are those of a mix that was done otherwise than planned.
 */
export function mixOfDay(
	knowledge: MixKnowledge,
	dough: Dough,
	mix: Mix,
	revision: FormulaRevision,
	mixed: { readonly mixerId: string | null; readonly program: MixProgram | null } = {
		mixerId: null,
		program: null
	},
	/** Another mix of the same dough that was worked out already; alike ones share their friction. */
	sibling: MixOfDay | null = null
): MixOfDay {
	const { day, inputs, readings, nowMs } = knowledge;
	const { formula, final } = dough.resolved;
	const mixer = mixerOf(day, mix, mixed.mixerId);
	const fillShare = mixer ? mix.dough.value / mixer.mostGrams : 1;
	const book = bookOf(revision);
	const done = { program: mixed.program ?? book.program, fill: fillShare };
	const alike =
		sibling !== null &&
		sibling.mixer === mixer &&
		sibling.fillShare === fillShare &&
		!mixed.program;
	const friction = alike
		? sibling.friction
		: learnedFriction(
				{ book, readings: readings.get(formula.id) ?? [] },
				othersOf(knowledge, formula.id),
				mixer?.id ?? null,
				done
			);
	const check = knowledge.checks.findLast(
		(one) => one.stage === 'autolyse' && one.formulaId === formula.id && one.ordinal === mix.ordinal
	);
	const input = bowlWaterInput(
		{
			lines: mix.lines,
			stage: final,
			steps: revision.steps,
			mixer,
			targetCelsius: revision.targetCelsius
		},
		day,
		inputs,
		friction,
		check
			? {
					temperature: { celsius: check.celsius },
					source: {
						kind: 'measured',
						epochMs: check.occurredAtMs,
						instrument: check.instrument
					}
				}
			: null,
		nowMs
	);
	const heatCapacity = heatCapacityOf(final).kilojoulesPerKilogramKelvin;
	return { revision, dough, mix, mixer, fillShare, friction, input, heatCapacity };
}

/** The book of a formula's friction with the speeds it is told for. */
export function bookOf(revision: FormulaRevision): FrictionBook {
	return {
		work: { kilojoulesPerKilogram: revision.frictionKilojoulesPerKilogram },
		program: mixingOf(revision.steps, { celsius: 0 }).program
	};
}

function othersOf({ day, readings }: MixKnowledge, formulaId: string): readonly MeasuredDough[] {
	return [...readings].flatMap(([id, rows]) => {
		const revision = id === formulaId ? undefined : revisionOf(day, id);
		return revision ? [{ book: bookOf(revision), readings: rows }] : [];
	});
}

/** The mixer that was named, or the first that takes the dough. */
function mixerOf(day: BakeryDay, mix: Mix, mixerId: string | null): MixerSettings | null {
	const grams = mix.dough.value;
	return (
		day.mixers.find((one) => one.id === mixerId) ??
		day.mixers.find((one) => grams >= one.leastGrams && grams <= one.mostGrams) ??
		day.mixers[0] ??
		null
	);
}
