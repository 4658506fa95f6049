import { buildFiguresOf, type FormulaFigures } from './figures.ts';
import { flourOf, stagesInOrder, type ResolvedFormula, type ResolvedStage } from './resolve.ts';

/** Something a baker would look at twice. Notes never block. */
export type SanityNote =
	| {
			readonly kind: 'salt-unusual';
			readonly percent: number;
			readonly least: number;
			readonly most: number;
	  }
	| { readonly kind: 'no-leavening' }
	| {
			readonly kind: 'yeast-high-for-prefermented';
			readonly percent: number;
			readonly most: number;
	  }
	| {
			readonly kind: 'prefermented-flour-unusual';
			readonly build: string;
			readonly percent: number;
			readonly most: number;
	  }
	| {
			readonly kind: 'seed-unusual';
			readonly build: string;
			readonly percent: number;
			readonly least: number;
			readonly most: number;
	  }
	| {
			readonly kind: 'hydration-unusual';
			readonly percent: number;
			readonly least: number;
			readonly most: number;
	  };

/** Usual ranges in percent of total flour (our defaults). */
const SALT = { least: 1.6, most: 2.4 };
const MOST_YEAST_WITH_BUILD = 2.5;
const HYDRATION = { least: 45, most: 110 };

/**
 * The most flour usual in a build, by what it is: a culture seeds it, another build seeds it (staged
 * sours), or yeast raises it (sponge, poolish, biga, old dough). Our defaults, in percent of total flour.
 */
const MOST_PREFERMENTED = { seeded: 35, staged: 60, yeasted: 60 };
/** Seed flour usual in a build that a culture or another build seeds, in percent of its flour (our defaults). */
const SEED = { least: 2, most: 60 };

/**
 * Gives the notes on a formula.
 * Model: each figure against its usual range, builds by what raises them. Range: any resolved formula.
 * Source: our defaults. Failures: none.
 * Example: salt of 3 % is noted as unusual, against 1.6 to 2.4.
 */
export function sanityNotes(
	resolved: ResolvedFormula,
	figures: FormulaFigures
): readonly SanityNote[] {
	const notes: SanityNote[] = [];
	const { salt, hydration, prefermentedFlour, yeastFreshEquivalent } = figures;
	if (salt < SALT.least || salt > SALT.most)
		notes.push({ kind: 'salt-unusual', percent: salt, ...SALT });
	if (prefermentedFlour === 0 && yeastFreshEquivalent === 0) notes.push({ kind: 'no-leavening' });
	if (prefermentedFlour > 0 && yeastFreshEquivalent > MOST_YEAST_WITH_BUILD)
		notes.push({
			kind: 'yeast-high-for-prefermented',
			percent: yeastFreshEquivalent,
			most: MOST_YEAST_WITH_BUILD
		});
	for (const stage of stagesInOrder(resolved.final))
		if (stage.kind === 'build') notes.push(...buildNotes(stage));
	// Effective water counts, so that a dough of milk and eggs is not called dry.
	if (figures.effectiveHydration < HYDRATION.least || hydration > HYDRATION.most)
		notes.push({
			kind: 'hydration-unusual',
			percent:
				figures.effectiveHydration < HYDRATION.least ? figures.effectiveHydration : hydration,
			...HYDRATION
		});
	return notes;
}

function buildNotes(stage: ResolvedStage): readonly SanityNote[] {
	const notes: SanityNote[] = [];
	const { inoculation, seedRatio } = buildFiguresOf(stage);
	const staged = stage.stages.some((inner) => inner.kind === 'build');
	const most = MOST_PREFERMENTED[staged ? 'staged' : seedRatio ? 'seeded' : 'yeasted'];
	const percent = flourOf(stage);
	if (percent > most)
		notes.push({ kind: 'prefermented-flour-unusual', build: stage.name, percent, most });
	if (seedRatio && (inoculation < SEED.least || inoculation > SEED.most))
		notes.push({ kind: 'seed-unusual', build: stage.name, percent: inoculation, ...SEED });
	return notes;
}
