import type { IngredientKind } from './ingredient.ts';

/*
 * What the product takes for usual until the bakery says otherwise. Each default has its place here and nowhere
 * else. Source: usual-values (docs/sources.md).
 */

/** What a dough is wanted at, in degrees Celsius, and the temperature its clock is told for. */
export const USUAL_DOUGH_CELSIUS = 25;
/** Friction work of a machine mix in kJ per kg of dough. */
export const USUAL_FRICTION_KILOJOULES_PER_KILOGRAM = 9.6;
/** The share of a dough that stays in the bowl and on the bench. */
export const USUAL_DOUGH_LOSS_SHARE = 0.02;
/** The share of a build that stays in its tub. */
export const USUAL_BUILD_LOSS_SHARE = 0.02;
/** What a piece loses in the oven, as a share. */
export const USUAL_BAKE_LOSS_SHARE = 0.12;
/** A room in degrees Celsius, until the bakery says what its own is. */
export const USUAL_ROOM_CELSIUS = 22;
/** A cold place in degrees Celsius, where no cold room of the bakery is meant. */
export const USUAL_COLD_CELSIUS = 4;

/** How fast what waits takes the temperature of its place: time constants in minutes. */
export const USUAL_TIME_CONSTANT_MINUTES = {
	/** A tub of 12 kg, or a bulk of that order. */
	tub: 420,
	/** The same in moving cold air. */
	tubInTheCold: 240,
	/** A build in its jar or small tub. */
	build: 300,
	/** A covered loaf, or a small bowl. */
	piece: 150,
	/** A baked loaf that cools. */
	cooling: 90
} as const;

/** What a new formula begins with, in percent of flour: a plain dough to be written over. */
export const FIRST_LINES: readonly {
	readonly kind: IngredientKind;
	readonly percentOfFlour: number;
}[] = [
	{ kind: 'flour', percentOfFlour: 100 },
	{ kind: 'water', percentOfFlour: 65 },
	{ kind: 'salt', percentOfFlour: 2 }
];
