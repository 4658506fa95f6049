import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type IngredientId, type PreparationId } from '../identity.ts';
import {
	editLine,
	figuresOf,
	flourOf,
	resolveFormula,
	sanityNotes,
	type EditedFormula,
	type Formula,
	type LineEdit,
	type Pantry,
	type Preparation,
	type PreparationLine
} from './index.ts';
import { LEVAIN, OAT_LOAF, OAT_LOAF_INGREDIENTS, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';

const close = (actual: number, expected: number, within = 1e-9) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);
const ingredient = (name: string) =>
	OAT_LOAF_INGREDIENTS.find((ingredient) => ingredient.name === name)!;

function resolved(formula = OAT_LOAF, pantry: Pantry = OAT_LOAF_PANTRY) {
	const result = resolveFormula(formula, pantry);
	assert.ok(result.ok, JSON.stringify(result));
	return result.value;
}
function after({ formula, preparations }: EditedFormula, pantry = OAT_LOAF_PANTRY) {
	const all = new Map(pantry.preparations);
	for (const preparation of preparations) all.set(preparation.id, preparation);
	return resolved(formula, { ...pantry, preparations: all });
}
const edit = (name: string, percentOfFlour: number, more: Partial<LineEdit> = {}): LineEdit => ({
	preparationId: null,
	ingredient: ingredient(name),
	addition: 'start',
	percentOfFlour,
	flour: 'balance',
	...more
});
function apply(change: LineEdit) {
	const result = editLine(resolved(), change);
	assert.ok(result.ok, JSON.stringify(result));
	return result.value;
}
const percent = (edited: EditedFormula, name: string) =>
	after(edited).final.lines.find((line) => line.ingredient.name === name)?.percentOfFlour ?? 0;

test('a flour that is raised takes from the largest other flour', () => {
	const edited = apply(edit('whole wheat', 15));
	close(percent(edited, 'whole wheat'), 15);
	close(percent(edited, 'bread flour'), 67);
	assert.deepEqual(edited.preparations, []);
});

test('a weight that is typed leaves every other weight, and the percentages follow', () => {
	const edited = apply(edit('bread flour', 80, { flour: 'normalise' }));
	close(percent(edited, 'bread flour'), (80 / 110) * 100);
	const salt = after(edited).final.lines.find((line) => line.ingredient.name === 'salt');
	close(salt?.percentOfFlour ?? 0, (2.1 / 110) * 100);
});

test('a line of a build changes its recipe and the amount the dough takes of it', () => {
	const edited = apply(edit('water', 12, { preparationId: LEVAIN.id }));
	assert.deepEqual(
		edited.preparations.map((preparation) => preparation.id),
		[LEVAIN.id]
	);
	const levain = after(edited).final.stages.find((stage) => stage.preparation?.id === LEVAIN.id);
	close(levain?.percentOfFlour ?? 0, 36 - 4.2);
	close(figuresOf(after(edited)).hydration, 94 - 4.2);
	const flour = apply(edit('whole wheat', 9, { preparationId: LEVAIN.id }));
	close(percent(flour, 'bread flour'), 70 - 1.8);
});

test('a line inside a build of a build is carried through both', () => {
	const feed: Preparation = { ...LEVAIN, id: id<PreparationId>('feed'), name: 'feed' };
	const levain: Preparation = {
		...LEVAIN,
		lines: [
			{ material: { kind: 'preparation', preparationId: feed.id }, parts: 12 },
			...LEVAIN.lines.slice(1)
		]
	};
	const pantry: Pantry = {
		...OAT_LOAF_PANTRY,
		preparations: new Map(OAT_LOAF_PANTRY.preparations).set(levain.id, levain).set(feed.id, feed)
	};
	const loaf = resolveFormula({ ...OAT_LOAF, lines: OAT_LOAF.lines.map((line) => line) }, pantry);
	// The feed brings other flour; the test needs a dough at 100 first.
	const inside = loaf.ok ? 100 : loaf.error.kind === 'flour-not-100' ? loaf.error.flourPercent : 0;
	const balanced = {
		...OAT_LOAF,
		lines: OAT_LOAF.lines.map((line, at) =>
			at === 2 ? { ...line, percentOfFlour: 70 + 100 - inside } : line
		)
	};
	const result = editLine(resolved(balanced, pantry), edit('water', 5, { preparationId: feed.id }));
	assert.ok(result.ok);
	assert.deepEqual(result.value.preparations.map((preparation) => preparation.id).sort(), [
		'feed',
		'levain'
	]);
	close(flourOf(after(result.value, pantry).final), 100, 1e-6);
});

test('whatever number is set, the flour is 100 again or the edit is refused with the reason', () => {
	const edits = fc.record({
		name: fc.constantFrom(...OAT_LOAF_INGREDIENTS.map((ingredient) => ingredient.name)),
		percentOfFlour: fc.double({ min: 0, max: 1000, noNaN: true }),
		preparationId: fc.constantFrom(null, LEVAIN.id),
		flour: fc.constantFrom('balance', 'normalise' as const)
	});
	fc.assert(
		fc.property(edits, ({ name, ...change }) => {
			const result = editLine(resolved(), edit(name, 0, change));
			if (!result.ok)
				assert.ok(['final-line-negative', 'no-flour-to-balance'].includes(result.error.kind));
			else close(flourOf(after(result.value).final), 100, 1e-6);
		})
	);
});

test('an amount too small for any scale takes the line out', () => {
	const edited = apply(edit('bread flour', 5e-324, { preparationId: LEVAIN.id }));
	const [levain] = edited.preparations;
	assert.equal(levain?.lines.length, LEVAIN.lines.length - 1);
	close(flourOf(after(edited).final), 100, 1e-6);
});

test('what cannot be is refused', () => {
	const kind = (change: LineEdit) => {
		const result = editLine(resolved(), change);
		return result.ok ? 'edited' : result.error.kind;
	};
	assert.equal(kind(edit('salt', -1)), 'out-of-range');
	assert.equal(kind(edit('salt', Number.NaN)), 'out-of-range');
	assert.equal(kind(edit('salt', 1001)), 'out-of-range');
	assert.equal(
		kind(edit('salt', 2, { preparationId: id<PreparationId>('biga') })),
		'unknown-stage'
	);
	assert.equal(kind(edit('whole wheat', 95)), 'final-line-negative');
	const lone = {
		...OAT_LOAF,
		lines: OAT_LOAF.lines
			.filter((_, at) => at > 1 && at !== 3)
			.map((line, at) => (at === 0 ? { ...line, percentOfFlour: 100 } : line))
	};
	const only = editLine(resolved(lone), edit('bread flour', 90));
	assert.ok(!only.ok && only.error.kind === 'no-flour-to-balance');
});

test('notes name what a baker would look at twice', () => {
	const loaf = resolved();
	const figures = figuresOf(loaf);
	assert.deepEqual(sanityNotes(loaf, figures), []);
	const kinds = (change: Partial<typeof figures>) =>
		sanityNotes(loaf, { ...figures, ...change }).map((note) => note.kind);
	assert.deepEqual(kinds({ salt: 3 }), ['salt-unusual']);
	assert.deepEqual(kinds({ salt: 1, prefermentedFlour: 0 }), ['salt-unusual', 'no-leavening']);
	assert.deepEqual(kinds({ yeastFreshEquivalent: 4 }), ['yeast-high-for-prefermented']);
	assert.deepEqual(kinds({ effectiveHydration: 40 }), ['hydration-unusual']);
	assert.deepEqual(kinds({ hydration: 120 }), ['hydration-unusual']);
});

test('a build is judged by its kind: a levain is noted where a yeasted sponge is not', () => {
	const notesAt = (percent: number, lines: readonly PreparationLine[]) => {
		const preparations = new Map(OAT_LOAF_PANTRY.preparations).set(LEVAIN.id, { ...LEVAIN, lines });
		const pantry = { ...OAT_LOAF_PANTRY, preparations };
		const formula: Formula = {
			...OAT_LOAF,
			lines: [
				{
					material: { kind: 'preparation', preparationId: LEVAIN.id },
					percentOfFlour: percent * 2,
					addition: 'start'
				},
				...OAT_LOAF.lines.filter((line) => line.addition === 'late'),
				{
					material: { kind: 'ingredient', ingredientId: id<IngredientId>('bread flour') },
					percentOfFlour: 100 - percent,
					addition: 'start'
				}
			]
		};
		const result = resolveFormula(formula, pantry);
		assert.ok(result.ok, JSON.stringify(result));
		return sanityNotes(result.value, figuresOf(result.value)).map((note) => note.kind);
	};
	const parts = (culture: number): readonly PreparationLine[] => [
		...(culture > 0
			? [
					{
						material: { kind: 'ingredient' as const, ingredientId: id<IngredientId>('culture') },
						parts: culture
					}
				]
			: []),
		{
			material: { kind: 'ingredient', ingredientId: id<IngredientId>('bread flour') },
			parts: 50 - culture / 2
		},
		{
			material: { kind: 'ingredient', ingredientId: id<IngredientId>('water') },
			parts: 50 - culture / 2
		}
	];
	assert.ok(notesAt(45, parts(10)).includes('prefermented-flour-unusual'));
	assert.ok(!notesAt(45, parts(0)).includes('prefermented-flour-unusual'));
	assert.ok(notesAt(20, parts(1)).includes('seed-unusual'));
	assert.ok(!notesAt(20, parts(10)).includes('seed-unusual'));
});
