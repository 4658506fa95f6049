import { test } from 'node:test';
import assert from 'node:assert/strict';
import { id, type FormulaId, type IngredientId, type PreparationId } from '../identity.ts';
import {
	followersOf,
	impossibleAfter,
	innerFirst,
	takesFrom,
	type Formula,
	type Pantry,
	type Preparation
} from './index.ts';
import { LEVAIN, OAT_LOAF, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';

const withBuild = (pantry: Pantry, build: Preparation): Pantry => ({
	...pantry,
	preparations: new Map([...pantry.preparations, [build.id, build]])
});
const other: Formula = {
	...OAT_LOAF,
	id: id<FormulaId>('plain'),
	name: 'plain',
	lines: OAT_LOAF.lines.filter((line) => line.material.kind === 'ingredient')
};
/** Twice the water in what the levain is built with. */
const wetter: Preparation = {
	...LEVAIN,
	lines: LEVAIN.lines.map((line, at) =>
		at === LEVAIN.lines.length - 1 ? { ...line, parts: line.parts * 1.5 } : line
	)
};

test('a shared build that changes is followed by those that take from it, and by no others', () => {
	const after = withBuild(OAT_LOAF_PANTRY, wetter);
	const found = followersOf([OAT_LOAF, other], OAT_LOAF_PANTRY, after);
	assert.ok(found.ok);
	assert.deepEqual(
		found.value.map((formula) => formula.name),
		[OAT_LOAF.name]
	);
	const nothing = followersOf([OAT_LOAF, other], OAT_LOAF_PANTRY, OAT_LOAF_PANTRY);
	assert.deepEqual(nothing, { ok: true, value: [] });
});

test('what goes on after a change is not told, and what could not be made before is not held against it', () => {
	const after = withBuild(OAT_LOAF_PANTRY, wetter);
	const found = followersOf([OAT_LOAF], OAT_LOAF_PANTRY, after);
	assert.ok(found.ok);
	assert.equal(impossibleAfter([OAT_LOAF], found.value, OAT_LOAF_PANTRY, after), null);
	const emptyBuild = { ...LEVAIN, lines: [] };
	const broken = withBuild(OAT_LOAF_PANTRY, emptyBuild);
	const told = impossibleAfter([OAT_LOAF], [], OAT_LOAF_PANTRY, broken);
	assert.equal(told?.name, OAT_LOAF.name);
	assert.equal(impossibleAfter([OAT_LOAF], [], broken, broken), null);
});

test('what others take from comes first, through every level, and a circle ends', () => {
	const build = (name: string, ...from: string[]): Preparation => ({
		...LEVAIN,
		id: id<PreparationId>(name),
		name,
		lines: from.map((other) => ({
			material: { kind: 'preparation', preparationId: id<PreparationId>(other) },
			parts: 1
		}))
	});
	const names = (all: readonly Preparation[]) =>
		innerFirst(all).map((preparation) => preparation.name);
	assert.deepEqual(names([build('c', 'b'), build('b', 'a'), build('a')]), ['a', 'b', 'c']);
	assert.equal(names([build('x', 'y'), build('y', 'x')]).length, 2);
});

test('lines are known by what they take from', () => {
	const flour = OAT_LOAF.lines.find((line) => line.material.kind === 'ingredient')!;
	assert.ok(flour.material.kind === 'ingredient');
	assert.equal(takesFrom(OAT_LOAF.lines, new Set([LEVAIN.id])), true);
	assert.equal(takesFrom(other.lines, new Set([LEVAIN.id])), false);
	assert.equal(takesFrom(other.lines, new Set([flour.material.ingredientId])), true);
	assert.equal(takesFrom(other.lines, new Set([id<IngredientId>('none')])), false);
});
