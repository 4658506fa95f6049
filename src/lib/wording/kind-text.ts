import type { IngredientKind, PreparationKind } from '../core/formula/index.ts';
import type { ExtraUse } from '../core/production/index.ts';

export const PREPARATION_KIND_TEXT: Record<PreparationKind, string> = {
	build: 'pre-ferment',
	dough: 'dough that others take',
	soaker: 'soaker',
	scald: 'scald',
	porridge: 'porridge',
	fat: 'prepared fat',
	filling: 'filling',
	coating: 'coating',
	wash: 'wash',
	bath: 'bath'
};

export const INGREDIENT_KIND_TEXT: Record<IngredientKind, string> = {
	flour: 'flour',
	water: 'water',
	culture: 'culture',
	salt: 'salt',
	yeast: 'yeast',
	fat: 'fat',
	liquid: 'other liquid',
	other: 'other',
	caustic: 'caustic, for baths only'
};

export const EXTRA_USE_TEXT: Record<ExtraUse, string> = {
	filling: 'filling',
	coating: 'coating',
	topping: 'topping',
	wash: 'wash',
	bath: 'bath',
	glaze: 'glaze after the oven',
	dusting: 'dusting'
};

/** The caution that stands wherever a caustic bath does. */
export const CAUSTIC_CAUTION =
	'Caustic bath: goggles, gloves and apron on, the room aired. The solid goes slowly into cold water, never water onto the solid. Stainless steel or HDPE only, no aluminium and no galvanised ware, not even the tray under the parchment. Keep it labelled and closed. On skin or in eyes: rinse under running water for a quarter of an hour and get help. Neutralise and dispose of it as the site says. The site’s own rules come first.';

/** What ferments with milk or egg in it has a limit that no clock of its yeast tells. */
export const PERISHABLE_CAUTION =
	'Milk or egg in it: no more than two hours at room heat, then into the cold or into the dough. The site’s own food-safety rules come first.';
