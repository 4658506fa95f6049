import type { WaterInputView } from '../../contracts/water-views.ts';
import { USUAL_FRICTION_KILOJOULES_PER_KILOGRAM } from '../../core/formula/index.ts';
import {
	isByHand,
	mixOfDay,
	stirredTarget,
	type MixedOtherwise,
	type MixOfDay
} from '../../core/mixing/index.ts';
import type { Build, Mix } from '../../core/production/index.ts';
import { batchAt, recipeOfMix, recipeOfPreparation, type BakeryDay } from './day-production.ts';
import { observationsOf, type Observations } from './observations.ts';

/** What is known of a date when its mixes are worked out. */
export interface DayKnowledge {
	readonly temperatures: readonly WaterInputView[];
	readonly observations: ReadonlyMap<string, Observations>;
	readonly nowMs: number;
}

/** Works out one mix of a date; null for one without a recipe. */
export function workOutMix(
	day: BakeryDay,
	mix: Mix,
	{ temperatures, observations, nowMs }: DayKnowledge,
	mixed?: MixedOtherwise,
	sibling: MixOfDay | null = null
): MixOfDay | null {
	const recipe = recipeOfMix(day, mix);
	if (!recipe) return null;
	const formulaId = mix.resolved.formula.id;
	const others = day.book.formulas.flatMap((revision) => {
		const { measured } = observationsOf(observations, revision.formula.id);
		return revision.formula.id === formulaId ? [] : [{ recipe: revision, readings: measured }];
	});
	const batch = batchAt(day, { kind: 'mix', formulaId, ordinal: mix.ordinal });
	const checked = batch
		? day.log
				.get(batch.id)
				?.findLast((entry) => entry.kind === 'checked' && entry.stage === 'autolyse')
		: undefined;
	return mixOfDay(
		mix,
		recipe,
		{
			supply: day.bakery,
			mixers: day.mixers,
			handBowlKilojoulesPerKelvin: day.handMixing?.bowlKilojoulesPerKelvin ?? 0,
			temperatures,
			own: observationsOf(observations, formulaId).measured,
			others,
			autolysed: checked?.kind === 'checked' ? checked : null,
			typedBaseCelsius: day.bases.get(formulaId) ?? null,
			picked: day.liquids.get(formulaId) ?? [],
			nowMs
		},
		mixed,
		sibling
	);
}

/**
 * Works out a dough that others take, as a mix of its own: on the mixer that takes it, warmed as other doughs show there;
 * null where it has no temperature to come to, or is stirred by hand.
 */
export function workOutTaken(
	day: BakeryDay,
	build: Build,
	{ temperatures, observations, nowMs }: DayKnowledge
): MixOfDay | null {
	const steps = recipeOfPreparation(day, build)?.steps ?? [];
	const targetCelsius = stirredTarget(steps);
	if (build.preparation.kind !== 'dough' || targetCelsius === null || isByHand(steps)) return null;
	return mixOfDay(
		{ lines: build.lines, dough: build.gross, resolved: { final: build.stage } },
		{
			steps,
			targetCelsius,
			// No friction of its own is written down: what its mixer does to other doughs tells more than a figure.
			frictionKilojoulesPerKilogram: USUAL_FRICTION_KILOJOULES_PER_KILOGRAM
		},
		{
			supply: day.bakery,
			mixers: day.mixers,
			handBowlKilojoulesPerKelvin: day.handMixing?.bowlKilojoulesPerKelvin ?? 0,
			temperatures,
			own: [],
			others: day.book.formulas.map((revision) => ({
				recipe: revision,
				readings: observationsOf(observations, revision.formula.id).measured
			})),
			autolysed: null,
			typedBaseCelsius: null,
			picked: [],
			nowMs
		}
	);
}
