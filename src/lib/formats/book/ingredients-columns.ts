import type { Heads } from './table-columns.ts';

/** The columns of a table of ingredients. */
export type IngredientColumn =
	| 'name'
	| 'kind'
	| 'flour'
	| 'water'
	| 'fat'
	| 'sugar'
	| 'wholegrain'
	| 'yeast'
	| 'allergens'
	| 'heat'
	| 'density'
	| 'purity'
	| 'rollsFrom'
	| 'rollsTo'
	| 'melts';

/** The columns that are written, and what else each may be called in a file of somebody else. */
export const INGREDIENT_HEADS: Heads<IngredientColumn> = {
	name: ['Name', 'ingredient'],
	kind: ['Kind', 'kind of ingredient'],
	flour: ['Flour (%)'],
	water: ['Water (%)'],
	fat: ['Fat (%)'],
	sugar: ['Sugar (%)'],
	wholegrain: ['Wholegrain of its flour (%)', 'wholegrain'],
	yeast: ['Fresh yeast for a gram', 'fresh yeast'],
	allergens: ['Allergens', 'allergen'],
	heat: ['Heat capacity (kJ/kg K)'],
	density: ['Density (kg/l)'],
	purity: ['Purity (%)'],
	rollsFrom: ['Rolls out from (°C)'],
	rollsTo: ['Rolls out to (°C)'],
	melts: ['Melts at (°C)']
};
