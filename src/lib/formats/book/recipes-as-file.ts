import {
	BOOK_FORMAT,
	BOOK_VERSION,
	type BookFile,
	type FileFormula,
	type FilePreparation
} from '../../contracts/book-file.ts';
import {
	FIRST_DOUGH_STEPS,
	firstStepsOf,
	FLOUR_TOLERANCE_PERCENT,
	hasOwnFlour,
	USUAL_BUILD_LOSS_SHARE,
	USUAL_DOUGH_CELSIUS,
	USUAL_DOUGH_LOSS_SHARE,
	type PreparationKind
} from '../../core/formula/index.ts';
import { groupBy } from '../../core/group-by.ts';
import { nameKey } from '../name-key.ts';
import type { BookProblem, BookRead } from '../../contracts/book-problems.ts';
import type { Known, ReadLine, ReadRecipe } from './read-book.ts';

/**
 * Writes recipes that were read line by line as a book: every line in percent of the formula's whole flour, every stage a preparation of its own.
 *
 * Model: grams over the grams that count as flour, those inside stages and cultures too. Percents are taken as they stand where the flour comes to 100; otherwise they are of
 * something else (the flour of the final dough), and are rewritten in proportion. A stage that the dough names takes the amount it names; one that it does not name goes in whole.
 * Range: any recipes; names that the bakery knows are taken as its own. Source: domain arithmetic. Failures: none; what cannot be taken is told beside it.
 * Example: 500 g flour, 350 g water and a stage of 100 g flour with 100 g water: 83.3, 58.3 and 33.3 % of 600 g.
 */
export function recipesAsFile(
	recipes: readonly ReadRecipe[],
	known: Known,
	problems: readonly BookProblem[]
): BookRead {
	const told = [...problems];
	const stageNames = namesOfStages(recipes);
	const preparations = new Map<string, FilePreparation>();
	const formulas = new Map<string, FileFormula>();
	for (const recipe of recipes) {
		if (formulas.has(nameKey(recipe.name))) {
			told.push({ line: recipe.line, problem: { kind: 'twice', name: recipe.name } });
			continue;
		}
		const written = new Writer(recipe, known, told, stageNames).written();
		if (!written) continue;
		formulas.set(nameKey(recipe.name), written.formula);
		for (const one of written.preparations) preparations.set(nameKey(one.name), one);
	}
	const file: BookFile = {
		format: BOOK_FORMAT,
		version: BOOK_VERSION,
		ingredients: [],
		preparations: [...preparations.values()],
		formulas: [...formulas.values()],
		products: []
	};
	return { file, problems: told, asked: askedOf(recipes, known, problems) };
}

/** The names that nobody knows, in lines that were read and in those that were left for want of a density. */
function askedOf(
	recipes: readonly ReadRecipe[],
	known: Known,
	problems: readonly BookProblem[]
): BookRead['asked'] {
	const asked = new Map<string, BookRead['asked'][number]>();
	const ask = (name: string, usedIn: string) => {
		const key = nameKey(name);
		if (!known.has(key) && !asked.has(key)) asked.set(key, { name, usedIn });
	};
	for (const { name: usedIn, lines } of recipes) {
		const stages = new Set(lines.flatMap(({ stage }) => (stage === null ? [] : [nameKey(stage)])));
		for (const { name } of lines) if (!stages.has(nameKey(name))) ask(name, usedIn);
	}
	for (const { problem } of problems)
		if (problem.kind === 'no-density') ask(problem.name, problem.text);
	return [...asked.values()];
}

/** One recipe on its way to a formula. */
class Writer {
	/** Lines of each stage, by the key of its name; a stage that refers to itself counts once. */
	private readonly stages: ReadonlyMap<string, readonly ReadLine[]>;
	private readonly final: readonly ReadLine[];
	private readonly names = new Map<string, string>();

	constructor(
		private readonly recipe: ReadRecipe,
		private readonly known: Known,
		private readonly told: BookProblem[],
		stageNames: StageNames
	) {
		const lines = this.ofOneMeasure();
		this.final = lines.filter(({ stage }) => stage === null);
		this.stages = groupBy(
			lines.filter(({ stage }) => stage !== null),
			({ stage }) => nameKey(stage ?? ''),
			(line) => line
		);
		for (const { stage } of lines)
			if (stage !== null && !this.names.has(nameKey(stage)))
				this.names.set(nameKey(stage), stageNames(recipe, stage));
	}

	written(): {
		readonly formula: FileFormula;
		readonly preparations: readonly FilePreparation[];
	} | null {
		const { recipe } = this;
		// What no line of the dough names goes in whole.
		const named = new Set(
			[...this.final, ...[...this.stages.values()].flat()].map(({ name }) => nameKey(name))
		);
		const whole = [...this.stages].flatMap(([key, lines]) =>
			named.has(key) ? [] : [{ key, amount: totalOf(lines) }]
		);
		const parts = [
			...this.final.map((line) => ({ line, amount: amountOf(line) })),
			...whole.map(({ key, amount }) => ({
				line: {
					line: recipe.line,
					stage: null,
					name: this.names.get(key) ?? key,
					much: { of: 'grams' as const, grams: amount },
					addition: 'start' as const
				},
				amount
			}))
		];
		if (parts.length === 0) return this.tell({ kind: 'nothing-in-it', formula: recipe.name });
		const flour = parts.reduce(
			(total, { line, amount }) => total + amount * this.flourShare(line.name, new Set()),
			0
		);
		if (!(flour > 0)) return this.tell({ kind: 'no-flour', formula: recipe.name });
		const inPercent = recipe.lines.some(({ much }) => much.of === 'percent');
		const stands = inPercent && Math.abs(flour - 100) <= FLOUR_TOLERANCE_PERCENT;
		if (inPercent && !stands)
			this.tell({ kind: 'rewritten', formula: recipe.name, flourPercent: flour });
		const factor = stands ? 1 : 100 / flour;
		return {
			formula: {
				name: recipe.name,
				doughLossShare: USUAL_DOUGH_LOSS_SHARE,
				targetCelsius: recipe.targetCelsius ?? USUAL_DOUGH_CELSIUS,
				mostDoughGrams: null,
				lines: parts.map(({ line, amount }) => ({
					...this.materialOf(line.name),
					percentOfFlour: tidy(amount * factor),
					addition: line.addition
				})),
				steps: [...FIRST_DOUGH_STEPS]
			},
			preparations: [...this.stages].map(([key, lines]) => this.preparation(key, lines))
		};
	}

	private preparation(key: string, lines: readonly ReadLine[]): FilePreparation {
		const kind = this.recipe.stageKinds.get(key) ?? this.kindOf(lines);
		return {
			name: this.names.get(key) ?? key,
			kind,
			buildLossShare: hasOwnFlour(kind) ? USUAL_BUILD_LOSS_SHARE : 0,
			takeBackGrams: 0,
			bath: null,
			lines: lines.map((line) => ({
				...this.materialOf(line.name),
				parts: tidy(amountOf(line))
			})),
			steps: [...firstStepsOf(kind)]
		};
	}

	/** A stage with something in it that lifts is a build; one that only takes up water is a soaker. */
	private kindOf(lines: readonly ReadLine[]): PreparationKind {
		const lifts = lines.some(({ name }) => {
			const kind = this.known.get(nameKey(name))?.kind;
			return (
				kind === 'yeast' || kind === 'culture' || kind === 'build' || this.stages.has(nameKey(name))
			);
		});
		return lifts ? 'build' : 'soaker';
	}

	private materialOf(name: string): { of: string; is: 'ingredient' | 'preparation' } {
		const key = nameKey(name);
		const stage = this.stageNamed(key);
		if (stage !== null) return { of: stage, is: 'preparation' };
		const known = this.known.get(key);
		return known ? { of: known.name, is: known.is } : { of: name, is: 'ingredient' };
	}

	private stageNamed(key: string): string | null {
		const own = this.names.get(key);
		if (own !== undefined) return own;
		return [...this.names.values()].find((name) => nameKey(name) === key) ?? null;
	}

	/** How much of what a line names counts as flour; what nobody knows does not. */
	private flourShare(name: string, within: ReadonlySet<string>): number {
		const key = nameKey(name);
		const own = this.stages.has(key)
			? key
			: [...this.names].find(([, stage]) => nameKey(stage) === key)?.[0];
		if (own === undefined) return this.known.get(key)?.flourShare ?? 0;
		if (within.has(own)) return 0;
		const lines = this.stages.get(own) ?? [];
		const total = totalOf(lines);
		const inside = new Set([...within, own]);
		return total > 0
			? lines.reduce((sum, line) => sum + amountOf(line) * this.flourShare(line.name, inside), 0) /
					total
			: 0;
	}

	/** Percents and grams cannot be added: what is told otherwise than the first line is told, and left. */
	private ofOneMeasure(): readonly ReadLine[] {
		const first = this.recipe.lines[0]?.much.of;
		return this.recipe.lines.filter(({ much, line, name }) => {
			if (much.of === first) return true;
			this.told.push({
				line,
				problem: { kind: 'two-measures', formula: this.recipe.name, name }
			});
			return false;
		});
	}

	private tell(problem: BookProblem['problem']): null {
		this.told.push({ line: this.recipe.line, problem });
		return null;
	}
}

type StageNames = (recipe: ReadRecipe, stage: string) => string;

/**
 * What each stage is called as a recipe of its own: by its name, and by its formula's too where another formula has something else under that name.
 * What is made alike is one, and shared.
 */
function namesOfStages(recipes: readonly ReadRecipe[]): StageNames {
	const first = new Map<string, string>();
	const names = new Map<string, string>();
	for (const recipe of recipes) {
		const stages = groupBy(
			recipe.lines.filter(({ stage }) => stage !== null),
			({ stage }) => nameKey(stage ?? ''),
			(line) => line
		);
		for (const [key, lines] of stages) {
			const made = madeOf(lines);
			const name = lines[0]?.stage ?? key;
			const before = first.get(key);
			if (before === undefined) first.set(key, made);
			names.set(
				`${recipe.line} ${key}`,
				before === undefined || before === made ? name : `${name} (${recipe.name})`
			);
		}
	}
	return (recipe, stage) => names.get(`${recipe.line} ${nameKey(stage)}`) ?? stage;
}

/** What a stage is made of, in shares, as one text to compare. */
function madeOf(lines: readonly ReadLine[]): string {
	const total = totalOf(lines);
	return lines
		.map((line) => `${nameKey(line.name)} ${Math.round((amountOf(line) / total) * 1e5)}`)
		.sort()
		.join('\n');
}

function amountOf({ much }: ReadLine): number {
	return much.of === 'percent' ? much.percent : much.grams;
}

function totalOf(lines: readonly ReadLine[]): number {
	return lines.reduce((total, line) => total + amountOf(line), 0);
}

/** To a millionth: what is finer came from dividing, not from a baker. */
function tidy(value: number): number {
	return Math.round(value * 1e6) / 1e6;
}
