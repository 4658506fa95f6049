import {
	additionOrder,
	sumLines,
	type Addition,
	type Ingredient,
	type ResolvedStage
} from '../formula/index.ts';
import {
	heatCapacityOfMixture,
	WATER,
	type HeatPart,
	type Liquid,
	type SourcedTemperature
} from '../heat/index.ts';
import type { IngredientId, PlaceId } from '../identity.ts';
import type { WeighUpLine } from '../production/index.ts';
import type { SpecificHeat } from '../units/index.ts';

/** A liquid of a bowl by what it is and when it goes in. */
export interface PickedLiquid {
	readonly ingredientId: IngredientId;
	readonly addition: Addition;
}

/** What is weighed for one bowl, and the stage it makes. */
export interface Bowl {
	readonly lines: readonly WeighUpLine[];
	readonly stage: ResolvedStage;
	/** The liquids that the baker warms or cools, the others poured as they stand; empty for what follows by itself. */
	readonly picked: readonly PickedLiquid[];
}

/** How warm what goes into a bowl is. */
export interface BowlTemperatures {
	/** The named places, the bakehouse and the flour bins among them. */
	readonly places: ReadonlyMap<PlaceId, SourcedTemperature>;
	readonly flour: SourcedTemperature;
	readonly room: SourcedTemperature;
	/** One for each build that goes in. */
	readonly preferments: readonly (SourcedTemperature & { readonly name: string })[];
}

/** What the lines of a bowl are to its heat. */
export interface BowlParts {
	readonly liquid: Liquid;
	/** The lines whose temperature is found. */
	readonly liquidLines: readonly WeighUpLine[];
	readonly parts: readonly (HeatPart & { readonly line: WeighUpLine })[];
}

/**
 * Parts a bowl into the liquid whose temperature is found and everything else with its heat.
 *
 * Model: what the baker picked; else the water where it is most of what is poured, else all that is poured, at one
 * temperature: a little water beside much milk could never bring the heat. A pick that is no longer poured counts for
 * nothing. Each build has its own temperature; everything else
 * is as warm as the place it stands in. What is folded or rolled in comes after the mix. A liquid that the scale rounds to nothing has
 * no temperature to be found.
 * Failures: null for a bowl without any liquid.
 */
export function bowlParts(bowl: Bowl, at: BowlTemperatures): BowlParts | null {
	const { stage } = bowl;
	const mixed = mixedLines(bowl);
	const found = liquidOf(pouredOf(bowl), bowl.picked);
	if (!found) return null;
	const parts: (HeatPart & { readonly line: WeighUpLine })[] = [];
	for (const line of mixed) {
		const { name, material, weighing } = line;
		if (found.lines.includes(line)) continue;
		if (material.kind === 'preparation') {
			const inner = stage.stages.find((stage) => stage.preparation?.id === material.preparationId);
			if (!inner) continue;
			const temperature =
				at.preferments.find((preferment) => preferment.name === inner.name) ?? at.room;
			parts.push({
				name,
				mass: weighing.weighed,
				heatCapacity: heatCapacityOf(inner),
				temperature,
				line
			});
			continue;
		}
		const ingredient = ingredientOf(line, stage);
		if (!ingredient) continue;
		parts.push({
			name,
			mass: weighing.weighed,
			heatCapacity: ingredient.heatCapacity,
			temperature: standingAt(ingredient, at),
			line
		});
	}
	return { liquid: found.liquid, liquidLines: found.lines, parts };
}

/** As warm as the place it stands in; without one, flour as the bins and everything else as the room. */
export function standingAt(
	{ placeId, kind }: Ingredient,
	at: BowlTemperatures
): SourcedTemperature {
	const place = placeId === null ? undefined : at.places.get(placeId);
	return place ?? (kind === 'flour' ? at.flour : at.room);
}

/** Water is found alone only where other liquids are at most so much of it (our default). */
const LEAST_SHARE_OF_WATER = 3;

interface Poured {
	readonly line: WeighUpLine;
	readonly ingredient: Ingredient;
	readonly grams: number;
}

/** What the mixer mixes: what is folded or rolled in comes after it. */
function mixedLines({ lines }: Bowl): readonly WeighUpLine[] {
	return lines.filter(({ addition }) => additionOrder(addition) < additionOrder('fold-in'));
}

/**
 * Gives the liquids that are poured into a bowl, in the order of its lines.
 * Range: any bowl. Source: definition. Failures: none. Example: what the scale rounds to nothing is not poured.
 */
export function pouredOf(bowl: Bowl): readonly Poured[] {
	return mixedLines(bowl).flatMap((line) => {
		const { grams } = line.weighing.weighed;
		const ingredient = ingredientOf(line, bowl.stage);
		const isPoured = ingredient?.kind === 'water' || ingredient?.kind === 'liquid';
		return isPoured && grams > 0 ? [{ line, ingredient, grams }] : [];
	});
}

/**
 * The liquid that is found, with its lines: what was picked; else water where it is most of what is poured; else all
 * that is poured, water, milk and others together at one temperature. It goes by mass alone, so that a dough is asked
 * for and learned from by the same liquid.
 */
function liquidOf(
	poured: readonly Poured[],
	picked: readonly PickedLiquid[]
): { readonly liquid: Liquid; readonly lines: readonly WeighUpLine[] } | null {
	if (poured.length === 0) return null;
	const chosen = poured.filter(({ line, ingredient }) =>
		picked.some(
			({ ingredientId, addition }) => ingredientId === ingredient.id && addition === line.addition
		)
	);
	const water = poured.filter(({ ingredient }) => ingredient.kind === 'water');
	const mostlyWater =
		water.length > 0 && gramsOf(water) >= LEAST_SHARE_OF_WATER * (gramsOf(poured) - gramsOf(water));
	const found = chosen.length > 0 ? chosen : mostlyWater ? water : poured;
	const lines = found.map(({ line }) => line);
	if (found.every(({ ingredient }) => ingredient.kind === 'water')) return { liquid: WATER, lines };
	const byMass = [...found].sort((a, b) => b.grams - a.grams);
	return {
		liquid: {
			name: [...new Set(byMass.map(({ ingredient }) => ingredient.name))].join(' and '),
			heatCapacity: heatCapacityOfMixture(
				found.map(({ grams, ingredient }) => ({ grams, heatCapacity: ingredient.heatCapacity }))
			)
		},
		lines
	};
}

function gramsOf(of: readonly Poured[]): number {
	return of.reduce((total, { grams }) => total + grams, 0);
}

function ingredientOf({ material }: WeighUpLine, stage: ResolvedStage): Ingredient | null {
	if (material.kind !== 'ingredient') return null;
	return (
		stage.lines.find(({ ingredient }) => ingredient.id === material.ingredientId)?.ingredient ??
		null
	);
}

/** The heat capacity of a dough in its bowl: what is folded or rolled in comes after the mixer. */
export function heatCapacityOfBowl(final: ResolvedStage): SpecificHeat {
	const isMixed = ({ addition }: { readonly addition: Addition }) =>
		additionOrder(addition) < additionOrder('fold-in');
	return heatCapacityOf({
		...final,
		lines: final.lines.filter(isMixed),
		stages: final.stages.filter(isMixed)
	});
}

/** The heat capacity of a stage with all that is in it. */
function heatCapacityOf(stage: ResolvedStage): SpecificHeat {
	const parts: { grams: number; heatCapacity: Ingredient['heatCapacity'] }[] = [];
	sumLines(stage, ({ percentOfFlour, ingredient }) => {
		parts.push({ grams: percentOfFlour, heatCapacity: ingredient.heatCapacity });
		return 0;
	});
	return heatCapacityOfMixture(parts);
}
