import type { Addition } from './addition.ts';
import { isSoaked } from './formula.ts';
import {
	flourOf,
	linesWithin,
	stagesInOrder,
	sumLines,
	type ResolvedFormula,
	type ResolvedLine,
	type ResolvedStage
} from './resolve.ts';

/** The figures of a formula that are always in sight; all in percent of total flour. */
export interface FormulaFigures {
	readonly doughPercent: number;
	/** All water that is added as water, that of cultures and soakers included. */
	readonly hydration: number;
	readonly hydrationWithoutSoakers: number;
	/** Also counts the water inside milk, eggs, butter, honey and the like. */
	readonly effectiveHydration: number;
	readonly salt: number;
	readonly yeastFreshEquivalent: number;
	readonly prefermentedFlour: number;
	readonly wholegrain: number;
	readonly allergens: readonly string[];
}

/**
 * Gives the derived figures of a resolved formula.
 *
 * Model: added water is the water of ingredients of kind water and culture; effective hydration
 * counts the water of every ingredient that is mixed in. Pre-fermented flour is all flour inside builds, and in a
 * culture that goes straight into the dough.
 * Range: any resolved formula. Source: domain arithmetic (baker's percentage). Failures: none.
 * Example: the oat loaf of the worked figures has 94.0, 76.0 and 94.34 % and a PFF of 18.0 %.
 */
export function figuresOf({ final }: Pick<ResolvedFormula, 'final'>): FormulaFigures {
	const mixed = withoutRollIn(final);
	const whole = asOneDough(final);
	const soakers = stagesInOrder(final).filter((stage) => isSoaked(stage.kind));
	const hydration = sumLines(final, addedWater);
	const soakerWater = soakers.reduce((total, stage) => total + sumOwn(stage, addedWater), 0);
	return {
		doughPercent: final.percentOfFlour,
		hydration,
		hydrationWithoutSoakers: hydration - soakerWater,
		effectiveHydration: sumLines(mixed, allWater),
		salt: sumLines(final, (line) => (line.ingredient.kind === 'salt' ? line.percentOfFlour : 0)),
		yeastFreshEquivalent: sumLines(
			final,
			(line) => line.percentOfFlour * line.ingredient.yeastFreshEquivalent
		),
		prefermentedFlour:
			whole.stages
				.filter((stage) => stage.kind === 'build')
				.reduce((total, stage) => total + flourOf(stage), 0) +
			culturesOf(whole).reduce((total, line) => total + flourOfLine(line), 0),
		wholegrain: sumLines(
			final,
			({ percentOfFlour, ingredient: { composition } }) =>
				percentOfFlour * composition.flour * composition.wholegrainOfFlour
		),
		allergens: allergensOf(final)
	};
}

/**
 * Gives the yeast that alone lifts a dough or a build, as fresh, in percent of its own flour.
 * Range: any stage. Source: definition. Failures: null where a build or a culture lifts with it, and without yeast.
 * Example: 1.2 % of dry yeast at three times the strength is 3.6; a dough on a poolish has no such figure.
 */
export function freshYeastPercent(dough: ResolvedStage): number | null {
	const stage = asOneDough(dough);
	if (stage.stages.some(({ kind }) => kind === 'build')) return null;
	if (culturesOf(stage).length > 0) return null;
	const yeast = stage.lines.reduce(
		(total, line) => total + line.percentOfFlour * line.ingredient.yeastFreshEquivalent,
		0
	);
	const flour = flourOf(stage);
	return yeast > 0 && flour > 0 ? (yeast / flour) * 100 : null;
}

/** A dough with what it takes of other doughs as if it were mixed into it in one go: what leavens them leavens it. */
export function asOneDough(stage: ResolvedStage): ResolvedStage {
	const taken = stage.stages.filter(({ kind }) => kind === 'dough').map(asOneDough);
	if (taken.length === 0) return stage;
	return {
		...stage,
		lines: [...stage.lines, ...taken.flatMap(({ lines }) => lines)],
		stages: [
			...stage.stages.filter(({ kind }) => kind !== 'dough'),
			...taken.flatMap(({ stages }) => stages)
		]
	};
}

/** The dough as it comes out of the mixer, before anything is rolled in. */
export function withoutRollIn(final: ResolvedStage): ResolvedStage {
	const isIn = (line: { readonly addition: Addition }) => line.addition !== 'roll-in';
	return { ...final, lines: final.lines.filter(isIn), stages: final.stages.filter(isIn) };
}

/** The cultures that go straight into a stage: they are its leaven. */
export function culturesOf(stage: ResolvedStage): readonly ResolvedLine[] {
	return stage.lines.filter((line) => line.ingredient.kind === 'culture');
}

/** The flour of a line, in percent of total flour. */
function flourOfLine({ percentOfFlour, ingredient }: ResolvedLine): number {
	return percentOfFlour * ingredient.composition.flour;
}

function allWater(line: ResolvedLine): number {
	return line.percentOfFlour * line.ingredient.composition.water;
}

function addedWater(line: ResolvedLine): number {
	const { kind, composition } = line.ingredient;
	return kind === 'water' || kind === 'culture' ? line.percentOfFlour * composition.water : 0;
}

function sumOwn(stage: ResolvedStage, figure: (line: ResolvedLine) => number): number {
	return stage.lines.reduce((total, line) => total + figure(line), 0);
}

/** Every allergen of a stage and all inside it, in alphabetical order. */
export function allergensOf(stage: ResolvedStage): readonly string[] {
	const found = new Set<string>();
	for (const each of stagesInOrder(stage))
		for (const line of each.lines)
			for (const allergen of line.ingredient.allergens) found.add(allergen);
	return [...found].sort();
}

/** What is fresh in a build: its own lines but the culture, and all that soaks or scalds inside it. */
export function freshLines(stage: ResolvedStage): readonly ResolvedLine[] {
	return [
		...stage.lines.filter((line) => line.ingredient.kind !== 'culture'),
		...stage.stages.filter((inner) => inner.kind !== 'build').flatMap(linesWithin)
	];
}

/** Wetter than this, what comes from milk or egg is fresh; butter and milk powder are not (our default). */
const FRESH_WATER_SHARE = 0.3;

/**
 * Whether fresh milk or egg is in a stage, at any depth: it spoils at the room's heat.
 * Range: any stage. Source: our default. Failures: none. Example: a sponge of flour and milk is, one with milk powder not.
 */
export function isPerishable(stage: ResolvedStage): boolean {
	return linesWithin(stage).some(
		({ ingredient: { allergens, composition } }) =>
			composition.water > FRESH_WATER_SHARE &&
			allergens.some((allergen) => allergen === 'milk' || allergen === 'egg')
	);
}

/** The figures of one build in its own percentages. */
export interface BuildFigures {
	/** Water in percent of the build's own flour. */
	readonly hydration: number;
	/** Seed flour in percent of the build's flour. */
	readonly inoculation: number;
	/** Seed : flour : water by mass, with the seed at 1; null when nothing seeds the build. */
	readonly seedRatio: { readonly flour: number; readonly water: number } | null;
}

/**
 * Gives the figures of one build. The seed is the culture in its own lines and the builds inside it; what soaks or
 * scalds inside it is fresh.
 * Failures: none; a build without flour has a hydration and inoculation of 0.
 * Example: culture 3.6, flour 16.2, water 16.2 is 1 : 4.5 : 4.5 at 100 % with an inoculation of 10 %.
 */
export function buildFiguresOf(stage: ResolvedStage): BuildFigures {
	const seedLines = culturesOf(stage);
	const inner = stage.stages.filter((stage) => stage.kind === 'build');
	const seed =
		seedLines.reduce((total, line) => total + line.percentOfFlour, 0) +
		inner.reduce((total, stage) => total + stage.percentOfFlour, 0);
	const seedFlour =
		seedLines.reduce((total, line) => total + flourOfLine(line), 0) +
		inner.reduce((total, stage) => total + flourOf(stage), 0);
	const fresh = freshLines(stage);
	const freshFlour = fresh.reduce((total, line) => total + flourOfLine(line), 0);
	const freshWater = fresh.reduce((total, line) => total + addedWater(line), 0);
	const flour = flourOf(stage);
	return {
		hydration: flour > 0 ? (sumLines(stage, addedWater) / flour) * 100 : 0,
		inoculation: flour > 0 ? (seedFlour / flour) * 100 : 0,
		seedRatio: seed > 0 ? { flour: freshFlour / seed, water: freshWater / seed } : null
	};
}

/** A line of the final-dough view: percent of the flour added at the final mix. */
export interface FinalDoughLine {
	readonly name: string;
	readonly percentOfFinalFlour: number;
}

/**
 * Reads the final dough in percent of the flour that is added at the final mix.
 * Stages are one line each; lines of one ingredient added at different times are joined.
 * Failures: none; when no flour is added at the final mix the view is empty.
 */
export function finalDoughView(resolved: ResolvedFormula): readonly FinalDoughLine[] {
	const { lines, stages } = resolved.final;
	const flour = lines.reduce(
		(total, line) => total + line.percentOfFlour * line.ingredient.composition.flour,
		0
	);
	if (flour === 0) return [];
	const joined = new Map<string, number>();
	for (const stage of stages) joined.set(stage.name, stage.percentOfFlour);
	for (const line of lines)
		joined.set(line.ingredient.name, (joined.get(line.ingredient.name) ?? 0) + line.percentOfFlour);
	return [...joined].map(([name, percent]) => ({
		name,
		percentOfFinalFlour: (percent / flour) * 100
	}));
}
