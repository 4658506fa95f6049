import { given, worked, type Explained, type Given } from '../explain/index.ts';
import { isSoaked } from './formula.ts';
import {
	asOneDough,
	culturesOf,
	freshLines,
	withoutRollIn,
	type FormulaFigures
} from './figures.ts';
import {
	flourOf,
	linesWithin,
	stagesInOrder,
	type ResolvedFormula,
	type ResolvedLine,
	type ResolvedStage
} from './resolve.ts';

/** The figures of a formula that are numbers. */
export type FigureKey = Exclude<keyof FormulaFigures, 'allergens'>;

/**
 * Gives one figure of a formula with its arithmetic: line by line, in percent of total flour.
 *
 * Model, range and source: as `figuresOf`, whose number it comes to. Failures: none.
 * Example: the salt of a dough with 2.1 % in its final mix is the one line 2.1 %.
 */
export function explainFigure(resolved: ResolvedFormula, figure: FigureKey): Explained {
	const { final } = resolved;
	switch (figure) {
		case 'doughPercent':
			return sum('total-percent', [
				...final.stages.map((stage) => percentOf(stage.name, stage.percentOfFlour)),
				...joined(final.lines).map(([line, percent]) => percentOf(line.ingredient.name, percent))
			]);
		case 'hydration':
			return sum('hydration', addedWaterOf(linesWithin(final)));
		case 'hydrationWithoutSoakers':
			return worked({ key: 'hydration-without-soakers' }, '%', 'difference', [
				explainFigure(resolved, 'hydration'),
				...stagesInOrder(final)
					.filter((stage) => isSoaked(stage.kind))
					.flatMap((stage) => addedWaterOf(stage.lines))
			]);
		case 'effectiveHydration':
			return sum(
				'effective-hydration',
				joined(linesWithin(withoutRollIn(final))).flatMap(([line, percent]) =>
					part(line, percent, 'water-share', line.ingredient.composition.water)
				)
			);
		case 'salt':
			return sum(
				'salt',
				joined(linesWithin(final))
					.filter(([line]) => line.ingredient.kind === 'salt')
					.map(([line, percent]) => percentOf(line.ingredient.name, percent))
			);
		case 'yeastFreshEquivalent':
			return sum(
				'yeast',
				joined(linesWithin(final)).flatMap(([line, percent]) =>
					part(line, percent, 'fresh-equivalent', line.ingredient.yeastFreshEquivalent)
				)
			);
		case 'prefermentedFlour': {
			const whole = asOneDough(final);
			return sum('prefermented-flour', [
				...whole.stages
					.filter((stage) => stage.kind === 'build')
					.map((stage) =>
						given({ key: 'flour-in-build', of: stage.name }, flourOf(stage), '%', {
							kind: 'formula'
						})
					),
				...culturesOf(whole).flatMap((line) =>
					part(line, line.percentOfFlour, 'flour-share', line.ingredient.composition.flour)
				)
			]);
		}
		case 'wholegrain':
			return sum(
				'wholegrain',
				joined(linesWithin(final)).flatMap(([line, percent]) => {
					const { flour, wholegrainOfFlour } = line.ingredient.composition;
					return part(line, percent, 'wholegrain-share', flour * wholegrainOfFlour);
				})
			);
	}
}

/**
 * Gives one side of a build's seed ratio with its arithmetic: fresh flour or fresh water to one of seed.
 * Model: as `buildFiguresOf`, whose ratio it comes to. Failures: none; null when the build has no seed.
 * Example: 16.2 % fresh flour on 3.6 % of seed is 4.5.
 */
export function explainSeedRatio(stage: ResolvedStage, of: 'flour' | 'water'): Explained | null {
	const isSeed = ({ ingredient }: ResolvedLine) => ingredient.kind === 'culture';
	const seed = [
		...joined(stage.lines.filter(isSeed)).map(([line, percent]) =>
			percentOf(line.ingredient.name, percent)
		),
		...stage.stages
			.filter((inner) => inner.kind === 'build')
			.map((inner) => percentOf(inner.name, inner.percentOfFlour))
	];
	if (seed.length === 0) return null;
	const fresh = freshLines(stage);
	const parts =
		of === 'water'
			? addedWaterOf(fresh)
			: joined(fresh).flatMap(([line, percent]) =>
					part(line, percent, 'flour-share', line.ingredient.composition.flour)
				);
	return worked({ key: `seed-ratio-${of}`, of: stage.name }, '1', 'quotient', [
		worked({ key: 'grouped' }, '%', 'sum', parts),
		worked({ key: 'grouped' }, '%', 'sum', seed)
	]);
}

/**
 * Gives the flour of a stage, all that is in it at any depth, with its arithmetic in percent of total flour.
 * Model: as `flourOf`. Failures: none; a stage without flour comes to 0.
 * Example: 9 % bread flour, 7.2 % whole wheat and half of 3.6 % of culture are 18 %.
 */
export function explainFlourOf(stage: ResolvedStage): Explained {
	return worked(
		{ key: 'flour-in-build', of: stage.name },
		'%',
		'sum',
		joined(linesWithin(stage)).flatMap(([line, percent]) =>
			part(line, percent, 'flour-share', line.ingredient.composition.flour)
		)
	);
}

/** The figures of a build that open their arithmetic. */
export type BuildFigureKey = 'hydration' | 'inoculation';

/**
 * Gives a build's hydration or inoculation with its arithmetic, in percent of the build's own flour.
 * Model: as `buildFiguresOf`. Failures: none; a build without flour comes to 0.
 * Example: seed flour of 1.8 % in a build with 18 % of the flour is an inoculation of 10 %.
 */
export function explainBuildFigure(stage: ResolvedStage, figure: BuildFigureKey): Explained {
	const flour = flourOf(stage);
	const own = given({ key: 'flour-in-build', of: stage.name }, flour, '%', { kind: 'formula' });
	if (!(flour > 0)) return given({ key: figure, of: stage.name }, 0, '%', { kind: 'formula' });
	const parts =
		figure === 'hydration'
			? addedWaterOf(linesWithin(stage))
			: [
					...joined(stage.lines)
						.filter(([line]) => line.ingredient.kind === 'culture')
						.flatMap(([line, percent]) =>
							part(line, percent, 'flour-share', line.ingredient.composition.flour)
						),
					...stage.stages
						.filter((inner) => inner.kind === 'build')
						.map((inner) =>
							given({ key: 'flour-in-build', of: inner.name }, flourOf(inner), '%', {
								kind: 'formula'
							})
						)
				];
	return worked({ key: figure, of: stage.name }, '%', 'per-percent', [
		worked({ key: 'grouped' }, '%', 'sum', parts),
		own
	]);
}

/** One ingredient stands once, with all of its amounts together. */
function joined(
	lines: readonly ResolvedLine[]
): readonly (readonly [line: ResolvedLine, percent: number])[] {
	const all = new Map<string, [ResolvedLine, number]>();
	for (const line of lines) {
		const before = all.get(line.ingredient.id)?.[1] ?? 0;
		all.set(line.ingredient.id, [line, before + line.percentOfFlour]);
	}
	return [...all.values()];
}

function addedWaterOf(lines: readonly ResolvedLine[]): readonly Explained[] {
	return joined(
		lines.filter(({ ingredient: { kind } }) => kind === 'water' || kind === 'culture')
	).flatMap(([line, percent]) =>
		part(line, percent, 'water-share', line.ingredient.composition.water)
	);
}

/** A line's share of something; nothing for a share of 0, the line itself for the whole of it. */
function part(
	line: ResolvedLine,
	percent: number,
	key: 'water-share' | 'flour-share' | 'wholegrain-share' | 'fresh-equivalent',
	share: number
): readonly Explained[] {
	const of = line.ingredient.name;
	if (share === 0) return [];
	if (share === 1) return [percentOf(of, percent)];
	return [
		worked({ key: 'grouped' }, '%', 'product', [
			percentOf(of, percent),
			given({ key, of }, share, '1', { kind: 'formula' })
		])
	];
}

function percentOf(of: string, percent: number): Given {
	return given({ key: 'line', of }, percent, '%', { kind: 'formula' });
}

function sum(
	key:
		| 'total-percent'
		| 'hydration'
		| 'effective-hydration'
		| 'salt'
		| 'yeast'
		| 'prefermented-flour'
		| 'wholegrain',
	parts: readonly Explained[]
): Explained {
	const [only, ...others] = parts;
	if (!only) return given({ key }, 0, '%', { kind: 'formula' });
	if (others.length === 0 && only.kind === 'given') return { ...only, term: { key } };
	return worked({ key }, '%', 'sum', parts);
}
