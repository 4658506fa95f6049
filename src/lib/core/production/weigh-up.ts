import { given, worked, type Explained } from '../explain/index.ts';
import type { Addition, Material, ResolvedStage } from '../formula/index.ts';
import { fail, ok, type Result } from '../result.ts';
import { spendWork } from '../work.ts';
import {
	roundToScale,
	weighOn,
	type Weighing,
	type WeighingFailure,
	type WeighingScale
} from '../units/index.ts';

/** One line to weigh: the exact amount with its arithmetic, and what the scale will show. */
export interface WeighUpLine {
	readonly name: string;
	readonly material: Material;
	readonly percentOfFlour: number;
	readonly addition: Addition;
	readonly exact: Explained;
	readonly weighing: Weighing;
	/** Where the weighing is coarse: the scale of the bakery that would not be; null where there is none. */
	readonly finerScale: string | null;
}

/**
 * Gives the weigh-up of one stage: every ingredient and every inner stage by its own line, rounded to
 * the scale that weighs it, with the sum never below what is needed.
 *
 * Model: each line is its percentage of the total flour; when rounding would leave the stage short, the
 * line that a division changes least is weighed a division heavier until the sum covers it.
 * Range: total flour above 0. Source: domain arithmetic (rounding). Failures: `no-scales`.
 * Example: flour of 11 833.2 g at 70 % is 8 283.2 g and weighs 8 280 g on a scale of 20 g steps.
 */
export function weighUp(
	stage: ResolvedStage,
	totalFlour: Explained,
	scales: readonly WeighingScale[]
): Result<readonly WeighUpLine[], WeighingFailure> {
	const lines: WeighUpLine[] = [];
	spendWork(stage.lines.length + stage.stages.length);
	for (const wanted of wantedLines(stage)) {
		const exact = worked({ key: 'line', of: wanted.name }, 'g', 'percent', [
			totalFlour,
			given({ key: 'percent', of: wanted.name }, wanted.percentOfFlour, '%', { kind: 'formula' })
		]);
		const own = scales.filter((scale) => scale.name === wanted.weighedOn);
		const weighing = roundToScale({ grams: exact.value }, own.length > 0 ? own : scales);
		if (!weighing.ok) return fail(weighing.error);
		const { name, material, percentOfFlour, addition } = wanted;
		lines.push({
			name,
			material,
			percentOfFlour,
			addition,
			exact,
			weighing: weighing.value,
			finerScale: null
		});
	}
	return ok(
		covered(lines).map((line) =>
			line.weighing.coarse ? { ...line, finerScale: finerScale(line, scales) } : line
		)
	);
}

/** The finest scale of the bakery that carries a line and does not move it by more than it may. */
function finerScale({ exact }: WeighUpLine, scales: readonly WeighingScale[]): string | null {
	const finest = roundToScale({ grams: exact.value }, scales);
	return finest.ok && !finest.value.coarse && finest.value.goes === 1
		? finest.value.scale.name
		: null;
}

type WantedLine = Pick<WeighUpLine, 'name' | 'material' | 'percentOfFlour' | 'addition'> & {
	readonly weighedOn: string | null;
};

/** Inner stages first, as they are fetched; one ingredient added at one time is one line. */
function wantedLines(stage: ResolvedStage): readonly WantedLine[] {
	const wanted = new Map<string, WantedLine>();
	const add = (key: string, line: WantedLine) => {
		const before = wanted.get(key);
		const percentOfFlour = line.percentOfFlour + (before?.percentOfFlour ?? 0);
		wanted.set(key, { ...line, percentOfFlour });
	};
	for (const inner of stage.stages)
		if (inner.preparation)
			add(inner.preparation.id, {
				name: inner.name,
				material: { kind: 'preparation', preparationId: inner.preparation.id },
				percentOfFlour: inner.percentOfFlour,
				addition: inner.addition,
				weighedOn: null
			});
	for (const { ingredient, percentOfFlour, addition } of stage.lines)
		add(`${ingredient.id} ${addition}`, {
			name: ingredient.name,
			material: { kind: 'ingredient', ingredientId: ingredient.id },
			percentOfFlour,
			addition,
			weighedOn: ingredient.weighedOn
		});
	return [...wanted.values()];
}

/** Dust of binary sums that does not count as missing dough, in grams. */
const DUST_GRAMS = 1e-6;

function covered(lines: readonly WeighUpLine[]): readonly WeighUpLine[] {
	const raised = [...lines];
	let missing = lines.reduce((total, line) => total - line.weighing.residue.grams, 0);
	while (missing > DUST_GRAMS) {
		const index = leastChanged(raised);
		const line = raised[index];
		if (!line) break;
		const { scale, weighed } = line.weighing;
		const divisions = Math.round(weighed.grams / scale.division.grams) + 1;
		raised[index] = {
			...line,
			weighing: weighOn(scale, { grams: line.exact.value }, divisions)
		};
		missing -= scale.division.grams;
	}
	return raised;
}

/** The line whose share a further division moves least, seen from its exact amount. */
function leastChanged(lines: readonly WeighUpLine[]): number {
	let best = -1;
	let least = Infinity;
	lines.forEach((line, index) => {
		const after = line.weighing.residue.grams + line.weighing.scale.division.grams;
		const change = after / line.exact.value;
		if (change < least) {
			least = change;
			best = index;
		}
	});
	return best;
}
