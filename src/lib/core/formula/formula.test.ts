import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type IngredientId, type PreparationId } from '../identity.ts';
import {
	allergensOf,
	buildFiguresOf,
	figuresOf,
	finalDoughView,
	flourOf,
	foldMinutes,
	foldsTooLate,
	grossFor,
	resolveAlone,
	resolveFormula,
	scaledForBaked,
	stagesInOrder,
	sumLines,
	yeastInForm,
	type Formula,
	type Pantry,
	type Preparation,
	type ResolvedFormula,
	type WaitStep
} from './index.ts';
import { LEVAIN, OAT_LOAF, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';

function close(actual: number, expected: number, halfDigit: number) {
	assert.ok(Math.abs(actual - expected) <= halfDigit, `${actual} is not ${expected}`);
}

function resolved(formula: Formula = OAT_LOAF, pantry: Pantry = OAT_LOAF_PANTRY): ResolvedFormula {
	const result = resolveFormula(formula, pantry);
	assert.ok(result.ok, JSON.stringify(result));
	return result.value;
}

test('worked figure: total flour 100 and dough 210.1 of the oat loaf', () => {
	close(flourOf(resolved().final), 100, 1e-9);
	close(resolved().final.percentOfFlour, 210.1, 0.05);
});

test('worked figure: hydration 94.0, 76.0 and 94.34 %, PFF 18.0 %', () => {
	const figures = figuresOf(resolved());
	close(figures.hydration, 94.0, 0.05);
	close(figures.hydrationWithoutSoakers, 76.0, 0.05);
	close(figures.effectiveHydration, 94.34, 0.005);
	close(figures.prefermentedFlour, 18.0, 0.05);
	close(figures.salt, 2.1, 1e-9);
	close(figures.wholegrain, 19.2, 1e-9);
	assert.deepEqual(figures.allergens, ['gluten', 'oats']);
});

test('worked figure: the levain is 1 : 4.5 : 4.5 at 100 % with an inoculation of 10 %', () => {
	const [levain] = stagesInOrder(resolved().final);
	assert.ok(levain);
	const figures = buildFiguresOf(levain);
	assert.ok(figures.seedRatio);
	close(figures.seedRatio.flour, 4.5, 0.05);
	close(figures.seedRatio.water, 4.5, 0.05);
	close(figures.hydration, 100, 0.5);
	close(figures.inoculation, 10.0, 0.05);
});

test('worked figure: the final-dough view on 82 of flour', () => {
	const view = new Map(
		finalDoughView(resolved()).map((line) => [line.name, line.percentOfFinalFlour])
	);
	close(view.get('levain') ?? 0, 43.9, 0.005);
	close(view.get('soaker') ?? 0, 36.59, 0.005);
	close(view.get('water') ?? 0, 70.73, 0.005);
	close(view.get('salt') ?? 0, 2.56, 0.005);
	close(view.get('honey') ?? 0, 2.44, 0.005);
});

test('worked figure: a gross build of 9 814.3 g, and 914.3 g to scale for 800 g baked', () => {
	const gross = grossFor({ grams: 8519.9 }, { grams: 1000 }, { share: 0.03 });
	close(gross.grams, 9814.3, 0.05);
	close(scaledForBaked({ grams: 800 }, { share: 0.125 }).grams, 914.3, 0.05);
	assert.throws(() => grossFor({ grams: 1 }, { grams: 0 }, { share: 1 }), RangeError);
});

test('a formula that cannot be is refused with the line and the reason', () => {
	const line = OAT_LOAF.lines[2]!;
	const failing = (formula: Formula, pantry: Pantry = OAT_LOAF_PANTRY) => {
		const result = resolveFormula(formula, pantry);
		return result.ok ? 'resolved' : result.error;
	};
	const unknown = { kind: 'ingredient', ingredientId: id<IngredientId>('spelt') } as const;
	const noBuild = { kind: 'preparation', preparationId: id<PreparationId>('biga') } as const;
	assert.deepEqual(failing({ ...OAT_LOAF, lines: [] }), { kind: 'no-lines', where: 'oat loaf' });
	assert.deepEqual(failing({ ...OAT_LOAF, lines: [{ ...line, material: unknown }] }), {
		kind: 'unknown-ingredient',
		where: 'oat loaf',
		id: 'spelt'
	});
	assert.deepEqual(failing({ ...OAT_LOAF, lines: [{ ...line, material: noBuild }] }), {
		kind: 'unknown-preparation',
		where: 'oat loaf',
		id: 'biga'
	});
	for (const percentOfFlour of [-3, 0, Number.NaN]) {
		const refused = failing({ ...OAT_LOAF, lines: [{ ...line, percentOfFlour }] });
		assert.ok(typeof refused === 'object' && refused.kind === 'not-positive');
		assert.equal(refused.line, 'bread flour');
	}
	const short = failing({ ...OAT_LOAF, lines: [{ ...line, percentOfFlour: 98 }] });
	assert.deepEqual(short, { kind: 'flour-not-100', where: 'oat loaf', flourPercent: 98 });
	const loop: Preparation = {
		...LEVAIN,
		lines: [{ material: { kind: 'preparation', preparationId: LEVAIN.id }, parts: 1 }]
	};
	assert.deepEqual(
		failing(OAT_LOAF, { ...OAT_LOAF_PANTRY, preparations: new Map([[loop.id, loop]]) }),
		{ kind: 'circular', path: ['levain', 'levain'] }
	);
	const empty = { ...LEVAIN, lines: [] };
	assert.deepEqual(
		failing(OAT_LOAF, { ...OAT_LOAF_PANTRY, preparations: new Map([[empty.id, empty]]) }),
		{ kind: 'no-lines', where: 'levain' }
	);
});

test('resolving keeps mass: the lines of all stages add up to the dough, whatever the parts', () => {
	fc.assert(
		fc.property(
			fc.array(fc.double({ min: 0.01, max: 500, noNaN: true }), { minLength: 4, maxLength: 4 }),
			(parts) => {
				const levain = {
					...LEVAIN,
					lines: LEVAIN.lines.map((line, index) => ({ ...line, parts: parts[index]! }))
				};
				const preparations = new Map(OAT_LOAF_PANTRY.preparations).set(levain.id, levain);
				const all = parts.reduce((total, part) => total + part, 0);
				const flourInLevain = (36 * (parts[0]! / 2 + parts[1]! + parts[2]!)) / all;
				const lines = OAT_LOAF.lines.map((line, index) =>
					index === 2 ? { ...line, percentOfFlour: 88 - flourInLevain } : line
				);
				const { final } = resolved({ ...OAT_LOAF, lines }, { ...OAT_LOAF_PANTRY, preparations });
				const sum = sumLines(final, (line) => line.percentOfFlour);
				close(sum, final.percentOfFlour, 1e-6);
				close(flourOf(final), 100, 1e-6);
				assert.deepEqual(allergensOf(final), ['gluten', 'oats']);
			}
		)
	);
});

/** Builds that each take from the one before, `times` over. */
function chained(levels: number, times: number) {
	const preparations = new Map(OAT_LOAF_PANTRY.preparations);
	let inner = LEVAIN.id;
	for (let level = 1; level <= levels; level += 1) {
		const next = id<PreparationId>(`level ${level}`);
		const takes = inner;
		preparations.set(next, {
			...LEVAIN,
			id: next,
			name: `level ${level}`,
			lines: Array.from({ length: times }, (_, at) => ({
				material: { kind: 'preparation' as const, preparationId: takes },
				parts: at + 1
			}))
		});
		inner = next;
	}
	const outer = preparations.get(inner);
	assert.ok(outer);
	return resolveAlone(outer, { ...OAT_LOAF_PANTRY, preparations });
}

test('builds that name each other over and over end at what a dough can have, not at what memory holds', () => {
	assert.ok(chained(7, 2).ok, '255 stages');
	const many = chained(40, 2);
	assert.ok(!many.ok && (many.error.kind === 'too-many-stages' || many.error.kind === 'too-deep'));
	assert.ok(chained(30, 1).ok);
	const deep = chained(60, 1);
	assert.ok(!deep.ok && deep.error.kind === 'too-deep', JSON.stringify(deep));
});

test('yeast in another form does the same work: fresh 1, active dry 0.40, instant 0.33', () => {
	assert.ok(Math.abs(yeastInForm(10, 'fresh', 'instant') - 3.3) < 1e-9);
	assert.ok(Math.abs(yeastInForm(10, 'fresh', 'activeDry') - 4) < 1e-9);
	assert.ok(Math.abs(yeastInForm(3.3, 'instant', 'activeDry') - 4) < 1e-9);
	assert.equal(yeastInForm(0, 'instant', 'fresh'), 0);
});

test('folds that come when the wait is over are told, and done by nobody', () => {
	const bulk = (minutes: number | null, foldsAtMinutes: readonly number[]): WaitStep => ({
		kind: 'wait',
		activity: 'bulk',
		legs: [
			{ named: null, place: 'room', ambientCelsius: 23, timeConstantMinutes: 420, minutes: 30 },
			{ named: null, place: 'cold', ambientCelsius: 4, timeConstantMinutes: 240, minutes }
		],
		clock: {
			leavening: 'sourdough',
			referenceCelsius: 25,
			underMinutes: 165,
			ripeMinutes: 210,
			overMinutes: 260,
			carryShare: 0.5
		},
		foldsAtMinutes,
		foldsAtShares: []
	});
	assert.deepEqual(foldsTooLate(bulk(60, [40, 90, 91])), [91]);
	assert.deepEqual(foldsTooLate(bulk(null, [40, 260, 400])), [400]);
	assert.deepEqual(foldsTooLate({ ...bulk(null, [4000]), clock: null }), []);
	assert.deepEqual(foldMinutes(bulk(60, [40, 90, 400]), 90), [40, 90]);
});
